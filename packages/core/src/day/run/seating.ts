import type { OnCharger, Outlets } from '../charging';
import { drawsOf, isDuring, placeAt, temperatureIn, without } from '../model';
import type { Span } from '../model';
import { lostFrom } from '../shape';
import type { Block, Charge, Day, Place } from '../shape';
import type { RigStates } from './rig-states';

/** A part of a rig's day in which its batteries, its temperature and its outlet stay the same. */
export interface RigSpan {
  readonly rigId: string;
  readonly fromMin: number;
  readonly toMin: number;
  /** By seat: the battery in it; none where the seat is empty, or its battery is being changed. */
  readonly seats: ReadonlyMap<string, string>;
  readonly temperatureC: number | undefined;
  readonly power: readonly ('mains' | 'vehicle')[];
  /** It is switched off and disconnected: a battery is charged where it sits. */
  readonly resting?: true;
  /** A part of the rig that is broken: it does not run. */
  readonly broken?: string;
  /** What is drawn one after the other; without a block nothing is. */
  readonly parts: readonly { readonly block: Block | undefined; readonly minutes: number }[];
}

/** A battery put into a seat. */
export interface Seated {
  readonly rigId: string;
  readonly seatId: string;
  readonly batteryId: string;
  readonly atMin: number;
  /** Minutes without power in that seat. */
  readonly takesMin: number;
  /** The block that it falls into, where it draws. */
  readonly within: Block | undefined;
  /** The battery that the rig starts with. */
  readonly first: boolean;
}

/** Who sits where and when: what follows from a plan's swaps and charges alone, before any charge is known. */
export interface Seating {
  readonly rigSpans: readonly RigSpan[];
  readonly seated: readonly Seated[];
  readonly charging: readonly OnCharger[];
}

/** From then on; nothing where the seat is empty. */
export interface Sitting {
  readonly atMin: number;
  readonly batteryId: string | undefined;
}
export type Histories = ReadonlyMap<string, readonly Sitting[]>;

interface Move {
  readonly atMin: number;
  readonly batteryId: string;
  readonly seat?: { readonly rigId: string; readonly seatId: string; readonly first: boolean };
  readonly charge?: Charge;
}

/**
 * Follows every battery through the day by the moves of a plan. A rig starts with its own batteries; one that goes to a
 * charger or to another rig leaves its seat empty until another is put in.
 */
export function seatingOf(day: Day, states: RigStates, outlets: Outlets): Seating {
  const blocksOf = new Map(day.rigIds.map((rigId) => [rigId, blocksOfRig(day, rigId)]));
  const chargerPlace = placesOfChargers(day);

  const seatedAt = new Map(day.rigIds.map((rigId) => [rigId, emptySeats(states.seatsOf(rigId))]));
  const seated: Seated[] = [];
  const charging: OnCharger[] = [];
  /** Charges of batteries in their seats, by place in `charging`; each ends when its battery is moved. */
  const inPlace: { readonly rigId: string; readonly batteryId: string; readonly index: number }[] = [];
  const cutInPlace = (batteryId: string, atMin: number): void => {
    for (const one of inPlace) if (one.batteryId === batteryId) charging[one.index] = cutAt(charging[one.index]!, atMin);
  };
  /** Where each battery is: a seat, or its place in `charging`. */
  const whereIs = new Map<string, { readonly rigId: string; readonly seatId: string } | number>();

  for (const { atMin, batteryId, seat, charge } of movesOf(day, states, blocksOf)) {
    // what is gone is not put anywhere any more
    if ((seat || charge) && atMin >= lostFrom(day, batteryId)) continue;
    const before = whereIs.get(batteryId);
    cutInPlace(batteryId, atMin);
    if (charge?.inPlace && typeof before === 'object') {
      const blocks = blocksOf.get(before.rigId)!;
      const place = chargerPlace.get(charge.chargerId);
      const untilMin = Math.min(charge.toMin, lostFrom(day, charge.chargerId), lostFrom(day, batteryId));
      for (const span of restsOf(blocks, { fromMin: charge.fromMin, toMin: untilMin }, place))
        inPlace.push({ rigId: before.rigId, batteryId, index: charging.push({ ...charge, ...span, place }) - 1 });
      continue;
    }
    if (typeof before === 'number') charging[before] = cutAt(charging[before]!, atMin);
    else if (before) leave(seatedAt.get(before.rigId)!.get(before.seatId)!, batteryId, atMin);
    if (!charge && !seat) whereIs.delete(batteryId);
    else if (charge) {
      const on = { ...charge, place: chargerPlace.get(charge.chargerId) };
      whereIs.set(batteryId, charging.push(cutAt(on, lostFrom(day, charge.chargerId))) - 1);
    } else if (seat) {
      const { rigId, seatId, first } = seat;
      const history = seatedAt.get(rigId)!.get(seatId)!;
      for (const pending of unsettled(history, atMin)) if (pending !== batteryId) whereIs.delete(pending);
      const last = history.at(-1);
      const out = last?.batteryId;
      if (out !== undefined && out !== batteryId) {
        whereIs.delete(out);
        cutInPlace(out, atMin);
      }
      // into a seat that was emptied before, it takes no longer than what is left of a change
      const emptiedMin = out === undefined ? (last?.atMin ?? -Infinity) : atMin;
      const takesMin = first ? 0 : Math.max(0, states.swapMinutes(rigId, seatId) - (atMin - emptiedMin));
      if (takesMin > 0) history.push({ atMin, batteryId: undefined });
      history.push({ atMin: atMin + takesMin, batteryId });
      seated.push({ rigId, seatId, batteryId, atMin, takesMin, within: blockAt(blocksOf.get(rigId)!, atMin, takesMin), first });
      whereIs.set(batteryId, { rigId, seatId });
    }
  }

  const rigSpans = day.rigIds.flatMap((rigId) => {
    const resting = inPlace.filter((one) => one.rigId === rigId).map(({ index }) => charging[index]!);
    return rigSpansOf(day, rigId, blocksOf.get(rigId)!, seatedAt.get(rigId)!, outlets, states.partsOf(rigId), resting);
  });
  return { rigSpans: rigSpans.sort((a, b) => a.fromMin - b.fromMin), seated, charging };
}

