export const PERCENT_STEPS = 100;

export const GAUGE_BARS = 4;

/** Readings that differ from the truth by less than this can be believed. */
export const GAUGE_CLOSE = 0.1;
