/** MJ/m² and minute (FAO Irrigation and Drainage Paper 56, 1998). */
const SOLAR_CONSTANT = 0.082;
const MJ_PER_KWH = 3.6;
/** Angström's two figures, and the share of the day that has sun where nobody says: a maritime winter's. */
const CLOUDY_SHARE = 0.25;
const CLEAR_SHARE = 0.5;
const SUN_SHARE = 0.3;
/** The 15th of each month as a day of the year. */
const MID_MONTH = [15, 46, 74, 105, 135, 166, 196, 227, 258, 288, 319, 349] as const;

/**
 * Radiation above the air on flat ground, MJ/m² and day, by latitude (north positive) and day of the year (FAO-56, eq. 21).
 *
 * @example extraterrestrialMJ(-20, 246) // 32.2
 */
export function extraterrestrialMJ(latitudeDeg: number, dayOfYear: number): number {
  const turn = (2 * Math.PI * dayOfYear) / 365;
  const latitude = (latitudeDeg * Math.PI) / 180;
  const distance = 1 + 0.033 * Math.cos(turn);
  const declination = 0.409 * Math.sin(turn - 1.39);
  // past the polar circles the sun stays up or down: the angle is then half a turn, or none
  const sunset = Math.acos(Math.min(1, Math.max(-1, -Math.tan(latitude) * Math.tan(declination))));
  const path = sunset * Math.sin(latitude) * Math.sin(declination) + Math.cos(latitude) * Math.cos(declination) * Math.sin(sunset);
  return Math.max(0, ((24 * 60) / Math.PI) * SOLAR_CONSTANT * distance * path);
}

/**
 * Peak-sun hours of an average day of a month (1: January) at a latitude: kWh/m² on flat ground under a sky with sun for
 * three tenths of the day. A rough figure: a panel tilted to the winter sun gets more, a wall or a hill takes it away.
 *
 * @example peakSunHours(57, 1) // 0.5
 */
export function peakSunHours(latitudeDeg: number, month: number): number {
  const above = extraterrestrialMJ(latitudeDeg, MID_MONTH[month - 1]!) / MJ_PER_KWH;
  return above * (CLOUDY_SHARE + CLEAR_SHARE * SUN_SHARE);
}
