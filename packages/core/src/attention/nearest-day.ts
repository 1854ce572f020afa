import { clockAt } from '../day/model';
import type { Day } from '../day/shape';
import { DAY_MS } from '../quantity';

/** A day that is kept, and how far it is off. */
export interface NearestDay {
  readonly id: string;
  readonly day: Day;
  /** Days from today to its first; 0 while it goes on; negative: it is over, and no other is planned. */
  readonly inDays: number;
}

/**
 * The day that is prepared now: the one that goes on, else the next to come, else the last that was; undefined where there
 * is none. `today` is an ISO date. Of days that begin together the one that was kept first.
 *
 * @example nearestDay([], '2026-01-12') // undefined
 */
export function nearestDay(days: readonly { readonly id: string; readonly body: Day }[], today: string): NearestDay | undefined {
  const placed = days.map(({ id, body }) => {
    const [first, last] = [daysBetween(today, body.date), daysBetween(today, lastDate(body))];
    return { id, day: body, inDays: first > 0 ? first : last >= 0 ? 0 : last };
  });
  const ahead = placed.filter(({ inDays }) => inDays >= 0).sort((a, b) => a.inDays - b.inDays);
  return ahead[0] ?? placed.sort((a, b) => b.inDays - a.inDays)[0];
}

/** The last date of a day that may be longer than one. */
function lastDate(day: Day): string {
  return clockAt(day, (day.days - 1) * 24 * 60 + 12 * 60).date;
}

function daysBetween(from: string, to: string): number {
  return Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);
}
