import { chargerOf, fits } from '../../day/charging';
import type { Day } from '../../day/shape';
import { gearTitle } from '../../gear';
import type { Gear } from '../../gear';
import { whyNotAtHand } from '../../gear/kit';
import { drawnRig, isKind } from '../../rig/drawn';
import type { Part, Rig } from '../../rig/drawn';
import { resilience, resolveRig, treesFeeding } from '../../rig/resolved';
import { stateOf } from '../trip';
import type { ThingState, Trip } from '../trip';
import { standsIn } from './stands-in';
import { isPrimary } from '../../tables';

/** Everything that a trip names, and what could still be taken along. */
export interface TripWorld {
  readonly trip: Trip;
  readonly gear: ReadonlyMap<string, Gear>;
  readonly rigs: ReadonlyMap<string, Rig>;
  readonly days: ReadonlyMap<string, Day>;
}

/** Why a thing goes along. */
export type Why =
  | { readonly is: 'device-of' | 'used-by'; readonly rigId: string; readonly rig: string }
  | { readonly is: 'spare-for' | 'fallback-of'; readonly rigId: string; readonly rig: string; readonly of: string; readonly ofId: string }
  | { readonly is: 'battery-of' | 'spare-of'; readonly dayId: string; readonly day: string }
  | { readonly is: 'charger-of'; readonly dayId: string; readonly day: string; readonly place: string }
  | { readonly is: 'also' }
  | { readonly is: 'own'; readonly says: string | undefined };

export interface PackThing {
  readonly id: string;
  /** What it is; `own` is no gear. */
  readonly kind: Gear['kind'] | 'own';
  readonly title: string;
  readonly tag: string | undefined;
  readonly count: number;
  /** Of all of them; undefined where it was not entered. */
  readonly massG: number | undefined;
  readonly why: readonly Why[];
  readonly state: ThingState;
  readonly gear: Gear | undefined;
  /** What it can take the place of. */
  readonly standsInFor: readonly string[];
}

/** What is not there, and what of. */
export type Lack =
  | {
      /** One of these fails, and what hangs on it stops: nothing on the list takes its place. */
      readonly is: 'no-stand-in';
      readonly id: string;
      readonly title: string;
      readonly rigId: string;
      readonly rig: string;
      readonly stops: readonly string[];
      /** Gear at hand that would do and is not on the list. */
      readonly inKit: readonly { readonly id: string; readonly title: string }[];
      /** Another rig of the trip uses one that would do. */
      readonly fromRig: { readonly title: string; readonly rig: string } | undefined;
    }
  | {
      readonly is: 'no-charger';
      readonly id: string;
      readonly title: string;
      readonly inKit: readonly { readonly id: string; readonly title: string }[];
    }
  | { readonly is: 'not-at-hand'; readonly id: string; readonly title: string; readonly why: string }
  | { readonly is: 'gone'; readonly what: 'day' | 'rig' | 'gear'; readonly id: string };

export interface PackingList {
  readonly things: readonly PackThing[];
  readonly lacks: readonly Lack[];
  /** On the list, and no rig or day of the trip needs them. */
  readonly unused: readonly string[];
  /** Outlets on the spot: used, but not carried. */
  readonly there: readonly { readonly id: string; readonly title: string }[];
  readonly rigIds: readonly string[];
  /** Which parts each rig cannot do without. */
  readonly needs: ReadonlyMap<string, readonly string[]>;
}

/** Devices first, then what feeds them, chargers, own items. */
const ORDER: readonly PackThing['kind'][] = ['device', 'battery', 'hub', 'adapter', 'cable', 'supply', 'charger', 'own'];

/** Every rig of a trip: those of its days, and those chosen beside them. */
export function rigIdsOfTrip({ dayIds = [], rigIds = [] }: Trip, days: ReadonlyMap<string, Day>): readonly string[] {
  return [...new Set([...dayIds.flatMap((id) => days.get(id)?.rigIds ?? []), ...rigIds])];
}

/**
 * What goes along on a trip and why, what a single failure would need and is not there, and what nobody uses.
 *
 * Each piece of gear once, however many rigs use it. Cost: each rig resolved once, then its parts × the gear of their kind.
 *
 * @example packingList({ trip: { name: 'Out' }, gear: new Map(), rigs: new Map(), days: new Map() }).things // []
 */
