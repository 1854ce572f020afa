import type { Booking } from '../charging';
import { energyNow } from '../../gear';
import type { Battery } from '../../gear';
import { clockAt, isDuring, overlap, temperatureIn } from '../model';
import { isDrawing, isSameSwap, lostFrom } from '../shape';
import type { Block, Charge, Day, Swap } from '../shape';
import type { DaySimulation } from '../run';
import { compareCost, NO_COST } from './plan-cost';
import type { PlanCost, PlanOrder } from './plan-cost';
import { asCharge, TOP_UP } from './plan-pool';
import type { Free, Hands, Pool } from './plan-pool';
import type { RigWalker } from './rig-walk';
import { swapMoments } from './swap-moments';
import type { SwapMoment } from './swap-moments';

/** Plans for one rig that are carried on at the same time. */
const BEAM = 10;
/** Kinds of battery that are tried at one moment. */
const MOST_CANDIDATES = 5;
/** Changes of one rig. */
export const MOST_SWAPS = 200;
/** After the power has gone: when it is looked again whether a battery on a charger is full enough. */
const LATER_MIN = [30, 60, 120, 240];
/** Charges that differ less are the same to a plan. */
const CHARGE_STEP = 0.02;

/** Why a change of battery is where it is. */
export interface SwapReason {
  readonly rigId: string;
  readonly batteryId: string;
  readonly atMin: number;
  readonly where: SwapMoment['where'];
  /** The battery before it has to go by then, at the chance asked for. */
  readonly byMin: number;
}

/** One rig planned as far as a minute; never changed, each step makes a new one. */
export interface Step {
  readonly minute: number;
  readonly seats: ReadonlyMap<string, string>;
  readonly charge: ReadonlyMap<string, number>;
  readonly pool: Pool;
  readonly swaps: readonly Swap[];
  readonly charges: readonly Charge[];
  readonly reasons: readonly SwapReason[];
  readonly cost: PlanCost;
  readonly unmetFromMin: number | undefined;
  readonly done: boolean;
}

/** What is the same for every rig of a search. */
export interface RigPlanning {
  readonly simulation: DaySimulation;
  readonly order: PlanOrder;
  readonly hands: Hands;
  readonly lockedSwaps: readonly Swap[];
  /** What lies before it stays. */
  readonly fromMin: number;
}

/** Plans one rig at a time out of the batteries that are free: a beam search over moments and batteries. */
export class RigPlanner {
  /** Half plans that were carried on: what the search has cost so far. */
  grown = 0;
  private readonly simulation: DaySimulation;
  private readonly day: Day;
  private readonly order: PlanOrder;
  private readonly hands: Hands;

  constructor(private readonly planning: RigPlanning) {
    this.simulation = planning.simulation;
    this.day = planning.simulation.day;
    this.order = planning.order;
    this.hands = planning.hands;
  }

  /** The best plan for a rig; `later` are the rigs that get their batteries after it. Undefined where it has no block. */
  plan(walker: RigWalker, pool: Pool, later: readonly string[]): Step | undefined {
    const first = walker.blocks[0];
    if (!first) return undefined;
    // the own batteries of rigs that come later are theirs
    const theirs = new Set([
      ...later.flatMap((id) => this.simulation.states.seatsOf(id)),
      ...this.planning.lockedSwaps.map(({ batteryId }) => batteryId),
    ]);
    let beam: readonly Step[] = [this.opening(walker.rigId, pool, first.fromMin)];
    let best: Step | undefined;
    for (let round = 0; beam.length > 0 && round < MOST_SWAPS; round++) {
      const grown = beam.flatMap((step) => this.grow(walker, step, theirs));
      for (const step of grown) if (step.done && (!best || this.compare(step, best) < 0)) best = step;
      const bound = best;
      beam = grown
        .filter((step) => !step.done && (!bound || this.compare(step, bound) < 0))
        .sort((a, b) => this.compare(a, b) || b.minute - a.minute)
        .slice(0, BEAM);
    }
    return best;
  }

  private compare(a: Step, b: Step): number {
    return compareCost(a.cost, b.cost, this.order);
  }

