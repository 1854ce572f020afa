import { DEFAULT_RESERVE } from '../../../rig/drawn';
import type { Span } from '../../model';
import { visitAround } from '../../run';
import type { Deviation } from '../../run';
import { Drain } from './drain';
import type { FlatDay } from './flat-day';
import { QuickChargers } from './quick-chargers';
import { QuickHarm } from './quick-harm';
import type { Trouble } from './quick-harm';
import { movesOf, otherMoves } from './quick-moves';
import type { FlatSwap, KeptCharge, Move } from './quick-moves';
import { QuickNeeds } from './quick-needs';
import type { Need } from './quick-needs';
import { NOTHING, SpareCount } from './quick-outcome';
import type { Outcome } from './quick-outcome';
import { QuickReach } from './quick-reach';
import { QuickRigs } from './quick-rigs';
import { QuickSeats } from './quick-seats';
import type { ChargersThen, FlatCharge } from './quick-slots';

/** Changes of one seat that follow each other sooner are never a plan. */
const HASTY_MIN = 10;

/** A run at one moment: what begins the same goes on from here. */
export interface Then {
  readonly minute: number;
  readonly arrays: readonly (Float64Array | Int32Array | Uint8Array)[];
  readonly own: readonly Float64Array[];
  readonly chargers: ChargersThen;
  readonly gapMin: number;
  readonly moves: number;
  readonly result: Outcome;
}

/**
 * Runs a day with any swaps in tens of microseconds, and keeps its chargers meanwhile: the judge of a search. Charges agree
 * with the exact run to about 1e-3, which confirms what the search has found.
 */
export class QuickRun {
  readonly drain: Drain;
  readonly soc: Float64Array;
  readonly reach: Float64Array;
  private readonly reaches: QuickReach;
  private readonly chargers: QuickChargers;
  private readonly seats: QuickSeats;
  private readonly seated: Int32Array;
  private readonly inSeat: Int32Array;
  private readonly harm: QuickHarm;
  private readonly spares: SpareCount;
  private readonly rigs: QuickRigs;
  private readonly used: Uint8Array;
  private readonly lastSwap: Float64Array;
  private readonly needs: QuickNeeds;
  /** Moves that were made. */
  private made = 0;
  /** By rig: pauses in which a card is changed. */
  private readonly cardPauses: readonly (readonly Span[])[];
  private readonly otherMoves: readonly Move[];

  constructor(
    readonly flat: FlatDay,
    deviation: Deviation,
    keptCharges: readonly KeptCharge[],
    fromMin: number,
    /** By rig: when cards are changed. */
    cardMins: readonly (readonly number[])[] = [],
  ) {
    const { batteries, seats, rigs, day } = flat;
    this.drain = new Drain(flat, deviation, day.reserve ?? DEFAULT_RESERVE);
    this.soc = new Float64Array(batteries.length);
    this.reaches = new QuickReach(flat);
    this.reach = this.reaches.minutes;
    this.chargers = new QuickChargers(flat, this, Math.max(flat.startMin, fromMin));
    this.seats = new QuickSeats(seats.length, batteries.length);
    this.seated = this.seats.seated;
    this.inSeat = this.seats.inSeat;
    this.harm = new QuickHarm(flat);
    this.spares = new SpareCount(flat);
    this.rigs = new QuickRigs(flat, this.drain, this.soc, this.seats, this.harm);
    this.used = new Uint8Array(batteries.length);
    this.lastSwap = new Float64Array(seats.length);
    this.needs = new QuickNeeds(flat);
    this.cardPauses = rigs.map(({ draws }, rig) => (cardMins[rig] ?? []).map((minute) => visitAround(draws, minute)));
    this.otherMoves = otherMoves(flat, keptCharges);
  }

  /** What was done at the chargers in the last run. */
  get charges(): readonly FlatCharge[] {
    return this.chargers.charges;
  }

  /** Steps taken so far. */
  get work(): number {
    return this.drain.work + this.chargers.work;
  }

  /** What one rig has lost in the last run. */
  harmOf(index: number): { readonly interruptions: number; readonly minutes: number } {
    return this.harm.of(index);
  }

  /** By rig: where it first wanted for power though no battery was being changed. */
  get troubles(): readonly (Trouble | undefined)[] {
    return this.harm.troubles;
  }

  /** What is left in a rig now, as shares of the largest battery that goes in. */
  leftIn(index: number): number {
    const { seats, batteries } = this.flat;
    let left = 0;
    for (const seat of this.flat.rigs[index]!.seats) {
      const battery = this.seated[seat]!;
      if (battery !== -1) left += (this.soc[battery]! * (batteries[battery]!.filling?.energyWh ?? 0)) / seats[seat]!.mostWh;
    }
    return left;
  }

  nextNeed(battery: number): Need | undefined {
    return this.needs.next(battery);
  }

  isSeated(battery: number): boolean {
    return this.inSeat[battery] !== -1;
  }

