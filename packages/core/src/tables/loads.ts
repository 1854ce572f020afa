/** What one of each costs. A limit that is broken outweighs all else; a rig in one bag fewer outweighs the kilograms. */
export const BAG_COST = { together: 1500, spread: 40, cabin: 1000, wrongPerson: 200, unevenPerKg: 1 } as const;

/** Margin that is left to a tripod or slider that nobody holds: a fifth of its reach. */
export const SAFE_MARGIN = 0.2;

/** Standard gravity, m/s². */
export const GRAVITY_M_S2 = 9.80665;
