import { LOW_WATER, LOW_WATER_LOG } from '@viaggio/core/demo';
import type { Observation } from '@viaggio/core/measure';
import { lineOf, summaryOf, whenOf } from './log-labels';

describe('an observation in a line', () => {
  const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
  const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));

  it('says what it was made with, and what of it is gone', () => {
    const [first] = LOW_WATER_LOG;
    expect(lineOf(first!.body, gear, rigs)).toMatchObject({
      kind: 'Run-down, full to dead',
      summary: 'full to dead in 5 h 3 min',
      about: 'Skuadon 60 on V1: Holmvik 95 · Wheelhouse · “Guest house, 4K 25p, lens cap on.”',
      setAside: false,
    });
    expect(lineOf(first!.body, new Map(), new Map()).about).toBe('gone from the kit on gone from the kit · a rig that is gone · “Guest house, 4K 25p, lens cap on.”'); // prettier-ignore
  });

  it('of every kind has its figures in it', () => {
    const base = { at: '2026-01-07', deviceId: 'd', batteryId: 'b', minutes: 90, from: 1, to: 0.5, step: 0.25 };
    const said = ([
      { ...base, kind: 'part' },
      { ...base, kind: 'two-point', fromV: 16.7, toV: 15 },
      { ...base, kind: 'put-back', energyWh: 80 },
      { ...base, kind: 'segment', meanW: 8, spreadW: 0.1, seconds: 600 },
      { ...base, kind: 'shots', count: 700 },
      { ...base, kind: 'set-run', rigId: 'r', ended: 'swapped' },
      { ...base, kind: 'capacity', energyWh: 88 },
    ] as Observation[]).map(summaryOf); // prettier-ignore
    expect(said).toEqual([
      '100 % to 50 % in 1 h 30 min',
      '16.7 V to 15 V at rest after 1 h 30 min',
      '80 Wh put back after 1 h 30 min',
      '8 W over 10 min',
      '700 shots in 1 h 30 min',
      '1 h 30 min, then swapped',
      'gave 88 Wh',
    ]);
  });

  it('has a day that is one, whatever was typed', () => {
    expect(whenOf('2026-02-31')).toBe(whenOf('2026-03-03'));
    expect(whenOf('2026-01-07T08:05:00Z')).toMatch(/2026.*\d/);
  });
});
