import { issue } from '../../issue';
import { DAY_MIN, displayNow, formatDate, parseQuantity } from '../../quantity';
import type { Display, Parsed } from '../../quantity';
import type { Day } from '../shape';
import { DateTime } from 'luxon';

type Calendar = Pick<Day, 'date' | 'zone'>;

/** A moment of a plan as the clocks there show it. */
export interface ClockTime {
  /** 0: the first day. */
  readonly day: number;
  /** `09:30`, for reckoning; `formatClock` shows it. */
  readonly time: string;
  /** `2026-01-12` */
  readonly date: string;
  /** `Mon 12 Jan`, as the person reads dates. */
  readonly weekday: string;
}

/**
 * What the clocks show after so many minutes. Minutes pass evenly; on a night of a clock change a clock does not.
 *
 * @example clockAt({ date: '2026-01-12' }, 1440 + 570) // { day: 1, time: '09:30', date: '2026-01-13', … }
 */
export function clockAt(calendar: Calendar, minute: number): ClockTime {
  const known = knownClocks(calendar);
  const whole = Math.round(minute);
  const before = known.get(whole);
  if (before) return before;
  const start = midnight(calendar, 0);
  const then = start.plus({ minutes: whole });
  const date = then.toFormat('yyyy-MM-dd');
  const clock: ClockTime = {
    day: Math.round(then.startOf('day').diff(start, 'days').days),
    time: then.toFormat('HH:mm'),
    date,
    weekday: formatDate(date, { year: false }),
  };
  known.set(whole, clock);
  return clock;
}

/** A picture of a long day asks for the same minutes again at every change; a calendar takes a tenth of a millisecond for each. */
let clocks: { readonly of: string; readonly display: Display; readonly known: Map<number, ClockTime> } | undefined;

function knownClocks({ date, zone = 'UTC' }: Calendar): Map<number, ClockTime> {
  const of = `${date} ${zone}`;
  if (clocks?.of !== of || clocks.display !== displayNow()) clocks = { of, display: displayNow(), known: new Map() };
  return clocks.known;
}

/**
 * The minute of a plan at which the clocks of a day (0: the first) show so many minutes past midnight.
 *
 * @example minuteAt({ date: '2026-01-12', zone: 'Europe/Berlin' }, 1, 90) // 1530
 */
export function minuteAt(calendar: Calendar, day: number, clockMin: number): number {
  const there = midnight(calendar, day);
  // clock time, not time that passes: half past nine is that on a night of a clock change too
  const then = clockMin >= DAY_MIN ? there.plus({ days: 1 }) : there.set({ hour: Math.floor(clockMin / 60), minute: clockMin % 60 });
  return Math.round(then.diff(midnight(calendar, 0), 'minutes').minutes);
}

/** A minute of a plan as an instant, in milliseconds since 1970. */
export function instantAt(calendar: Calendar, minute: number): number {
  return midnight(calendar, 0).toMillis() + minute * 60_000;
}

/**
 * The minute of a plan of an instant; negative before it.
 *
 * @example minuteOf({ date: '2026-01-12', zone: 'Europe/Berlin' }, Date.UTC(2026, 0, 12, 8)) // 540
 */
export function minuteOf(calendar: Calendar, instantMs: number): number {
  return (instantMs - midnight(calendar, 0).toMillis()) / 60_000;
}

/** The minute of a plan at which clocks in a zone (those of the plan when absent) show a date and time. */
export function minuteOfClock(calendar: Calendar, { year, month, day, hour, minute }: ClockParts, zone = calendar.zone ?? 'UTC'): number {
  const then = DateTime.fromObject({ year, month, day, hour, minute }, { zone: isZone(zone) ? zone : 'UTC' });
  return minuteOf(calendar, then.toMillis());
}

export interface ClockParts {
  readonly year: number;
  readonly month: number;
  readonly day: number;
  readonly hour: number;
  readonly minute: number;
}

/** Midnight at which a day begins. An unknown zone is told by `dayIssues` and counts as UTC; a 31st of a shorter month is the first of the next. */
function midnight({ date, zone = 'UTC' }: Calendar, day: number): DateTime {
  const month = DateTime.fromISO(`${date.slice(0, 8)}01`, { zone: isZone(zone) ? zone : 'UTC' });
  return month.startOf('day').plus({ days: Number(date.slice(8)) - 1 + day });
}

/** Whether there is such a zone, as in the IANA's list. */
export function isZone(zone: string): boolean {
  return DateTime.utc().setZone(zone).isValid;
}

const CLOCK = /^(\d{1,2})(?:[:.h ]?(\d{2}))?\s*([ap]m?)?$/i;

/**
 * Minutes past midnight from a time as people type it: `9`, `930`, `0930`, `9:30`, `9.30`, `24`, `9:30 pm`; `+1h20` is that much
 * after `from`. Errors: `empty`, `not-a-time`.
 *
 * @example readClock('+1h20', 540) // { ok: true, value: 620 }
 */
export function readClock(typed: string, from?: number): Parsed<number> {
  const text = typed.trim();
  const fail = (code: string): Parsed<number> => ({
    ok: false,
    issue: issue('', code, 'a time such as 9, 0930 or 9:30, or a length such as +1h20', typed),
  });
  if (text === '') return fail('empty');
  if (text.startsWith('+') && from !== undefined) {
    const length = parseQuantity(text.slice(1), 'min');
    return length.ok ? { ok: true, value: from + length.value } : fail('not-a-time');
  }
  const found = CLOCK.exec(/^\d{3}$/.test(text) ? `0${text}` : text);
  const half = found?.[3]?.toLowerCase()[0];
  const [typedHours, minutes] = [Number(found?.[1]), Number(found?.[2] ?? 0)];
  if (half !== undefined && (typedHours < 1 || typedHours > 12)) return fail('not-a-time');
  const hours = half === undefined ? typedHours : (typedHours % 12) + (half === 'p' ? 12 : 0);
  const value = hours * 60 + minutes;
  return found && minutes < 60 && value <= DAY_MIN ? { ok: true, value } : fail('not-a-time');
}
