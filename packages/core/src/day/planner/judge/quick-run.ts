import type { Battery } from '../../../gear';
import { DEFAULT_RESERVE } from '../../../rig/drawn';
import { FULL_SHARE } from '../../../tables';
import { overlap } from '../../model';
import type { Span } from '../../model';
import { visitAround } from '../../run';
import type { Deviation } from '../../run';
import { Drain } from './drain';
import type { Drained } from './drain';
import type { FlatDay, FlatRig } from './flat-day';
import { QuickChargers } from './quick-chargers';
import type { ChargersThen, FlatCharge } from './quick-chargers';
import { movesOf, otherMoves } from './quick-moves';
import type { FlatSwap, KeptCharge, Move } from './quick-moves';

/** What a plan comes to, as the search sees it. */
export interface Outcome {
  /** Blocks that must not be interrupted and go dark, for whatever reason. */
  interruptions: number;
  /** Minutes without power, in all blocks. */
  gapMin: number;
  /** Minutes below the reserve, of rigs on one battery and of batteries built into devices. */
  lowMin: number;
  sparesMissing: number;
  swaps: number;
  /** Of them, in pauses in which a card of the rig is changed too: together they are one visit. */
  joined: number;
  /** Of them, so soon after another of the same seat that nobody would plan it. */
  hasty: number;
  /** Of them, in blocks that must not be interrupted, though something else bridges them. */
  touched: number;
  /** Moves that cannot be made: the battery is somewhere else. */
  impossible: number;
  batteries: number;
  massG: number;
  handlings: number;
}

/** Where a rig first wants for power: what a repair begins with. */
export interface Trouble {
  readonly rig: number;
  readonly atMin: number;
}

/** Changes of one seat that follow each other sooner are never a plan. */
const HASTY_MIN = 10;