  /** A rig's own batteries in their seats; what is not full is filled before the start, as far as there is a charger. */
  private opening(rigId: string, pool: Pool, startMin: number): Step {
    const own = this.simulation.states.seatsOf(rigId);
    const seated = own.filter((id) => pool.free.get(id)?.used === false && lostFrom(this.day, id) > startMin);
    let { book } = pool;
    const bookings = seated.flatMap((id) => {
      const { charge, fromMin } = pool.free.get(id)!;
      const booking = charge < TOP_UP ? book.offer(id, charge, fromMin, startMin) : undefined;
      if (booking) book = book.with(booking);
      return booking ?? [];
    });
    const charged = (id: string): number => bookings.find(({ batteryId }) => batteryId === id)?.toCharge ?? pool.free.get(id)!.charge;
    return {
      minute: startMin,
      seats: new Map(seated.map((id) => [id, id])),
      charge: new Map(seated.map((id) => [id, charged(id)])),
      pool: { ...pool, book },
      swaps: [],
      charges: bookings.map(asCharge),
      reasons: [],
      cost: NO_COST,
      unmetFromMin: undefined,
      done: false,
    };
  }

  /** The plan carried on to the next change, in every way that is worth trying. */
  private grow(walker: RigWalker, step: Step, theirs: ReadonlySet<string>): readonly Step[] {
    const { rigId } = walker;
    this.grown++;
    const forced = this.planning.lockedSwaps
      .filter((swap) => swap.rigId === rigId && !step.swaps.some((made) => isSameSwap(made, swap)))
      .sort(byTime)[0];
    const gone = this.nextLost(step);
    const untilMin = Math.min(forced?.atMin ?? Infinity, gone?.atMin ?? Infinity, walker.endMin);
    const walk = walker.walk(step.minute, step.seats, step.charge, untilMin);
    if (gone && gone.atMin === untilMin && gone.atMin < walker.endMin && (walk.troubleMin === undefined || walk.troubleMin >= gone.atMin))
      return this.replaced(walker, step, walk, gone, theirs);
    if (forced && (walk.troubleMin === undefined || walk.troubleMin >= forced.atMin)) {
      const free = step.pool.free.get(forced.batteryId);
      return [
        this.swapped(
          walker,
          step,
          walk,
          { ...forced, charge: free?.charge ?? 0 },
          { atMin: forced.atMin, gapMin: 0, where: 'in a pause' },
          undefined,
        ),
      ];
    }
    if (walk.troubleMin === undefined) return [this.finished(walker, step, walk.chargeAt(walker.endMin))];
    const { troubleMin, seatId } = walk;
    const children = seatId === undefined ? [] : this.changes(walker, step, walk, troubleMin, seatId, theirs);
    if (children.length > 0) return children;
    const late = seatId === undefined ? [] : this.lateChanges(walker, step, walk, troubleMin, seatId, theirs);
    return [...late, this.givenUp(walker, step, troubleMin, walk.chargeAt(troubleMin))];
  }

  /** The battery in a seat that is lost first from here on. */
  private nextLost({ seats, minute }: Step): { readonly seatId: string; readonly atMin: number } | undefined {
    const lost = [...seats].map(([seatId, batteryId]) => ({ seatId, atMin: lostFrom(this.day, batteryId) }));
    return lost.filter(({ atMin }) => atMin >= minute && atMin < Infinity).sort((a, b) => a.atMin - b.atMin)[0];
  }

  /** Another battery in the place of one that is lost, at once: there is no better moment to choose. */
  private replaced(
    walker: RigWalker,
    step: Step,
    walk: ReturnType<RigWalker['walk']>,
    { seatId, atMin }: { readonly seatId: string; readonly atMin: number },
    theirs: ReadonlySet<string>,
  ): readonly Step[] {
    const { rigId, blocks } = walker;
    const block = blocks.find((one) => isDrawing(one) && one.fromMin <= atMin && atMin < one.toMin);
    const gapMin = block ? this.simulation.states.swapMinutes(rigId, seatId) : 0;
    const moment: SwapMoment = { atMin, gapMin, where: block ? 'in a block' : 'in a pause' };
    const steps = this.candidates(walker, step, seatId, atMin, theirs).map(({ batteryId, charge, booking }) => {
      const swapped = this.swapped(walker, step, walk, { rigId, seatId, batteryId, atMin, charge }, moment, {
        byMin: atMin,
        charges: booking ? [booking] : [],
      });
      if (!block?.uninterrupted) return swapped;
      return { ...swapped, cost: { ...swapped.cost, interruptions: swapped.cost.interruptions + 1 } };
    });
    if (steps.length > 0) return steps;
    return [...this.lateChanges(walker, step, walk, atMin, seatId, theirs), this.givenUp(walker, step, atMin, walk.chargeAt(atMin))];
  }