  settle(battery: number, atMin: number): void {
    this.rigs.to(this.flat.seats[this.inSeat[battery]!]!.rig, atMin);
  }

  pauseOf(battery: number, minute: number): { readonly place: number; readonly fromMin: number; readonly toMin: number } | undefined {
    const seat = this.inSeat[battery]!;
    if (seat === -1 || this.seated[seat] !== battery) return undefined;
    const rig = this.flat.rigs[this.flat.seats[seat]!.rig]!;
    const place = rig.draws.findIndex(({ toMin }) => toMin > minute);
    const [now, next] = place === -1 ? [undefined, undefined] : [rig.draws[place]!, rig.draws[place + 1]];
    const movesMin = this.needs.nextIn(seat, minute);
    // it rests now, or from the end of what it draws now
    const fromMin = now && now.fromMin <= minute ? now.toMin : minute;
    const toMin = Math.min(movesMin, (now && now.fromMin <= minute ? next?.fromMin : now?.fromMin) ?? this.flat.endMin);
    return { place: this.flat.placeOf(rig, fromMin), fromMin, toMin };
  }

  restUntil(battery: number, minute: number): void {
    const seat = this.inSeat[battery]!;
    if (seat !== -1) this.rigs.rest(this.flat.seats[seat]!.rig, minute);
  }

  takeOut(battery: number, atMin: number): void {
    const seat = this.inSeat[battery]!;
    if (seat === -1) return;
    this.rigs.to(this.flat.seats[seat]!.rig, atMin);
    this.seats.empty(seat, atMin);
  }

  /**
   * Runs the day with these swaps, which are in the order of time; only up to a minute where that is said, and from a moment
   * on that was kept of a run that began the same.
   */
  run(swaps: readonly FlatSwap[], untilMin = Infinity, from?: Then): Outcome {
    const moves = movesOf(this.flat, swaps, this.otherMoves);
    this.chargers.begin(this.needs.take(moves));
    if (!from) this.reset();
    const { result, first } = from ? this.goOn(from) : { result: { ...NOTHING }, first: 0 };
    for (this.made = first; this.made < moves.length; this.made++) {
      const move = moves[this.made]!;
      if (move.atMin >= untilMin) break;
      this.chargers.advance(move.atMin);
      this.make(move, result);
    }
    this.chargers.advance(Math.min(untilMin, this.flat.endMin));
    this.flat.rigs.forEach((rig, index) => this.rigs.to(index, Math.min(untilMin, rig.toMin)));
    this.sum(result);
    return result;
  }

  /** A moment of the run with these swaps, to go on from with others that are the same before it. */
  then(swaps: readonly FlatSwap[], minute: number, from?: Then): Then {
    const {
      interruptions: _1,
      gapMin,
      lowMin: _3,
      sparesMissing: _4,
      batteries: _5,
      massG: _6,
      handlings: _7,
      touched: _8,
      ...counted
    } = this.run(swaps, minute, from);
    return {
      minute,
      arrays: this.arrays().map((array) => array.slice()),
      own: this.rigs.own.map((soc) => soc.slice()),
      chargers: this.chargers.save(),
      gapMin,
      moves: this.made,
      result: { ...NOTHING, ...counted },
    };
  }

  /** Whether the rig stays on while a battery is changed; `then` is the moment before. */
  isBridged(swaps: readonly FlatSwap[], { seat, atMin }: FlatSwap, then: Then): boolean {
    const { swapMin } = this.flat.seats[seat]!;
    const { gapMin } = this.run(swaps, atMin + Math.max(swapMin, 1e-3), then);
    return gapMin - then.gapMin < 1e-2;
  }

  private goOn(from: Then): { readonly result: Outcome; readonly first: number } {
    this.arrays().forEach((array, place) => array.set(from.arrays[place]!));
    this.rigs.own.forEach((soc, rig) => soc.set(from.own[rig]!));
    this.chargers.load(from.chargers);
    // of what comes now
    this.harm.troubles.fill(undefined);
    // what sits somewhere rests until what is planned now
    this.inSeat.forEach((seat, battery) => {
      if (seat !== -1) this.rest(battery, from.minute);
    });
    return { result: { ...from.result }, first: from.moves };
  }

  private arrays(): readonly (Float64Array | Int32Array | Uint8Array)[] {
    return [
      this.soc,
      this.reach,
      this.rigs.minutes,
      this.rigs.span,
      this.used,
      this.lastSwap,
      this.needs.done,
      ...this.seats.arrays(),
      ...this.harm.arrays(),
    ];
  }

  private reset(): void {
    const { flat } = this;
    flat.batteries.forEach(({ startCharge }, battery) => (this.soc[battery] = startCharge));
    this.reaches.reset();
    this.chargers.reset();
    this.seats.reset();
    this.harm.reset();
    this.rigs.reset();
    this.used.fill(0);
    this.lastSwap.fill(-Infinity);
    this.needs.done.fill(0);
  }

