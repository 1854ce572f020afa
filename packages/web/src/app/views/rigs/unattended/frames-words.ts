import type { Visit } from '@viaggio/core/answer';
import { clockAt } from '@viaggio/core/day';
import type { Unattended } from '@viaggio/core/gear';
import { counted } from '../../../basics/counted';

export const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const;
const MOST_NAMED = 3;

/** `7.1 days`; whole numbers from ten on. */
export function days(count: number): string {
  const shown = count >= 10 || Number.isInteger(count) ? Math.floor(count) : Math.floor(count * 10) / 10;
  return counted(shown, 'day');
}

/** `30 s`, `5 min`, `1 h` */
export function every(seconds: number): string {
  if (seconds < 60) return `${seconds} s`;
  return seconds < 3600 ? `${seconds / 60} min` : `${seconds / 3600} h`;
}

/** `, Mon 12 Jan`; nothing where the day it is left is not entered. */
export function dayOf({ from }: Unattended, day: number): string {
  return from === undefined ? '' : `, ${clockAt({ date: from }, day * 24 * 60).weekday}`;
}

/** `day 5, Fri 16 Jan, and day 9, Tue 20 Jan`; the first of many. */
export function visitDays(said: Unattended, visits: readonly Visit[]): string {
  const named = visits.slice(0, MOST_NAMED).map(({ day }) => `day ${day + 1}${dayOf(said, day)}`);
  const more = visits.length - named.length;
  return `${named.join('; ')}${more > 0 ? `; and ${more} times more` : ''}`;
}
