import type { Chemistry } from './chemistries';
export interface ColdPoint {
  readonly temperatureC: number;
  readonly capacity: number;
  readonly resistance: number;
}

/** Share of capacity kept and times the resistance, against 25 C. Typical published values, 2026-11. */
export const COLD_TABLES: Readonly<Record<Chemistry['cold'], readonly ColdPoint[]>> = {
  'lithium-ion': [
    { temperatureC: -20, capacity: 0.62, resistance: 5 },
    { temperatureC: -10, capacity: 0.8, resistance: 3 },
    { temperatureC: 0, capacity: 0.9, resistance: 1.9 },
    { temperatureC: 10, capacity: 0.96, resistance: 1.4 },
    { temperatureC: 25, capacity: 1, resistance: 1 },
  ],
  steep: [
    { temperatureC: -20, capacity: 0.5, resistance: 5 },
    { temperatureC: 0, capacity: 0.8, resistance: 1.9 },
    { temperatureC: 25, capacity: 1, resistance: 1 },
  ],
};

/** Below the tables nothing is known. */
export const LOWEST_KNOWN_C = -20;

/** What a battery loses of its capacity where none was measured: typical of Li-ion in use, collected 2026-11. */
export const LOST_PER_YEAR = 0.02;

export const LOST_PER_CYCLE = 0.0004;

/** Less than this is not assumed of anything that still works. */
export const LEAST_LEFT_BY_AGE = 0.5;
