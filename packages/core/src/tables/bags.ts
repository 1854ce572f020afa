/** What one of each costs. A limit that is broken outweighs all else; a rig in one bag fewer outweighs the kilograms. */
export const BAG_COST = { together: 1500, spread: 40, cabin: 1000, wrongPerson: 200, unevenPerKg: 1 } as const;
