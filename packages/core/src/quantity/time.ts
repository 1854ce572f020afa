/** Clock and calendar as plain numbers. */
export const HOUR_MIN = 60;
export const DAY_MIN = 24 * HOUR_MIN;
export const DAY_S = DAY_MIN * 60;
export const DAY_MS = DAY_S * 1000;
