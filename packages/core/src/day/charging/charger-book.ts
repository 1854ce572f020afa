import { chargeAfter, chargeMinutes, CHARGER_EFFICIENCY, tooCold } from '../../cell';
import { energyNow } from '../../gear';
import type { Gear } from '../../gear';
import { placeW } from '../model';
import type { Span } from '../model';
import type { Charge, Place } from '../shape';
import { fits, wattsOf } from './charger';
import type { Charger } from './charger';

/** A battery's place on a charger: from when it is put on until it is taken off, and when within that it fills. */
export interface Booking extends Charge {
  readonly fillFromMin: number;
  readonly fillToMin: number;
  readonly toCharge: number;
}

/** A charger of the day with what a book needs of it. */
export interface BookedCharger {
  readonly id: string;
  readonly charger: Charger;
  readonly place: Place;
  /** How cold it gets there; undefined where not entered. */
  readonly coldestC: number | undefined;
  /** When its outlet is live. */
  readonly live: readonly Span[];
}

/** Who is on which charger, for plans that are looked for; a book is never changed, a booking makes a new one. */
export class ChargerBook {
  constructor(
    private readonly chargers: readonly BookedCharger[],
    private readonly gear: ReadonlyMap<string, Gear>,
    /** When somebody is there to put batteries on and take them off, at a place. */
    private readonly hands: (placeId: string) => readonly Span[],
    readonly bookings: readonly Booking[] = [],
  ) {}

  with(booking: Booking): ChargerBook {
    return new ChargerBook(this.chargers, this.gear, this.hands, [...this.bookings, booking]);
  }

  /**
   * The fullest that a battery can be had between two minutes, on one charger; of those as full the one that is ready
   * first. Undefined where none adds anything. `reaches`: whether a place can be got to, and from when on.
   */
  offer(
    batteryId: string,
    charge: number,
    fromMin: number,
    byMin: number,
    reaches: (placeId: string) => number | undefined = () => fromMin,
  ): Booking | undefined {
    const battery = this.gear.get(batteryId);
    const energyWh = battery?.kind === 'battery' ? energyNow(battery) : undefined;
    if (battery?.kind !== 'battery' || energyWh === undefined || battery.chemistry === 'alkaline') return undefined;
    const filling = { chemistry: battery.chemistry, energyWh };
    let best: Booking | undefined;
    for (const booked of this.chargers) {
      const { id, charger, place, coldestC } = booked;
      const from = reaches(place.id);
      if (from === undefined || !fits(charger, battery) || tooCold(battery, coldestC)) continue;
      const watts = wattsOf(charger, charger.order === 'together' ? charger.slots : 1);
      const usable = watts && Math.min(watts, (placeW(place) ?? Infinity) * CHARGER_EFFICIENCY);
      const span = usable === undefined ? undefined : this.free(booked, Math.max(from, fromMin), byMin);
      if (!usable || !span) continue;
      const fill = this.filling(booked, span, chargeMinutes(filling, charge, 1, usable));
      if (!fill) continue;
      const toCharge = chargeAfter(filling, charge, usable, fill.liveMin);
      const booking = { batteryId, chargerId: id, ...span, fillFromMin: fill.fromMin, fillToMin: fill.toMin, toCharge };
      if (toCharge <= charge + 0.01) continue;
      const better = !best || toCharge > best.toCharge + 0.01 || (toCharge > best.toCharge - 0.01 && fill.toMin < best.fillToMin);
      if (better) best = booking;
    }
    return best;
  }

  /** When a slot is free and somebody is there to use it: put on at the first chance, taken off at the last. */
  private free({ id, charger, place }: BookedCharger, fromMin: number, byMin: number): Span | undefined {
    const hands = this.hands(place.id);
    const taken = this.bookings.filter(({ chargerId, toMin }) => chargerId === id && toMin > fromMin);
    const starts = [fromMin, ...taken.map(({ toMin }) => toMin)].sort((a, b) => a - b);
    for (const start of starts) {
      const there = hands.find(({ toMin }) => toMin > start);
      const on = there && Math.max(start, there.fromMin);
      const off = hands.findLast(({ fromMin: from }) => from < byMin);
      const end = off && Math.min(off.toMin, byMin);
      if (on === undefined || end === undefined || end <= on) return undefined;
      const beside = taken.filter((one) => one.fromMin < end && one.toMin > on).length;
      if (beside < charger.slots) return { fromMin: on, toMin: end };
    }
    return undefined;
  }

  /** When it fills within its time there: beside the others, or after them, and only while the outlet is live. */
  private filling(
    { id, charger, live }: BookedCharger,
    { fromMin, toMin }: Span,
    wantedMin: number,
  ): { readonly fromMin: number; readonly toMin: number; readonly liveMin: number } | undefined {
    const queue = charger.order === 'one-by-one' ? this.bookings.filter((one) => one.chargerId === id && one.fillToMin > fromMin) : [];
    const start = Math.max(fromMin, ...queue.filter((one) => one.fromMin <= fromMin).map(({ fillToMin }) => fillToMin));
    // what is put on later was promised its turn: it must not have to wait
    const nextMin = Math.min(Infinity, ...queue.filter((one) => one.fromMin > fromMin).map(({ fillFromMin }) => fillFromMin));
    let left = wantedMin;
    let first: number | undefined;
    let end = start;
    for (const span of live) {
      const [from, to] = [Math.max(span.fromMin, start), Math.min(span.toMin, toMin)];
      if (to <= from || left <= 0) continue;
      first ??= from;
      const minutes = Math.min(left, to - from);
      left -= minutes;
      end = from + minutes;
    }
    if (first === undefined || (end > nextMin && left <= 0) || (left > 0 && nextMin < toMin)) return undefined;
    return { fromMin: first, toMin: end, liveMin: wantedMin - left };
  }
}