export function packingList(world: TripWorld): PackingList {
  const { trip, gear, rigs, days } = world;
  const why = new Map<string, Why[]>();
  const add = (id: string, one: Why): void => {
    const known = why.get(id) ?? [];
    if (!known.some((each) => each.is === one.is && sameRig(each, one))) why.set(id, [...known, one]);
  };
  const rigIds = rigIdsOfTrip(trip, days);
  const gone: Lack[] = [
    ...(trip.dayIds ?? []).filter((id) => !days.has(id)).map((id): Lack => ({ is: 'gone', what: 'day', id })),
    ...rigIds.filter((id) => !rigs.has(id)).map((id): Lack => ({ is: 'gone', what: 'rig', id })),
    ...(trip.gearIds ?? []).filter((id) => !gear.has(id)).map((id): Lack => ({ is: 'gone', what: 'gear', id })),
  ];
  for (const rigId of rigIds) if (rigs.has(rigId)) addRig(rigId, rigs.get(rigId)!, gear, add);
  for (const id of trip.dayIds ?? []) if (days.has(id)) addDay(id, days.get(id)!, gear, add);
  for (const id of trip.gearIds ?? []) add(id, { is: 'also' });

  const listed = [...why.keys()].filter((id) => gear.has(id));
  const isThere = (id: string): boolean => isFixed(gear.get(id)!);
  const carried = listed.filter((id) => !isThere(id));
  const failures = rigIds.flatMap((rigId) => (rigs.has(rigId) ? failuresOf(rigId, rigs.get(rigId)!, gear, carried, why, trip) : []));
  const standsInFor = new Map<string, Set<string>>();
  for (const { part, standIns } of failures)
    for (const id of standIns) standsInFor.set(id, (standsInFor.get(id) ?? new Set()).add(part.id));

  const things = [
    ...carried.map((id) => ofKit(trip, id, gear.get(id)!, why.get(id)!, [...(standsInFor.get(id) ?? [])])),
    ...(trip.own ?? []).map((one) => ofTrip(trip, one)),
  ];
  return {
    things: things.sort((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind) || a.title.localeCompare(b.title, 'en', { numeric: true })),
    lacks: [...gone, ...notAtHand(carried, gear), ...failures.flatMap(({ lack }) => lack ?? []), ...withoutCharger(carried, gear)],
    unused: carried.filter((id) => why.get(id)!.every(({ is }) => is === 'also')),
    there: listed.filter(isThere).map((id) => ({ id, title: gearTitle(gear.get(id)!) })),
    rigIds,
    needs: new Map(rigIds.map((id) => [id, carried.filter((one) => why.get(one)!.some((each) => isNeed(each, id)))])),
  };
}

function ofKit(trip: Trip, id: string, body: Gear, why: readonly Why[], standsInFor: readonly string[]): PackThing {
  const { kind, tag, massG } = body;
  return { id, kind, title: gearTitle(body), tag, count: 1, massG, why, state: stateOf(trip, id), gear: body, standsInFor };
}

/** What is no gear: tape, a cloth, papers. */
function ofTrip(trip: Trip, { id, name, count, massG, why }: NonNullable<Trip['own']>[number]): PackThing {
  return {
    id,
    kind: 'own',
    title: name,
    tag: undefined,
    count,
    massG: massG === undefined ? undefined : massG * count,
    why: [{ is: 'own', says: why }],
    state: stateOf(trip, id),
    gear: undefined,
    standsInFor: [],
  };
}

/** The outlet of a boat or a car stays where it is. */
function isFixed(gear: Gear): boolean {
  return gear.kind === 'supply' && gear.form === 'vehicle';
}

function isNeed(why: Why, rigId: string): boolean {
  return (why.is === 'device-of' || why.is === 'used-by') && why.rigId === rigId;
}

function sameRig(a: Why, b: Why): boolean {
  if ('rigId' in a && 'rigId' in b) return a.rigId === b.rigId && ('ofId' in a ? a.ofId : '') === ('ofId' in b ? b.ofId : '');
  return !('dayId' in a && 'dayId' in b) || a.dayId === b.dayId;
}

function addRig(rigId: string, rig: Rig, gear: ReadonlyMap<string, Gear>, add: (id: string, why: Why) => void): void {
  const of = { rigId, rig: rig.name };
  const title = (id: string): string => (gear.has(id) ? gearTitle(gear.get(id)!) : 'a battery that is gone');
  const resolved = resolveRig(rig, gear);
  const behind = new Map<string, { readonly id: string; readonly title: string }>();
  for (const { part } of resolved.devices) {
    const [first, ...others] = treesFeeding(resolved.trees, part);
    for (const { source } of others)
      if (first && source.id !== first.source.id) behind.set(source.id, { id: first.source.id, title: title(first.source.id) });
  }
  const isFirst = (id: string): boolean => resolved.devices.some(({ part }) => treesFeeding(resolved.trees, part)[0]?.source.id === id);
  for (const { gearId } of rig.devices) add(gearId, { is: 'device-of', ...of });
  for (const { from, to, cableId } of rig.links) {
    const fallback = behind.get(from.gearId);
    if (fallback && !isFirst(from.gearId)) add(from.gearId, { is: 'fallback-of', ...of, of: fallback.title, ofId: fallback.id });
    else add(from.gearId, { is: gear.get(from.gearId)?.kind === 'device' ? 'device-of' : 'used-by', ...of });
    if (cableId !== undefined) add(cableId, { is: 'used-by', ...of });
    if (gear.get(to.gearId)?.kind !== 'device') add(to.gearId, { is: 'used-by', ...of });
  }
  for (const { gearId, spareIds = [] } of rig.batteries ?? [])
    for (const id of spareIds) add(id, { is: 'spare-for', ...of, of: title(gearId), ofId: gearId });
}

