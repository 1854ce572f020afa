/** Margin that is left to a tripod or slider that nobody holds: a fifth of its reach. */
export const SAFE_MARGIN = 0.2;

/** Standard gravity, m/s². */
export const GRAVITY_M_S2 = 9.80665;
