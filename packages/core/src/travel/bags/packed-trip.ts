import { judgeTaps } from '../../bench/contacts';
import type { SheetEntry } from '../../bench/sheet';
import type { Gear } from '../../gear';
import { resolveRig } from '../../rig/resolved';
import { tripFlight } from '../flight';
import type { TripFlight } from '../flight';
import { packingList } from '../list';
import type { PackingList, TripWorld } from '../list';
import type { FlightRules } from '../rules';
import { withThing } from '../trip';
import type { Trip } from '../trip';
import { bagLoads, bagTroubles } from './bag-load';
import type { BagLoad, BagTrouble } from './bag-load';
import { lostBags } from './lost-bag';
import type { LostBag } from './lost-bag';
import { suggestPacking, whyItLies } from './suggest';
import type { PackingSuggestion, Placed } from './suggest';

/** A trip worked out: what goes along, how it flies, what lies where, and what one bag takes with it. */
export interface PackedTrip {
  readonly list: PackingList;
  readonly flight: TripFlight;
  readonly loads: readonly BagLoad[];
  readonly troubles: readonly BagTrouble[];
  readonly lost: readonly LostBag[];
}

export interface PackingWorld extends TripWorld {
  readonly rules: ReadonlyMap<string, FlightRules>;
  /** An ISO date. */
  readonly today: string;
  /** What was measured on the bench: a pack that failed there does not fly. */
  readonly sheets?: readonly SheetEntry[];
}

/**
 * Everything of a trip as it is packed now.
 *
 * @example packedTrip({ trip: { name: 'Out' }, gear: new Map(), rigs: new Map(), days: new Map(), rules: new Map(), today: '2026-01-11' }).flight.possible // true
 */
export function packedTrip(world: PackingWorld): PackedTrip {
  const { trip, rules, today, gear, rigs, sheets = [] } = world;
  const list = packingList(world);
  const flight = tripFlight(trip, list.things, rules, today, failedPacks(sheets, gear));
  const resolved = new Map(list.rigIds.flatMap((id) => (rigs.has(id) ? [[id, resolveRig(rigs.get(id)!, gear)] as const] : [])));
  return {
    list,
    flight,
    loads: bagLoads(trip, list, flight),
    troubles: bagTroubles(trip, list, flight),
    lost: lostBags(trip, list, resolved),
  };
}

/** Packs whose last balance-lead sheet says stop. */
function failedPacks(sheets: readonly SheetEntry[], gear: ReadonlyMap<string, Gear>): ReadonlySet<string> {
  const last = new Map<string, SheetEntry['body'] & { readonly kind: 'taps' }>();
  for (const { body } of sheets)
    if (body.kind === 'taps' && body.at >= (last.get(body.batteryId)?.at ?? '')) last.set(body.batteryId, body);
  return new Set(
    [...last].flatMap(([id, { volts, loaded }]) => {
      const battery = gear.get(id);
      return battery?.kind === 'battery' && volts.some((one) => one !== 0) && judgeTaps(battery.chemistry, volts, loaded).verdict === 'stop'
        ? [id]
        : [];
    }),
  );
}

/**
 * A trip with everything that lies in no bag put where packing is suggested. `anew`: what was put by hand too.
 *
 * @example packed({ trip: { name: 'Out', own: [{ id: 't', name: 'Tape', count: 1 }] }, gear: new Map(), rigs: new Map(), days: new Map(), rules: new Map(), today: '2026-01-11' }).suggestion.left[0].why // 'no-such-bag'
 */
export function packed(world: PackingWorld, anew = false): { readonly trip: Trip; readonly suggestion: PackingSuggestion } {
  // anew: as if nothing lay anywhere, for who carries a battery follows from whose bag it lies in
  const trip = anew
    ? (world.trip.things ?? []).reduce((next, { id }) => withThing(next, id, { bagId: undefined }), world.trip)
    : world.trip;
  const { list, flight } = packedTrip({ ...world, trip });
  const keep = new Set(list.things.filter(({ state }) => state.bagId !== undefined).map(({ id }) => id));
  const suggestion = suggestPacking(trip, list, flight, keep);
  return { trip: [...suggestion.bags].reduce((next, [id, bagId]) => withThing(next, id, { bagId }), trip), suggestion };
}

/**
 * Why each thing lies where it lies.
 *
 * @example whyPlaced({ trip: { name: 'Out' }, gear: new Map(), rigs: new Map(), days: new Map(), rules: new Map(), today: '2026-01-11' }).size // 0
 */
export function whyPlaced(world: PackingWorld): ReadonlyMap<string, Placed> {
  const { list, flight } = packedTrip(world);
  return whyItLies(world.trip, list, flight);
}
