import { pairingOf, wattsOf } from '../../day/charging';
import type { Charger, ChargingSaid } from '../../day/charging';
import { clockAt, firstCall, handsOf, nextThere } from '../../day/model';
import { chargingList, DaySimulation } from '../../day/run';
import type { ChargingRow } from '../../day/run';
import type { Charge, Day } from '../../day/shape';
import { gearTitle } from '../../gear';
import type { Gear } from '../../gear';
import { isHarmed } from '../../gear/kit';
import { chargeMinutes } from '../../physics/cell';
import { DAY_MIN } from '../../quantity';
import type { Rig } from '../../rig/drawn';
import { said } from '../../said';
import { FULL_SHARE } from '../../tables';
import type { NightSaid } from './says';

const HERE_NOW_MIN = 15;

/** Batteries on chargers until a moment, slot by slot. */
export interface ChargeNight {
  /** Whose clock the minutes are of. */
  readonly day: Day;
  readonly fromMin: number;
  /** When they are wanted: the first call. */
  readonly untilMin: number;
  /** Whether the moves are those of the plan, or made here because it has none yet. */
  readonly from: 'plan' | 'made-here';
  readonly rows: readonly ChargingRow[];
  readonly notFull: readonly NotFull[];
  /** Nothing to do for these: full already. */
  readonly full: readonly string[];
  /** Their charge is not entered: taken as empty, so that no time is promised that is too short. */
  readonly takenAsEmpty: readonly string[];
  readonly cautions: readonly (NightSaid | ChargingSaid)[];
}

export interface NotFull {
  readonly batteryId: string;
  readonly battery: string;
  /** When it is wanted. */
  readonly charge: number;
  /** Nothing there fits it; it must not, or cannot be told; no slot comes free in time; it is on too late. */
  readonly why: 'no-charger' | 'cannot' | 'no-slot' | 'late';
  /** Minutes of charging that it still wants; undefined where nothing fills it. */
  readonly lateMin: number | undefined;
  readonly says: NightSaid | ChargingSaid;
}

/** Who charges what where, for a night that no plan describes. */
export interface KitNight {
  readonly batteryIds: readonly string[];
  /** The chargers that are there. */
  readonly chargerIds: readonly string[];
  /** An ISO date, and minutes of its clock. */
  readonly date: string;
  readonly fromMin: number;
  /** May be of the next day: 24 h and more. */
  readonly untilMin: number;
  /** Clock minutes between which somebody is awake; always when absent. */
  readonly awake?: { readonly from: number; readonly to: number };
  readonly temperatureC?: number;
  /** Of the clocks there. */
  readonly zone?: string;
}

/**
 * A night in the kit as a day of its own, so that one computation charges both.
 *
 * @example kitNightDay({ batteryIds: ['v1'], chargerIds: [], date: '2026-01-12', fromMin: 1200, untilMin: 1800, awake: undefined, temperatureC: 20 }).date // '2026-01-12'
 */
export function kitNightDay({ batteryIds, chargerIds, date, fromMin, untilMin, awake, temperatureC, zone }: KitNight): Day {
  return {
    name: 'Tonight',
    date,
    ...(zone !== undefined && { zone }),
    days: Math.max(1, Math.ceil(untilMin / DAY_MIN)),
    startsAt: fromMin,
    rigIds: [],
    blocks: [],
    places: [{ id: 'here', name: 'Here', power: 'mains', ...(temperatureC !== undefined && { temperatureC }) }],
    chargers: chargerIds.map((gearId) => ({ gearId, placeId: 'here' })),
    batteries: batteryIds.map((gearId) => ({ gearId })),
    // whoever asks is there to put the first ones on
    ...(awake && {
      hands: [
        { from: awake.from, to: awake.to },
        { from: fromMin, to: Math.min(DAY_MIN, fromMin + HERE_NOW_MIN) },
      ],
    }),
  };
}

