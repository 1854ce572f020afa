import { DEFAULT_SEED } from '../../answer';
import { belowReserve, planFigures } from '../run';
import type { DayRun, DaySimulation, Deviation, Moves, PlanFigures } from '../run';
import { DEFAULT_CHANCE } from '../shape';
import type { CardChange, Charge, Day, Swap } from '../shape';
import { planBounds } from './bounds';
import type { PlanBounds } from './bounds';
import { compareCost, costOf, FlatDay, QuickRun } from './judge';
import type { FlatSwap, KeptCharge, PlanCost, PlanOrder } from './judge';
import { planCards } from './plan-cards';
import { reasonsOf } from './plan-reasons';
import type { SwapReason } from './plan-reasons';
import { PlanSearch } from './search';
import type { Candidate } from './search';
import { sparesMissing } from './spares';

/** What the search has found for a day. */
export interface DayPlan {
  readonly swaps: readonly Swap[];
  readonly charges: readonly Charge[];
  readonly cardChanges: readonly CardChange[];
  readonly reasons: readonly SwapReason[];
  /** Of its run. */
  readonly cost: PlanCost;
  readonly figures: PlanFigures;
  /** Fewer changes than this has no plan of these rigs and batteries that leaves as little off. */
  readonly leastSwaps: number;
  /** Fewer minutes without power, or below the reserve, has no plan that interrupts no more, at the chance asked for. */
  readonly leastGapMin: number;
  /** Rigs that get no further at the chance asked for, and from when on. */
  readonly unmet: readonly { readonly rigId: string; readonly fromMin: number }[];
  /** Plans that were looked at. */
  readonly tried: number;
}

export interface PlanOptions {
  readonly order?: PlanOrder;
  /** What lies before it stays. */
  readonly fromMin?: number;
  /** Called now and then with the share that is done and the best so far; false ends the search with it. */
  readonly onProgress?: (done: number, of: number, best: () => DayPlan) => boolean;
  /** Share of the usual search, for plans that are only compared: 1 where absent. */
  readonly effort?: number;
  /** The search ends then with the best so far, whatever is left of it. */
  readonly limitMs?: number;
  readonly seed?: number;
}

/** Steps of the judge for a day with one rig; more rigs and days get more. About a second. */
const USUAL_WORK = 400_000;
const MOST_WORK = 2_500_000;
const LIMIT_MS = 45_000;
/** With so few rigs much can be won by looking long; with more, each plan costs more. */
const FEW_RIGS = 2;
/** Turns of the search before it begins anew from the best plan, or from the first. */
const TURNS = { few: 2500, many: 1200 };
/** A plan that no other is better than is looked at for so much longer, for one with fewer batteries. */
const PROVEN_SHARE = 200;
/** Rounds after which nothing better is looked for any more. */
const MOST_BARREN = { few: 7, many: 2 };
/** Times the usual search that is spent on a plan that would interrupt what must not be. */
const HARM_LONGER = 4;
/** What is worse by so many changes may be taken for a while. */
const HEAT = 12;
/** For so short a time nobody is said to get no further. */
const SHORT_MIN = 0.5;
/** Plans of the search that are confirmed by the exact run, the best first. */
const MOST_CONFIRMED = 10;
/** Fewer where cards are planned beside each. */
const MOST_WITH_CARDS = 3;

/**
 * Assigns batteries to rigs over time, places changes where they hurt least, and keeps the chargers going.
 *
 * A search changes a plan over and over and judges each by a run made of tables (`QuickRun`), with draws a little above and
 * batteries a little below their figures, as the chance asked for has it; the best are run exactly, and what is told of the
 * plan is what that run comes to. What is locked, or lies before `fromMin`, stays. The same day, options and seed give the
 * same plan, as long as `limitMs` does not end the search. See docs/day.md for what is bounded and what is not looked at.
 *
 * @example planDay(simulation).cost.interruptions // 0
 */
export function planDay(simulation: DaySimulation, options: PlanOptions = {}): DayPlan {
  return new Planner(simulation, options).plan();
}

class Planner {
  private readonly flat: FlatDay;
  private readonly judge: QuickRun;
  private readonly search: PlanSearch;
  private readonly deviation: Deviation;
  private readonly order: PlanOrder;
  private readonly started = performance.now();
  private readonly bounds = new Map<boolean, PlanBounds>();
  /** What stays, as the day has it. */
  private readonly kept = new Map<FlatSwap, Swap>();
  private readonly keptCharges: readonly Charge[];

