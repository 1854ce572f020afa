import { charger, dayOfRigs, HOUSE, pack } from '../../../testing/day';
import { spoken } from '../../../testing/spoken';
import { LOW_WATER } from '../../demo/low-water';
import { LOW_WATER_DAY } from '../../demo/low-water-day';
import type { Gear } from '../../gear/gear';
import type { Rig } from '../../rig/drawn/rig';
import { dayIndicators } from '../run/day-indicators';
import { onlyIn, planFigures } from '../run/plan-figures';
import { DaySimulation } from '../run/simulate';
import type { Day } from '../shape/day';
import { costOfMoving } from './moved-change';
import { planDay } from './plan-day';
import { neededToday, topUps } from './top-ups';

const gear = new Map<string, Gear>(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigs = new Map<string, Rig>(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
const bare = new DaySimulation(LOW_WATER_DAY.body, gear, rigs);
const plan = planDay(bare);
const planned: Day = { ...LOW_WATER_DAY.body, swaps: plan.swaps, charges: plan.charges, cardChanges: plan.cardChanges };
const simulation = new DaySimulation(planned, gear, rigs, bare.states);
const run = simulation.run();

describe('figures of a plan', () => {
  it('are those of the run, so that what a person placed and what was found can be compared', () => {
    const [before, after] = [planFigures(bare, {}), planFigures(bare, plan)];
    expect(before).toMatchObject({ changes: 0, charges: 0, wallWh: 0 });
    expect(before.gapMin).toBeGreaterThan(300);
    expect(after).toMatchObject({
      interruptions: 0,
      gapMin: 0,
      changes: plan.cost.swaps,
      batteries: plan.cost.batteries,
      massG: plan.cost.massG,
    });
  });

  it('tell which changes are only in one of two', () => {
    expect(onlyIn(plan.swaps, plan.swaps)).toEqual([]);
    expect(onlyIn(plan.swaps, [])).toEqual(plan.swaps);
    const [first, ...rest] = plan.swaps;
    const later = [{ ...first!, atMin: first!.atMin + 4 }, ...rest];
    expect(onlyIn(plan.swaps, later)).toEqual([]);
    expect(onlyIn(plan.swaps, [{ ...first!, atMin: first!.atMin + 40 }, ...rest])).toEqual([first]);
  });
});

describe('what it would cost to move a change of battery', () => {
  it('is what the day loses with it moved, and nothing else moves', () => {
    for (const swap of plan.swaps) {
      for (const moved of costOfMoving(simulation, swap)) {
        const swaps = plan.swaps.map((one) => (one === swap ? { ...one, atMin: moved.atMin } : one));
        const figures = planFigures(simulation, { swaps, charges: plan.charges });
        const off = ({ gapMin, changeMin }: typeof figures): number => gapMin + changeMin;
        expect(moved.gapMin).toBeCloseTo(off(figures) - off(planFigures(simulation, plan)), 6);
        expect(moved.says).toMatch(
          moved.gapMin > 0.5 ? /min more without power/ : moved.interruptions > 0 ? /must not be/ : /nothing is lost|reserve/,
        );
      }
    }
  });

  it('is something for some of the changes of the demo’s plan: they are not where they are for nothing', () => {
    const all = plan.swaps.flatMap((swap) => costOfMoving(simulation, swap));
    expect(all.some(({ gapMin }) => gapMin > 5)).toBe(true);
    expect(all.some(({ gapMin, interruptions, intoReserve }) => gapMin <= 0 && interruptions <= 0 && intoReserve <= 0)).toBe(true);
  });
});

describe('top-ups in the breaks', () => {
  it('of a day that nobody planned are worth it where they take away minutes without power', () => {
    const found = topUps(bare, bare.run());
    const [first] = found;
    expect(first).toMatchObject({ worth: true, says: { code: 'less-dark' } });
    for (const one of found) {
      const { gapMin } = planFigures(bare, one.moves);
      const saved = planFigures(bare, {}).gapMin - gapMin;
      expect(saved > 1).toBe(one.says.code === 'less-dark');
      expect(one.toCharge).toBeGreaterThan(one.fromCharge);
      expect(one.toMin).toBeGreaterThan(one.fromMin);
    }
  });

  it('of a day that works are seldom worth it, and each says why', () => {
    const easy = dayOfRigs({
      rigs: { A: [10, 'p1'] },
      gear: { p1: pack(95), c: charger(60) },
      blocks: [480, 660].map((fromMin) => ({ rigId: 'A', fromMin, toMin: fromMin + 120, placeId: 'house' })),
      day: { places: [HOUSE], chargers: [{ gearId: 'c', placeId: 'house' }] },
    });
    const found = [...topUps(simulation, run), ...topUps(easy, easy.run())];
    expect(found.some(({ worth }) => !worth)).toBe(true);
    for (const { worth, says } of found)
      expect(spoken(says)).toMatch(worth ? /less without power|out of its reserve/ : /left at the lowest|adds only|nothing is gained/);
  });

  it('stay where the rig is: nobody carries a battery from the boat to the house over soup', () => {
    const places = new Map(planned.chargers!.map(({ gearId, placeId }) => [gearId, placeId]));
    const onBoard = topUps(simulation, run).filter(({ rig }) => rig?.startsWith('Wheelhouse'));
    for (const { moves } of onBoard) expect(places.get(moves.charges!.at(-1)!.chargerId)).toBe('boat');
  });
});

it('what is on a charger for the plan itself is told from what is for the day after', () => {
  const needed = neededToday(simulation, run);
  expect(needed).toHaveLength(plan.charges.length);
  needed.forEach((isNeeded, index) => {
    const charges = plan.charges.filter((_, other) => other !== index);
    const { gapMin, intoReserve, interruptions } = planFigures(simulation, { swaps: plan.swaps, charges });
    const before = planFigures(simulation, plan);
    expect(isNeeded).toBe(gapMin > before.gapMin + 1 || intoReserve > before.intoReserve || interruptions > before.interruptions);
  });
  expect(new Set(needed)).toEqual(new Set([true, false]));
});

describe('indicators over a day', () => {
  const seen = dayIndicators(simulation, run);

  it('tell of every stay of a battery what its gauge shows, beside what is left', () => {
    for (const stay of run.stays)
      expect(seen.some(({ batteryId, fromMin }) => batteryId === stay.batteryId && fromMin === stay.fromMin)).toBe(true);
    for (const { readings, fromMin, toMin } of seen) {
      for (let index = 1; index < readings.length; index++) {
        expect(readings[index]!.charge).toBeLessThanOrEqual(readings[index - 1]!.charge + 1e-9);
        expect(readings[index]!.minute).toBeGreaterThanOrEqual(readings[index - 1]!.minute);
      }
      for (const { minute } of readings) expect(minute >= fromMin - 1e-3 && minute <= toMin + 1e-3).toBe(true);
    }
  });

  it('tell of a camera on an adapter that holds its output that it shows full all the time, once a rig', () => {
    const lying = seen.filter(({ part, believable }) => believable === 'no' && part === 'Skuadon 60');
    expect(new Set(lying.map(({ rigId }) => rigId)).size).toBe(lying.length);
    for (const { readings } of lying) expect(readings.map(({ shown }) => shown)).toEqual(['100 %']);
  });

  it('give the minute by which to change where a battery goes to its reserve', () => {
    const cutShort = dayIndicators(bare, bare.run()).filter(({ changeBy }) => changeBy);
    expect(cutShort.length).toBeGreaterThan(2);
    for (const { changeBy, fromMin, toMin } of cutShort) expect(changeBy!.minute >= fromMin && changeBy!.minute <= toMin).toBe(true);
  });
});
