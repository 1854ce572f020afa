/**
 * Standard deviations of a draw whose scatter nobody measured: the published ±15 % for a maker's figure, ±25 % for a
 * guess, ±5 % for a measurement are read as two of them, so that nineteen cases of twenty lie within.
 */
export const DRAW_SPREAD = { printed: 0.075, guess: 0.125, measured: 0.025 } as const;

/** ±2 points. */
export const EFFICIENCY_SPREAD = 0.01;

/** Of a temperature that somebody chose, and of one that nobody did. */
export const TEMPERATURE_SPREAD_C = { chosen: 2, assumed: 5 };
