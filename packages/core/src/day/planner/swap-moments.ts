import { isDuring } from '../model';
import { isDrawing } from '../shape';
import type { Span } from '../model';
import type { Block } from '../shape';

/** A moment at which a battery can be changed. */
export interface SwapMoment {
  readonly atMin: number;
  /** Minutes of a block without power that it costs. */
  readonly gapMin: number;
  readonly where: 'before the start' | 'in a pause' | 'hot' | 'in a block';
}

/** The last pauses before it must be done that are looked at: an earlier one is never needed for want of time. */
const MOST_PAUSES = 2;
/** Times within a block are round ones. */
const ROUND_MIN = 5;

/**
 * Moments at which a rig's battery can be changed after `fromMin` and no later than `byMin`, the kindest first: the last
 * pauses, then the last moment in a block that may be interrupted. None where a block that must not be covers them all,
 * or nobody is there.
 */
export function swapMoments(
  blocks: readonly Block[],
  {
    fromMin,
    byMin,
    takesMin,
    hands,
  }: { readonly fromMin: number; readonly byMin: number; readonly takesMin: number; readonly hands: readonly Span[] },
): readonly SwapMoment[] {
  const drawing = blocks.filter(isDrawing);
  const there = (minute: number): boolean => isDuring(hands, minute);
  const first = drawing[0];
  if (!first) return [];
  const moments: SwapMoment[] = [];
  const startMin = blocks[0]!.fromMin;
  if (startMin >= fromMin && startMin <= byMin) moments.push({ atMin: startMin, gapMin: 0, where: 'before the start' });
  const pauses = drawing.slice(1).flatMap((block, index): SwapMoment[] => {
    const before = Math.max(...drawing.slice(0, index + 1).map(({ toMin }) => toMin));
    const isPause = block.fromMin - before >= takesMin && block.fromMin > before;
    return isPause && before > fromMin && before <= byMin && there(before) ? [{ atMin: before, gapMin: 0, where: 'in a pause' }] : [];
  });
  moments.push(...pauses.slice(-MOST_PAUSES).reverse());
  const block = drawing.find((one) => one.fromMin < byMin && byMin <= one.toMin + 1e-9);
  if (block && !block.uninterrupted) {
    const atMin = Math.floor((byMin - 1e-6) / ROUND_MIN) * ROUND_MIN;
    if (atMin > Math.max(fromMin, block.fromMin) && there(atMin))
      moments.push({ atMin, gapMin: takesMin, where: takesMin > 0 ? 'in a block' : 'hot' });
  } else if (block) {
    // it must be done before the block that must not be interrupted, out of the one that leads to it
    const atMin = block.fromMin - takesMin;
    const before = drawing.find((one) => one.fromMin < atMin && atMin < one.toMin);
    if (before && !before.uninterrupted && atMin > fromMin && there(atMin))
      moments.push({ atMin, gapMin: takesMin, where: takesMin > 0 ? 'in a block' : 'hot' });
  }
  return moments;
}
