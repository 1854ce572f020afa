import type { Battery } from '../../../gear';
import { chargeAfter, chargeMinutes } from '../../../physics/cell';
import { FULL_SHARE } from '../../../tables';
import { canChargeInPlace, wattsOf } from '../../charging';
import { isThere, lastThere, nextThere } from '../../model';
import type { Span } from '../../model';
import type { FlatDay } from './flat-day';
import { FULL, ratesAt } from './quick-rates';
import { QuickSlots } from './quick-slots';
import type { ChargersThen, FlatCharge } from './quick-slots';

/** Nobody walks to a charger for less. */
const LEAST_STAY_MIN = 5;
const INSTANT_MIN = 1e-6;

/** What the chargers ask of the rigs of a day that is being run. */
export interface ChargerHost {
  /** Charges of the batteries, changed in place. */
  readonly soc: Float64Array;
  /** By battery and place: from when on it can be put on a charger there. */
  readonly reach: Float64Array;
  /** When, and for which rig, a battery is wanted next; nothing where it is not. */
  nextNeed(battery: number): { readonly atMin: number; readonly rig: number } | undefined;
  /** Whether a battery sits in a rig; then its charge is known once `settle` has followed it up to a minute. */
  isSeated(battery: number): boolean;
  settle(battery: number, atMin: number): void;
  /** Takes a battery out of the rig that it rests in. */
  takeOut(battery: number, atMin: number): void;
  /** Where a battery sits in a rig that draws nothing now, and until when, or until the battery is moved; else when it next does. */
  pauseOf(battery: number, minute: number): { readonly place: number; readonly fromMin: number; readonly toMin: number } | undefined;
  /** The rig that a battery sits in is disconnected until a minute, and nothing in it runs down. */
  restUntil(battery: number, minute: number): void;
}

/**
 * The chargers of a day as a crew keeps them: whenever somebody is there, a free slot (or one whose battery is full) gets
 * the battery that is wanted next; what nobody waits for comes last, the nearest to full first. What is on one gives way to
 * what could not be filled in time otherwise.
 */
export class QuickChargers {
  work = 0;
  /** Batteries that may want charging at all in this run. */
  private active: readonly number[] = [];
  /** By battery: the chargers that take it. */
  private readonly chargersFor: readonly (readonly number[])[];
  /** Batteries that want charging and could be put on somewhere now, and when the next one can be; found anew when `isStale`. */
  private waiting: number[] = [];
  private arriveMin = Infinity;
  private isStale = true;
  private readonly slots: QuickSlots;
  private readonly order: readonly number[];
  /** Batteries that can be charged in the rig that they sit in. */
  private readonly inPlace: readonly number[];
  private nowMin = 0;

  constructor(
    private readonly flat: FlatDay,
    private readonly host: ChargerHost,
    /** Before this nothing is put on but what is said to be. */
    private readonly fromMin: number,
  ) {
    this.slots = new QuickSlots(flat.chargers.length, flat.batteries.length);
    const watts = flat.chargers.map(({ charger }) => wattsOf(charger, 1) ?? 0);
    this.chargersFor = flat.batteries.map((_, battery) => flat.chargers.flatMap(({ takes }, charger) => (takes[battery] ? [charger] : [])));
    this.inPlace = flat.batteries.flatMap(({ id }, battery) => {
      const body = flat.simulation.gear.get(id) as Battery;
      return flat.chargers.some(({ charger, takes }) => takes[battery] && canChargeInPlace(charger, body)) ? [battery] : [];
    });
    this.order = flat.chargers.map((_, place) => place).sort((a, b) => watts[b]! - watts[a]!);
  }

  /** Begins a run in which only these batteries may want charging. */
  begin(active: readonly number[]): void {
    this.active = active.filter((battery) => this.chargersFor[battery]!.length > 0);
    this.isStale = true;
  }

  /** What can be put on where has changed. */
  noteChange(): void {
    this.isStale = true;
  }

  reset(): void {
    this.slots.reset();
    this.nowMin = 0;
  }

  get charges(): readonly FlatCharge[] {
    return this.slots.charges;
  }

  get count(): number {
    return this.slots.count;
  }

  save(): ChargersThen {
    return this.slots.save(this.nowMin);
  }

  load(then: ChargersThen): void {
    this.slots.load(then);
    this.nowMin = then.nowMin;
  }

  isOn(battery: number): boolean {
    return this.slots.chargerOf(battery) !== -1;
  }

  /** Puts a battery on, as said; it stays until `offMin`, or until it is wanted. */
  put(battery: number, charger: number, atMin: number, offMin: number, inPlace = false): void {
    this.slots.put({ battery, charger, fromMin: atMin, toMin: atMin, ...(inPlace && { inPlace }) }, offMin);
    this.isStale = true;
  }

