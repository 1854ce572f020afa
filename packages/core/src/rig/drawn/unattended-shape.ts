import { watts } from '../../gear';
import { flag, list, number, object, optional, text } from '../../shape';
import type { Infer } from '../../shape';

const hours = (title: string) => number(title, 'peak-sun hours', { max: 14 });
export const MAX_DAYS_ALONE = 400;

/** What an unattended rig has beside its battery, and for how long. */
export const unattendedShape = object('Unattended', {
  from: optional(text('Left on', 10, { regex: /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, says: 'a date such as 2026-01-12' })),
  days: optional(number('For so many days', 'count', { min: 1, max: MAX_DAYS_ALONE, integer: true })),
  panelW: optional(watts('Solar panel, in full sun')),
  /** Lying flat, or not cleaned: half of the sun's share instead of two thirds. */
  dirty: optional(flag('It lies flat, or gets dirty')),
  /** Of every day, instead of those by month. */
  sunHours: optional(hours('Peak-sun hours a day')),
  /** Where nobody typed hours they are worked out from it. */
  latitudeDeg: optional(number('Latitude, south below zero', 'deg', { min: -66, max: 66 })),
  monthHours: optional(
    list(
      'Peak-sun hours by month',
      object('Month', { month: number('Month', 'count', { min: 1, max: 12, integer: true }), hours: hours('Peak-sun hours a day') }),
      { max: 12 },
    ),
  ),
  dullDays: optional(number('Longest dull spell, in days', 'count', { max: 60, integer: true })),
  visitEveryDays: optional(number('Somebody comes every so many days', 'count', { min: 1, max: MAX_DAYS_ALONE, integer: true })),
  cardFrames: optional(number('Frames that the card holds', 'count', { min: 1, max: 10_000_000, integer: true })),
});
export type Unattended = Infer<typeof unattendedShape>;
