import type { Day, Place } from '../shape/day';
import { dayIssues } from './day-issues';
import { missingOfSun, wattsOfPlace } from './place-power';

const panel: Place = { id: 'roof', name: 'Roof', power: 'solar', outletW: 100, sunHours: 2, powerFrom: 600, powerTo: 900 };

describe('power of a place', () => {
  it('of a panel is its yield of the day over its hours of sun: 100 W × 2 h × 0.65 in 5 h', () => {
    expect(wattsOfPlace(panel)).toBeCloseTo(26, 9);
    expect(wattsOfPlace({ ...panel, powerFrom: 0, powerTo: 1440 })).toBeCloseTo(130 / 24, 9);
  });

  it('is never more than the panel has in full sun', () => {
    expect(wattsOfPlace({ ...panel, sunHours: 14 })).toBe(100);
  });

  it('of an outlet is its limit, plenty where none is said, and nothing where there is none', () => {
    expect(wattsOfPlace({ id: 'boat', name: 'Boat', power: 'vehicle', outletW: 240 })).toBe(240);
    expect(wattsOfPlace({ id: 'house', name: 'House', power: 'mains' })).toBeUndefined();
    expect(wattsOfPlace({ id: 'quay', name: 'Quay', power: 'none' })).toBe(0);
  });

  it('is nothing, and told, while a figure of the sun is missing', () => {
    const { sunHours: _sun, ...unknown } = panel;
    expect(wattsOfPlace(unknown)).toBe(0);
    expect(missingOfSun(unknown)).toEqual(['sunHours']);
    const day: Day = { name: 'Day', date: '2026-01-12', days: 1, rigIds: [], blocks: [], places: [panel, { ...unknown, id: 'shed' }] };
    expect(dayIssues(day).map(({ path, code }) => [path, code])).toEqual([['/places/1/sunHours', 'figure-missing']]);
  });
});
