import { DAY_MIN } from '../../quantity';
import type { Day } from '../shape';
import { minuteAt } from './clock';

/** From one minute of a plan to another. */
export interface Span {
  readonly fromMin: number;
  readonly toMin: number;
}

/**
 * Clock hours of every day as spans of a plan: from 18:00 to 07:00 is through each night. Those that touch are one.
 *
 * @example dailySpans({ date: '2026-01-12', days: 1 }, 420, 1320) // [{ fromMin: 420, toMin: 1320 }, …]
 */
export function dailySpans(day: Pick<Day, 'date' | 'zone' | 'days'>, from = 0, to = DAY_MIN): readonly Span[] {
  const spans: Span[] = [];
  // the day before reaches into the first, and the last night is one more
  for (let index = -1; index <= day.days; index++) {
    const fromMin = Math.max(0, minuteAt(day, index, from));
    const toMin = minuteAt(day, to > from ? index : index + 1, to);
    const last = spans.at(-1);
    if (toMin <= fromMin) continue;
    if (last && last.toMin >= fromMin) spans[spans.length - 1] = { ...last, toMin };
    else spans.push({ fromMin, toMin });
  }
  return spans;
}

/** Whether a minute is in one of them; the end of one is not. */
export function isDuring(spans: readonly Span[], minute: number): boolean {
  return spans.some(({ fromMin, toMin }) => minute >= fromMin && minute < toMin);
}

/** Minutes that two spans share. */
export function overlap(a: Span, b: Span): number {
  return Math.max(0, Math.min(a.toMin, b.toMin) - Math.max(a.fromMin, b.fromMin));
}

/** What of a span is in none of some others, in the order of time. */
export function without(span: Span, others: readonly Span[]): readonly Span[] {
  const whole = span.toMin > span.fromMin ? [span] : [];
  return others.reduce<readonly Span[]>(
    (rest, other) =>
      rest.flatMap(({ fromMin, toMin }) =>
        [
          { fromMin, toMin: Math.min(toMin, other.fromMin) },
          { fromMin: Math.max(fromMin, other.toMin), toMin },
        ].filter((one) => one.toMin > one.fromMin),
      ),
    whole,
  );
}