const NOTHING: Outcome = {
  interruptions: 0,
  gapMin: 0,
  lowMin: 0,
  sparesMissing: 0,
  swaps: 0,
  joined: 0,
  hasty: 0,
  touched: 0,
  impossible: 0,
  batteries: 0,
  massG: 0,
  handlings: 0,
};

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
  private readonly chargers: QuickChargers;
  private readonly seated: Int32Array;
  private readonly next: Int32Array;
  private readonly nextMin: Float64Array;
  private readonly inSeat: Int32Array;
  /** By seat: since when it is empty, where it is. */
  private readonly emptied: Float64Array;
  private readonly rigMin: Float64Array;
  private readonly rigSpan: Int32Array;
  private readonly dark: Float64Array;
  private readonly used: Uint8Array;
  /** By block that must not be interrupted: changes in it. */
  private readonly touched: Uint8Array;
  private readonly lastSwap: Float64Array;
  private readonly own: readonly Float64Array[];
  private readonly needs: { atMin: number; rig: number }[][];
  private readonly needAt: Int32Array;
  private readonly seatMoves: number[][];
  private readonly out: Drained = { gaps: [], lowFromMin: Infinity, lowToMin: -Infinity };
  private readonly forms: readonly string[];
  private readonly guarded: readonly string[];
  private readonly apart: ReadonlyMap<string, number>;
  /** By rig: minutes below the reserve. */
  private readonly low: Float64Array;
  /** Moves that were made. */
  private made = 0;
  /** By rig: where it first wanted for power though no battery was being changed. */
  readonly troubles: (Trouble | undefined)[];
  /** By rig: pauses in which a card is changed. */
  private readonly cardPauses: readonly (readonly Span[])[];
  /** Not full at the start. */
  private readonly alwaysActive: readonly number[];
  private readonly otherMoves: readonly Move[];

  constructor(
    readonly flat: FlatDay,
    deviation: Deviation,
    keptCharges: readonly KeptCharge[],
    fromMin: number,
    /** By rig: when cards are changed. */
    cardMins: readonly (readonly number[])[] = [],
  ) {
    const { batteries, seats, rigs, places, blocks, day, simulation } = flat;
    this.drain = new Drain(flat, deviation, day.reserve ?? DEFAULT_RESERVE);
    this.soc = new Float64Array(batteries.length);
    this.reach = new Float64Array(batteries.length * Math.max(1, places.length));
    this.chargers = new QuickChargers(flat, this, Math.max(flat.startMin, fromMin));
    this.seated = new Int32Array(seats.length);
    this.next = new Int32Array(seats.length);
    this.nextMin = new Float64Array(seats.length);
    this.inSeat = new Int32Array(batteries.length);
    this.emptied = new Float64Array(seats.length);
    this.rigMin = new Float64Array(rigs.length);
    this.rigSpan = new Int32Array(rigs.length);
    this.dark = new Float64Array(blocks.length);
    this.used = new Uint8Array(batteries.length);
    this.touched = new Uint8Array(blocks.length);
    this.low = new Float64Array(rigs.length);
    this.lastSwap = new Float64Array(seats.length);
    this.own = rigs.map((_, rig) => new Float64Array(this.drain.builtInOf(rig).length));
    this.needs = batteries.map(() => []);
    this.needAt = new Int32Array(batteries.length);
    this.seatMoves = seats.map(() => []);
    this.troubles = rigs.map(() => undefined);
    const formOf = (id: string): string => (simulation.gear.get(id) as Battery).form;
    this.forms = batteries.map(({ id }) => formOf(id));
    this.guarded = rigs.flatMap(({ seats: own, blocks: mine }) =>
      own.length > 0 && mine.some(({ uninterrupted }) => uninterrupted) ? [formOf(seats[own[0]!]!.id)] : [],
    );
    const apart = new Map<string, number>();
    for (const { gearId, apart: isApart, startCharge = 1 } of day.batteries ?? []) {
      if (isApart && startCharge > FULL_SHARE && simulation.gear.get(gearId)?.kind === 'battery')
        apart.set(formOf(gearId), (apart.get(formOf(gearId)) ?? 0) + 1);
    }
    this.apart = apart;
    this.cardPauses = rigs.map(({ draws }, rig) => (cardMins[rig] ?? []).map((minute) => visitAround(draws, minute)));
    this.alwaysActive = batteries.flatMap(({ startCharge }, battery) => (startCharge < FULL_SHARE ? [battery] : []));
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
    let [interruptions, minutes] = [0, Math.max(0, this.low[index]!)];
    for (const block of this.flat.rigs[index]!.blockPlaces) {
      const dark = this.dark[block]!;
      if (dark <= 0) continue;
      minutes += dark;
      if (this.flat.blocks[block]!.uninterrupted) interruptions++;
    }
    return { interruptions, minutes };
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

  nextNeed(battery: number): { readonly atMin: number; readonly rig: number } | undefined {
    return this.needs[battery]![this.needAt[battery]!];
  }

  isSeated(battery: number): boolean {
    return this.inSeat[battery] !== -1;
  }

  settle(battery: number, atMin: number): void {
    this.rigTo(this.flat.seats[this.inSeat[battery]!]!.rig, atMin);
  }

  pauseOf(battery: number, minute: number): { readonly place: number; readonly fromMin: number; readonly toMin: number } | undefined {
    const seat = this.inSeat[battery]!;
    if (seat === -1 || this.seated[seat] !== battery) return undefined;
    const rig = this.flat.rigs[this.flat.seats[seat]!.rig]!;
    const place = rig.draws.findIndex(({ toMin }) => toMin > minute);
    const [now, next] = place === -1 ? [undefined, undefined] : [rig.draws[place]!, rig.draws[place + 1]];
    const movesMin = this.seatMoves[seat]!.find((one) => one > minute) ?? Infinity;
    // it rests now, or from the end of what it draws now
    const fromMin = now && now.fromMin <= minute ? now.toMin : minute;
    const toMin = Math.min(movesMin, (now && now.fromMin <= minute ? next?.fromMin : now?.fromMin) ?? this.flat.endMin);
    return { place: this.flat.placeOf(rig, fromMin), fromMin, toMin };
  }

  restUntil(battery: number, minute: number): void {
    const seat = this.inSeat[battery]!;
    if (seat !== -1) this.rigMin[this.flat.seats[seat]!.rig] = Math.max(this.rigMin[this.flat.seats[seat]!.rig]!, minute);
  }

  takeOut(battery: number, atMin: number): void {
    const seat = this.inSeat[battery]!;
    if (seat === -1) return;
    this.rigTo(this.flat.seats[seat]!.rig, atMin);
    this.empty(seat, atMin);
  }

  /**
   * Runs the day with these swaps, which are in the order of time; only up to a minute where that is said, and from a moment
   * on that was kept of a run that began the same.
   */
  run(swaps: readonly FlatSwap[], untilMin = Infinity, from?: Then): Outcome {
    const moves = movesOf(this.flat, swaps, this.otherMoves);
    this.noteNeeds(moves);
    const { result, first } = from ? this.goOn(from) : this.begin();
    for (this.made = first; this.made < moves.length; this.made++) {
      const move = moves[this.made]!;
      if (move.atMin >= untilMin) break;
      this.chargers.advance(move.atMin);
      this.make(move, result);
    }
    this.chargers.advance(Math.min(untilMin, this.flat.endMin));
    this.flat.rigs.forEach((rig, index) => this.rigTo(index, Math.min(untilMin, rig.toMin)));
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
      own: this.own.map((soc) => soc.slice()),
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

  private begin(): { readonly result: Outcome; readonly first: number } {
    this.reset();
    return { result: { ...NOTHING }, first: 0 };
  }

  private goOn(from: Then): { readonly result: Outcome; readonly first: number } {
    this.arrays().forEach((array, place) => array.set(from.arrays[place]!));
    this.own.forEach((soc, rig) => soc.set(from.own[rig]!));
    this.chargers.load(from.chargers);
    // of what comes now
    this.troubles.fill(undefined);
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
      this.seated,
      this.next,
      this.nextMin,
      this.inSeat,
      this.rigMin,
      this.rigSpan,
      this.dark,
      this.used,
      this.lastSwap,
      this.needAt,
      this.low,
      this.emptied,
      this.touched,
    ];
  }

  private reset(): void {
    const { flat } = this;
    flat.batteries.forEach(({ startCharge }, battery) => (this.soc[battery] = startCharge));
    this.reach.fill(flat.startMin);
    this.chargers.reset();
    this.seated.fill(-1);
    this.next.fill(-1);
    this.nextMin.fill(Infinity);
    this.emptied.fill(-Infinity);
    this.inSeat.fill(-1);
    this.rigSpan.fill(0);
    flat.rigs.forEach(({ fromMin }, rig) => {
      this.rigMin[rig] = fromMin;
      this.own[rig]!.fill(1);
      this.troubles[rig] = undefined;
    });
    this.dark.fill(0);
    this.used.fill(0);
    this.touched.fill(0);
    this.lastSwap.fill(-Infinity);
    this.needAt.fill(0);
    this.low.fill(0);
  }

  private noteNeeds(moves: readonly Move[]): void {
    for (const needs of this.needs) needs.length = 0;
    for (const list of this.seatMoves) list.length = 0;
    const active = new Set(this.alwaysActive);
    for (const { kind, battery, seat, atMin } of moves) {
      if (kind === 'lost') continue;
      active.add(battery);
      this.needs[battery]!.push({ atMin, rig: seat === -1 ? -1 : this.flat.seats[seat]!.rig });
      if (seat !== -1) this.seatMoves[seat]!.push(atMin);
    }
    this.chargers.begin([...active]);
  }

  private make({ kind, battery, seat, atMin, first, charger, offMin, inPlace }: Move, result: Outcome): void {
    const { flat } = this;
    const { lostMin } = flat.batteries[battery]!;
    if (kind !== 'lost') {
      this.needAt[battery]!++;
      if (atMin >= lostMin) {
        result.impossible++;
        return;
      }
    }
    const wasOn = this.chargers.isOn(battery);
    if (wasOn) this.chargers.takeOff(battery, atMin);
    const before = this.inSeat[battery]!;
    if (inPlace && before !== -1) {
      this.rigTo(flat.seats[before]!.rig, atMin);
      const pause = this.pauseOf(battery, atMin);
      if (pause && pause.fromMin <= atMin) this.chargers.keep(battery, charger, atMin, Math.min(offMin, pause.toMin), true);
      return;
    }
    if (before !== -1) {
      this.rigTo(flat.seats[before]!.rig, atMin);
      this.empty(before, atMin);
    }
    if (kind === 'lost') {
      this.chargers.noteChange();
      return;
    }
    if (kind === 'charge') {
      this.chargers.keep(battery, charger, atMin, offMin);
      return;
    }
    this.rigTo(flat.seats[seat]!.rig, atMin);
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
    return there !== -1 && !isBeside && this.reach[battery * places.length + there]! > atMin;
  }

  private putIn(battery: number, seat: number, atMin: number, first: boolean, result: Outcome): void {
    const { flat } = this;
    const { rig, swapMin } = flat.seats[seat]!;
    const out = this.next[seat] === -1 ? this.seated[seat]! : this.next[seat]!;
    if (out !== -1) {
      this.empty(seat, atMin);
      this.free(out, flat.rigs[rig]!, atMin);
    }
    // into a seat that was emptied before, it takes no longer than what is left of a change
    const takesMin = first ? 0 : Math.max(0, swapMin - (atMin - this.emptied[seat]!));
    this.inSeat[battery] = seat;
    this.used[battery] = 1;
    if (!first) {
      result.swaps++;
      if (atMin - this.lastSwap[seat]! < HASTY_MIN) result.hasty++;
      if (this.joinsCard(rig, atMin)) result.joined++;
      if (takesMin > 0) this.noteTouched(flat.rigs[rig]!, atMin);
    }
    this.lastSwap[seat] = first ? -Infinity : atMin;
    if (takesMin > 0) {
      this.next[seat] = battery;
      this.nextMin[seat] = atMin + takesMin;
    } else this.seated[seat] = battery;
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

  private noteTouched({ blockPlaces }: FlatRig, atMin: number): void {
    for (const place of blockPlaces) {
      const { uninterrupted, fromMin, toMin } = this.flat.blocks[place]!;
      if (uninterrupted && fromMin <= atMin && atMin < toMin) this.touched[place]!++;
    }
  }

  /** From when on a battery that sits in a rig could be charged in between: once the rig draws no more before it is wanted. */
  private rest(battery: number, atMin: number): void {
    const seat = this.inSeat[battery]!;
    const rig = this.flat.rigs[this.flat.seats[seat]!.rig]!;
    // until it is wanted, here or elsewhere, or another is put in its place
    const wanted = this.needs[battery]![this.needAt[battery]!]?.atMin ?? Infinity;
    const by = Math.min(wanted, this.seatMoves[seat]!.find((minute) => minute > atMin) ?? Infinity);
    this.chargers.noteChange();
    const { places } = this.flat;
    const last = rig.draws.findLast(({ fromMin }) => fromMin < by);
    const restMin = !last ? atMin : last.toMin >= by ? Infinity : Math.max(atMin, last.toMin);
    for (let place = 0; place < places.length; place++)
      this.reach[battery * places.length + place] = restMin === Infinity ? Infinity : this.flat.comesTo(rig, place, restMin);
  }

  private free(battery: number, rig: FlatRig, atMin: number): void {
    this.chargers.noteChange();
    const { places } = this.flat;
    for (let place = 0; place < places.length; place++) this.reach[battery * places.length + place] = this.flat.comesTo(rig, place, atMin);
  }

  private empty(seat: number, atMin: number): void {
    this.seatDue(seat, atMin);
    const isPending = this.next[seat] !== -1;
    const battery = isPending ? this.next[seat]! : this.seated[seat]!;
    if (battery !== -1) this.inSeat[battery] = -1;
    if (!isPending && battery !== -1) this.emptied[seat] = atMin;
    this.seated[seat] = -1;
    this.next[seat] = -1;
    this.nextMin[seat] = Infinity;
  }

  /** What was being put in sits, once its minutes are over. */
  private seatDue(seat: number, atMin: number): void {
    if (this.nextMin[seat]! > atMin) return;
    this.seated[seat] = this.next[seat]!;
    this.next[seat] = -1;
    this.nextMin[seat] = Infinity;
  }

  /** Follows a rig up to a minute. */
  private rigTo(index: number, toMin: number): void {
    const rig = this.flat.rigs[index]!;
    let now = this.rigMin[index]!;
    while (now < toMin) {
      let next = toMin;
      for (const seat of rig.seats) {
        this.seatDue(seat, now);
        if (this.nextMin[seat]! < next) next = this.nextMin[seat]!;
      }
      this.pass(rig, index, now, next);
      now = next;
    }
    this.rigMin[index] = Math.max(this.rigMin[index]!, toMin);
  }

  private pass(rig: FlatRig, index: number, fromMin: number, toMin: number): void {
    const { spans, seats } = rig;
    const batteries = seats.length === 1 ? [this.seated[seats[0]!]!] : seats.map((seat) => this.seated[seat]!);
    let isChanging = false;
    for (const seat of seats) if (this.next[seat] !== -1) isChanging = true;
    const { out } = this;
    for (let at = this.rigSpan[index]!; at < spans.length; at++) {
      const span = spans[at]!;
      if (span.fromMin >= toMin) break;
      if (span.toMin <= fromMin) {
        this.rigSpan[index] = at + 1;
        continue;
      }
      const [from, to] = [Math.max(fromMin, span.fromMin), Math.min(toMin, span.toMin)];
      out.gaps.length = 0;
      out.lowFromMin = Infinity;
      out.lowToMin = -Infinity;
      this.drain.through(rig, index, span, from, to, batteries, this.soc, this.own[index]!, out);
      if (out.gaps.length === 0 && out.lowFromMin === Infinity) continue;
      let darkMin = 0;
      for (const part of span.parts) {
        if (!part.draws) continue;
        for (let pair = 0; pair < out.gaps.length; pair += 2) {
          const minutes = Math.min(part.toMin, out.gaps[pair + 1]!) - Math.max(part.fromMin, out.gaps[pair]!);
          if (minutes <= 0) continue;
          this.dark[part.block]! += minutes;
          darkMin += minutes;
        }
        if (out.lowFromMin < Infinity)
          this.low[index]! += overlap(part, { fromMin: Math.max(from, out.lowFromMin), toMin: Math.min(to, out.lowToMin) });
      }
      if (out.lowFromMin < Infinity) this.low[index]! -= darkMin;
      const first = Math.min(out.lowFromMin, isChanging ? Infinity : (out.gaps[0] ?? Infinity));
      if (first < Infinity && (!this.troubles[index] || first < this.troubles[index].atMin))
        this.troubles[index] = { rig: index, atMin: first };
    }
  }

  private sum(result: Outcome): void {
    const { flat } = this;
    flat.blocks.forEach(({ uninterrupted }, block) => {
      const dark = this.dark[block]!;
      if (dark <= 0) {
        result.touched += this.touched[block]!;
        return;
      }
      result.gapMin += dark;
      if (uninterrupted) result.interruptions++;
    });
    result.lowMin = Math.max(
      0,
      this.low.reduce((sum, minutes) => sum + minutes, 0),
    );
    result.handlings = this.chargers.count;
    const spare = new Map(this.apart);
    flat.batteries.forEach(({ massG }, battery) => {
      if (this.used[battery]) {
        result.batteries++;
        result.massG += massG;
      } else if (this.soc[battery]! > FULL_SHARE) spare.set(this.forms[battery]!, (spare.get(this.forms[battery]!) ?? 0) + 1);
    });
    for (const form of this.guarded) {
      const there = spare.get(form) ?? 0;
      if (there > 0) spare.set(form, there - 1);
      else result.sparesMissing++;
    }
  }
}
