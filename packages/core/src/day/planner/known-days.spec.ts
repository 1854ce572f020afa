import days from '../../../testing/days.json';
import type { Gear } from '../../gear/gear';
import type { Rig } from '../../rig/drawn/rig';
import { DaySimulation } from '../run/simulate';
import type { Charge, Day, Swap } from '../shape/day';
import { planDay } from './plan-day';
import { sparesMissing } from './spares';

interface Known {
  readonly name: string;
  readonly reserve: number;
  readonly multi: boolean;
  readonly doc: { readonly gear: Record<string, Gear>; readonly rigs: Record<string, Rig>; readonly day: Day };
  readonly best: { readonly I: number; readonly G: number; readonly S: number; readonly swaps: number; readonly batteries: number };
  readonly plan?: { readonly swaps: readonly Swap[]; readonly charges: readonly Charge[] };
}

const DRAWS = new Set(['record', 'stand-by', 'other']);

/** What a plan comes to, read off its run by this test itself: blocks hurt, minutes off or below the reserve, changes, batteries. */
function judged(simulation: DaySimulation, moves: NonNullable<Known['plan']>, { reserve, multi }: Known): Known['best'] {
  const run = simulation.run(simulation.prepare(moves));
  const { blocks } = simulation.day;
  const guarded = new Set(blocks.filter(({ uninterrupted }) => uninterrupted).map(({ id }) => id));
  const hurt = new Set(run.gaps.filter(({ blockId }) => guarded.has(blockId)).map(({ blockId }) => blockId));
  let off = run.gaps.reduce((sum, { fromMin, toMin }) => sum + toMin - fromMin, 0);
  for (const stay of multi ? [] : run.stays) {
    const points = run.charge.get(stay.batteryId)!.filter(({ minute }) => minute >= stay.fromMin - 1e-6 && minute <= stay.toMin + 1e-6);
    points.slice(1).forEach((after, index) => {
      const before = points[index]!;
      const draws = blocks.some((block) => block.rigId === stay.rigId && DRAWS.has(block.kind) && block.fromMin < after.minute - 1e-6 && block.toMin > before.minute + 1e-6); // prettier-ignore
      if (!draws || after.charge >= reserve - 1e-9 || after.minute <= before.minute) return;
      const share = before.charge <= reserve ? 1 : (reserve - after.charge) / (before.charge - after.charge);
      off += share * (after.minute - before.minute);
    });
  }
  return {
    I: hurt.size,
    G: off,
    S: sparesMissing(simulation, moves),
    swaps: run.seated.filter(({ first }) => !first).length,
    batteries: new Set(run.seated.map(({ batteryId }) => batteryId)).size,
  };
}

/** Whether one is at least as good as the other: in that order, minutes within one. */
function isAsGood(one: Known['best'], other: Known['best']): boolean {
  if (one.I !== other.I) return one.I < other.I;
  if (Math.abs(one.G - other.G) > 1) return one.G < other.G;
  if (one.S !== other.S) return one.S < other.S;
  if (one.swaps !== other.swaps) return one.swaps < other.swaps;
  return one.batteries <= other.batteries;
}

describe('days whose best plan is known', () => {
  it.each((days as unknown as Known[]).map((known, index) => [`${index} ${known.name}`, known] as const))(
    '%s: as good or better',
    (_, known) => {
      const { gear, rigs, day } = known.doc;
      const simulation = new DaySimulation(day, new Map(Object.entries(gear)), new Map(Object.entries(rigs)));
      const plan = planDay(simulation);
      const found = judged(simulation, plan, known);
      expect({ found, asGood: isAsGood(found, known.best) }).toEqual({ found, asGood: true });
      // what is promised is what the run comes to
      expect(plan.cost.gapMin + (known.multi ? 0 : plan.cost.lowMin)).toBeCloseTo(found.G, 1);
      expect(plan.cost).toMatchObject({ interruptions: found.I, sparesMissing: found.S, swaps: found.swaps, batteries: found.batteries });
      // and no bound is above it, nor above the plan that is known
      expect(plan.leastSwaps).toBeLessThanOrEqual(found.swaps);
      if (known.plan && day.chance === 0.5) {
        const best = judged(simulation, known.plan, known);
        if (best.I === plan.cost.interruptions) expect(plan.leastGapMin).toBeLessThanOrEqual(best.G + 0.1);
      }
    },
  );
});
