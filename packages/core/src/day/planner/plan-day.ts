import { DEFAULT_CHANCE, isDrawing } from '../shape';
import type { Charge, Day, Swap } from '../shape';
import type { DaySimulation, Deviation } from '../run';
import { leastSwaps } from './least-swaps';
import type { LeastSwaps } from './least-swaps';
import { compareCost, NO_COST } from './plan-cost';
import type { PlanCost, PlanOrder } from './plan-cost';
import { asCharge, handsOf, overnight, sparesMissing, startPool } from './plan-pool';
import type { Hands, Locked } from './plan-pool';
import { byTime, RigPlanner } from './plan-rig';
import type { SwapReason } from './plan-rig';
import { RigWalker } from './rig-walk';

/** What the search has found for a day. */
export interface DayPlan {
  readonly swaps: readonly Swap[];
  readonly charges: readonly Charge[];
  readonly reasons: readonly SwapReason[];
  readonly cost: PlanCost;
  /** Fewer changes than this no plan of these rigs and batteries has; where this one leaves nothing off, none that does so. */
  readonly leastSwaps: number;
  /** Rigs that get no further, and from when on. */
  readonly unmet: readonly { readonly rigId: string; readonly fromMin: number }[];
  /** Orders of rigs that were tried. */
  readonly tried: number;
}

export interface PlanOptions {
  readonly order?: PlanOrder;
  /** What lies before it stays. */
  readonly fromMin?: number;
  /** Called between tries with the best so far; false ends the search with it. */
  readonly onProgress?: (done: number, of: number, best: DayPlan) => boolean;
  readonly tries?: number;
}

/** Orders in which rigs get their batteries. */
const DEFAULT_TRIES = 24;
/** After so much work no further order is begun: some twenty seconds of the largest days. */
const MOST_GROWN = 2000;

/**
 * Assigns batteries to rigs over time, places changes where they hurt least, and books chargers for what is wanted again.
 *
 * Each rig is followed with draws a little above and batteries a little below their figures, as the chance asked for
 * has it, by a beam search over moments and batteries; rigs get their batteries one after the other, the ones that must
 * not be interrupted first, and further orders are tried while there is time. What is locked stays. The same day gives
 * the same plan. Cost: some hundred runs of a rig for each try.
 *
 * @example planDay(simulation).cost.gapMin // 4
 */
export function planDay(simulation: DaySimulation, options: PlanOptions = {}): DayPlan {
  return new Planner(simulation, options).plan();
}

class Planner {
  private readonly walkers: ReadonlyMap<string, RigWalker>;
  private readonly day: Day;
  private readonly order: PlanOrder;
  private readonly hands: Hands;
  private readonly locked: Locked;
  private readonly rigs: RigPlanner;

  constructor(
    private readonly simulation: DaySimulation,
    private readonly options: PlanOptions,
  ) {
    const { day } = simulation;
    this.day = day;
    this.order = options.order ?? 'swaps';
    const deviation = cautious(simulation, day.chance ?? DEFAULT_CHANCE);
    this.walkers = new Map(day.rigIds.map((rigId) => [rigId, new RigWalker(simulation, rigId, deviation)]));
    this.hands = handsOf(day);
    this.locked = lockedOf(day, options.fromMin);
    this.rigs = new RigPlanner({
      simulation,
      order: this.order,
      hands: this.hands,
      lockedSwaps: this.locked.swaps,
      fromMin: options.fromMin ?? 0,
    });
  }

  plan(): DayPlan {
    const { onProgress = () => true, tries = DEFAULT_TRIES } = this.options;
    const orders = this.ordersOf(tries);
    let best: DayPlan | undefined;
    const bound = leastSwaps(this.simulation, this.walkers, this.hands);
    for (const [index, rigIds] of orders.entries()) {
      if (best && (this.rigs.grown > MOST_GROWN || !onProgress(index, orders.length, best))) break;
      const plan = this.inOrder(rigIds, bound, index + 1);
      if (!best || compareCost(plan.cost, best.cost, this.order) < 0) best = plan;
      else best = { ...best, tried: index + 1 };
      const { interruptions, gapMin, sparesMissing, swaps } = best.cost;
      if (this.order === 'swaps' && interruptions + gapMin + sparesMissing === 0 && swaps <= best.leastSwaps) break;
    }
    return best!;
  }