/**
 * What goes on which charger when until the first call, what is full by then, what is not and what would do.
 *
 * From a plan that says so: its own moves. Else they are made here: what takes longest first, each where it is full soonest,
 * changed only while somebody is awake; then run through the same chargers, outlets and charge curves as any day. A battery
 * whose charge nobody entered is taken as empty.
 *
 * @param untilMin of the day's clock; the first call when absent, else the end of the night
 */
export function chargeNight(planned: Day, gear: ReadonlyMap<string, Gear>, rigs: ReadonlyMap<string, Rig>, untilMin?: number): ChargeNight {
  const call = firstCall(planned);
  const until = untilMin ?? (Number.isFinite(call) ? call : planned.days * DAY_MIN);
  const fromMin = Math.min(planned.startsAt ?? until, until);
  const simulation = new DaySimulation(planned, gear, rigs);
  const own = (planned.charges ?? []).filter((one) => one.fromMin < until);
  const wanted = (planned.batteries ?? []).map(({ gearId }) => gearId).filter((id) => gear.get(id)?.kind === 'battery');
  const charge = (id: string): number => simulation.saidCharge(id) ?? 0;
  const takenAsEmpty = wanted.filter((id) => simulation.saidCharge(id) === undefined);
  const full = wanted.filter((id) => charge(id) >= FULL_SHARE);
  const moves =
    own.length > 0
      ? own
      : queued(
          planned,
          gear,
          wanted.filter((id) => !full.includes(id) && !isBroken(gear.get(id))),
          charge,
          fromMin,
          until,
        );
  const day: Day = {
    ...planned,
    charges: moves,
    batteries: (planned.batteries ?? []).map((one) => (takenAsEmpty.includes(one.gearId) ? { ...one, startCharge: 0 } : one)),
  };
  const night = new DaySimulation(day, gear, rigs, simulation.states);
  const run = night.run();
  const list = chargingList(night, run);
  const rows = list.rows.filter(({ onMin }) => onMin < until);
  const notFull = wanted
    .filter((id) => !full.includes(id))
    .flatMap((id): NotFull[] => {
      const row = rows.findLast(({ batteryId }) => batteryId === id);
      if (row?.fullMin !== undefined && row.fullMin <= until + 1e-6) return [];
      return [notFullOf(id, day, gear, row, until, charge(id))];
    });
  return {
    day,
    fromMin,
    untilMin: until,
    from: own.length > 0 ? 'plan' : 'made-here',
    rows,
    notFull,
    full: full.map((id) => gearTitle(gear.get(id)!)),
    takenAsEmpty: takenAsEmpty.map((id) => gearTitle(gear.get(id)!)),
    cautions: [...list.cautions, said('never-damaged')],
  };
}

interface Slot {
  readonly chargerId: string;
  readonly charger: Charger;
  readonly placeId: string;
  freeMin: number;
}

