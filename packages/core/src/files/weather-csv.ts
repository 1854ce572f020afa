import { COLDEST_HOUR_C, isInPlan, minuteAt, readClock } from '../day/model';
import type { Day, Weather } from '../day/shape';
import { issue } from '../issue';
import type { Issue } from '../issue';
import { DAY_MS, parseQuantity } from '../quantity';
import Papa from 'papaparse';

export interface ReadWeather {
  readonly weather: Weather | undefined;
  /** By line and column; the head is line 1. */
  readonly issues: readonly Issue[];
}

/**
 * Reads a table of temperatures with the columns `time` and `temperature` (or `temperatureC`, `temperatureF`), decimal
 * commas allowed: times as the clocks there show them, `2026-01-12 06:00`, or `06:00` of the first day. Never throws.
 *
 * @example weatherFromCsv('', day, 'typed').issues[0].message // '1: expected columns time, temperature; got an empty text.'
 */
export function weatherFromCsv(csv: string, day: Pick<Day, 'date' | 'zone' | 'days'>, source: string): ReadWeather {
  const { data, meta } = Papa.parse<Record<string, string>>(csv.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => head.trim(),
  });
  const column = meta.fields?.find((name) => /^temperature ?\(?°?[CF]?\)?$/i.test(name));
  if (!meta.fields?.includes('time') || column === undefined)
    return { weather: undefined, issues: [issue('/1', 'no-column', 'columns time, temperature', (meta.fields ?? []).join(', '))] };
  const unit = /F\)?$/.test(column) ? '°F' : '°C';
  const issues: Issue[] = [];
  const hours = data.flatMap((row, index) => {
    const [time, degrees] = [(row['time'] ?? '').trim(), (row[column] ?? '').trim()];
    const atMin = minuteOfText(time, day);
    const read = parseQuantity(/[a-z°]/i.test(degrees) ? degrees : `${degrees} ${unit}`, 'C');
    if (atMin === undefined) issues.push(issue(`/${index + 2}/time`, 'bad-cell', 'a time such as 2026-01-12 06:00', time));
    if (!read.ok) issues.push(issue(`/${index + 2}/${column}`, 'bad-cell', 'a temperature such as -4 °C', degrees));
    if (atMin === undefined || !read.ok) return [];
    if (read.value < COLDEST_HOUR_C || read.value > 60) {
      issues.push(issue(`/${index + 2}/${column}`, 'out-of-range', 'a temperature from -40 to 60 °C', degrees));
      return [];
    }
    return isInPlan(atMin, day) ? [{ atMin, temperatureC: read.value }] : [];
  });
  if (hours.length === 0 && issues.length === 0)
    issues.push(issue('/2/time', 'bad-cell', `times from ${day.date} on, within the plan`, data[0]?.['time'] ?? ''));
  const sorted = hours.sort((a, b) => a.atMin - b.atMin);
  return { weather: hours.length > 0 ? { source, date: day.date, hours: sorted } : undefined, issues };
}

function minuteOfText(typed: string, day: Pick<Day, 'date' | 'zone'>): number | undefined {
  const [, date, clock] = /^(?:(\d{4}-\d\d-\d\d)[T ]+)?(\d{1,2}[:.]?\d{0,2})(?::\d\d)?$/.exec(typed) ?? [];
  const read = clock === undefined ? undefined : readClock(clock);
  if (!read?.ok) return undefined;
  const days = date === undefined ? 0 : Math.round((Date.parse(date) - Date.parse(day.date)) / DAY_MS);
  return Number.isFinite(days) && Math.abs(days) < 400 ? minuteAt(day, days, read.value) : undefined;
}
