/** From this share of a limit on it is told that little is left. */
export const NEAR_LIMIT = 0.9;

/** Volts above the lowest accepted that count as little, as a share of it. */
export const NEAR_LOW_V = 0.03;
