/** What a plan costs, in the order in which it matters. */
export interface PlanCost {
  /** Changes of battery in blocks that must not be interrupted, and gaps of power there. */
  readonly interruptions: number;
  /** Minutes without power in all other blocks. */
  readonly gapMin: number;
  /** Rigs that must not be interrupted and have no charged spare kept apart. */
  readonly sparesMissing: number;
  readonly swaps: number;
  /** Batteries carried. */
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

export const NO_COST: PlanCost = { interruptions: 0, gapMin: 0, sparesMissing: 0, swaps: 0, batteries: 0, massG: 0 };

/** Gaps nearer than this are the same: a plan is not better for a second. */
const SAME_MIN = 0.05;

/** Below 0 where the first is the better plan. Harm comes first, whatever the order of the rest. */
export function compareCost(a: PlanCost, b: PlanCost, order: PlanOrder = 'swaps'): number {
  if (a.interruptions !== b.interruptions) return a.interruptions - b.interruptions;
  if (Math.abs(a.gapMin - b.gapMin) > SAME_MIN) return a.gapMin - b.gapMin;
  if (a.sparesMissing !== b.sparesMissing) return a.sparesMissing - b.sparesMissing;
  const keys = { swaps: ['swaps', 'batteries', 'massG'], batteries: ['batteries', 'swaps', 'massG'], mass: ['massG', 'swaps', 'batteries'] } as const; // prettier-ignore
  for (const key of keys[order]) if (a[key] !== b[key]) return a[key] - b[key];
  return 0;
}
