import { SAME_DARK_MIN } from '../../../tables';
import type { PlanFigures } from '../../run';

/** What a plan costs, in the order in which it matters: figures of its run. */
export interface PlanCost {
  /** Blocks that must not be interrupted and go dark, for whatever reason. */
  readonly interruptions: number;
  /** Minutes without power, those of changes with them. */
  readonly gapMin: number;
  /** Minutes below the reserve, of rigs on one battery and of batteries built into devices. */
  readonly lowMin: number;
  /** Minutes not recorded though there is power: for want of a card, from heat, a take that is over. */
  readonly unrecordedMin: number;
  /** Rigs that must not be interrupted and have no charged spare kept apart. */
  readonly sparesMissing: number;
  /** Changes of battery, and visits to a rig for a card alone. */
  readonly swaps: number;
  /** Batteries that sit in a rig at some time. */
  readonly batteries: number;
  readonly massG: number;
}

export const PLAN_ORDERS = {
  swaps: 'fewest swaps',
  batteries: 'fewest batteries',
  mass: 'least mass',
} as const;
/** What counts first among plans that are all sound. */
export type PlanOrder = keyof typeof PLAN_ORDERS;

export function costOf(
  { interruptions, gapMin, changeMin, lowMin, unrecordedMin, changes, cardVisits, batteries, massG }: PlanFigures,
  sparesMissing: number,
): PlanCost {
  return { interruptions, gapMin: gapMin + changeMin, lowMin, unrecordedMin, sparesMissing, swaps: changes + cardVisits, batteries, massG };
}

/** Below 0 where the first is the better plan. Harm comes first, whatever the order of the rest. */
export function compareCost(a: PlanCost, b: PlanCost, order: PlanOrder = 'swaps'): number {
  if (a.interruptions !== b.interruptions) return a.interruptions - b.interruptions;
  const [offA, offB] = [a, b].map(({ gapMin, lowMin, unrecordedMin }) => gapMin + lowMin + unrecordedMin) as [number, number];
  if (Math.abs(offA - offB) > SAME_DARK_MIN) return offA - offB;
  if (a.sparesMissing !== b.sparesMissing) return a.sparesMissing - b.sparesMissing;
  const keys = {
    swaps: ['swaps', 'batteries', 'massG'],
    batteries: ['batteries', 'swaps', 'massG'],
    mass: ['massG', 'swaps', 'batteries'],
  } as const;
  for (const key of keys[order]) if (a[key] !== b[key]) return a[key] - b[key];
  return 0;
}
