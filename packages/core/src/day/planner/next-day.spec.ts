import { LOW_WATER } from '../../demo/low-water';
import { LOW_WATER_DAY } from '../../demo/low-water-day';
import type { Gear } from '../../gear/gear';
import type { Rig } from '../../rig/drawn/rig';
import { DaySimulation } from '../run/simulate';
import { carriedOver, dayAfter, notAsLeft } from './next-day';

const gear = new Map<string, Gear>(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigs = new Map<string, Rig>(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
const day = LOW_WATER_DAY.body;
const known = new Set(gear.keys());
const run = new DaySimulation(day, gear, rigs).run();

describe('the day after', () => {
  const next = dayAfter(LOW_WATER_DAY.id, day, run, known);

  it('begins with every battery as full as the day before leaves it', () => {
    const after = new DaySimulation(next, gear, rigs);
    for (const { gearId } of next.batteries!) {
      const left = run.endCharge.get(gearId);
      if (left !== undefined) expect(after.startCharge(gearId)).toBeCloseTo(left, 3);
    }
    expect(run.endCharge.size).toBeGreaterThan(5);
    expect(notAsLeft(next, run)).toEqual([]);
  });

  it('is the date after the last of its days, with the same rigs, places and chargers and no block yet', () => {
    expect(next).toMatchObject({
      date: '2026-01-14',
      days: 1,
      follows: LOW_WATER_DAY.id,
      blocks: [],
      rigIds: day.rigIds,
      places: day.places,
    });
  });

  it('leaves out the batteries inside devices: they are no gear of their own', () => {
    expect(next.batteries!.every(({ gearId }) => gear.has(gearId))).toBe(true);
  });

  it('keeps what is broken broken, from its first minute on', () => {
    const broken = { ...day, lost: [{ gearId: day.batteries![0]!.gearId, atMin: 900 }] };
    expect(dayAfter(LOW_WATER_DAY.id, broken, run, known).lost).toEqual([{ gearId: day.batteries![0]!.gearId, atMin: 0 }]);
  });

  it('is told which batteries the plan before now leaves otherwise, and takes them over', () => {
    const [first] = next.batteries!.filter(({ gearId }) => run.endCharge.has(gearId));
    const stale = {
      ...next,
      batteries: next.batteries!.map((one) => (one === first ? { ...one, startCharge: first.startCharge! > 0.5 ? 0.1 : 0.9 } : one)),
    };
    expect(notAsLeft(stale, run)).toEqual([first!.gearId]);
    expect(notAsLeft({ batteries: [{ gearId: first!.gearId }] }, run)).toEqual([first!.gearId]);
    expect(notAsLeft({ ...stale, batteries: carriedOver(stale, run, known) }, run)).toEqual([]);
  });
});
