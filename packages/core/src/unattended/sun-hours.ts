import {
  AXIS_TILT,
  CLEAR_SHARE,
  CLOUDY_SHARE,
  DISTANCE_SWING,
  MID_MONTH,
  MJ_PER_KWH,
  SOLAR_CONSTANT,
  SPRING_TURN,
  SUN_SHARE,
} from '../tables';
/**
 * Radiation above the air on flat ground, MJ/m² and day, by latitude (north positive) and day of the year (FAO-56, eq. 21).
 *
 * @example extraterrestrialMJ(-20, 246) // 32.2
 */
export function extraterrestrialMJ(latitudeDeg: number, dayOfYear: number): number {
  const turn = (2 * Math.PI * dayOfYear) / 365;
  const latitude = (latitudeDeg * Math.PI) / 180;
  const distance = 1 + DISTANCE_SWING * Math.cos(turn);
  const declination = AXIS_TILT * Math.sin(turn - SPRING_TURN);
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
