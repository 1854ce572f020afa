import { DAY_MIN } from '../../quantity';
import { withChanges } from '../../shape';
import type { Changes } from '../../shape';
import type { Block, Day, OwnKind, Place, Swap } from '../shape';
import { withoutCards } from './edit-cards';

/** Blocks are moved by so many minutes, and none gets shorter. */
export const STEP_MIN = 5;
const FIRST_BLOCK_MIN = 9 * 60;
const NEW_BLOCK_MIN = 60;
const NEW_HANDS = { from: 7 * 60, to: 22 * 60 };

type Hands = NonNullable<Day['hands']>[number];
type DayBattery = NonNullable<Day['batteries']>[number];

/**
 * Every edit of a plan's body: each takes a day and gives another one, and leaves nothing behind that hung on what went.
 *
 * @example withBlock(day, block.id, { name: 'Harbour' }).blocks[0].name // 'Harbour'
 */

export function withBlock(day: Day, id: string, changes: Changes<Block>): Day {
  return { ...day, blocks: day.blocks.map((block) => (block.id === id ? withChanges(block, changes) : block)) };
}

/**
 * A block of an hour after the last of its rig, at the same place; at nine where the rig has none.
 *
 * @example withNewBlock(day, day.rigIds[0], 'new').blocks.length - day.blocks.length // 1
 */
export function withNewBlock(day: Day, rigId: string, id: string): Day {
  const own = day.blocks.filter((block) => block.rigId === rigId);
  const last = own.reduce<Block | undefined>((latest, block) => (!latest || block.toMin > latest.toMin ? block : latest), undefined);
  const fromMin = last ? last.toMin : FIRST_BLOCK_MIN;
  const block: Block = { id, rigId, kind: 'record', fromMin, toMin: fromMin + NEW_BLOCK_MIN };
  return { ...day, blocks: [...day.blocks, withChanges(block, { placeId: last?.placeId })] };
}

/**
 * The day with blocks put in: those it has by their identifier are changed, the others added.
 *
 * @example withBlocks(day, []).blocks.length - day.blocks.length // 0
 */
export function withBlocks(day: Day, blocks: readonly Block[]): Day {
  const changed = new Map(blocks.map((block) => [block.id, block]));
  const kept = day.blocks.map((block) => {
    const next = changed.get(block.id);
    changed.delete(block.id);
    // what a calendar cannot say stays
    return next ? { ...block, ...next } : block;
  });
  return { ...day, blocks: [...kept, ...changed.values()] };
}

/**
 * Moves blocks, or one end of each, in minutes; one that would leave the plan or get shorter than a step stays as it is.
 *
 * @example withBlocksShifted(day, new Set([block.id]), 5, 5).blocks[0].fromMin - block.fromMin // 5
 */
export function withBlocksShifted(day: Day, ids: ReadonlySet<string>, fromBy: number, toBy: number): Day {
  const end = day.days * DAY_MIN;
  const blocks = day.blocks.map((block) => {
    if (!ids.has(block.id)) return block;
    const [fromMin, toMin] = [block.fromMin + fromBy, block.toMin + toBy];
    return fromMin < 0 || toMin > end || toMin - fromMin < STEP_MIN ? block : { ...block, fromMin, toMin };
  });
  return { ...day, blocks };
}

/**
 * A day with some of its blocks out.
 *
 * @example withoutBlocks(day, new Set(day.blocks.map(({ id }) => id))).blocks // []
 */
export function withoutBlocks(day: Day, ids: ReadonlySet<string>): Day {
  return { ...day, blocks: day.blocks.filter(({ id }) => !ids.has(id)) };
}

/** Without changes the swap is taken out. A swap that is not locked does not say so. */
export function withSwap(day: Day, swap: Swap, changes: Partial<Swap> | undefined): Day {
  const changed = (): Swap => {
    const { locked, ...rest } = { ...swap, ...changes };
    return locked ? { ...rest, locked } : rest;
  };
  return { ...day, swaps: (day.swaps ?? []).flatMap((one) => (one !== swap ? [one] : changes ? [changed()] : [])) };
}

/**
 * A swap in the middle of the rig's first block, to be typed right.
 *
 * @example withNewSwap(day, { rigId: day.rigIds[0], seatId: 's', batteryId: 'b' }).swaps.length - (day.swaps ?? []).length // 1
 */
export function withNewSwap(day: Day, { rigId, seatId, batteryId }: Pick<Swap, 'rigId' | 'seatId' | 'batteryId'>): Day {
  const own = day.blocks.filter((block) => block.rigId === rigId).sort((a, b) => a.fromMin - b.fromMin);
  const atMin = own[0] ? Math.round((own[0].fromMin + own[0].toMin) / 2) : (day.startsAt ?? 0);
  return { ...day, swaps: [...(day.swaps ?? []), { rigId, seatId, batteryId, atMin }] };
}

/**
 * A rig more in the day.
 *
 * @example withRig(day, 'new').rigIds.length - day.rigIds.length // 1
 */
export function withRig(day: Day, rigId: string): Day {
  return { ...day, rigIds: [...day.rigIds, rigId] };
}

/**
 * Its blocks, swaps and cards go too.
 *
 * @example withoutRig(day, day.rigIds[0]).rigIds.length - day.rigIds.length // -1
 */
