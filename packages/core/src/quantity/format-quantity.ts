import { displayNow, shownUnit } from './display';
import { UNITS } from './unit';
import type { Unit } from './unit';

const NARROW_SPACE = '\u202f';

/**
 * A figure for reading: rounded to what the unit deserves, thousands apart, its unit behind. Rounds half away from zero.
 *
 * @example formatQuantity(95, 'Wh')   // '95 Wh'
 * @example formatQuantity(80, 'min')  // '1 h 20 min'
 */
export function formatQuantity(value: number, unit: Unit): string {
  if (unit === 'min') return formatDuration(value);
  const shown = shownUnit(unit, value);
  if (shown) return `${digitsOf(shown.show(value), shown.digits)} ${shown.symbol}`;
  const { symbol } = UNITS[unit];
  const number = formatNumber(value, unit);
  return symbol === '' ? number : `${number} ${symbol}`;
}

/**
 * The figure alone, in the unit a field shows it in (per cent for a fraction), without trailing zeros.
 *
 * @example formatNumber(14.4321, 'V') // '14.43'
 */
export function formatNumber(value: number, unit: Unit): string {
  const instead = shownUnit(unit);
  if (instead) return digitsOf(instead.show(value), instead.digits);
  // half a per cent is not one
  if (unit === 'fraction') return digitsOf(value * 100, value !== 0 && Math.abs(value) < 0.01 ? 1 : UNITS.fraction.digits);
  return digitsOf(value, UNITS[unit].digits);
}

function digitsOf(shown: number, deserved: number): string {
  const digits = digitsFor(shown, deserved);
  const [whole = '0', decimals = ''] = Math.abs(shown).toFixed(digits).split('.');
  const grouped = whole.length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, NARROW_SPACE) : whole;
  const kept = decimals.replace(/0+$/, '');
  const text = kept === '' ? grouped : `${grouped}${displayNow().decimal}${kept}`;
  return shown < 0 && text !== '0' ? `-${text}` : text;
}

/** A small figure that is something is not shown as nothing: up to two digits more than the unit deserves. */
function digitsFor(shown: number, digits: number): number {
  if (digits === 0) return digits;
  const more = [digits, digits + 1, digits + 2].find((count) => Math.abs(shown) >= 0.5 * 10 ** -count);
  return more ?? digits;
}

/**
 * Minutes as people say them: `45 min`, `5 h 10 min`, `3 d 19 h`. Rounds down, so that no minute is promised twice.
 *
 * @example formatDuration(95) // '1 h 35 min'
 */
export function formatDuration(minutes: number): string {
  const whole = Math.floor(Math.abs(minutes) + 1e-9);
  const sign = minutes < 0 && whole > 0 ? '-' : '';
  const hours = Math.floor(whole / 60);
  if (hours === 0) return `${sign}${whole} min`;
  if (hours >= 48) return `${sign}${Math.floor(hours / 24)} d ${hours % 24} h`;
  return whole % 60 === 0 ? `${sign}${hours} h` : `${sign}${hours} h ${whole % 60} min`;
}