  /** The same for one that a person wants there: it gives way to nothing, what has no place beside it does. */
  keep(battery: number, charger: number, atMin: number, offMin: number, inPlace = false): void {
    while (this.slots.of(charger).length >= this.flat.chargers[charger]!.charger.slots) {
      const gives = this.slots.latest(charger);
      if (!gives) break;
      this.takeOff(gives.battery, atMin);
    }
    this.put(battery, charger, atMin, offMin, inPlace);
    this.slots.keep(battery, atMin);
  }

  takeOff(battery: number, atMin: number): void {
    if (!this.isOn(battery)) return;
    const { charger, inPlace } = this.slots.take(battery, atMin);
    if (inPlace) {
      this.host.restUntil(battery, atMin);
      this.isStale = true;
      return;
    }
    const { chargers, places } = this.flat;
    this.host.reach[battery * places.length + chargers[charger]!.place] = atMin;
    this.isStale = true;
  }

  /** Everything that happens at the chargers until a minute. */
  advance(toMin: number): void {
    if (this.flat.chargers.length === 0) return;
    const { soc } = this.host;
    while (this.nowMin < toMin) {
      this.work++;
      const now = this.nowMin;
      if (now >= this.fromMin && Number.isInteger(now)) this.handle();
      if (this.isStale || now >= this.arriveMin) this.survey();
      const rates = ratesAt(this.flat, this.slots, soc, now);
      let next = this.nextMin(toMin);
      for (const { battery, watts } of rates) next = Math.min(next, now + Math.max(INSTANT_MIN, this.minutes(battery, watts)));
      for (const { battery, watts } of rates) {
        const after = chargeAfter(this.flat.batteries[battery]!.filling!, soc[battery]!, watts, next - now);
        soc[battery] = after > FULL ? 1 : after;
      }
      this.nowMin = next;
    }
  }

  /** Who waits, and who comes next. */
  private survey(): void {
    const { chargers, places, batteries } = this.flat;
    const { soc, reach } = this.host;
    const now = this.nowMin;
    this.isStale = false;
    this.arriveMin = Infinity;
    this.waiting.length = 0;
    for (const battery of this.active) {
      if (this.isOn(battery) || batteries[battery]!.lostMin <= now) continue;
      const isSeated = this.host.isSeated(battery);
      if (!isSeated && soc[battery]! >= FULL_SHARE) continue;
      let soonest = Infinity;
      for (const charger of this.chargersFor[battery]!)
        soonest = Math.min(soonest, reach[battery * places.length + chargers[charger]!.place]!);
      if (soonest > now) this.arriveMin = Math.min(this.arriveMin, soonest);
      else {
        if (isSeated) this.host.settle(battery, now);
        if (soc[battery]! < FULL_SHARE) this.waiting.push(battery);
      }
      // it may come to one place sooner than to another
      for (const charger of this.chargersFor[battery]!) {
        const at = reach[battery * places.length + chargers[charger]!.place]!;
        if (at > now) this.arriveMin = Math.min(this.arriveMin, at);
      }
    }
  }

  private handle(): void {
    const { chargers, places, hands } = this.flat;
    const now = this.nowMin;
    for (let index = 0; index < chargers.length; index++) {
      const slots = this.slots.of(index);
      for (let at = slots.length - 1; at >= 0; at--)
        if (this.slots.offAt(slots[at]!.battery) <= now || chargers[index]!.lostMin <= now) this.takeOff(slots[at]!.battery, now);
    }
    if (this.isStale || now >= this.arriveMin) this.survey();
    if (this.inPlace.length > 0) this.handleInPlace();
    if (this.waiting.length === 0) return;
    for (const index of this.order) {
      const { place, charger, lostMin } = chargers[index]!;
      const slots = this.slots.of(index);
      if (lostMin <= now || !isThere(hands(places[place]), now)) continue;
      for (;;) {
        const { battery, offMin } = this.mostUrgent(index);
        if (battery === -1) break;
        const full = slots.find((one) => this.host.soc[one.battery]! >= FULL && !this.slots.isKept(one));
        if (slots.length >= charger.slots) {
          const gives = full ?? this.givesWay(index, battery, offMin);
          if (!gives) break;
          this.takeOff(gives.battery, now);
        }
        this.host.takeOut(battery, now);
        this.put(battery, index, now, offMin);
        this.survey();
      }
    }
  }

