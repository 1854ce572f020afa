import { formatClock, formatDate, isoDate } from '@viaggio/core/units';

/** The date by the clock of this device, not by that of Greenwich: `2026-01-12`. */
export function localDate(date: Date): string {
  return isoDate(date.getFullYear(), date.getMonth() + 1, date.getDate());
}

/** `09:30` by the clock of this device. */
export function localTime(date: Date): string {
  return [date.getHours(), date.getMinutes()].map((part) => String(part).padStart(2, '0')).join(':');
}

/** A moment by the clock of this device, as the person reads dates and clocks: `Tue 13 Jan 2026, 09:30`. */
export function shownMoment(date: Date): string {
  return `${formatDate(localDate(date))}, ${formatClock(localTime(date))}`;
}
