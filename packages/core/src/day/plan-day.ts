import { gearTitle } from '../gear/gear';
import type { Battery } from '../gear/gear';
import { energyNow } from '../gear/battery-health';
import { chargerOf } from './charger';
import { ChargerBook } from './charger-book';
import type { Booking } from './charger-book';
import { clockAt, minuteAt } from './clock';
import { DEFAULT_CHANCE, lostFrom } from './day';
import type { Block, Charge, Day, Swap } from './day';
import { NO_COST, compareCost } from './plan-cost';
import type { PlanCost, PlanOrder } from './plan-cost';
import type { Deviation } from './rig-states';
import { RigWalker } from './rig-walk';
import { isDrawing } from './simulate';
import type { DaySimulation } from './simulate';
import { dailySpans, isDuring, overlap } from './spans';
import type { Span } from './spans';
import { swapMoments } from './swap-moments';
import type { SwapMoment } from './swap-moments';

/** Why a change of battery is where it is. */
export interface SwapReason {
  readonly rigId: string;
  readonly batteryId: string;
  readonly atMin: number;
  readonly where: SwapMoment['where'];
  /** The battery before it has to go by then, at the chance asked for. */
  readonly byMin: number;
}

/** What the search has found for a day. */
export interface DayPlan {
  readonly swaps: readonly Swap[];
  readonly charges: readonly Charge[];
  readonly reasons: readonly SwapReason[];
  readonly cost: PlanCost;
  /** Fewer changes than this no plan of these rigs and batteries has. */
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

/** Plans for one rig that are carried on at the same time. */
const BEAM = 10;
/** Kinds of battery that are tried at one moment. */
const MOST_CANDIDATES = 5;
/** Changes of one rig. */
const MOST_SWAPS = 200;
/** Orders in which rigs get their batteries. */
const DEFAULT_TRIES = 24;
/** After the power has gone: when it is looked again whether a battery on a charger is full enough. */
const LATER_MIN = [30, 60, 120, 240];
/** After so much work no further order is begun: some twenty seconds of the largest days. */
const MOST_GROWN = 2000;
/** Charges that differ less are the same to a plan. */
const CHARGE_STEP = 0.02;
/** A battery below this is put on a charger if there is one. */
const TOP_UP = 0.97;

/** Where a battery is free, and how full it is. */
interface Free {
  readonly fromMin: number;
  readonly charge: number;
  /** The place of the block it comes from. */
  readonly placeId: string | undefined;
  readonly used: boolean;
}

/** A day half planned; never changed, each step makes a new one. */
interface Pool {
  readonly free: ReadonlyMap<string, Free>;
  readonly book: ChargerBook;
}

interface Step {
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

/**
 * Assigns batteries to rigs over time, places changes where they hurt least, and books chargers for what is wanted again.
 *
 * Each rig is followed with draws a little above and batteries a little below their figures, as the chance asked for
 * has it, by a beam search over moments and batteries; rigs get their batteries one after the other, the ones that must
 * not be interrupted first, and further orders are tried while there is time. What is locked stays. The same day gives
 * the same plan. Cost: some hundred runs of a rig for each try.
 *
 * @example planDay(new DaySimulation(day, gear, rigs)).cost.gapMin // 0
 */
export function planDay(simulation: DaySimulation, options: PlanOptions = {}): DayPlan {
  return new Planner(simulation, options).plan();
}

class Planner {
  private readonly walkers: ReadonlyMap<string, RigWalker>;
  private readonly day: Day;
  private readonly order: PlanOrder;
  private readonly hands: (placeId?: string) => readonly Span[];
  /** Half plans that were carried on: what the search has cost so far. */
  private grown = 0;
  private readonly lockedSwaps: readonly Swap[];
  private readonly lockedCharges: readonly Charge[];

