/** A limit that is just met is met: sums and products round within this share. Judgement, 2026-11. */
export const ROUNDING = 1e-6;

/** What an assumed lead may take of a regulated supply before a limit counts as missed: volts, or a share of them where that is more. */
export const ASSUMED_LEAD_TAKES = { volts: 0.05, share: 0.01 } as const;

/**
 * Whether a figure is above a limit by more than rounding.
 *
 * @example isAbove(3 * 4.2, 12.6) // false
 */
export function isAbove(value: number, limit: number, share: number = ROUNDING): boolean {
  return value > limit + Math.abs(limit) * share;
}