function addDay(dayId: string, day: Day, gear: ReadonlyMap<string, Gear>, add: (id: string, why: Why) => void): void {
  const of = { dayId, day: day.name };
  for (const { gearId, placeId } of day.chargers ?? []) {
    const place = day.places?.find(({ id }) => id === placeId)?.name ?? 'a place';
    if (gear.has(gearId)) add(gearId, { is: 'charger-of', ...of, place });
  }
  for (const { gearId, apart } of day.batteries ?? []) if (gear.has(gearId)) add(gearId, { is: apart ? 'spare-of' : 'battery-of', ...of });
}

interface PartFailure {
  readonly part: Part;
  /** On the list, and in no other rig. */
  readonly standIns: readonly string[];
  readonly lack: Lack | undefined;
}

/** Each part of a rig on which something hangs alone, with what on the list takes its place. */
function failuresOf(
  rigId: string,
  rig: Rig,
  gear: ReadonlyMap<string, Gear>,
  carried: readonly string[],
  why: ReadonlyMap<string, readonly Why[]>,
  trip: Trip,
): readonly PartFailure[] {
  const drawn = drawnRig(rig, gear);
  const listed = new Set(carried);
  const needed = (id: string): Why | undefined => why.get(id)?.find(({ is }) => is === 'used-by' || is === 'device-of');
  return resilience(resolveRig(rig, gear)).flatMap(({ part, stops }): PartFailure[] => {
    if (stops.length === 0 || isKind(part, 'device') || isFixed(part.gear)) return [];
    const doing = [...gear].filter(([id, body]) => standsIn(drawn, part, id, body));
    const standIns = doing.flatMap(([id]) => (listed.has(id) && !needed(id) && !stateOf(trip, id).left ? [id] : []));
    const [other] = doing.flatMap(([id, body]) => {
      const by = listed.has(id) ? needed(id) : undefined;
      return by && 'rig' in by && by.rigId !== rigId ? [{ title: gearTitle(body), rig: by.rig }] : [];
    });
    const inKit = doing.filter(([id, body]) => !listed.has(id) && whyNotAtHand(body) === undefined);
    const lack: Lack = {
      is: 'no-stand-in',
      id: part.id,
      title: gearTitle(part.gear),
      rigId,
      rig: rig.name,
      stops: stops.map(({ title }) => title),
      inKit: inKit.slice(0, 3).map(([id, body]) => ({ id, title: gearTitle(body) })),
      fromRig: other,
    };
    return [{ part, standIns, lack: standIns.length > 0 ? undefined : lack }];
  });
}

function notAtHand(carried: readonly string[], gear: ReadonlyMap<string, Gear>): readonly Lack[] {
  return carried.flatMap((id): Lack[] => {
    const body = gear.get(id)!;
    const why = whyNotAtHand(body);
    // what is packed is where it should be
    return why === undefined || why === 'packed' ? [] : [{ is: 'not-at-hand', id, title: gearTitle(body), why }];
  });
}

/** Rechargeable batteries that nothing on the list charges. */
function withoutCharger(carried: readonly string[], gear: ReadonlyMap<string, Gear>): readonly Lack[] {
  const chargers = (ids: Iterable<string>) =>
    [...ids].flatMap((id) => {
      const charger = chargerOf(gear.get(id));
      return charger ? [{ id, charger }] : [];
    });
  const [along, all] = [chargers(carried), chargers(gear.keys())];
  return carried.flatMap((id): Lack[] => {
    const battery = gear.get(id);
    if (battery?.kind !== 'battery' || isPrimary(battery.chemistry) || along.some(({ charger }) => fits(charger, battery))) return [];
    const inKit = all.filter((one) => fits(one.charger, battery) && whyNotAtHand(gear.get(one.id)!) === undefined);
    return [
      {
        is: 'no-charger',
        id,
        title: gearTitle(battery),
        inKit: inKit.slice(0, 3).map((one) => ({ id: one.id, title: gearTitle(gear.get(one.id)!) })),
      },
    ];
  });
}
