/** MJ/m² and minute (FAO Irrigation and Drainage Paper 56, 1998). */
export const SOLAR_CONSTANT = 0.082;

export const MJ_PER_KWH = 3.6;

/** Angström's two figures, and the share of the day that has sun where nobody says: a maritime winter's. */
export const CLOUDY_SHARE = 0.25;

export const CLEAR_SHARE = 0.5;

export const SUN_SHARE = 0.3;

/** The 15th of each month as a day of the year. */
export const MID_MONTH = [15, 46, 74, 105, 135, 166, 196, 227, 258, 288, 319, 349] as const;

/** The sun is nearer and farther by so much of its distance; the axis leans by so many radians; spring begins so many radians into the year (FAO-56, eq. 23, 24). */
export const DISTANCE_SWING = 0.033;
export const AXIS_TILT = 0.409;
export const SPRING_TURN = 1.39;