function blocksOfRig({ blocks }: Day, rigId: string): readonly Block[] {
  return blocks.filter((block) => block.rigId === rigId).sort((a, b) => a.fromMin - b.fromMin);
}

const emptySeats = (seatIds: readonly string[]): Map<string, Sitting[]> => new Map(seatIds.map((seatId) => [seatId, []]));

function placesOfChargers({ places = [], chargers = [] }: Day): ReadonlyMap<string, Place | undefined> {
  return new Map(chargers.map(({ gearId, placeId }) => [gearId, places.find(({ id }) => id === placeId)]));
}

/** When a rig draws nothing at a place, or nowhere in particular: its batteries can be charged where they sit. */
function restsOf(blocks: readonly Block[], span: Span, place: Place | undefined): readonly Span[] {
  return without(span, drawsOf(blocks)).filter(({ fromMin }) => [undefined, place?.id].includes(placeAt(blocks, fromMin)));
}

/** Takes what was only just being put in out of a seat's history: it does not sit down any more. */
function unsettled(history: Sitting[], atMin: number): readonly string[] {
  const pending: string[] = [];
  while (history.length > 0 && history.at(-1)!.atMin > atMin) pending.push(...[history.pop()!.batteryId].flatMap((id) => id ?? []));
  return pending;
}

/** The block in which a change falls; one that takes time and begins with a block falls into it. */
function blockAt(blocks: readonly Block[], atMin: number, takesMin: number): Block | undefined {
  return blocks.find(({ fromMin, toMin }) => (takesMin > 0 ? fromMin <= atMin : fromMin < atMin) && atMin < toMin);
}

/** Empties a seat; a battery that is only just being put in does not sit down any more. */
function leave(history: Sitting[], batteryId: string, atMin: number): void {
  const pending = history.findIndex((one) => one.batteryId === batteryId && one.atMin > atMin);
  if (pending === -1) history.push({ atMin, batteryId: undefined });
  else history.splice(pending, 1);
}

function cutAt(charge: OnCharger, atMin: number): OnCharger {
  return charge.toMin <= atMin ? charge : { ...charge, toMin: Math.max(charge.fromMin, atMin) };
}

/** Swaps, charges, and what the rigs start with, in the order of time. */
function movesOf(day: Day, states: RigStates, blocksOf: ReadonlyMap<string, readonly Block[]>): readonly Move[] {
  const swaps = day.swaps ?? [];
  const known = new Set(day.rigIds);
  const starts = day.rigIds.flatMap((rigId) => {
    const first = blocksOf.get(rigId)![0];
    if (!first) return [];
    return states.seatsOf(rigId).flatMap((seatId): Move[] => {
      const given = swaps.some((swap) => swap.rigId === rigId && swap.seatId === seatId && swap.atMin <= first.fromMin);
      return given ? [] : [{ atMin: first.fromMin, batteryId: seatId, seat: { rigId, seatId, first: true } }];
    });
  });
  const changes = swaps.flatMap(({ rigId, seatId, batteryId, atMin }): Move[] => {
    if (!known.has(rigId) || !states.seatsOf(rigId).includes(seatId)) return [];
    const first = blocksOf.get(rigId)![0]?.fromMin ?? Infinity;
    return [{ atMin, batteryId, seat: { rigId, seatId, first: atMin <= first } }];
  });
  const charges = (day.charges ?? []).map((charge): Move => ({ atMin: charge.fromMin, batteryId: charge.batteryId, charge }));
  const gone = (day.lost ?? []).map(({ gearId, atMin }): Move => ({ atMin, batteryId: gearId }));
  return [...starts, ...changes, ...charges, ...gone].sort((a, b) => a.atMin - b.atMin);
}