  constructor(
    private readonly simulation: DaySimulation,
    private readonly options: PlanOptions,
  ) {
    const { day } = simulation;
    const { order = 'swaps', fromMin = 0, seed = DEFAULT_SEED } = options;
    this.order = order;
    this.deviation = cautious(simulation, day.chance ?? DEFAULT_CHANCE);
    this.flat = new FlatDay(simulation);
    const locked = keptOf(day, fromMin);
    for (const swap of locked.swaps) {
      const [seat, battery] = [this.flat.seatAt(swap.rigId, swap.seatId), this.flat.batteryAt(swap.batteryId)];
      if (seat !== -1 && battery !== -1) this.kept.set({ seat, battery, atMin: swap.atMin, kept: true }, swap);
    }
    this.keptCharges = locked.charges;
    const charges = locked.charges.flatMap((charge): KeptCharge[] => {
      const [charger, battery] = [this.flat.chargers.findIndex(({ id }) => id === charge.chargerId), this.flat.batteryAt(charge.batteryId)];
      return charger === -1 || battery === -1
        ? []
        : [{ charger, battery, fromMin: charge.fromMin, toMin: charge.toMin, ...(charge.inPlace && { inPlace: true }) }];
    });
    // cards are planned first without the batteries, which then join them where they can; the cards follow once more
    const cardMins = this.cardMins(planCards(simulation, [], fromMin));
    this.judge = new QuickRun(this.flat, this.deviation, charges, fromMin, cardMins);
    this.search = new PlanSearch(this.flat, this.judge, [...this.kept.keys()], { order, fromMin, seed });
  }

  private cardMins(changes: readonly CardChange[]): readonly (readonly number[])[] {
    const rigOf = new Map((this.simulation.day.cards ?? []).map(({ id, rigId }) => [id, rigId]));
    return this.flat.rigs.map(({ id }) => changes.filter(({ cardsId }) => rigOf.get(cardsId) === id).map(({ atMin }) => atMin));
  }

  plan(): DayPlan {
    const { search, judge } = this;
    const { onProgress = () => true, effort = 1, limitMs = LIMIT_MS } = this.options;
    const { day } = this.simulation;
    const work = effort * Math.min(MOST_WORK, USUAL_WORK * day.days * Math.sqrt(Math.max(1, day.rigIds.length)));
    let asked = -Infinity;
    let isCancelled = false;
    const isAsked = (): boolean => {
      // a plan that is told costs an exact run: not more often than people look
      if (!isCancelled && judge.work - asked > work / 40) {
        asked = judge.work;
        isCancelled = !onProgress(Math.min(judge.work, work), work, () => this.told([search.best]));
      }
      return !isCancelled && performance.now() - this.started < limitMs;
    };
    // where a block would be interrupted that need not be, it is looked on for longer
    const longer = (): number => (search.best.outcome.interruptions > 0 && !this.boundsOf(true).isForced ? HARM_LONGER : 1);
    const goesOn = (): boolean => judge.work < work * longer() && isAsked();
    // a plan for the whole trip comes first, whatever it takes
    const first = search.filled(search.eachAtItsBest(search.best, isAsked), isAsked);
    const found: Candidate[] = [search.best];
    const size = day.rigIds.length > FEW_RIGS ? 'many' : 'few';
    let barren = 0;
    for (
      let round = 0;
      barren < MOST_BARREN[size] * longer() &&
      goesOn() &&
      !(this.isProven(search.best) && (judge.work > work / PROVEN_SHARE || search.best.outcome.batteries <= day.rigIds.length));
      round++
    ) {
      const before = search.best;
      search.improve(round % 2 === 0 ? search.best : first, TURNS[size], HEAT, goesOn);
      barren = search.best === before ? barren + 1 : 0;
      if (barren === 0) found.push(search.best);
    }
    const tidied = search.tidied(search.best);
    const most = (day.cards ?? []).length > 0 ? MOST_WITH_CARDS : MOST_CONFIRMED;
    return this.told([tidied, ...found.reverse().slice(0, most - 1)]);
  }

  /** No plan is better in what counts first; batteries and handling are not looked at further then. */
  private isProven({ outcome }: Candidate): boolean {
    if (this.order !== 'swaps' || outcome.interruptions > 0 || outcome.sparesMissing > 0 || outcome.impossible + outcome.hasty > 0)
      return false;
    const bounds = this.boundsOf(true);
    const offMin = outcome.gapMin + outcome.lowMin;
    return offMin <= bounds.gapMin + 0.05 && outcome.swaps <= bounds.fewestSwaps(offMin);
  }

  private boundsOf(strict: boolean): PlanBounds {
    let bounds = this.bounds.get(strict);
    if (!bounds) {
      bounds = planBounds(this.flat, this.judge.drain, strict);
      this.bounds.set(strict, bounds);
    }
    return bounds;
  }

