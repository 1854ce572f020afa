import fc from 'fast-check';
import { charger, dayOfRigs, HOUSE, pack } from '../../../testing/day';
import { LOW_WATER } from '../../demo/low-water';
import { LOW_WATER_DAY } from '../../demo/low-water-day';
import { dayChances } from '../run/chances';
import { planFigures } from '../run/plan-figures';
import { DaySimulation } from '../run/simulate';
import type { Swap } from '../shape/day';
import { compareCost, costOf } from './judge/plan-cost';
import type { PlanCost } from './judge/plan-cost';
import { normalQuantile, planDay } from './plan-day';
import { sparesMissing } from './spares';

/** Two hours, a pause of half an hour, two hours more, and so on. */
const blocks = (rigId: string, count: number, more: object = {}) =>
  Array.from({ length: count }, (_, index) => ({ rigId, fromMin: 480 + index * 150, toMin: 600 + index * 150, ...more }));

/** Every way to put batteries in at the pauses, tried: the fewest changes without a gap and without touching the reserve. */
function bruteForce(simulation: DaySimulation, batteries: readonly string[], pauses: readonly number[]): number | undefined {
  let best: number | undefined;
  const walk = (swaps: readonly Swap[], index: number): void => {
    if (best !== undefined && swaps.filter(({ atMin }) => atMin > 480).length >= best) return;
    if (index === pauses.length) {
      const { gaps, intoReserve } = simulation.run(simulation.prepare({ swaps, charges: [] }));
      if (gaps.length === 0 && intoReserve.length === 0) best = swaps.filter(({ atMin }) => atMin > 480).length;
      return;
    }
    walk(swaps, index + 1);
    for (const batteryId of batteries)
      if ((swaps.at(-1)?.batteryId ?? 'p1') !== batteryId)
        walk([...swaps, { rigId: 'A', seatId: 'p1', batteryId, atMin: pauses[index]! }], index + 1);
  };
  walk([], 0);
  return best;
}

