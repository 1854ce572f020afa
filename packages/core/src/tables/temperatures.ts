/** Degrees at which batteries are rated and gear stands where nobody says how warm it is (IEC 61960: 20 ± 5 C; makers rate at 25). */
export const ROOM_TEMPERATURE_C = 25;
/** Below this a battery counts as cold where something is blamed on it: judgement, 2026-11. */
export const COLD_BATTERY_C = 5;
