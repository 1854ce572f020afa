import type { FlatSwap } from '../judge';

export function byTime(a: FlatSwap, b: FlatSwap): number {
  return a.atMin - b.atMin;
}

export function inOrder(swaps: FlatSwap[]): readonly FlatSwap[] {
  return swaps.sort(byTime);
}
