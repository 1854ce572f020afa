import type { Block, Day } from '../shape';

/** A block that goes on for so long stands outside the working day. */
const ALL_DAY_MIN = 20 * 60;

/**
 * Blocks that do not run day and night.
 *
 * @example workingBlocks({ blocks: [block] }).length // 1
 */
export function workingBlocks({ blocks }: Pick<Day, 'blocks'>): readonly Block[] {
  return blocks.filter(({ fromMin, toMin }) => toMin - fromMin < ALL_DAY_MIN);
}

/**
 * When the first block begins that does not run day and night; of nothing but those, the first of them; infinite of none.
 *
 * @example firstCall({ blocks: [] }) === Infinity // true
 */
export function firstCall(day: Pick<Day, 'blocks'>): number {
  const blocks = workingBlocks(day);
  return Math.min(...(blocks.length > 0 ? blocks : day.blocks).map(({ fromMin }) => fromMin));
}
