/** What a regulator needs above its output, where its sheet was not read: from low-dropout parts to old ones. */
export const DROPOUT_V = { linear: [0.3, 2], 'step-down': [0.3, 1.5], 'step-up': [0, 0] } as const;

/** A part that runs all day is asked for this share of what it may give. */
export const COMFORTABLE_SHARE = 0.8;

/** Above so many watts a linear regulator burns fingers. */
export const HOT_REGULATOR_W = 2;

/** From this share of a limit on it is told that little is left. */
export const NEAR_LIMIT = 0.9;

/**
 * Charge left behind counts as little below both: a share of the full battery, and minutes at the draw of the end.
 * Judgement, 2026.
 */
export const LITTLE_LEFT = { share: 0.1, minutes: 20 } as const;

/** Direct volts above which a bare contact is dangerous to touch (IEC 61140, extra-low voltage). */
export const TOUCH_SAFE_V = 60;

/** Volts above the lowest accepted that count as little, as a share of it. */
export const NEAR_LOW_V = 0.03;

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

/**
 * What a meter of this trade can show at most: more is a glitch of it, or what it writes for “over the range”. Watts are those
 * that a recording keeps; amps leave room for milliamps that were taken for amps, which the watts then give away. Judgement, 2026-12.
 */
export const METER_SHOWS = { volts: 1000, amps: 2000, watts: 20_000, wattsBack: 2000 } as const;
