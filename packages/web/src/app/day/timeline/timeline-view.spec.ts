import { DaySimulation, LOW_WATER, LOW_WATER_DAY, planDay } from '@viaggio/core';
import type { Day } from '@viaggio/core';
import { chargerRows, percent, rigRows, scaleOf, time } from './timeline-view';

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
const simulation = new DaySimulation(LOW_WATER_DAY.body, gear, rigs);
const plan = planDay(simulation, { effort: 0.3 });
const day: Day = { ...LOW_WATER_DAY.body, swaps: plan.swaps, charges: plan.charges, cardChanges: plan.cardChanges };
const run = simulation.run(simulation.prepare(plan));

describe('the picture of a day', () => {
  const scale = scaleOf(day, 1000);

  it('reaches from the evening before to the last thing, whole hours marked', () => {
    expect(scale.fromMin).toBe(18 * 60);
    expect(scale.toMin).toBe(48 * 60);
    expect([scale.x(scale.fromMin), scale.x(scale.toMin)]).toEqual([0, 1000]);
    expect(scale.minute(scale.x(1500))).toBeCloseTo(1500, 9);
    expect(scale.hours.find(({ midnight }) => midnight)).toMatchObject({ x: 200, midnight: 'Tue 13 Jan' });
  });

  it('of an empty day shows some hours all the same', () => {
    const { fromMin, toMin } = scaleOf({ ...day, startsAt: undefined, blocks: [], charges: [] }, 1000);
    expect(toMin).toBeGreaterThan(fromMin);
  });

  it('has every block, change, gap and battery of each rig', () => {
    const rows = rigRows(day, run, scale, gear, rigs);
    expect(rows.map(({ name }) => name)).toEqual(day.rigIds.map((id) => rigs.get(id)!.name));
    expect(rows.flatMap(({ blocks }) => blocks)).toHaveLength(day.blocks.length);
    expect(rows.flatMap(({ swaps }) => swaps)).toHaveLength(day.swaps!.length);
    expect(rows.flatMap(({ gaps }) => gaps)).toHaveLength(run.gaps.length);
    for (const { lines } of rows) for (const { points } of lines) expect(points).toMatch(/^[\d.]+,[\d.]+ /);
    // two that go in together have their tags side by side
    const grip = rows.find(({ name }) => name === 'Stills with the grip')!;
    expect(new Set(grip.lines.map(({ x }) => x)).size).toBe(grip.lines.length);
  });

  it('has everything that is on a charger, what lies there together in lanes', () => {
    const rows = chargerRows(day, run, scale, gear);
    expect(rows.flatMap(({ bars }) => bars)).toHaveLength(run.filled.length);
    for (const { bars, lanes } of rows) {
      for (const one of bars) {
        expect(one.lane).toBeLessThan(lanes);
        const clash = bars.find(
          (other) => other !== one && other.lane === one.lane && other.x < one.x + one.width - 0.01 && one.x < other.x + other.width - 0.01,
        );
        expect(clash).toBeUndefined();
      }
    }
  });

  it('tells times with their day where there are several', () => {
    expect(time(day, 24 * 60 + 450)).toBe('Tue 07:30');
    expect(time({ ...day, days: 1 }, 450)).toBe('07:30');
    expect(percent(0.195)).toBe('20\u00a0%');
  });
});