  /** The best of some plans by their exact runs, with everything there is to say about it. */
  private told(candidates: readonly Candidate[]): DayPlan {
    let best:
      { readonly candidate: Candidate; readonly moves: Required<Moves>; readonly cautious: DayRun; readonly cost: PlanCost } | undefined;
    for (const candidate of new Set(candidates)) {
      const moves = this.movesOf(candidate);
      const run = this.simulation.run(this.simulation.prepare(moves), this.deviation);
      const cost = costOf(planFigures(this.simulation, moves, run), candidate.outcome.sparesMissing);
      if (!best || compareCost(cost, best.cost, this.order) < 0) best = { candidate, moves, cautious: run, cost };
    }
    const { candidate, moves, cautious, cost: held } = best!;
    const figures = planFigures(this.simulation, moves);
    const cost = costOf(figures, sparesMissing(this.simulation, moves));
    const bounds = this.boundsOf(held.interruptions === 0);
    return {
      ...moves,
      reasons: reasonsOf(this.flat, this.judge, candidate.swaps),
      cost,
      figures,
      leastSwaps: Math.min(bounds.fewestSwaps(held.gapMin + held.lowMin), cost.swaps),
      leastGapMin: Math.min(bounds.gapMin, held.gapMin + held.lowMin),
      unmet: unmetOf(this.simulation, cautious),
      tried: this.search.turns,
    };
  }

  /** A plan in the day's own terms. */
  private movesOf(candidate: Candidate): Required<Moves> {
    const moves = this.batteryMovesOf(candidate);
    return { ...moves, cardChanges: [...this.cardsWith(moves.swaps)] };
  }

  /** When cards are changed with these changes of battery; many plans have the same at the rigs that have cards. */
  private cardsWith(swaps: readonly Swap[]): readonly CardChange[] {
    const withCards = new Set((this.simulation.day.cards ?? []).map(({ rigId }) => rigId));
    const own = swaps.filter(({ rigId }) => withCards.has(rigId));
    const key = own.map(({ rigId, atMin }) => `${rigId} ${atMin}`).join();
    let changes = this.cardPlans.get(key);
    if (!changes) {
      changes = planCards(this.simulation, own, this.options.fromMin);
      this.cardPlans.set(key, changes);
    }
    return changes;
  }
  private readonly cardPlans = new Map<string, readonly CardChange[]>();

  private batteryMovesOf({ swaps }: Candidate): { swaps: Swap[]; charges: Charge[] } {
    const { seats, rigs, batteries, chargers } = this.flat;
    this.judge.run(swaps);
    const isLocked = (charge: Charge): boolean =>
      this.keptCharges.some(
        ({ locked, batteryId, fromMin }) => locked === true && batteryId === charge.batteryId && fromMin === charge.fromMin,
      );
    return {
      swaps: swaps.map((swap) => {
        const { seat, battery, atMin } = swap;
        const { rig, id } = seats[seat]!;
        return this.kept.get(swap) ?? { rigId: rigs[rig]!.id, seatId: id, batteryId: batteries[battery]!.id, atMin };
      }),
      charges: this.judge.charges
        .filter(({ fromMin, toMin }) => toMin > fromMin)
        .map(({ battery, charger, fromMin, toMin, inPlace }): Charge => ({
          batteryId: batteries[battery]!.id,
          chargerId: chargers[charger]!.id,
          fromMin,
          toMin,
          ...(inPlace && { inPlace }),
        }))
        .map((charge) => (isLocked(charge) ? { ...charge, locked: true } : charge))
        .sort((a, b) => a.fromMin - b.fromMin),
    };
  }
}

/** What stays: what a person locked, and what lies before a moment. What was put on a charger then can be taken off from then on. */
function keptOf(
  { swaps = [], charges = [] }: Day,
  fromMin: number,
): { readonly swaps: readonly Swap[]; readonly charges: readonly Charge[] } {
  const stays = (locked: boolean | undefined, atMin: number): boolean => locked === true || atMin < fromMin;
  return {
    swaps: swaps.filter(({ locked, atMin }) => stays(locked, atMin)),
    charges: charges
      .filter((charge) => stays(charge.locked, charge.fromMin))
      .map((charge) => (charge.locked ? charge : { ...charge, toMin: Math.min(charge.toMin, fromMin) })),
  };
}

/** Rigs that go dark for want of power, or below their reserve, and from when on. */
function unmetOf(simulation: DaySimulation, run: DayRun): DayPlan['unmet'] {
  const first = new Map<string, number>();
  const wanting = [...run.gaps.filter(({ why }) => why !== 'change'), ...belowReserve(simulation, run)];
  for (const { rigId, fromMin, toMin } of wanting)
    if (toMin - fromMin > SHORT_MIN) first.set(rigId, Math.min(first.get(rigId) ?? Infinity, fromMin));
  return [...first].map(([rigId, fromMin]) => ({ rigId, fromMin }));
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