  private make({ kind, battery, seat, atMin, first, charger, offMin, inPlace }: Move, result: Outcome): void {
    const { flat } = this;
    const { lostMin } = flat.batteries[battery]!;
    if (kind !== 'lost') {
      this.needs.done[battery]!++;
      if (atMin >= lostMin) {
        result.impossible++;
        return;
      }
    }
    const wasOn = this.chargers.isOn(battery);
    if (wasOn) this.chargers.takeOff(battery, atMin);
    const before = this.inSeat[battery]!;
    if (inPlace && before !== -1) {
      this.rigs.to(flat.seats[before]!.rig, atMin);
      const pause = this.pauseOf(battery, atMin);
      if (pause && pause.fromMin <= atMin) this.chargers.keep(battery, charger, atMin, Math.min(offMin, pause.toMin), true);
      return;
    }
    if (before !== -1) {
      this.rigs.to(flat.seats[before]!.rig, atMin);
      this.seats.empty(before, atMin);
    }
    if (kind === 'lost') {
      this.chargers.noteChange();
      return;
    }
    if (kind === 'charge') {
      this.chargers.keep(battery, charger, atMin, offMin);
      return;
    }
    this.rigs.to(flat.seats[seat]!.rig, atMin);
    if (!wasOn && this.isElsewhere(battery, before, flat.seats[seat]!.rig, atMin)) result.impossible++;
    this.putIn(battery, seat, atMin, first, result);
  }

  /** Whether a battery is free at another place, or in a rig that is at one. */
  private isElsewhere(battery: number, before: number, rig: number, atMin: number): boolean {
    const { flat } = this;
    const { places } = flat;
    if (places.length === 0 || (before !== -1 && flat.seats[before]!.rig === rig)) return false;
    const there = flat.placeOf(flat.rigs[rig]!, atMin);
    const isBeside = before !== -1 && [there, -1].includes(flat.placeOf(flat.rigs[flat.seats[before]!.rig]!, atMin));
    return there !== -1 && !isBeside && this.reaches.at(battery, there) > atMin;
  }

  private putIn(battery: number, seat: number, atMin: number, first: boolean, result: Outcome): void {
    const { flat } = this;
    const { rig, swapMin } = flat.seats[seat]!;
    const { next, emptied } = this.seats;
    const out = next[seat] === -1 ? this.seated[seat]! : next[seat]!;
    if (out !== -1) {
      this.seats.empty(seat, atMin);
      this.chargers.noteChange();
      this.reaches.from(out, flat.rigs[rig]!, atMin);
    }
    // into a seat that was emptied before, it takes no longer than what is left of a change
    const takesMin = first ? 0 : Math.max(0, swapMin - (atMin - emptied[seat]!));
    this.used[battery] = 1;
    if (!first) {
      result.swaps++;
      if (atMin - this.lastSwap[seat]! < HASTY_MIN) result.hasty++;
      if (this.joinsCard(rig, atMin)) result.joined++;
      if (takesMin > 0) this.harm.touch(flat.rigs[rig]!, atMin);
    }
    this.lastSwap[seat] = first ? -Infinity : atMin;
    this.seats.put(battery, seat, atMin, takesMin);
    this.rest(battery, atMin);
  }

  /** Whether a card of a rig is changed in the pause of a change of battery; one for which another battery came does not count again. */
  private joinsCard(rig: number, atMin: number): boolean {
    const pauses = this.cardPauses[rig]!;
    for (const { fromMin, toMin } of pauses) {
      if (atMin < fromMin || atMin > toMin) continue;
      return !this.flat.rigs[rig]!.seats.some((seat) => this.lastSwap[seat]! >= fromMin && this.lastSwap[seat]! <= toMin);
    }
    return false;
  }

  /** From when on a battery that sits in a rig could be charged in between: once the rig draws no more before it is wanted. */
  private rest(battery: number, atMin: number): void {
    const seat = this.inSeat[battery]!;
    const rig = this.flat.rigs[this.flat.seats[seat]!.rig]!;
    // until it is wanted, here or elsewhere, or another is put in its place
    const by = Math.min(this.needs.next(battery)?.atMin ?? Infinity, this.needs.nextIn(seat, atMin));
    this.chargers.noteChange();
    const last = rig.draws.findLast(({ fromMin }) => fromMin < by);
    const restMin = !last ? atMin : last.toMin >= by ? Infinity : Math.max(atMin, last.toMin);
    this.reaches.from(battery, rig, restMin);
  }

  private sum(result: Outcome): void {
    this.harm.sumInto(result);
    result.handlings = this.chargers.count;
    this.flat.batteries.forEach(({ massG }, battery) => {
      if (!this.used[battery]) return;
      result.batteries++;
      result.massG += massG;
    });
    result.sparesMissing += this.spares.missing(this.used, this.soc);
  }
}