  /** Rigs that must not be interrupted come first; then each of the others is once put in front. */
  private ordersOf(tries: number): readonly (readonly string[])[] {
    const weight = (rigId: string): number =>
      this.walkers.get(rigId)!.blocks.reduce((sum, block) => sum + (block.uninterrupted ? 10_000 : 0) + (isDrawing(block) ? block.toMin - block.fromMin : 0), 0); // prettier-ignore
    const first = [...this.day.rigIds].sort((a, b) => weight(b) - weight(a));
    const orders = [first, ...first.slice(1).map((rigId) => [rigId, ...first.filter((one) => one !== rigId)]), [...first].reverse()];
    return orders.slice(0, Math.max(1, tries));
  }

  private inOrder(rigIds: readonly string[], bound: LeastSwaps, tried: number): DayPlan {
    let pool = startPool(this.simulation, this.locked, this.hands);
    let cost = NO_COST;
    const swaps: Swap[] = [];
    const charges: Charge[] = [...this.locked.charges];
    const reasons: SwapReason[] = [];
    const unmet: { rigId: string; fromMin: number }[] = [];
    for (const rigId of rigIds) {
      const best = this.rigs.plan(this.walkers.get(rigId)!, pool, rigIds.slice(rigIds.indexOf(rigId) + 1));
      if (!best) continue;
      pool = best.pool;
      swaps.push(...best.swaps);
      charges.push(...best.charges);
      reasons.push(...best.reasons);
      if (best.unmetFromMin !== undefined) unmet.push({ rigId, fromMin: best.unmetFromMin });
      cost = {
        ...cost,
        interruptions: cost.interruptions + best.cost.interruptions,
        gapMin: cost.gapMin + best.cost.gapMin,
        swaps: cost.swaps + best.cost.swaps,
      };
    }
    for (const booking of overnight(this.day, pool)) charges.push(asCharge(booking));
    const used = [...pool.free].filter(([, { used: isUsed }]) => isUsed).map(([id]) => id);
    const massG = used.reduce((sum, id) => sum + (this.simulation.gear.get(id)?.massG ?? 0), 0);
    cost = { ...cost, batteries: used.length, massG, sparesMissing: sparesMissing(this.simulation, pool) };
    const least = cost.gapMin + cost.interruptions > 0 ? bound.ever : bound.withoutGap;
    return {
      swaps: swaps.sort(byTime),
      charges,
      reasons: reasons.sort((a, b) => a.atMin - b.atMin),
      cost,
      leastSwaps: least,
      unmet,
      tried,
    };
  }
}

/** What stays: what a person locked, and what lies before a moment. What was put on a charger then can be taken off from then on. */
function lockedOf({ swaps = [], charges = [] }: Day, fromMin = 0): Locked {
  const stays = (locked: boolean | undefined, atMin: number): boolean => locked === true || atMin < fromMin;
  return {
    swaps: swaps.filter(({ locked, atMin }) => stays(locked, atMin)),
    charges: charges
      .filter((charge) => stays(charge.locked, charge.fromMin))
      .map((charge) => (charge.locked ? charge : { ...charge, toMin: Math.min(charge.toMin, fromMin) })),
  };
}

/**
 * Draws above and capacities below their figures, so far that a run with both lasts with the chance asked for: each is
 * set off by z/√2 of its spread, which together are z.
 */
function cautious({ gear }: DaySimulation, chance: number): Deviation {
  const off = normalQuantile(chance) / Math.SQRT2;
  return {
    of: (id) => (gear.get(id)?.kind === 'battery' || id.endsWith('!built-in') ? -off : off),
    efficiency: -off / 2,
    temperature: -off / 2,
  };
}

/** Standard deviations below which a share of a normal distribution lies, within 0.0005 (Abramowitz & Stegun 26.2.23). */
export function normalQuantile(share: number): number {
  const tail = Math.min(share, 1 - share);
  const t = Math.sqrt(-2 * Math.log(Math.max(tail, 1e-12)));
  const z = t - (2.515517 + 0.802853 * t + 0.010328 * t * t) / (1 + 1.432788 * t + 0.189269 * t * t + 0.001308 * t ** 3);
  return share < 0.5 ? -z : z;
}