/**
 * A rig's day, cut wherever something of it changes. `blocks` are its own, in the order of time; `parts` what it cannot do
 * without; `resting` when it is disconnected.
 */
export function rigSpansOf(
  day: Day,
  rigId: string,
  blocks: readonly Block[],
  seats: Histories,
  outlets: Outlets,
  parts: readonly string[],
  resting: readonly Span[] = [],
): RigSpan[] {
  const places = new Map((day.places ?? []).map((place) => [place.id, place]));
  const first = blocks[0];
  if (!first) return [];
  const end = Math.max(...blocks.map(({ toMin }) => toMin));
  const cuts = new Set([first.fromMin, end]);
  for (const history of seats.values()) for (const { atMin } of history) if (atMin > first.fromMin && atMin < end) cuts.add(atMin);
  for (const { fromMin, toMin, placeId } of blocks) {
    cuts.add(fromMin).add(toMin);
    for (const live of outlets.get(placeId ?? '') ?? [])
      for (const at of [live.fromMin, live.toMin]) if (at > fromMin && at < toMin) cuts.add(at);
  }
  for (const { fromMin, toMin } of resting) for (const at of [fromMin, toMin]) if (at > first.fromMin && at < end) cuts.add(at);
  const broken = parts.map((gearId) => ({ gearId, atMin: lostFrom(day, gearId) })).filter(({ atMin }) => atMin < end);
  for (const { atMin } of broken) cuts.add(Math.max(first.fromMin, atMin));
  const times = [...cuts].sort((a, b) => a - b);
  const rigSpans: RigSpan[] = [];
  for (let index = 0; index + 1 < times.length; index++) {
    const [fromMin, toMin] = [times[index]!, times[index + 1]!];
    const block = blocks.find((one) => one.fromMin <= fromMin && toMin <= one.toMin);
    const place = block?.placeId === undefined ? undefined : places.get(block.placeId);
    const next: RigSpan = {
      rigId,
      fromMin,
      toMin,
      seats: seatsAt(seats, fromMin),
      temperatureC: temperatureIn(block, day),
      power: powerFor(block, place, outlets, fromMin),
      ...(broken.some(({ atMin }) => atMin <= fromMin) && { broken: broken.find(({ atMin }) => atMin <= fromMin)!.gearId }),
      ...(isDuring(resting, fromMin) && { resting: true as const }),
      parts: [{ block, minutes: toMin - fromMin }],
    };
    const last = rigSpans.at(-1);
    if (last && alike(last, next)) rigSpans[rigSpans.length - 1] = { ...last, toMin, parts: [...last.parts, ...next.parts] };
    else rigSpans.push(next);
  }
  return rigSpans;
}

function seatsAt(seats: Histories, minute: number): ReadonlyMap<string, string> {
  const now = new Map<string, string>();
  for (const [seatId, history] of seats) {
    // of two at the same minute the later move holds
    let latest: Sitting | undefined;
    for (const one of history) if (one.atMin <= minute && (!latest || one.atMin >= latest.atMin)) latest = one;
    if (latest?.batteryId !== undefined) now.set(seatId, latest.batteryId);
  }
  return now;
}

function alike(a: RigSpan, b: RigSpan): boolean {
  return (
    a.temperatureC === b.temperatureC &&
    a.broken === b.broken &&
    a.resting === b.resting &&
    a.power.join() === b.power.join() &&
    a.seats.size === b.seats.size &&
    [...a.seats].every(([seatId, batteryId]) => b.seats.get(seatId) === batteryId)
  );
}

/** Outlets that a rig has where it stands. Where no place is named, what it needs is taken to be there: the day says so. */
function powerFor(block: Block | undefined, place: Place | undefined, outlets: Outlets, minute: number): RigSpan['power'] {
  if (!block) return [];
  if (!place) return block.placeId === undefined ? ['mains', 'vehicle'] : [];
  // a panel fills batteries; it does not carry a rig
  if (place.power === 'none' || place.power === 'solar') return [];
  return isDuring(outlets.get(place.id) ?? [], minute) ? [place.power] : [];
}
