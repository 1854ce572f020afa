import fc from 'fast-check';
import { charger, dayOfRigs, HOUSE, pack } from '../../../testing/day';
import { planFigures } from '../run/plan-figures';
import type { DaySimulation } from '../run/simulate';
import type { Charge, Day, Swap } from '../shape/day';
import { planBounds } from './bounds/plan-bounds';
import { FlatDay } from './judge/flat-day';
import { compareCost, costOf } from './judge/plan-cost';
import { QuickRun } from './judge/quick-run';
import { planDay } from './plan-day';
import { sparesMissing } from './spares';

/** A small day where batteries are scarce: what is drawn, what there is, when somebody is there. */
interface Scarce {
  readonly watts: readonly number[];
  readonly sizes: readonly number[];
  readonly lengths: readonly (readonly [shootMin: number, restMin: number, guarded: boolean])[];
  readonly slots: number;
  readonly chargerW: number;
  readonly powerTo: number | undefined;
  readonly hands: readonly (readonly [from: number, to: number])[];
}

const scarce: fc.Arbitrary<Scarce> = fc.record({
  watts: fc.array(fc.integer({ min: 12, max: 40 }), { minLength: 1, maxLength: 2 }),
  sizes: fc.array(fc.constantFrom(49, 70, 95), { minLength: 2, maxLength: 4 }),
  lengths: fc.array(
    fc.tuple(
      fc.integer({ min: 6, max: 16 }).map((tens) => tens * 10),
      fc.constantFrom(0, 20, 60),
      fc.boolean(),
    ),
    { minLength: 2, maxLength: 4 },
  ),
  slots: fc.integer({ min: 0, max: 2 }),
  chargerW: fc.constantFrom(30, 60, 120),
  powerTo: fc.constantFrom(undefined, 780, 1080),
  hands: fc.constantFrom<readonly (readonly [number, number])[]>(
    [],
    [[420, 1320]],
    [
      [420, 700],
      [760, 1320],
    ],
  ),
});

function dayOf({ watts, sizes, lengths, slots, chargerW, powerTo, hands }: Scarce, more: Partial<Day> = {}): DaySimulation {
  const packs = Object.fromEntries([...watts, ...sizes].map((_, index) => [`p${index}`, pack(sizes[index - watts.length] ?? 70)]));
  const rigs = Object.fromEntries(watts.map((powerW, index) => [`R${index}`, [powerW, `p${index}`] as const]));
  const blocks = Object.keys(rigs).flatMap((rigId, index) => {
    let at = 480 + 30 * index;
    return lengths.map(([shootMin, restMin, uninterrupted]) => {
      const block = { rigId, fromMin: at, toMin: at + shootMin, placeId: 'house', uninterrupted };
      at += shootMin + restMin;
      return block;
    });
  });
  return dayOfRigs({
    rigs,
    gear: { ...packs, ...(slots > 0 && { c: charger(chargerW, slots) }) },
    blocks,
    day: {
      // with the figures themselves, so that what is planned with and what is told are one
      chance: 0.5,
      places: [{ ...HOUSE, ...(powerTo !== undefined && { powerFrom: 0, powerTo }) }],
      chargers: slots > 0 ? [{ gearId: 'c', placeId: 'house' }] : [],
      ...(hands.length > 0 && { hands: hands.map(([from, to]) => ({ from, to })) }),
      ...more,
    },
  });
}

const costWith = (simulation: DaySimulation, moves: { readonly swaps?: readonly Swap[]; readonly charges?: readonly Charge[] }) => {
  const all = { swaps: [...(moves.swaps ?? [])], charges: [...(moves.charges ?? [])] };
  return costOf(planFigures(simulation, all), sparesMissing(simulation, all));
};
const EFFORT = { effort: 0.5 };
/** The one battery comes to its reserve in a block that must not be interrupted, and carries it to its end: no change is needed. */
const ON_ITS_RESERVE: Scarce = { watts: [12], sizes: [49, 49], lengths: [[90, 0, false], [140, 0, false], [90, 0, true]], slots: 0, chargerW: 30, powerTo: undefined, hands: [] }; // prettier-ignore
/** Plans are looked for, not proven: once in some thousand days a search misses the best. The same days each time, so that a failure says that the planner has changed. */
const RUNS = { numRuns: 25, seed: 20_261_128 };