  /** Changes after the power has gone, when nothing can be done in time: as soon as a battery is to be had, or is fuller. */
  private lateChanges(
    walker: RigWalker,
    step: Step,
    walk: ReturnType<RigWalker['walk']>,
    goneMin: number,
    seatId: string,
    theirs: ReadonlySet<string>,
  ): readonly Step[] {
    const { rigId, blocks, endMin } = walker;
    const takesMin = this.simulation.states.swapMinutes(rigId, seatId);
    const freed = [...step.pool.free.values()].map(({ fromMin }) => fromMin).filter((minute) => minute > goneMin);
    const starts = blocks.filter(isDrawing).map(({ fromMin }) => fromMin).filter((minute) => minute > goneMin); // prettier-ignore
    const minutes = [goneMin + 1, ...freed, ...starts, ...LATER_MIN.map((later) => goneMin + later)]
      .map(Math.ceil)
      .filter((minute) => minute < endMin && minute >= this.planning.fromMin && isDuring(this.hands(), minute));
    return [...new Set(minutes)]
      .sort((a, b) => a - b)
      .flatMap((atMin) => {
        const lost = blocks.filter((block) => isDrawing(block) && overlap(block, { fromMin: goneMin, toMin: atMin + takesMin }) > 0);
        const gapMin = lost.reduce((sum, block) => sum + overlap(block, { fromMin: goneMin, toMin: atMin + takesMin }), 0);
        const interrupted = lost.filter(({ uninterrupted }) => uninterrupted).length;
        const moment: SwapMoment = { atMin, gapMin, where: lost.some(({ toMin }) => toMin > atMin) ? 'in a block' : 'in a pause' };
        return this.candidates(walker, step, seatId, atMin, theirs)
          .slice(0, 2)
          .map(({ batteryId, charge, booking }): Step => {
            const swapped = this.swapped(walker, step, walk, { rigId, seatId, batteryId, atMin, charge }, moment, {
              byMin: goneMin,
              charges: booking ? [booking] : [],
            });
            return {
              ...swapped,
              cost: { ...swapped.cost, interruptions: swapped.cost.interruptions + interrupted },
              unmetFromMin: step.unmetFromMin ?? goneMin,
            };
          });
      })
      .slice(0, BEAM);
  }

  private changes(
    walker: RigWalker,
    step: Step,
    walk: ReturnType<RigWalker['walk']>,
    byMin: number,
    seatId: string,
    theirs: ReadonlySet<string>,
  ): readonly Step[] {
    const { rigId, blocks } = walker;
    const takesMin = this.simulation.states.swapMinutes(rigId, seatId);
    const fromMin = Math.max(step.minute, this.planning.fromMin - 1);
    const moments = swapMoments(blocks, {
      fromMin: step.swaps.length === 0 ? fromMin : fromMin + 1e-6,
      byMin,
      takesMin,
      hands: this.hands(),
    });
    return moments.flatMap((moment) =>
      this.candidates(walker, step, seatId, moment.atMin, theirs).map((candidate) =>
        this.swapped(
          walker,
          step,
          walk,
          { rigId, seatId, batteryId: candidate.batteryId, atMin: moment.atMin, charge: candidate.charge },
          moment,
          {
            byMin,
            charges: candidate.booking ? [candidate.booking] : [],
          },
        ),
      ),
    );
  }

  /** Batteries that can go into a seat at a minute, those of a kind and charge once, the fullest first. */
  private candidates(walker: RigWalker, step: Step, seatId: string, atMin: number, theirs: ReadonlySet<string>) {
    const { gear, states } = this.simulation;
    const kinds = new Set<string>();
    const block = walker.blocks.find(({ toMin }) => toMin > atMin);
    const temperatureC = temperatureIn(block, this.day);
    const seatBattery = gear.get(seatId) as Battery;
    const found = [...step.pool.free].flatMap(([batteryId, free]) => {
      const battery = gear.get(batteryId);
      if (
        free.fromMin > atMin ||
        atMin >= lostFrom(this.day, batteryId) ||
        theirs.has(batteryId) ||
        [...step.seats.values()].includes(batteryId)
      )
        return [];
      if (battery?.kind !== 'battery' || battery.form !== seatBattery.form) return [];
      const energyWh = energyNow(battery);
      if (energyWh === undefined) return [];
      const booking =
        free.charge < TOP_UP ? step.pool.book.offer(batteryId, free.charge, free.fromMin, atMin, this.reachFrom(free, walker)) : undefined;
      const charge = booking?.toCharge ?? free.charge;
      const kind = `${battery.name} ${energyWh.toFixed(1)} ${Math.round(charge / CHARGE_STEP)} ${free.used}`;
      if (charge < CHARGE_STEP || kinds.has(kind)) return [];
      if (states.state(walker.rigId, new Map([...step.seats, [seatId, batteryId]]), temperatureC).trouble !== undefined) return [];
      kinds.add(kind);
      return [{ batteryId, charge, booking, nowWh: energyWh * charge }];
    });
    return found.sort((a, b) => b.nowWh - a.nowWh).slice(0, MOST_CANDIDATES);
  }

