import { isDrawing } from '../shape';
import type { Block, Day } from '../shape';
import { minuteAt } from './clock';
import type { Span } from './spans';

/** The blocks of a rig in the order of time. */
export function blocksOf({ blocks }: Pick<Day, 'blocks'>, rigId: string): readonly Block[] {
  return blocks.filter((block) => block.rigId === rigId).sort((a, b) => a.fromMin - b.fromMin);
}

/** Where a rig is at a minute: in its block, or where its next one is. `blocks` are its own, in the order of time. */
export function placeAt(blocks: readonly Block[], minute: number): string | undefined {
  return (blocks.find(({ toMin }) => toMin > minute) ?? blocks.at(-1))?.placeId;
}

/** When a rig draws, in the order of time; what touches is one. */
export function drawsOf(blocks: readonly Block[]): readonly Span[] {
  const draws: Span[] = [];
  for (const { fromMin, toMin } of blocks.filter(isDrawing)) {
    const last = draws.at(-1);
    if (last && fromMin <= last.toMin) draws[draws.length - 1] = { ...last, toMin: Math.max(last.toMin, toMin) };
    else draws.push({ fromMin, toMin });
  }
  return draws;
}

/** A minute's day, by how many midnights it lies behind the first. */
export type DayOf = (minute: number) => number;

/** Midnights of a plan: the first, and those at the end of each day, and one more. */
export function midnightsOf(day: Pick<Day, 'date' | 'zone' | 'days'>): readonly number[] {
  return Array.from({ length: day.days + 2 }, (_, index) => minuteAt(day, index, 0));
}

export function dayOfMinute(day: Pick<Day, 'date' | 'zone' | 'days'>): DayOf {
  const midnights = midnightsOf(day);
  return (minute) => {
    let index = 0;
    while (index + 1 < midnights.length && midnights[index + 1]! <= minute) index++;
    return index;
  };
}

/** When what a rig leaves behind at a minute comes to a place: at once where that is not said, with the rig, or after its day. */
export function comesTo(blocks: readonly Block[], placeId: string | undefined, minute: number, dayOf: DayOf): number {
  const last = blocks.findLast((block) => block.fromMin < minute) ?? blocks[0];
  if (!last || last.placeId === undefined || last.placeId === placeId) return minute;
  const day = dayOf(minute);
  const today = blocks.filter((block) => dayOf(block.fromMin) === day);
  const there = today.find((block) => block.fromMin >= minute && block.placeId === placeId);
  return Math.max(minute, Math.min(there?.fromMin ?? Infinity, Math.max(minute, ...today.map(({ toMin }) => toMin))));
}

/** When what is wanted in a rig at a minute must leave a place at the latest: with the rig, or before its day. */
export function leavesBy(blocks: readonly Block[], placeId: string | undefined, minute: number, dayOf: DayOf): number {
  const there = placeAt(blocks, minute);
  if (there === undefined || there === placeId) return minute;
  const last = blocks.findLast((block) => block.fromMin < minute && block.placeId === placeId);
  const day = dayOf(minute);
  const dawn = blocks.find((block) => dayOf(block.fromMin) === day);
  return Math.min(minute, Math.max(last ? last.toMin : -Infinity, dawn?.fromMin ?? minute));
}