/** Each battery on the slot where it is full soonest, the one that takes longest first. */
function queued(
  day: Day,
  gear: ReadonlyMap<string, Gear>,
  batteryIds: readonly string[],
  charge: (id: string) => number,
  fromMin: number,
  untilMin: number,
): readonly Charge[] {
  const places = new Map((day.places ?? []).map((place) => [place.id, place]));
  const hands = handsOf(day);
  const slots: Slot[] = [];
  const pairing = (batteryId: string, chargerId: string, placeId: string) =>
    pairingOf({ batteryId, chargerId, fromMin, toMin: untilMin, place: places.get(placeId) }, gear, day);
  for (const { gearId, placeId } of day.chargers ?? []) {
    const [any] = batteryIds.map((id) => pairing(id, gearId, placeId)).filter((one) => one.ok);
    if (!any) continue;
    for (let slot = 0; slot < any.charger.slots; slot++) slots.push({ chargerId: gearId, charger: any.charger, placeId, freeMin: fromMin });
  }
  /** When a charger that fills one after the other is done with those that are on it. */
  const fillsUntil = new Map<string, number>();
  const minutesOn = (id: string, { chargerId, charger, placeId }: Slot): number | undefined => {
    const found = pairing(id, chargerId, placeId);
    if (!found.ok) return undefined;
    // as if its neighbours were there all the time: never too short
    const watts = wattsOf(charger, charger.order === 'one-by-one' ? 1 : charger.slots);
    return watts === undefined ? undefined : chargeMinutes(found.filling, charge(id), 1, watts);
  };
  const quickest = (id: string): number => Math.min(...slots.map((slot) => minutesOn(id, slot) ?? Infinity));
  const order = [...batteryIds].map((id) => ({ id, minutes: quickest(id) })).sort((a, b) => b.minutes - a.minutes);
  const charges: Charge[] = [];
  for (const { id } of order) {
    const options = slots.flatMap((slot) => {
      const minutes = minutesOn(id, slot);
      const onMin = Math.ceil(nextThere(hands(slot.placeId), slot.freeMin));
      if (minutes === undefined || onMin >= untilMin) return [];
      const beginMin = slot.charger.order === 'one-by-one' ? Math.max(onMin, fillsUntil.get(slot.chargerId) ?? 0) : onMin;
      return [{ slot, onMin, doneMin: beginMin + minutes }];
    });
    const best = options.sort((a, b) => a.doneMin - b.doneMin)[0];
    if (!best) continue;
    const { slot, onMin, doneMin } = best;
    charges.push({ batteryId: id, chargerId: slot.chargerId, fromMin: onMin, toMin: Math.min(untilMin, Math.ceil(doneMin) + 1) });
    slot.freeMin = Math.ceil(doneMin) + 1;
    fillsUntil.set(slot.chargerId, Math.max(fillsUntil.get(slot.chargerId) ?? 0, doneMin));
  }
  return charges;
}

function notFullOf(
  batteryId: string,
  day: Day,
  gear: ReadonlyMap<string, Gear>,
  row: ChargingRow | undefined,
  untilMin: number,
  start: number,
): NotFull {
  const battery = gearTitle(gear.get(batteryId)!);
  const base = { batteryId, battery, charge: row?.toCharge ?? start };
  if (isBroken(gear.get(batteryId))) return { ...base, why: 'cannot', lateMin: undefined, says: BROKEN };
  const pairs = (day.chargers ?? []).map(({ gearId, placeId }) => ({
    title: gear.has(gearId) ? gearTitle(gear.get(gearId)!) : 'A charger that is gone',
    pairing: pairingOf(
      { batteryId, chargerId: gearId, fromMin: 0, toMin: 0, place: day.places?.find(({ id }) => id === placeId) },
      gear,
      day,
    ),
  }));
  const sound = pairs.flatMap(({ title, pairing }) => (pairing.ok ? [{ title, ...pairing }] : []));
  if (sound.length === 0) {
    const why = pairs
      .map(({ pairing }) => (pairing.ok ? undefined : pairing.why))
      .find((one) => one !== undefined && one.code !== 'does-not-fit');
    return {
      ...base,
      why: why === undefined ? 'no-charger' : 'cannot',
      lateMin: undefined,
      says: why ?? (pairs.length === 0 ? said('no-charger') : said('none-fits')),
    };
  }
  const left = Math.min(
    ...sound.map(({ charger, filling }) => {
      const watts = wattsOf(charger, 1);
      return watts === undefined ? Infinity : chargeMinutes(filling, base.charge, 1, watts);
    }),
  );
  const lateMin = Number.isFinite(left) ? Math.ceil(left) : undefined;
  const { charge } = base;
  const { time } = clockAt(day, untilMin);
  if (lateMin === undefined) return { ...base, why: 'cannot', lateMin, says: said('not-known-how-long', { charge, time }) };
  const says = row ? said('start-earlier', { charge, time, lateMin }) : said('no-slot', { charge, time, lateMin });
  return { ...base, why: row ? 'late' : 'no-slot', lateMin, says };
}

const BROKEN = said('broken');

function isBroken(gear: Gear | undefined): boolean {
  return gear !== undefined && (gear.away === 'broken' || isHarmed(gear));
}