describe('a day that is planned', () => {
  it('law: needs no more changes than the best of all ways, on small days', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 8, max: 30 }),
        fc.array(fc.integer({ min: 30, max: 120 }), { minLength: 2, maxLength: 3 }),
        (powerW, sizes) => {
          const ids = ['p1', ...sizes.map((_, index) => `p${index + 2}`)];
          const simulation = dayOfRigs({
            rigs: { A: [powerW, 'p1'] },
            gear: Object.fromEntries(ids.map((id, index) => [id, pack(sizes[index - 1] ?? 70)])),
            blocks: blocks('A', 3, { uninterrupted: true }),
            // at even odds it plans with the figures themselves, as the other way does
            day: { chance: 0.5 },
          });
          const plan = planDay(simulation, { effort: 0.2 });
          const least = bruteForce(simulation, ids, [480, 600, 750]);
          if (least === undefined) expect(plan.cost.gapMin + plan.cost.lowMin).toBeGreaterThan(0);
          else expect({ swaps: plan.cost.swaps, unmet: plan.unmet }).toEqual({ swaps: least, unmet: [] });
          if (least !== undefined) {
            const { gaps, intoReserve } = simulation.run(simulation.prepare(plan));
            expect([gaps, intoReserve]).toEqual([[], []]);
            expect(plan.leastSwaps).toBeLessThanOrEqual(least);
          }
        },
      ),
      // the same days each time: a search, not a proof
      { numRuns: 30, seed: 20_261_128 },
    );
  });

  it('never changes a battery in a block that must not be interrupted, and changes before it instead', () => {
    const simulation = dayOfRigs({
      rigs: { A: [20, 'p1'] },
      gear: { p1: pack(95), p2: pack(95) },
      blocks: [
        { rigId: 'A', fromMin: 480, toMin: 660 },
        { rigId: 'A', fromMin: 660, toMin: 780, uninterrupted: true },
      ],
    });
    const { swaps, cost, reasons } = planDay(simulation);
    expect(swaps).toHaveLength(1);
    expect(swaps[0]!.atMin).toBeLessThanOrEqual(658);
    expect(reasons).toMatchObject([{ where: 'in a block' }]);
    expect(cost).toMatchObject({ interruptions: 0, gapMin: 2, sparesMissing: 1 });
    expect(simulation.run(simulation.prepare({ swaps })).blocks.map(({ interruptions }) => interruptions)).toEqual([0, 0]);
  });

  it('charges what is wanted again, where somebody is there to do it', () => {
    const world = (hands: { from: number; to: number }[]) =>
      dayOfRigs({
        rigs: { A: [30, 'p1'] },
        gear: { p1: pack(95), p2: pack(95), c: charger(120) },
        blocks: blocks('A', 4, { placeId: 'house' }),
        day: { places: [HOUSE], chargers: [{ gearId: 'c', placeId: 'house' }], hands },
      });
    const simulation = world([{ from: 6 * 60, to: 23 * 60 }]);
    const plan = planDay(simulation);
    expect(plan.unmet).toEqual([]);
    expect(plan.charges.length).toBeGreaterThan(1);
    const run = simulation.run(simulation.prepare(plan));
    expect([run.gaps, run.intoReserve]).toEqual([[], []]);
    // with nobody there in the day nothing is moved
    const alone = planDay(world([{ from: 6 * 60, to: 7 * 60 }]));
    expect(alone.unmet).toHaveLength(1);
    expect(alone.swaps.filter(({ atMin }) => atMin > 480)).toEqual([]);
  });

  it('leaves what is locked as it is, and a battery kept apart alone', () => {
    const locked = { rigId: 'A', seatId: 'p1', batteryId: 'p3', atMin: 500, locked: true };
    const simulation = dayOfRigs({
      rigs: { A: [20, 'p1'] },
      gear: { p1: pack(95), p2: pack(95), p3: pack(50), p4: pack(150) },
      blocks: blocks('A', 3),
      day: { swaps: [locked], batteries: [{ gearId: 'p2' }, { gearId: 'p3' }, { gearId: 'p4', apart: true }] },
    });
    const { swaps } = planDay(simulation);
    expect(swaps).toContainEqual(locked);
    expect(swaps.map(({ batteryId }) => batteryId)).not.toContain('p4');
    expect(planDay(simulation, { fromMin: 700 }).swaps.filter(({ atMin }) => atMin < 699)).toEqual([locked]);
  });

  it('lasts with the chance that was asked for', () => {
    const simulation = dayOfRigs({
      rigs: { A: [20, 'p1'], B: [12, 'p2'] },
      gear: { p1: pack(95), p2: pack(95), p3: pack(95), p4: pack(70) },
      blocks: [...blocks('A', 3), ...blocks('B', 3)],
      day: { chance: 0.95 },
    });
    const plan = planDay(simulation);
    expect(plan.unmet).toEqual([]);
    expect(dayChances(simulation, plan, { runs: 200 }).all).toBeGreaterThanOrEqual(0.95);
  });

  it('tells when it cannot be done, and from when on', () => {
    const simulation = dayOfRigs({ rigs: { A: [30, 'p1'] }, gear: { p1: pack(95) }, blocks: blocks('A', 3) });
    const { unmet, cost, leastGapMin } = planDay(simulation);
    expect(unmet).toMatchObject([{ rigId: 'A' }]);
    const [first] = simulation.run().gaps;
    // it plans with a little more draw, so it tells earlier than the figures alone
    expect(unmet[0]!.fromMin).toBeLessThan(first!.fromMin);
    expect(cost.gapMin).toBeGreaterThan(0);
    expect(leastGapMin).toBeLessThanOrEqual(cost.gapMin + cost.lowMin + 1);
  });

  it('stops where it is told to, with the best so far', () => {
    const simulation = dayOfRigs({
      rigs: { A: [30, 'p1'], B: [30, 'p2'] },
      gear: { p1: pack(95), p2: pack(95) },
      blocks: [...blocks('A', 3), ...blocks('B', 3)],
    });
    const whole = planDay(simulation);
    const stopped = planDay(simulation, { onProgress: () => false });
    expect(stopped.tried).toBeLessThan(whole.tried / 4);
    expect(stopped.cost).toEqual(costOf(planFigures(simulation, stopped), sparesMissing(simulation, stopped)));
  });

  it('tells the best so far while it looks, and the share that is done', () => {
    const simulation = dayOfRigs({
      rigs: { A: [30, 'p1'] },
      gear: { p1: pack(95), p2: pack(95), p3: pack(60) },
      blocks: blocks('A', 4),
      day: { chance: 0.5 },
    });
    const told: { done: number; of: number; off: number }[] = [];
    const plan = planDay(simulation, {
      onProgress: (done, of, best) => {
        const { gapMin, lowMin } = best().cost;
        told.push({ done, of, off: gapMin + lowMin });
        return true;
      },
    });
    expect(told.length).toBeGreaterThan(2);
    told.slice(1).forEach(({ done }, index) => expect(done).toBeGreaterThan(told[index]!.done));
    expect(told.every(({ done, of }) => done <= of)).toBe(true);
    expect(plan.cost.gapMin + plan.cost.lowMin).toBeLessThanOrEqual(Math.min(...told.map(({ off }) => off)) + 0.5);
  });

  it('gives the same plan for the same seed', () => {
    const simulation = () => dayOfRigs({ rigs: { A: [30, 'p1'] }, gear: { p1: pack(95), p2: pack(60), c: charger(60) }, blocks: blocks('A', 4), day: { places: [HOUSE], chargers: [{ gearId: 'c', placeId: 'house' }] } }); // prettier-ignore
    expect(planDay(simulation(), { seed: 5, effort: 0.3 })).toEqual(planDay(simulation(), { seed: 5, effort: 0.3 }));
  });

  it('makes the demo day work', () => {
    const simulation = new DaySimulation(
      LOW_WATER_DAY.body,
      new Map(LOW_WATER.gear.map(({ id, body }) => [id, body])),
      new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body])),
    );
    const plan = planDay(simulation);
    expect(plan.unmet).toEqual([]);
    const { gaps, blocks: ran, filled } = simulation.run(simulation.prepare(plan));
    expect(gaps.filter(({ why }) => why !== 'change')).toEqual([]);
    expect(ran.reduce((sum, { interruptions }) => sum + interruptions, 0)).toBe(0);
    expect(filled.length).toBeGreaterThan(3);
    expect(dayChances(simulation, plan, { runs: 60 }).all).toBeGreaterThanOrEqual(0.9);
  });
});

describe('what a plan costs', () => {
  const none: PlanCost = { interruptions: 0, gapMin: 0, lowMin: 0, unrecordedMin: 0, sparesMissing: 0, swaps: 0, batteries: 0, massG: 0 };

  it('counts harm before everything, then by the order of importance', () => {
    const [harm, many] = [
      { ...none, interruptions: 1 },
      { ...none, swaps: 9, massG: 1 },
    ];
    expect(compareCost(many, harm)).toBeLessThan(0);
    const few = { ...none, swaps: 1, massG: 900 };
    expect(compareCost(few, many, 'swaps')).toBeLessThan(0);
    expect(compareCost(few, many, 'mass')).toBeGreaterThan(0);
    expect(compareCost(few, { ...few })).toBe(0);
    // below the reserve is as bad as off
    expect(compareCost({ ...none, lowMin: 3 }, { ...none, gapMin: 4 })).toBeLessThan(0);
  });

  it('reads a chance as standard deviations', () => {
    expect(normalQuantile(0.95)).toBeCloseTo(1.645, 2);
    expect(normalQuantile(0.5)).toBeCloseTo(0, 3);
    expect(normalQuantile(0.1)).toBeCloseTo(-1.2816, 2);
  });
});
