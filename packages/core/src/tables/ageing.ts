/** What a battery loses of its capacity where none was measured: typical of Li-ion in use, collected 2026-11. */
export const LOST_PER_YEAR = 0.02;
export const LOST_PER_CYCLE = 0.0004;
/** Less than this is not assumed of anything that still works. */
export const LEAST_LEFT_BY_AGE = 0.5;
