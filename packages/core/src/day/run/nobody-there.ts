import type { CardsRun } from '../cards';
import type { OnCharger } from '../charging';
import { blocksOf, isThere, placeAt } from '../model';
import type { Hands } from '../model';
import type { Day } from '../shape';
import type { LonelyMove } from './day-run';
import type { Seated } from './seating';

/**
 * Moves of a day for which nobody is there, by the crew's hours. What a rig starts with is put in before; what nobody waits
 * for may stay on its charger.
 */
export function nobodyThere(
  day: Day,
  hands: Hands,
  seated: readonly Seated[],
  charging: readonly OnCharger[],
  cards: CardsRun,
): readonly LonelyMove[] {
  if ((day.hands ?? []).length === 0) return [];
  const isAlone = (placeId: string | undefined, minute: number): boolean => !isThere(hands(placeId), minute);
  const changes = seated.flatMap(({ rigId, batteryId, atMin, first }): LonelyMove[] => {
    const placeId = placeAt(blocksOf(day, rigId), atMin);
    return !first && isAlone(placeId, atMin) ? [{ atMin, batteryId, move: 'into-rig', whereId: rigId, placeId }] : [];
  });
  const charges = charging.flatMap(({ batteryId, chargerId, fromMin, toMin, place }): LonelyMove[] => {
    const move = { batteryId, whereId: chargerId, placeId: place?.id };
    const isWanted = seated.some((one) => one.batteryId === batteryId && one.atMin >= toMin);
    return [
      ...(isAlone(place?.id, fromMin) ? [{ ...move, atMin: fromMin, move: 'onto-charger' } as const] : []),
      ...(isWanted && isAlone(place?.id, toMin) ? [{ ...move, atMin: toMin, move: 'off-charger' } as const] : []),
    ];
  });
  const cardChanges = cards.changes
    .filter(({ isAlone, card }) => isAlone && card !== undefined)
    .map(({ atMin, rigId, cardsId }): LonelyMove => ({
      atMin,
      cardsId,
      move: 'card',
      whereId: rigId,
      placeId: placeAt(blocksOf(day, rigId), atMin),
    }));
  return [...changes, ...charges, ...cardChanges].sort((a, b) => a.atMin - b.atMin);
}
