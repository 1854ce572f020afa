import { DAY_S } from '../../quantity';
const HALF_DAY_H = 12;
/** No date is longer. */
const LONGEST = 60;

/** A clock anywhere in a text: hours, minutes, seconds, their fraction (by a point, a comma or a third colon), AM or PM. */
const CLOCK = /(\d{1,4}):(\d{2})(?::(\d{2}))?(?:[.,:](\d+))?\s*([ap])?(?:\.?\s?m\.?)?/i;
const WHOLE_CLOCK = /^\d{1,4}:\d{2}(:\d{2})?([.,:]\d+)?\s*([ap]\.?\s?m\.?)?$/i;
/** `1h02m03.5s`, or less of it. */
const SPOKEN = /^(?=.*\d\s*(?:h|m))(?:(\d+)\s*h)?\s*(?:(\d+)\s*m(?:in)?)?\s*(?:(\d+(?:[.,]\d+)?)\s*s(?:ec)?)?$/i;
/** `20260107T100000.5`. */
const COMPACT = /^(\d{4})(\d{2})(\d{2})[T _-]?([0-2]\d)([0-5]\d)([0-5]\d(?:[.,]\d+)?)(z|[+-]\d{2}:?\d{2})?$/i;
const ZONE = /(z|[+-]\d{2}:?\d{2})$/i;

/** First letters of the months, of what loggers speak: English, German, French, Spanish, Italian, Norwegian. */
const MONTHS: readonly RegExp[] = [
  /^(jan|ene|gen)/,
  /^(feb|fev)/,
  /^(mar|mrz)/,
  /^(apr|avr|abr)/,
  /^(may|mai|mag)/,
  /^(jun|juin|giu)/,
  /^(jul|juil|lug)/,
  /^(aug|aou|ago)/,
  /^(sep|set)/,
  /^(oct|okt|ott)/,
  /^(nov)/,
  /^(dec|dez|dic|des)/,
];

/** Which of the first two of a date's three numbers is the day, where the year is last. */
export type DateOrder = 'day' | 'month';

export function isClock(text: string): boolean {
  if (text.length > LONGEST) return false;
  return WHOLE_CLOCK.test(text) || SPOKEN.test(text);
}

/** With or without a clock. Three numbers, or two and a month's name. */
export function isDate(text: string): boolean {
  if (text.length > LONGEST) return false;
  return (['day', 'month'] as const).some((order) => Number.isFinite(new DateReader(order).seconds(text)));
}

/** Of a date: that a time of the day stands with it. */
export function hasClock(text: string): boolean {
  return CLOCK.test(text) || COMPACT.test(text.trim());
}

/** A date that may be read two ways: `03/04/2026`. Points are a day's, everywhere. */
export function isEitherWay(text: string): boolean {
  const parts = partsOf(text.replace(CLOCK, ' '));
  if (!parts || parts.month !== undefined || /\d\.\s?\d/.test(text.replace(CLOCK, ' '))) return false;
  const [one, two] = parts.numbers;
  return !parts.yearFirst && one! <= 12 && two! <= 12;
}

/** That the second of a date's numbers is a day, as no year has so many months. */
export function isMonthFirst(text: string): boolean {
  const parts = partsOf(text.replace(CLOCK, ' '));
  return parts !== undefined && parts.month === undefined && !parts.yearFirst && parts.numbers[1]! > 12;
}

/**
 * A clock as seconds: `1:02:03.5`, `1:02:03:500`, `10:02:03 PM`; `62:03.5` as minutes and seconds, unless two parts are
 * said to be hours and minutes. NaN where it is none.
 *
 * @example clockSeconds('1:02:03.5 PM') // 46923.5
 */
export function clockSeconds(text: string, hoursAndMinutes = false): number {
  if (text.length > LONGEST) return Number.NaN;
  if (WHOLE_CLOCK.test(text)) return secondsOf(CLOCK.exec(text)!, hoursAndMinutes);
  const [found, hours = 0, minutes = 0, seconds = '0'] = SPOKEN.exec(text) ?? [];
  return found === undefined ? Number.NaN : Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds.replace(',', '.'));
}

function secondsOf([, one, two, three, fraction, half]: RegExpExecArray, hoursAndMinutes: boolean): number {
  const small = fraction === undefined ? 0 : Number(`0.${fraction}`);
  const isHours = three !== undefined || half !== undefined || (hoursAndMinutes && fraction === undefined);
  if (!isHours) return Number(one) * 60 + Number(two) + small;
  const hours = half === undefined ? Number(one) : (Number(one) % HALF_DAY_H) + (half.toLowerCase() === 'p' ? HALF_DAY_H : 0);
  return hours * 3600 + Number(two) * 60 + Number(three ?? 0) + small;
}

