import { DAY_MS } from '../../quantity';
import { text } from '../../shape';
import type { TextShape } from '../../shape';

const DATE = String.raw`(\d{4})-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])`;
const TIME = String.raw`([01]\d|2[0-3]):([0-5]\d)(?::([0-5]\d)(?:\.\d+)?)?(?:Z|([+-])([01]\d|2[0-3]):([0-5]\d))?`;
const WHEN = new RegExp(`^${DATE}(?:T${TIME})?$`);

/** A day, or a moment with its offset (ISO 8601). */
export const whenShape: TextShape = text('When', 40, { regex: WHEN, says: 'a date such as 2026-01-07' });

/**
 * Days since 1970, with fractions: of a day alone its noon, of a moment without an offset as if it were in UTC. A 31st of
 * a shorter month is the first of the next; NaN for what `whenShape` refuses.
 *
 * @example dayOf('2026-01-07') // 20460.5
 */
export function dayOf(at: string): number {
  const found = WHEN.exec(at);
  if (!found) return Number.NaN;
  const [, year, month, day, hours, minutes, seconds, sign, offsetHours, offsetMinutes] = found;
  const midnight = Date.UTC(Number(year), Number(month) - 1, Number(day));
  if (hours === undefined) return midnight / DAY_MS + 0.5;
  const offset = (Number(offsetHours ?? 0) * 60 + Number(offsetMinutes ?? 0)) * (sign === '-' ? -1 : 1);
  return midnight / DAY_MS + (Number(hours) * 60 + Number(minutes) - offset) / 1440 + Number(seconds ?? 0) / 86_400;
}
