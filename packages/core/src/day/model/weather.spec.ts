import type { Block, Day, Place } from '../shape/day';
import { coldestAt, coldestDuring, temperatureIn, weatherFromForecast } from './weather';

const DAY: Day = { name: 'Day', date: '2026-01-12', days: 1, rigIds: [], blocks: [], zone: 'Europe/Berlin', temperatureC: 9 };
const hours = [
  { at: '2026-01-11T20:00Z', temperatureC: 1 },
  { at: '2026-01-12T06:00Z', temperatureC: -3.4 },
  { at: '2026-01-12T07:00Z', temperatureC: -1 },
  { at: '2026-01-12T08:00Z', temperatureC: 2 },
];
const weather = weatherFromForecast({ source: 'Harbour office', hours }, DAY);
const quay: Place = { id: 'quay', name: 'Quay', power: 'none', temperatureC: 4, weather };
const block = (fromMin: number, toMin: number, more: Partial<Block> = {}): Block => ({
  id: '0d0c0000-0000-4000-8000-000000000001',
  rigId: '0d0c0000-0000-4000-8000-000000000002',
  kind: 'record',
  placeId: 'quay',
  fromMin,
  toMin,
  ...more,
});
const day: Day = { ...DAY, places: [quay] };

describe('a forecast as the weather of a place', () => {
  it('stands at the clocks there, and leaves out what is before the plan', () => {
    expect(weather).toEqual({
      source: 'Harbour office',
      date: '2026-01-12',
      hours: [
        { atMin: 420, temperatureC: -3.4 },
        { atMin: 480, temperatureC: -1 },
        { atMin: 540, temperatureC: 2 },
      ],
    });
  });
});

describe('how cold it is in a block', () => {
  it('is the coldest hour that it touches, down to a whole degree', () => {
    expect(temperatureIn(block(430, 470), day)).toBe(-4);
    expect(temperatureIn(block(480, 540), day)).toBe(-1);
    expect(temperatureIn(block(500, 600), day)).toBe(-1);
  });

  it('is what the block says where it says something', () => {
    expect(temperatureIn(block(430, 470, { temperatureC: -9 }), day)).toBe(-9);
  });

  it('is the place’s, and then the day’s, where the weather does not cover it', () => {
    expect(temperatureIn(block(400, 470), day)).toBe(4);
    expect(temperatureIn(block(500, 700), day)).toBe(4);
    expect(temperatureIn({ ...block(500, 560), placeId: undefined }, day)).toBe(9);
    expect(temperatureIn(block(500, 560), { ...DAY, places: [{ id: 'quay', name: 'Quay', power: 'none' }] })).toBe(9);
  });

  it('is not that of a forecast for another date', () => {
    expect(coldestDuring(quay, { date: '2026-01-13' }, { fromMin: 430, toMin: 470 })).toBeUndefined();
    expect(temperatureIn(block(430, 470), { ...day, date: '2026-01-13' })).toBe(4);
  });
});

it('chargers count with the coldest hour of their place', () => {
  expect(coldestAt(quay, day)).toBe(-3.4);
  expect(coldestAt({ ...quay, temperatureC: -8 }, day)).toBe(-8);
  expect(coldestAt(quay, { date: '2026-02-01' })).toBe(4);
});
