import type { Gear } from '../../gear';
import { ROOM_TEMPERATURE_C } from '../../tables';
import { isDrawing } from '../shape';
import type { Block, Day, Place } from '../shape';
import { clockAt } from './clock';

/** Something that may go wrong, as a day is tried against it. */
export type Mishap =
  | { readonly kind: 'lost'; readonly gearId: string; readonly atMin: number }
  | { readonly kind: 'colder'; readonly byC: number }
  | { readonly kind: 'over'; readonly byMin: number };

/**
 * The day with a mishap in it: gear that is gone from a moment on, colder out of doors, or every rig at work longer at
 * the end of each day. What is planned stays as it was; a place with mains is taken to be a house and keeps its warmth.
 *
 * @example withMishap(day, { kind: 'lost', gearId: 'v1', atMin: 600 }).lost.length // 1
 */
export function withMishap(day: Day, mishap: Mishap): Day {
  switch (mishap.kind) {
    case 'lost':
      return {
        ...day,
        lost: [...(day.lost ?? []).filter(({ gearId }) => gearId !== mishap.gearId), { gearId: mishap.gearId, atMin: mishap.atMin }],
      };
    case 'colder':
      return colder(day, mishap.byC);
    case 'over':
      return {
        ...day,
        blocks: day.blocks.map((block) => (isLastOfItsDay(block, day) ? { ...block, toMin: block.toMin + mishap.byMin } : block)),
      };
  }
}

function colder(day: Day, byC: number): Day {
  const less = <T extends { readonly temperatureC?: number }>(one: T): T =>
    one.temperatureC === undefined ? one : { ...one, temperatureC: Math.max(-40, one.temperatureC - byC) };
  return {
    ...day,
    temperatureC: Math.max(-40, (day.temperatureC ?? ROOM_TEMPERATURE_C) - byC),
    blocks: day.blocks.map(less),
    ...(day.places && { places: day.places.map((place) => (place.power === 'mains' ? place : withColderWeather(less(place), byC))) }),
  };
}

function withColderWeather(place: Place, byC: number): Place {
  const { weather } = place;
  if (!weather) return place;
  const hours = weather.hours.map((hour) => ({ ...hour, temperatureC: Math.max(-40, hour.temperatureC - byC) }));
  return { ...place, weather: { ...weather, hours } };
}

function isLastOfItsDay(block: Block, day: Day): boolean {
  if (!isDrawing(block)) return false;
  const dayOf = ({ fromMin }: Block): number => clockAt(day, fromMin).day;
  return !day.blocks.some(
    (one) => one.rigId === block.rigId && isDrawing(one) && dayOf(one) === dayOf(block) && one.fromMin > block.fromMin,
  );
}

/**
 * From when on a mishap can be answered: what lies before it has happened.
 *
 * @example answerFrom({ kind: 'lost', gearId: 'v1', atMin: 600 }) // 600
 */
export function answerFrom(mishap: Mishap): number {
  return mishap.kind === 'lost' ? mishap.atMin : 0;
}

/**
 * A mishap in words.
 *
 * @example mishapTitle({ kind: 'colder', byC: 5 }, gear) // '5 degrees colder'
 */
export function mishapTitle(mishap: Mishap, gear: ReadonlyMap<string, Gear>): string {
  switch (mishap.kind) {
    case 'lost':
      return `${gear.get(mishap.gearId)?.name ?? 'It'} is gone`;
    case 'colder':
      return `${mishap.byC} degrees colder`;
    case 'over':
      return `${mishap.byMin} min longer`;
  }
}