describe('laws of plans', () => {
  it('a plan is what its run comes to, never worse than doing nothing, and moves nothing where nobody is', () => {
    fc.assert(
      fc.property(scarce, (given) => {
        const simulation = dayOf(given);
        const plan = planDay(simulation, EFFORT);
        expect(plan.cost).toEqual(costWith(simulation, plan));
        expect(plan.figures).toEqual(planFigures(simulation, plan));
        expect(compareCost(plan.cost, costWith(simulation, {}))).toBeLessThanOrEqual(0);
        const { nobodyThere, blocks } = simulation.run(simulation.prepare(plan));
        expect(nobodyThere).toEqual([]);
        const dark = blocks.filter(
          ({ gapMin, changeMin }, index) => simulation.day.blocks[index]!.uninterrupted && gapMin + changeMin > 1e-6,
        );
        expect(plan.cost.interruptions).toBe(dark.length);
        expect(plan.leastSwaps).toBeLessThanOrEqual(plan.cost.swaps);
        expect(plan.leastGapMin).toBeLessThanOrEqual(plan.cost.gapMin + plan.cost.lowMin + 1e-6);
      }),
      RUNS,
    );
  });

  it('hours in the dark elsewhere do not outweigh a ceremony that need not be interrupted', () => {
    // the large battery carries the ceremony through, or saves the other rig more than two hours
    const ceremony = { rigId: 'A', fromMin: 480, toMin: 645, placeId: 'house', uninterrupted: true };
    const simulation = dayOfRigs({
      rigs: { A: [20, 'small'], B: [40, 'other'] },
      gear: { small: pack(49), other: pack(49), large: pack(95) },
      blocks: [ceremony, { rigId: 'B', fromMin: 480, toMin: 780, placeId: 'house' }],
      day: { chance: 0.5, places: [HOUSE] },
    });
    const plan = planDay(simulation, EFFORT);
    expect(plan.cost.interruptions).toBe(0);
    expect(plan.cost.gapMin).toBeGreaterThan(60);
    expect(plan.swaps.filter(({ rigId }) => rigId === 'A').map(({ batteryId }) => batteryId)).toEqual(['large']);
  });

  it('never takes out the battery that is in to put it back, unless it was charged meanwhile', () => {
    fc.assert(
      fc.property(scarce, (given) => {
        const simulation = dayOf(given);
        const { swaps, charges } = planDay(simulation, EFFORT);
        const isIn = new Map(simulation.day.rigIds.map((rigId) => [rigId, { batteryId: `p${rigId.slice(1)}`, sinceMin: -Infinity }]));
        for (const { rigId, batteryId, atMin } of [...swaps].sort((a, b) => a.atMin - b.atMin)) {
          const before = isIn.get(rigId)!;
          isIn.set(rigId, { batteryId, sinceMin: atMin });
          if (before.batteryId !== batteryId) continue;
          const charged = charges.some((one) => one.batteryId === batteryId && one.fromMin >= before.sinceMin && one.fromMin < atMin);
          expect([rigId, batteryId, atMin, charged]).toEqual([rigId, batteryId, atMin, true]);
        }
      }),
      RUNS,
    );
  });

  it('another battery, another slot, more mains, more hands never make it worse', () => {
    fc.assert(
      fc.property(scarce, fc.constantFrom('battery', 'slot', 'mains', 'hands'), (given, what) => {
        const more: Scarce = {
          ...given,
          ...(what === 'battery' && { sizes: [...given.sizes, 95] }),
          ...(what === 'slot' && { slots: given.slots + 1 }),
          ...(what === 'mains' && { powerTo: undefined }),
          ...(what === 'hands' && { hands: [] }),
        };
        const [before, after] = [planDay(dayOf(given)), planDay(dayOf(more))];
        // what it weighs is not looked at here
        expect(compareCost({ ...after.cost, massG: 0 }, { ...before.cost, massG: 0 })).toBeLessThanOrEqual(0);
      }),
      RUNS,
    );
  });

  it('locking what a plan does anyway changes nothing', () => {
    fc.assert(
      fc.property(scarce, (given) => {
        const plan = planDay(dayOf(given), EFFORT);
        const swaps = plan.swaps.map((swap) => ({ ...swap, locked: true }));
        const charges = plan.charges.map((charge) => ({ ...charge, locked: true }));
        const again = planDay(dayOf(given, { swaps, charges }), EFFORT);
        expect(again.swaps).toEqual(expect.arrayContaining(swaps));
        expect(again.charges).toEqual(expect.arrayContaining(charges));
        expect(compareCost(again.cost, plan.cost)).toBeLessThanOrEqual(0);
      }),
      RUNS,
    );
  });

  it('planning from a moment on keeps what has happened, and never uses what is lost', () => {
    fc.assert(
      fc.property(scarce, fc.integer({ min: 500, max: 900 }), (given, fromMin) => {
        const plan = planDay(dayOf(given), { effort: 0.2 });
        const lost = { gearId: plan.swaps[0]?.batteryId ?? 'p0', atMin: fromMin };
        const simulation = dayOf(given, { swaps: [...plan.swaps], charges: [...plan.charges], lost: [lost] });
        const again = planDay(simulation, { fromMin, effort: 0.2 });
        const before = (moves: { readonly swaps: readonly Swap[] }) => moves.swaps.filter(({ atMin }) => atMin < fromMin);
        expect(before(again)).toEqual(before(plan));
        for (const move of [...again.swaps, ...again.charges.map((charge) => ({ ...charge, atMin: charge.fromMin }))])
          if (move.batteryId === lost.gearId) expect(move.atMin).toBeLessThan(fromMin);
        // what is on a charger by then was put on by then
        const early = again.charges.filter((charge) => charge.fromMin < fromMin);
        for (const { batteryId, fromMin: from } of early)
          expect(plan.charges).toContainEqual(expect.objectContaining({ batteryId, fromMin: from }));
      }),
      RUNS,
    );
  });

  it('no bound is above a plan, neither one that was looked for nor any other', () => {
    const none = { of: () => 0, efficiency: 0, temperature: 0 };
    const change = fc.record({ rig: fc.nat(1), battery: fc.nat(4), atMin: fc.integer({ min: 480, max: 1000 }) });
    fc.assert(
      fc.property(scarce, fc.array(change, { maxLength: 5 }), (given, changes) => {
        const simulation = dayOf(given, { hands: undefined });
        const flat = new FlatDay(simulation);
        const judge = new QuickRun(flat, none, [], 0);
        const plan = planDay(simulation, { effort: 0.3 });
        const strict = planBounds(flat, judge.drain, true);
        const loose = planBounds(flat, judge.drain, false);
        const bounds = plan.cost.interruptions === 0 ? strict : loose;
        const offMin = plan.cost.gapMin + plan.cost.lowMin;
        expect(bounds.gapMin).toBeLessThanOrEqual(offMin + 0.1);
        expect(bounds.fewestSwaps(offMin)).toBeLessThanOrEqual(plan.cost.swaps);
        const swaps = changes
          .map(({ rig, battery, atMin }) => ({ seat: rig % flat.seats.length, battery: battery % flat.batteries.length, atMin }))
          .sort((a, b) => a.atMin - b.atMin);
        const any = judge.run(swaps);
        if (any.impossible > 0) return;
        const least = any.interruptions === 0 ? strict : loose;
        expect(least.gapMin).toBeLessThanOrEqual(any.gapMin + any.lowMin + 0.1);
        expect(least.fewestSwaps(any.gapMin + any.lowMin)).toBeLessThanOrEqual(any.swaps);
      }),
      { numRuns: 20, examples: [[ON_ITS_RESERVE, []]] },
    );
  });

  it('the judge of the search agrees with the exact run, whatever changes are made', () => {
    const none = { of: () => 0, efficiency: 0, temperature: 0 };
    const change = fc.record({ rig: fc.nat(1), battery: fc.nat(4), atMin: fc.integer({ min: 480, max: 1000 }) });
    fc.assert(
      fc.property(scarce, fc.array(change, { maxLength: 6 }), (given, changes) => {
        const simulation = dayOf(given, { hands: undefined });
        const flat = new FlatDay(simulation);
        const judge = new QuickRun(flat, none, [], 0);
        const swaps = changes
          .map(({ rig, battery, atMin }) => ({ seat: rig % flat.seats.length, battery: battery % flat.batteries.length, atMin }))
          .sort((a, b) => a.atMin - b.atMin)
          .filter((one, index, all) => all.findIndex(({ atMin }) => atMin === one.atMin) === index);
        const outcome = judge.run(swaps);
        const moves = {
          swaps: swaps.map(({ seat, battery, atMin }) => ({ rigId: flat.rigs[flat.seats[seat]!.rig]!.id, seatId: flat.seats[seat]!.id, batteryId: flat.batteries[battery]!.id, atMin })), // prettier-ignore
          charges: judge.charges.filter(({ fromMin, toMin }) => toMin > fromMin).map(({ battery, charger: place, fromMin, toMin }) => ({ batteryId: flat.batteries[battery]!.id, chargerId: flat.chargers[place]!.id, fromMin, toMin })), // prettier-ignore
        };
        const figures = planFigures(simulation, moves);
        expect(outcome.gapMin).toBeCloseTo(figures.gapMin + figures.changeMin, 0);
        expect(outcome).toMatchObject({
          swaps: figures.changes,
          batteries: figures.batteries,
          sparesMissing: sparesMissing(simulation, moves),
        });
        // a block that is dark for an instant is on one side for one of them
        if (Math.abs(outcome.gapMin - figures.gapMin - figures.changeMin) < 1e-3) expect(outcome.interruptions).toBe(figures.interruptions);
      }),
      { numRuns: 150 },
    );
  });
});
