import { ChargerBook, chargerOf } from '../charging';
import type { Booking } from '../charging';
import type { Battery } from '../../gear';
import { coldestAt, dailySpans, minuteAt } from '../model';
import { lostFrom } from '../shape';
import type { Span } from '../model';
import type { Charge, Day, Swap } from '../shape';
import type { DaySimulation } from '../run';

/** A battery below this is put on a charger if there is one. */
export const TOP_UP = 0.97;

/** Where a battery is free, and how full it is. */
export interface Free {
  readonly fromMin: number;
  readonly charge: number;
  /** The place of the block it comes from. */
  readonly placeId: string | undefined;
  readonly used: boolean;
}

/** A day half planned; never changed, each step makes a new one. */
export interface Pool {
  readonly free: ReadonlyMap<string, Free>;
  readonly book: ChargerBook;
}

/** When somebody is there, at a place or anywhere. */
export type Hands = (placeId?: string) => readonly Span[];

/** What of a day is not to be planned anew. */
export interface Locked {
  readonly swaps: readonly Swap[];
  readonly charges: readonly Charge[];
}

/** Every battery of the day as it lies there at the start. Spares that are kept apart are not in it. */
export function startPool(simulation: DaySimulation, locked: Locked, hands: Hands): Pool {
  const { day } = simulation;
  const seats = day.rigIds.flatMap((rigId) => simulation.states.seatsOf(rigId));
  const apart = new Set((day.batteries ?? []).filter((battery) => battery.apart).map(({ gearId }) => gearId));
  const ids = new Set([...seats, ...(day.batteries ?? []).map(({ gearId }) => gearId)]);
  const chargers = (day.chargers ?? []).flatMap(({ gearId, placeId }) => {
    const charger = chargerOf(simulation.gear.get(gearId));
    const place = day.places?.find(({ id }) => id === placeId);
    const lostMin = lostFrom(day, gearId);
    const live = (simulation.outlets.get(placeId) ?? []).map((span) => ({ ...span, toMin: Math.min(span.toMin, lostMin) }));
    return charger && place ? [{ id: gearId, charger, place, live, coldestC: coldestAt(place, day) }] : [];
  });
  const startsAt = day.startsAt ?? 0;
  const free = new Map<string, Free>();
  for (const id of ids) {
    if (apart.has(id) || simulation.gear.get(id)?.kind !== 'battery') continue;
    free.set(id, { fromMin: startsAt, charge: simulation.startCharge(id), placeId: undefined, used: false });
  }
  // what is locked on a charger comes off it as full as it then is
  const { filled } = simulation.run(simulation.prepare(locked));
  const bookings = filled.map(({ charge, toCharge, fullMin }): Booking => {
    const { batteryId, fromMin, toMin } = charge;
    if (free.has(batteryId)) free.set(batteryId, { ...free.get(batteryId)!, fromMin: toMin, charge: toCharge });
    return { ...asCharge(charge), fillFromMin: fromMin, fillToMin: fullMin ?? toMin, toCharge };
  });
  return { free, book: new ChargerBook(chargers, simulation.gear, hands, bookings) };
}

/** What nobody waits for is filled all the same, for the day after. */
export function overnight(day: Day, { free, book }: Pool): readonly Booking[] {
  const endMin = minuteAt(day, day.days, 0);
  const bookings: Booking[] = [];
  let now = book;
  for (const [batteryId, { fromMin, charge, used }] of free) {
    if (charge >= TOP_UP || fromMin >= endMin) continue;
    const doneMin = used ? fromMin : (day.startsAt ?? 0);
    const booking = now.offer(batteryId, charge, doneMin, endMin);
    if (!booking) continue;
    now = now.with(booking);
    bookings.push(booking);
  }
  return bookings;
}

/** Rigs with blocks that must not be interrupted and no full battery of the form left over. */
export function sparesMissing({ day, gear, states }: DaySimulation, { free }: Pool): number {
  const left = new Map<string, number>();
  for (const [id, { used, charge }] of free) {
    const battery = gear.get(id);
    if (!used && charge > TOP_UP && battery?.kind === 'battery') left.set(battery.form, (left.get(battery.form) ?? 0) + 1);
  }
  for (const { gearId, apart, startCharge = 1 } of day.batteries ?? []) {
    const battery = gear.get(gearId);
    if (apart && startCharge > TOP_UP && battery?.kind === 'battery') left.set(battery.form, (left.get(battery.form) ?? 0) + 1);
  }
  let missing = 0;
  for (const rigId of day.rigIds) {
    const seat = states.seatsOf(rigId)[0];
    if (seat === undefined || !day.blocks.some((block) => block.rigId === rigId && block.uninterrupted)) continue;
    const { form } = gear.get(seat) as Battery;
    const there = left.get(form) ?? 0;
    if (there > 0) left.set(form, there - 1);
    else missing++;
  }
  return missing;
}

export function asCharge({ batteryId, chargerId, fromMin, toMin }: Charge): Charge {
  return { batteryId, chargerId, fromMin, toMin };
}

/** When somebody is there: the spans of that place, and those of everywhere; always where nothing is said. */
export function handsOf(day: Day): Hands {
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
