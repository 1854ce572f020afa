import { issue } from '../issue';
import { displayNow, isoDate, MONTHS } from './display';
import type { Parsed } from './parse-quantity';

const ISO = /^(\d{4})-(\d{1,2})-(\d{1,2})$/;
const NUMBERS = /^(\d{1,2})[./\s-]+(\d{1,2})(?:[./\s-]+(\d{2}|\d{4}))?\.?$/;
const DAY_NAMED = /^(\d{1,2})\.?\s*([a-z]{3,9})\.?,?(?:\s*(\d{4}))?$/i;
const NAMED_DAY = /^([a-z]{3,9})\.?\s*(\d{1,2})(?:,?\s*(\d{4}))?$/i;
const WEEKDAY = /^(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*\.?,?\s+/i;

/**
 * A date as people type it, as ISO: `13.1.2026`, `13 Jan`, `Jan 13, 2026`, `2026-01-13`, a weekday before it or not. Two
 * numbers are read in the order that the person reads dates in. Without a year it is the one nearest to `today`, an ISO
 * date. Errors: `empty`, `not-a-date`.
 *
 * @example readDate('13 Jan', '2026-11-28') // { ok: true, value: '2027-01-13' }
 */
export function readDate(typed: string, today: string): Parsed<string> {
  const text = typed.trim().replace(WEEKDAY, '');
  const fail = (code: string): Parsed<string> => ({ ok: false, issue: issue('', code, 'a date such as 13 Jan 2026 or 2026-01-13', typed) });
  if (text === '') return fail('empty');
  const parts = partsOf(text);
  const value = parts && dateOf(parts, today);
  return value === undefined ? fail('not-a-date') : { ok: true, value };
}

interface Parts {
  readonly day: number;
  readonly month: number;
  readonly year: number | undefined;
}

function partsOf(text: string): Parts | undefined {
  const iso = ISO.exec(text);
  if (iso) return { year: Number(iso[1]), month: Number(iso[2]), day: Number(iso[3]) };
  const numbers = NUMBERS.exec(text);
  if (numbers) {
    const [first, second] = [Number(numbers[1]), Number(numbers[2])];
    // between points the day stands first everywhere
    const monthFirst = displayNow().date === 'month first' && !text.includes('.');
    return { day: monthFirst ? second : first, month: monthFirst ? first : second, year: yearOf(numbers[3]) };
  }
  const named = DAY_NAMED.exec(text);
  if (named) return { day: Number(named[1]), month: monthOf(named[2]!), year: yearOf(named[3]) };
  const first = NAMED_DAY.exec(text);
  return first ? { day: Number(first[2]), month: monthOf(first[1]!), year: yearOf(first[3]) } : undefined;
}

function yearOf(text: string | undefined): number | undefined {
  return text === undefined ? undefined : Number(text.length === 2 ? `20${text}` : text);
}

/** 0 where it is no month. */
function monthOf(name: string): number {
  return MONTHS.findIndex((month) => name.toLowerCase().startsWith(month.toLowerCase())) + 1;
}

const HALF_YEAR_MS = 183 * 24 * 3600 * 1000;

function dateOf({ day, month, year }: Parts, today: string): string | undefined {
  const on = (of: number): string => isoDate(of, month, day);
  const now = Number(today.slice(0, 4));
  const nearest = [now, now + 1, now - 1].find((of) => Math.abs(Date.parse(on(of)) - Date.parse(today)) <= HALF_YEAR_MS) ?? now;
  const date = on(year ?? nearest);
  const read = new Date(`${date}T00:00:00Z`);
  // the 31st of a shorter month is no date
  return !Number.isNaN(read.getTime()) && read.toISOString().slice(0, 10) === date ? date : undefined;
}
