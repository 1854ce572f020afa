import type { Unit } from './unit';

/** How a person reads figures. It changes what is shown and how a bare number is read in a field, never what is kept. */
export interface Display {
  readonly mass: 'g' | 'oz';
  readonly temperature: 'C' | 'F';
  readonly length: 'mm' | 'in';
  readonly decimal: '.' | ',';
  readonly clock: '24 h' | '12 h';
  readonly date: 'day first' | 'month first' | 'year first';
}

/** As documents, the command line and the API say it. */
export const USUAL_DISPLAY: Display = {
  mass: 'g',
  temperature: 'C',
  length: 'mm',
  decimal: '.',
  clock: '24 h',
  date: 'day first',
};

/**
 * The one setting in core that is not handed from call to call: every sentence says figures, and a choice of ounces would
 * else pass through each of them. A page and each of its workers set it once, before anything is said (decision 0054).
 */
let now: Display = USUAL_DISPLAY;

/** What figures are shown as from here on, in this thread. */
export function displayAs(display: Display): void {
  now = display;
}

/**
 * The display of this moment; another object once it has changed, so that what was said before can be told from it.
 *
 * @example displayNow().clock // '24 h'
 */
export function displayNow(): Display {
  return now;
}

/** A unit as it is shown in place of the one that is kept. */
export interface ShownUnit {
  readonly symbol: string;
  readonly digits: number;
  readonly show: (kept: number) => number;
  readonly keep: (shown: number) => number;
}

const times = (symbol: string, factor: number, digits: number): ShownUnit => ({
  symbol,
  digits,
  show: (kept) => kept / factor,
  keep: (shown) => shown * factor,
});
const KILOGRAMS = times('kg', 1000, 2);
const OUNCES = times('oz', 28.349523125, 1);
const POUNDS = times('lb', 453.59237, 1);
const INCHES = times('in', 25.4, 2);
const FEET = times('ft', 0.3048, 1);
const FAHRENHEIT: ShownUnit = { symbol: '°F', digits: 0, show: (c) => (c * 9) / 5 + 32, keep: (f) => ((f - 32) * 5) / 9 };
/** From a pound on a mass is read in pounds. */
const POUND_G = 453.59237;

/** The unit that takes the kept one's place on the screen; undefined where the kept one is shown. A field asks without a value. */
export function shownUnit(unit: Unit, value?: number): ShownUnit | undefined {
  if (unit === 'g' && now.mass === 'oz') return value !== undefined && Math.abs(value) >= POUND_G ? POUNDS : OUNCES;
  if (unit === 'g' && value !== undefined && Math.abs(value) >= 1000) return KILOGRAMS;
  if (unit === 'C' && now.temperature === 'F') return FAHRENHEIT;
  if (now.length === 'mm') return undefined;
  return unit === 'mm' ? INCHES : unit === 'm' ? FEET : undefined;
}

/**
 * `09:30` as a person reads it: `9:30 am` on a clock of twelve hours.
 *
 * @example formatClock('09:30') // '09:30'
 */
export function formatClock(time: string): string {
  if (now.clock === '24 h') return time;
  const hours = Number(time.slice(0, 2));
  return `${hours % 12 === 0 ? 12 : hours % 12}:${time.slice(3)} ${hours % 24 < 12 ? 'am' : 'pm'}`;
}

/**
 * `2026-01-13` of its parts; what is no day of that month is not checked here.
 *
 * @example isoDate(2026, 1, 2) // '2026-01-02'
 */
export function isoDate(year: number, month: number, day: number): string {
  return [String(year).padStart(4, '0'), String(month).padStart(2, '0'), String(day).padStart(2, '0')].join('-');
}

export const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const WEEKDAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];

/**
 * `2026-01-13` as a person reads it: `Tue 13 Jan 2026`, `Tue Jan 13, 2026`, `Tue 2026-01-13`. What is no date stays as it is.
 *
 * @example formatDate('2026-01-12') // 'Mon 12 Jan 2026'
 */
export function formatDate(date: string, shows: { readonly weekday?: boolean; readonly year?: boolean } = {}): string {
  const { weekday = true, year = true } = shows;
  const read = new Date(`${date}T12:00:00Z`);
  if (Number.isNaN(read.getTime())) return date;
  const [day, month] = [read.getUTCDate(), MONTHS[read.getUTCMonth()]!];
  const name = weekday ? `${WEEKDAYS[read.getUTCDay()]!} ` : '';
  if (now.date === 'year first') return `${name}${year ? date : date.slice(5)}`;
  if (now.date === 'month first') return `${name}${month} ${day}${year ? `, ${read.getUTCFullYear()}` : ''}`;
  return `${name}${day} ${month}${year ? ` ${read.getUTCFullYear()}` : ''}`;
}
