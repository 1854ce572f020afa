import { withChanges } from '../../shape';
import type { Changes } from '../../shape';
import type { CardChange, Cards, Day } from '../shape';

/** What a card is taken to hold until somebody says it: it has to be something. */
const NEW_CARD_MIN = 60;
const NEW_CARDS = 2;

/**
 * Cards for a recording device of a rig, to be typed right.
 *
 * @example withNewCards(day, day.rigIds[0], cameraId).cards.length - (day.cards ?? []).length // 1
 */
export function withNewCards(day: Day, rigId: string, deviceId: string): Day {
  const all = day.cards ?? [];
  const taken = new Set(all.map(({ id }) => id));
  let number = all.length + 1;
  while (taken.has(`cards-${number}`)) number++;
  return { ...day, cards: [...all, { id: `cards-${number}`, rigId, deviceId, count: NEW_CARDS, minutes: NEW_CARD_MIN }] };
}

/**
 * Cards of a lot changed.
 *
 * @example withCards({ ...day, cards: [{ id: 'c', rigId: day.rigIds[0], deviceId: cameraId, count: 2 }] }, 'c', { count: 4 }).cards[0].count // 4
 */
export function withCards(day: Day, id: string, changes: Changes<Cards>): Day {
  return { ...day, cards: (day.cards ?? []).map((cards) => (cards.id === id ? withChanges(cards, changes) : cards)) };
}

/** What one card holds in another mode of its device; undefined: as much as in the usual one. */
export function withCardMode(day: Day, id: string, mode: string, minutes: number | undefined): Day {
  return {
    ...day,
    cards: (day.cards ?? []).map((cards) => {
      if (cards.id !== id) return cards;
      const others = (cards.modes ?? []).filter((one) => one.mode !== mode);
      const modes = minutes === undefined ? others : [...others, { mode, minutes }];
      return withChanges(cards, { modes: modes.length > 0 ? modes : undefined });
    }),
  };
}

/** Their changes go too. */
export function withoutCards(day: Day, ids: ReadonlySet<string>): Day {
  if (ids.size === 0) return day;
  return withChanges(day, {
    cards: listed((day.cards ?? []).filter(({ id }) => !ids.has(id))),
    cardChanges: listed((day.cardChanges ?? []).filter(({ cardsId }) => !ids.has(cardsId))),
  });
}

/**
 * A change of card in the middle of its rig's first block, to be typed right.
 *
 * @example withNewCardChange(withNewCards(day, day.rigIds[0], cameraId), withNewCards(day, day.rigIds[0], cameraId).cards.at(-1).id).cardChanges.length - (day.cardChanges ?? []).length // 1
 */
export function withNewCardChange(day: Day, cardsId: string): Day {
  const rigId = day.cards?.find(({ id }) => id === cardsId)?.rigId;
  const [first] = day.blocks.filter((block) => block.rigId === rigId).sort((a, b) => a.fromMin - b.fromMin);
  const atMin = first ? Math.round((first.fromMin + first.toMin) / 2) : (day.startsAt ?? 0);
  return { ...day, cardChanges: [...(day.cardChanges ?? []), { cardsId, atMin }] };
}

/** Without changes the change of card is taken out. One that is not locked does not say so. */
export function withCardChange(day: Day, change: CardChange, changes: Partial<CardChange> | undefined): Day {
  const { locked, ...rest } = { ...change, ...changes };
  const changed = locked ? { ...rest, locked } : rest;
  return { ...day, cardChanges: (day.cardChanges ?? []).flatMap((one) => (one !== change ? [one] : changes ? [changed] : [])) };
}

function listed<T>(list: readonly T[]): T[] | undefined {
  return list.length > 0 ? [...list] : undefined;
}