  /** Chargers where the battery is come at once; others when the rig is done for that day. */
  private reachFrom(free: Free, walker: RigWalker): (placeId: string) => number | undefined {
    if (!free.used) return () => free.fromMin;
    const { day } = clockAt(this.day, free.fromMin);
    const doneMin = Math.max(
      free.fromMin,
      ...walker.blocks.filter((block) => isDrawing(block) && clockAt(this.day, block.fromMin).day === day).map(({ toMin }) => toMin),
    );
    return (placeId) => (free.placeId === undefined || free.placeId === placeId ? free.fromMin : doneMin);
  }

  private swapped(
    walker: RigWalker,
    step: Step,
    walk: ReturnType<RigWalker['walk']>,
    { charge, ...swap }: Swap & { readonly charge: number },
    moment: SwapMoment,
    because: { readonly byMin: number; readonly charges: readonly Booking[] } | undefined,
  ): Step {
    const { rigId, seatId, batteryId, atMin } = swap;
    const now = new Map(walk.chargeAt(atMin));
    const out = step.seats.get(seatId);
    const first = moment.where === 'before the start';
    const free = new Map(step.pool.free);
    const placeId = walker.blocks.findLast(({ fromMin }) => fromMin <= atMin)?.placeId;
    if (out !== undefined) free.set(out, { fromMin: first ? (this.day.startsAt ?? 0) : atMin, charge: now.get(out) ?? 0, placeId, used: !first || (free.get(out)?.used ?? false) }); // prettier-ignore
    free.set(batteryId, { fromMin: Infinity, charge, placeId, used: true });
    now.delete(out ?? '');
    now.set(batteryId, charge);
    const { cost } = step;
    return {
      ...step,
      minute: atMin,
      seats: new Map([...step.seats, [seatId, batteryId]]),
      charge: now,
      pool: { free, book: (because?.charges ?? []).reduce((book, booking) => book.with(booking), step.pool.book) },
      swaps: [...step.swaps, swap],
      charges: [...step.charges, ...(because?.charges ?? []).map(asCharge)],
      reasons: because ? [...step.reasons, { rigId, batteryId, atMin, where: moment.where, byMin: because.byMin }] : step.reasons,
      cost: { ...cost, gapMin: cost.gapMin + moment.gapMin, swaps: cost.swaps + (first ? 0 : 1), batteries: cost.batteries + 1 },
    };
  }

  private finished(walker: RigWalker, step: Step, end: ReadonlyMap<string, number>): Step {
    const free = new Map(step.pool.free);
    const placeId = walker.blocks.at(-1)?.placeId;
    for (const batteryId of step.seats.values())
      free.set(batteryId, { fromMin: walker.endMin, charge: end.get(batteryId) ?? 0, placeId, used: true });
    return { ...step, pool: { ...step.pool, free }, done: true };
  }

  /** Nothing more can be done for the rig: what it loses is told. */
  private givenUp(walker: RigWalker, step: Step, fromMin: number, end: ReadonlyMap<string, number>): Step {
    const lost = walker.blocks.filter((block) => isDrawing(block) && block.toMin > fromMin);
    const lostMin = (blocks: readonly Block[]): number =>
      blocks.reduce((sum, block) => sum + overlap(block, { fromMin, toMin: Infinity }), 0);
    const { cost } = step;
    const cost2 = {
      ...cost,
      interruptions: cost.interruptions + lost.filter(({ uninterrupted }) => uninterrupted).length,
      gapMin: cost.gapMin + lostMin(lost),
    };
    return { ...this.finished(walker, { ...step, cost: cost2 }, end), unmetFromMin: step.unmetFromMin ?? fromMin };
  }
}

export function byTime(a: Swap, b: Swap): number {
  return a.atMin - b.atMin;
}
