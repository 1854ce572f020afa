import { MAX_BLOCKS, MAX_DAYS_LONG } from '../shape';
import type { Block, Day } from '../shape';
import { clockAt, minuteAt } from './clock';

export interface Repeated {
  readonly day: Day;
  readonly added: readonly Block[];
  /** Copies that were left out, since their rig is in another block then, or the plan can hold no more. */
  readonly leftOut: number;
}

/**
 * The chosen blocks again on each of so many following days, at the same clock times: on a night of a clock change too.
 * The plan becomes as long as that needs, 31 days at the most. A copy never overlaps another block of its rig.
 *
 * @example repeatBlocks(day, new Set([block.id]), 4, newId).added.length // 4
 */
export function repeatBlocks(day: Day, chosen: ReadonlySet<string>, times: number, newId: () => string): Repeated {
  const blocks: Block[] = [...day.blocks];
  const added: Block[] = [];
  let [leftOut, days] = [0, day.days];
  for (let by = 1; by <= times; by++) {
    for (const block of day.blocks.filter(({ id }) => chosen.has(id))) {
      const [fromMin, toMin] = [daysLater(day, block.fromMin, by), daysLater(day, block.toMin, by)];
      const needs = clockAt(day, toMin - 1).day + 1;
      const isTaken = blocks.some((one) => one.rigId === block.rigId && one.fromMin < toMin && fromMin < one.toMin);
      if (isTaken || needs > MAX_DAYS_LONG || blocks.length >= MAX_BLOCKS) leftOut++;
      else {
        const copy = { ...block, id: newId(), fromMin, toMin };
        blocks.push(copy);
        added.push(copy);
        days = Math.max(days, needs);
      }
    }
  }
  return { day: { ...day, blocks, days }, added, leftOut };
}

/** The minute at which the clocks show the same, so many days later. */
export function daysLater(day: Pick<Day, 'date' | 'zone'>, minute: number, by: number): number {
  const clock = clockAt(day, minute);
  const [hours, minutes] = clock.time.split(':').map(Number);
  return minuteAt(day, clock.day + by, hours! * 60 + minutes!);
}