  /** What can be charged where it sits gets a free slot as soon as its rig rests beside the charger. */
  private handleInPlace(): void {
    const { chargers, places, hands } = this.flat;
    const now = this.nowMin;
    for (const battery of this.inPlace) {
      const pause = !this.isOn(battery) ? this.host.pauseOf(battery, now) : undefined;
      if (!pause || pause.fromMin > now || pause.toMin < now + LEAST_STAY_MIN) continue;
      this.host.settle(battery, now);
      if (this.host.soc[battery]! >= FULL_SHARE) continue;
      const index = this.order.find((one) => {
        const { place, charger, lostMin, takes, live } = chargers[one]!;
        const isHere = pause.place === place || pause.place === -1;
        return (
          isHere &&
          takes[battery] &&
          charger.connector === 'usb-c' &&
          lostMin > now &&
          this.slots.of(one).length < charger.slots &&
          isThere(hands(places[place]), now) &&
          hasPower(live, now, pause.toMin)
        );
      });
      if (index !== undefined) this.put(battery, index, now, lastThere(hands(places[chargers[index]!.place]), pause.toMin), true);
    }
  }

  /** The battery that is to be put on a charger next, and until when it may stay. */
  private mostUrgent(index: number): { readonly battery: number; readonly offMin: number } {
    const { chargers, places } = this.flat;
    const { takes, place, live } = chargers[index]!;
    const { reach } = this.host;
    let [battery, best, bestOff] = [-1, Infinity, 0];
    for (const one of this.waiting) {
      if (!takes[one] || reach[one * places.length + place]! > this.nowMin) continue;
      const { offMin, rank } = this.until(one, index);
      if (offMin < this.nowMin + LEAST_STAY_MIN || rank >= best || !hasPower(live, this.nowMin, offMin)) continue;
      [battery, best, bestOff] = [one, rank, offMin];
    }
    return { battery, offMin: bestOff };
  }

  /** Until when a battery may stay on a charger, and how it ranks: by when it is wanted, then by how little it wants. */
  private until(battery: number, index: number): { readonly offMin: number; readonly rank: number } {
    const { chargers, places, hands, rigs, endMin } = this.flat;
    const { place } = chargers[index]!;
    const there = hands(places[place]);
    const need = this.host.nextNeed(battery);
    // what nobody waits for may stay where it is
    if (!need) return { offMin: endMin, rank: 1e6 + (1 - this.host.soc[battery]!) };
    const leaves = need.rig === -1 ? need.atMin : this.flat.leavesBy(rigs[need.rig]!, place, need.atMin);
    const offMin = lastThere(there, leaves);
    return { offMin, rank: offMin };
  }

  /** What is on a charger and can wait, where another cannot. */
  private givesWay(index: number, battery: number, offMin: number): FlatCharge | undefined {
    const slots = this.slots.of(index);
    const { charger } = this.flat.chargers[index]!;
    const each = wattsOf(charger, charger.order === 'one-by-one' ? 1 : slots.length) ?? 0;
    const wanted = this.minutes(battery, each);
    const first = Math.min(...slots.map((one) => this.minutes(one.battery, each)));
    if (this.nowMin + first + wanted <= offMin) return undefined;
    const latest = this.slots.latest(index);
    // what is wanted no later stays; and nothing is taken off that was only just put on
    return latest && this.slots.offAt(latest.battery) > offMin && this.nowMin - latest.fromMin >= LEAST_STAY_MIN ? latest : undefined;
  }

  private minutes(battery: number, watts: number): number {
    const { filling } = this.flat.batteries[battery]!;
    return filling ? chargeMinutes(filling, this.host.soc[battery]!, 1, watts) : Infinity;
  }

  /** The next minute at which something changes at a charger. */
  private nextMin(toMin: number): number {
    const { chargers, places, hands } = this.flat;
    const now = this.nowMin;
    let next = Number.isInteger(now) ? toMin : Math.min(toMin, Math.ceil(now));
    if (now < this.fromMin) next = Math.min(next, Math.ceil(this.fromMin));
    if (this.arriveMin < next) next = Math.ceil(this.arriveMin);
    for (const battery of this.inPlace) {
      const pause = !this.isOn(battery) ? this.host.pauseOf(battery, now) : undefined;
      if (pause && pause.fromMin > now) next = Math.min(next, Math.ceil(pause.fromMin));
    }
    const isWaiting = this.waiting.length > 0;
    for (let index = 0; index < chargers.length; index++) {
      const { place, live, lostMin } = chargers[index]!;
      const slots = this.slots.of(index);
      if (slots.length === 0 && !isWaiting) continue;
      for (const { fromMin, toMin: to } of live) {
        if (fromMin > now) next = Math.min(next, fromMin);
        if (to > now) next = Math.min(next, to);
      }
      if (lostMin > now) next = Math.min(next, lostMin);
      for (const { battery } of slots) if (this.slots.offAt(battery) > now) next = Math.min(next, this.slots.offAt(battery));
      if (isWaiting) {
        const there = hands(places[place]);
        if (!isThere(there, now)) next = Math.min(next, nextThere(there, now));
      }
    }
    return next;
  }
}

/** Whether an outlet is live at some time between two minutes. */
function hasPower(live: readonly Span[], fromMin: number, toMin: number): boolean {
  for (const span of live) if (span.fromMin < toMin && span.toMin > fromMin) return true;
  return false;
}