  constructor(
    private readonly simulation: DaySimulation,
    private readonly options: PlanOptions,
  ) {
    this.day = simulation.day;
    this.order = options.order ?? 'swaps';
    const deviation = cautious(simulation, this.day.chance ?? DEFAULT_CHANCE);
    this.walkers = new Map(this.day.rigIds.map((rigId) => [rigId, new RigWalker(simulation, rigId, deviation)]));
    this.hands = handsOf(this.day);
    this.lockedSwaps = (this.day.swaps ?? []).filter((swap) => this.stays(swap, swap.atMin));
    // what was put on before stays so, but can be taken off from now on
    const { fromMin: nowMin = Infinity } = options;
    this.lockedCharges = (this.day.charges ?? [])
      .filter((charge) => this.stays(charge, charge.fromMin))
      .map((charge) => (charge.locked ? charge : { ...charge, toMin: Math.min(charge.toMin, nowMin) }));
  }

  plan(): DayPlan {
    const { onProgress = () => true, tries = DEFAULT_TRIES } = this.options;
    const orders = this.ordersOf(tries);
    let best: DayPlan | undefined;
    const leastSwaps = this.day.rigIds.reduce((sum, rigId) => sum + this.leastSwapsOf(rigId), 0);
    for (const [index, rigIds] of orders.entries()) {
      if (best && (this.grown > MOST_GROWN || !onProgress(index, orders.length, best))) break;
      const plan = this.inOrder(rigIds, leastSwaps, index + 1);
      if (!best || compareCost(plan.cost, best.cost, this.order) < 0) best = plan;
      else best = { ...best, tried: index + 1 };
      const { interruptions, gapMin, sparesMissing, swaps } = best.cost;
      if (this.order === 'swaps' && interruptions + gapMin + sparesMissing === 0 && swaps <= leastSwaps) break;
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

  private inOrder(rigIds: readonly string[], leastSwaps: number, tried: number): DayPlan {
    let pool = this.startPool();
    let cost = NO_COST;
    const swaps: Swap[] = [];
    const charges: Charge[] = [...this.lockedCharges];
    const reasons: SwapReason[] = [];
    const unmet: { rigId: string; fromMin: number }[] = [];
    for (const rigId of rigIds) {
      const best = this.planRig(rigId, pool, rigIds.slice(rigIds.indexOf(rigId) + 1));
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
    for (const booking of this.overnight(pool)) charges.push(asCharge(booking));
    const used = [...pool.free].filter(([, { used: isUsed }]) => isUsed).map(([id]) => id);
    const massG = used.reduce((sum, id) => sum + (this.simulation.gear.get(id)?.massG ?? 0), 0);
    cost = { ...cost, batteries: used.length, massG, sparesMissing: this.sparesMissing(pool) };
    return { swaps: swaps.sort(byTime), charges, reasons: reasons.sort((a, b) => a.atMin - b.atMin), cost, leastSwaps, unmet, tried };
  }

  /** Every battery of the day as it lies there at the start. Spares that are kept apart are not in it. */
  private startPool(): Pool {
    const { day, simulation } = this;
    const seats = day.rigIds.flatMap((rigId) => simulation.states.seatsOf(rigId));
    const apart = new Set((day.batteries ?? []).filter((battery) => battery.apart).map(({ gearId }) => gearId));
    const ids = new Set([...seats, ...(day.batteries ?? []).map(({ gearId }) => gearId)]);
    const chargers = (day.chargers ?? []).flatMap(({ gearId, placeId }) => {
      const charger = chargerOf(simulation.gear.get(gearId));
      const place = day.places?.find(({ id }) => id === placeId);
      const lostMin = lostFrom(day, gearId);
      const live = (simulation.outlets.get(placeId) ?? []).map((span) => ({ ...span, toMin: Math.min(span.toMin, lostMin) }));
      return charger && place ? [{ id: gearId, charger, place, live }] : [];
    });
    const startsAt = day.startsAt ?? 0;
    const free = new Map<string, Free>();
    for (const id of ids) {
      if (apart.has(id) || simulation.gear.get(id)?.kind !== 'battery') continue;
      free.set(id, { fromMin: startsAt, charge: simulation.startCharge(id), placeId: undefined, used: false });
    }
    // what is locked on a charger comes off it as full as it then is
    const { filled } = simulation.run(simulation.prepare({ swaps: this.lockedSwaps, charges: this.lockedCharges }));
    const bookings = filled.map(({ charge, toCharge, fullMin }): Booking => {
      const { batteryId, fromMin, toMin } = charge;
      if (free.has(batteryId)) free.set(batteryId, { ...free.get(batteryId)!, fromMin: toMin, charge: toCharge });
      return { ...asCharge(charge), fillFromMin: fromMin, fillToMin: fullMin ?? toMin, toCharge };
    });
    return { free, book: new ChargerBook(chargers, simulation.gear, this.hands, bookings) };
  }

  /** What nobody waits for is filled all the same, for the day after. */
  private overnight({ free, book }: Pool): readonly Booking[] {
    const endMin = minuteAt(this.day, this.day.days, 0);
    const bookings: Booking[] = [];
    let now = book;
    for (const [batteryId, { fromMin, charge, used }] of free) {
      if (charge >= TOP_UP || fromMin >= endMin) continue;
      const doneMin = used ? fromMin : (this.day.startsAt ?? 0);
      const booking = now.offer(batteryId, charge, doneMin, endMin);
      if (!booking) continue;
      now = now.with(booking);
      bookings.push(booking);
    }
    return bookings;
  }

  private stays({ locked }: { readonly locked?: boolean }, atMin: number): boolean {
    return locked === true || atMin < (this.options.fromMin ?? 0);
  }

  private planRig(rigId: string, pool: Pool, later: readonly string[]): Step | undefined {
    const walker = this.walkers.get(rigId)!;
    const first = walker.blocks[0];
    if (!first) return undefined;
    const own = this.simulation.states.seatsOf(rigId);
    // the own batteries of rigs that come later are theirs
    const theirs = new Set([
      ...later.flatMap((id) => this.simulation.states.seatsOf(id)),
      ...this.lockedSwaps.map(({ batteryId }) => batteryId),
    ]);
    const seated = own.filter((id) => pool.free.get(id)?.used === false && lostFrom(this.day, id) > first.fromMin);
    // what is not full yet is filled before the start, as far as there is a charger
    let { book } = pool;
    const bookings = seated.flatMap((id) => {
      const { charge, fromMin } = pool.free.get(id)!;
      const booking = charge < TOP_UP ? book.offer(id, charge, fromMin, first.fromMin) : undefined;
      if (booking) book = book.with(booking);
      return booking ?? [];
    });
    const charged = (id: string): number => bookings.find(({ batteryId }) => batteryId === id)?.toCharge ?? pool.free.get(id)!.charge;
    let beam: readonly Step[] = [
      {
        minute: first.fromMin,
        seats: new Map(seated.map((id) => [id, id])),
        charge: new Map(seated.map((id) => [id, charged(id)])),
        pool: { ...pool, book },
        swaps: [],
        charges: bookings.map(asCharge),
        reasons: [],
        cost: NO_COST,
        unmetFromMin: undefined,
        done: false,
      },
    ];
    let best: Step | undefined;
    for (let round = 0; beam.length > 0 && round < MOST_SWAPS; round++) {
      const next: Step[] = [];
      for (const step of beam) {
        for (const grown of this.grow(walker, step, theirs)) {
          if (!grown.done) next.push(grown);
          else if (!best || compareCost(grown.cost, best.cost, this.order) < 0) best = grown;
        }
      }
      const bound = best;
      beam = next
        .filter(({ cost }) => !bound || compareCost(cost, bound.cost, this.order) < 0)
        .sort((a, b) => compareCost(a.cost, b.cost, this.order) || b.minute - a.minute)
        .slice(0, BEAM);
    }
    return best;
  }

  /** The plan carried on to the next change, in every way that is worth trying. */
  private grow(walker: RigWalker, step: Step, theirs: ReadonlySet<string>): readonly Step[] {
    const { rigId } = walker;
    this.grown++;
    const forced = this.lockedSwaps
      .filter((swap) => swap.rigId === rigId && !step.swaps.some((made) => isSame(made, swap)))
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
      .filter((minute) => minute < endMin && minute >= (this.options.fromMin ?? 0) && isDuring(this.hands(), minute));
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
    const fromMin = Math.max(step.minute, (this.options.fromMin ?? 0) - 1);
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
    const temperatureC =
      block?.temperatureC ?? this.day.places?.find(({ id }) => id === block?.placeId)?.temperatureC ?? this.day.temperatureC;
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

  /** Rigs with blocks that must not be interrupted and no full battery of the form left over. */
  private sparesMissing({ free }: Pool): number {
    const { gear, states } = this.simulation;
    const left = new Map<string, number>();
    for (const [id, { used, charge }] of free) {
      const battery = gear.get(id);
      if (!used && charge > TOP_UP && battery?.kind === 'battery') left.set(battery.form, (left.get(battery.form) ?? 0) + 1);
    }
    for (const { gearId, apart, startCharge = 1 } of this.day.batteries ?? []) {
      const battery = gear.get(gearId);
      if (apart && startCharge > TOP_UP && battery?.kind === 'battery') left.set(battery.form, (left.get(battery.form) ?? 0) + 1);
    }
    let missing = 0;
    for (const rigId of this.day.rigIds) {
      const seat = states.seatsOf(rigId)[0];
      if (seat === undefined || !this.walkers.get(rigId)!.blocks.some(({ uninterrupted }) => uninterrupted)) continue;
      const { form } = gear.get(seat) as Battery;
      const there = left.get(form) ?? 0;
      if (there > 0) left.set(form, there - 1);
      else missing++;
    }
    return missing;
  }

  /** Changes that no plan can do without: every battery there is, full, as often as wanted, changed as late as can be. */
  private leastSwapsOf(rigId: string): number {
    const walker = this.walkers.get(rigId)!;
    const { states, gear } = this.simulation;
    const first = walker.blocks[0];
    const seats = states.seatsOf(rigId);
    if (!first || seats.length !== 1) return 0;
    const seatId = seats[0]!;
    const pool = [...this.startPool().free.keys()].filter((id) => (gear.get(id) as Battery).form === (gear.get(seatId) as Battery).form);
    let minute = first.fromMin;
    for (let changes = 0; changes < MOST_SWAPS; changes++) {
      let furthest = minute;
      for (const batteryId of pool) {
        const { troubleMin } = walker.walk(minute, new Map([[seatId, batteryId]]), new Map([[batteryId, 1]]));
        if (troubleMin === undefined) return changes;
        furthest = Math.max(furthest, troubleMin);
      }
      if (furthest <= minute + 1e-6) return changes;
      minute = furthest;
    }
    return 0;
  }
}

function asCharge({ batteryId, chargerId, fromMin, toMin }: Charge): Charge {
  return { batteryId, chargerId, fromMin, toMin };
}

function isSame(a: Swap, b: Swap): boolean {
  return a.rigId === b.rigId && a.seatId === b.seatId && a.batteryId === b.batteryId && a.atMin === b.atMin;
}

function byTime(a: Swap, b: Swap): number {
  return a.atMin - b.atMin;
}

/** When somebody is there: the spans of that place, and those of everywhere; always where nothing is said. */
function handsOf(day: Day): (placeId?: string) => readonly Span[] {
  const always = [{ fromMin: 0, toMin: Infinity }];
  const known = new Map<string, readonly Span[]>();
  return (placeId = '') => {
    let spans = known.get(placeId);
    if (!spans) {
      const own = (day.hands ?? []).filter((one) => one.placeId === undefined || one.placeId === placeId);
      spans = (day.hands ?? []).length === 0 ? always : own.flatMap(({ from, to }) => dailySpans(day, from, to)).sort((a, b) => a.fromMin - b.fromMin); // prettier-ignore
      known.set(placeId, spans);
    }
    return spans;
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

/** `V3: Holmvik 147` of a swap, for whoever reads it. */
export function swapTitle({ batteryId }: Pick<Swap, 'batteryId'>, { gear }: Pick<DaySimulation, 'gear'>): string {
  const battery = gear.get(batteryId);
  return battery ? gearTitle(battery) : batteryId;
}