export function withoutRig(all: Day, rigId: string): Day {
  const others = <T extends { readonly rigId: string }>(list: readonly T[]): T[] => list.filter((one) => one.rigId !== rigId);
  const day = withoutCards(all, new Set((all.cards ?? []).filter((cards) => cards.rigId === rigId).map(({ id }) => id)));
  return { ...day, rigIds: day.rigIds.filter((id) => id !== rigId), blocks: others(day.blocks), swaps: others(day.swaps ?? []) };
}

/**
 * A place more in the day.
 *
 * @example withNewPlace(day).places.length - day.places.length // 1
 */
export function withNewPlace(day: Day): Day {
  const places = day.places ?? [];
  const taken = new Set(places.map(({ id }) => id));
  let number = places.length + 1;
  while (taken.has(`place-${number}`)) number++;
  return { ...day, places: [...places, { id: `place-${number}`, name: `Place ${number}`, power: 'mains' }] };
}

/**
 * A place changed.
 *
 * @example withPlace(day, day.places[0].id, { name: 'Quay' }).places[0].name // 'Quay'
 */
export function withPlace(day: Day, id: string, changes: Changes<Place>): Day {
  return { ...day, places: (day.places ?? []).map((place) => (place.id === id ? withChanges(place, changes) : place)) };
}

/**
 * What stood or was planned at the place stands nowhere then.
 *
 * @example withoutPlace(day, day.places[0].id).places.length - day.places.length // -1
 */
export function withoutPlace(day: Day, id: string): Day {
  const elsewhere = <T extends { readonly placeId?: string }>(list: readonly T[] = []): T[] => list.filter(({ placeId }) => placeId !== id);
  return {
    ...day,
    places: (day.places ?? []).filter((place) => place.id !== id),
    chargers: elsewhere(day.chargers),
    hands: elsewhere(day.hands),
    blocks: day.blocks.map((block) => (block.placeId === id ? withChanges(block, { placeId: undefined }) : block)),
    ...(day.cards && {
      cards: day.cards.map((cards) => (cards.copyPlaceId === id ? withChanges(cards, { copyPlaceId: undefined }) : cards)),
    }),
  };
}

/**
 * Blocks of a kind of one's own go on like what it is like now.
 *
 * @example withKind({ ...day, kinds: [{ id: 'k', name: 'Rain' }] }, 'k', { name: 'Wind' }).kinds[0].name // 'Wind'
 */
export function withKind(day: Day, id: string, changes: Partial<OwnKind>): Day {
  const { like } = changes;
  return {
    ...day,
    kinds: (day.kinds ?? []).map((own) => (own.id === id ? { ...own, ...changes } : own)),
    blocks: day.blocks.map((block) => (like && block.ownKindId === id ? { ...block, kind: like } : block)),
  };
}

/** Its blocks stay, as what they were like. */
export function withoutKind(day: Day, id: string): Day {
  const left = (day.kinds ?? []).filter((own) => own.id !== id);
  const blocks = day.blocks.map((block) => (block.ownKindId === id ? withChanges(block, { ownKindId: undefined }) : block));
  return withChanges({ ...day, blocks }, { kinds: left.length > 0 ? left : undefined });
}

/**
 * Where a charger stands; undefined: nowhere, and nothing is charged by it.
 *
 * @example withCharger({ ...day, chargers: [] }, 'c1', day.places[0].id).chargers.length // 1
 */
export function withCharger(day: Day, gearId: string, placeId: string | undefined): Day {
  const others = (day.chargers ?? []).filter((one) => one.gearId !== gearId);
  if (placeId !== undefined) return { ...day, chargers: [...others, { gearId, placeId }] };
  return { ...day, chargers: others, charges: (day.charges ?? []).filter(({ chargerId }) => chargerId !== gearId) };
}

/**
 * What is said of a battery on this day; undefined: nothing, and it is there only if a rig has it.
 *
 * @example withBattery(day, 'v9', { startCharge: 0.5 }).batteries.at(-1).startCharge // 0.5
 */
export function withBattery(day: Day, gearId: string, changes: Changes<Omit<DayBattery, 'gearId'>> | undefined): Day {
  const known = (day.batteries ?? []).find((one) => one.gearId === gearId);
  const others = (day.batteries ?? []).filter((one) => one.gearId !== gearId);
  if (!changes) return { ...day, batteries: others };
  const { apart, ...said } = withChanges<DayBattery>({ gearId, ...known }, changes);
  return { ...day, batteries: [...others, apart ? { ...said, apart } : said] };
}

/**
 * Crew hours by their place in the list.
 *
 * @example withHands({ ...day, hands: [{ fromMin: 0, toMin: 60 }] }, 0, { toMin: 90 }).hands[0].toMin // 90
 */
export function withHands(day: Day, index: number, changes: Changes<Hands>): Day {
  return { ...day, hands: (day.hands ?? []).map((one, place) => (place === index ? withChanges(one, changes) : one)) };
}

/**
 * A stretch of crew hours more.
 *
 * @example withNewHands(day).hands.length - (day.hands ?? []).length // 1
 */
export function withNewHands(day: Day): Day {
  return { ...day, hands: [...(day.hands ?? []), NEW_HANDS] };
}

/**
 * One stretch of crew hours less.
 *
 * @example withoutHands({ ...day, hands: [{ fromMin: 0, toMin: 60 }] }, 0).hands // []
 */
export function withoutHands(day: Day, index: number): Day {
  return { ...day, hands: (day.hands ?? []).filter((_, place) => place !== index) };
}