interface DateParts {
  /** In the order they stand, without a month's name. */
  readonly numbers: readonly number[];
  readonly month: number | undefined;
  readonly yearFirst: boolean;
}

function partsOf(text: string): DateParts | undefined {
  const plain = text
    .normalize('NFD')
    .replaceAll(/[\u0300-\u036f]/g, '')
    .toLowerCase();
  const words = plain.match(/[a-z]+|\d+/g) ?? [];
  // `T` parts date and clock; a weekday says nothing more
  const names = words.filter((word) => /^[a-z]{3}/.test(word)).map((word) => MONTHS.findIndex((month) => month.test(word)));
  const month = names.find((place) => place >= 0);
  const written = words.filter((word) => /^\d/.test(word));
  if (written.some((word) => word.length > 4) || written.length !== (month === undefined ? 3 : 2)) return undefined;
  if (month === undefined && (names.length > 0 || !/^\D*\d+\s?[-/.\s]\s?\d+\s?[-/.\s]\s?\d+/.test(plain))) return undefined;
  const numbers = written.map(Number);
  return { numbers, month, yearFirst: written[0]!.length === 4 || numbers[0]! > 31 };
}

/** Dates and clocks as seconds since 1970, as if in UTC where no zone stands. The day's part of a text is read once for all rows that share it. */
export class DateReader {
  private lastText = '';
  private lastDay = Number.NaN;

  constructor(private readonly order: DateOrder) {}

  /**
   * `2026-01-07T10:00:00.5+01:00`, `07.01.2026 10:00`, `1/7/26 10:00:00 PM`, `7 Jan 2026, 10:00:00`. NaN where it is none.
   */
  seconds(text: string): number {
    if (text.length > LONGEST) return Number.NaN;
    const clock = CLOCK.exec(text);
    if (!clock) return compactSeconds(text) ?? this.day(text) * DAY_S;
    const behind = text.slice(clock.index + clock[0].length);
    const zone = ZONE.exec(behind);
    const day = this.day(text.slice(0, clock.index) + (zone ? behind.slice(0, zone.index) : behind));
    return day * DAY_S + secondsOf(clock, true) - (zone ? offsetS(zone[0]) : 0);
  }

  /** Days since 1970 of a date alone. */
  day(text: string): number {
    if (text.length > LONGEST) return Number.NaN;
    if (text !== this.lastText) {
      this.lastText = text;
      this.lastDay = this.dayOf(text);
    }
    return this.lastDay;
  }

  private dayOf(text: string): number {
    const compact = /^\s*(\d{4})(\d{2})(\d{2})[T_\s]*$/.exec(text);
    const parts = compact ? { numbers: compact.slice(1).map(Number), month: undefined, yearFirst: true } : partsOf(text);
    if (!parts) return Number.NaN;
    const [one, two, three] = parts.numbers;
    const fullYear = (year: number): number => (year < 100 ? 2000 + year : year);
    const [year, month, day] =
      parts.month !== undefined
        ? parts.yearFirst
          ? [one!, parts.month + 1, two!]
          : [two!, parts.month + 1, one!]
        : parts.yearFirst
          ? [one!, two!, three!]
          : this.order === 'day'
            ? [three!, two!, one!]
            : [three!, one!, two!];
    if (month < 1 || month > 12 || day < 1 || day > 31) return Number.NaN;
    return Date.UTC(fullYear(year), month - 1, day) / 1000 / DAY_S;
  }
}

function compactSeconds(text: string): number | undefined {
  const [found, year, month, day, hours, minutes, seconds = '0', zone] = COMPACT.exec(text.trim()) ?? [];
  if (found === undefined || Number(month) > 12 || Number(day) > 31) return undefined;
  const whole = Date.UTC(Number(year), Number(month) - 1, Number(day), Number(hours), Number(minutes)) / 1000;
  return whole + Number(seconds.replace(',', '.')) - (zone === undefined ? 0 : offsetS(zone));
}

function offsetS(zone: string): number {
  if (/z/i.test(zone)) return 0;
  const [, sign, hours, minutes] = /([+-])(\d{2}):?(\d{2})/.exec(zone)!;
  return (sign === '-' ? -60 : 60) * (Number(hours) * 60 + Number(minutes));
}
