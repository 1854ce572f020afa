import type { Issue } from '../../issue';
import type { MeterColumns } from '../log';
import { findTable, firstNoFigure } from './find-table';
import type { FoundTable } from './find-table';
import { linesOf } from './lines';
import { candidateOf, channelOf, isRising, timeCandidate } from './name-columns';
import type { Candidate } from './name-columns';
import { refusal } from './refusal';
import { isClock, isDate, isEitherWay, isMonthFirst } from './times';
import { unitOf } from './units';
import type { ColumnRole } from './units';

export type MeterColumn = MeterColumns['columns'][number];
type TimeForm = MeterColumns['timeForm'];

/** What the first lines do not say, so that a person is asked. */
export type ColumnDoubt = 'day-or-month' | 'minutes-or-hours' | 'step' | 'volts';

/** Of several columns that could have been taken for the same, which one was, and which were left. */
export interface ColumnChoice {
  readonly role: ColumnRole;
  readonly taken: string;
  readonly left: readonly string[];
}

export interface GuessedColumns {
  readonly columns: MeterColumns;
  readonly doubts: readonly ColumnDoubt[];
  readonly choices: readonly ColumnChoice[];
}
export type ColumnsGuess = ({ readonly ok: true } & GuessedColumns) | { readonly ok: false; readonly issue: Issue };

const NAME_LENGTH = 120;
const MAKE_LENGTH = 2000;
/** A line that says how far apart rows are is no longer. */
const LONGEST_SAYING = 300;
/** A column that was set and not measured is taken only when a person says so. */
const LEAST_SCORE = 0;
/** From this watts are measured ones, not the highest or the lowest. */
const MEASURED = 3;

/**
 * How a meter's file is most likely to be read, from its first lines: which sign parts the columns, which the decimals,
 * where the figures begin, and which column holds what, by its name, its unit and its values. What was measured goes before
 * what was set, watts before volts with amps, those before counters. `doubts` are what a person must say.
 *
 * Errors: `no-table` where no two lines hold the same number of figures, `no-power` where there is nothing to work watts
 * out from.
 *
 * @example guessColumns('Zeit;Strom [mA];Spannung [V]\n0,0;812;7,91\n0,5;820;7,90').columns.columns[1].scale // 0.001
 */
export function guessColumns(sample: string): ColumnsGuess {
  const lines = linesOf(sample);
  const table = findTable(lines);
  if (!table) return { ok: false, issue: noTable(lines) };
  const { delimiter, line, rows, names } = table;
  const decimal = decimalOf(table);
  const candidates = names.map((name, place) => candidateOf(name.slice(0, NAME_LENGTH), columnAt(table, place), decimal));
  if (!candidates.some(({ role }) => role === 'time')) {
    // nobody named a time: the first column that rises like one
    const rising = candidates.findIndex(
      ({ role, isNumbers }, place) => role === 'none' && !isNumbers && isRising(columnAt(table, place), decimal),
    );
    if (rising >= 0) candidates[rising] = timeCandidate(columnAt(table, rising), decimal);
  }
  const { roles, choices } = taken(names, candidates);
  const date = roles.indexOf('date');
  if (date >= 0 && !isOfUse(table, date, roles.indexOf('time'))) roles[date] = 'none';
  const has = (role: ColumnRole): boolean => roles.includes(role);
  const isKnown =
    has('power') || has('energy') || ((has('voltage') || has('current') || has('charge')) && (has('current') || has('charge')));
  if (!isKnown) {
    const isNamed = names.some((name) => name !== '');
    const place = {
      line: isNamed ? line : line + 1,
      column: `${names.length} columns`,
      expected: 'watts, volts with amps, or a counter of Wh or mAh',
      got: (isNamed ? names : rows[0]!).join(', '),
    };
    return { ok: false, issue: refusal('no-power', 'No column says what was drawn.', place, lines) };
  }
  const columns = names.map((name, place): MeterColumn => {
    const role = roles[place]!;
    return { name: name.slice(0, NAME_LENGTH), role, scale: role === 'none' ? 1 : candidates[place]!.scale };
  });
  const times = timesOf(table, roles);
  const doubts: ColumnDoubt[] = [...times.doubts];
  const stepS = times.form === 'number' && !has('time') ? stepSaid(lines.slice(0, line)) : undefined;
  if (!has('time') && !has('date') && stepS === undefined) doubts.push('step');
  if (!has('power') && !has('energy') && !has('voltage')) doubts.push('volts');
  return {
    ok: true,
    columns: {
      delimiter,
      decimal,
      headerLines: line,
      timeForm: times.form,
      columns,
      ...(stepS !== undefined && { stepS }),
      make: makeOf(table),
    },
    doubts,
    choices,
  };
}

/** A day beside each clock, or days that go on; not one beside seconds since the beginning, or the same all along. */
function isOfUse(table: FoundTable, date: number, time: number): boolean {
  const clocks = time < 0 ? [] : columnAt(table, time).filter((value) => value !== '');
  return time < 0 ? new Set(columnAt(table, date)).size > 1 : clocks.every((value) => isClock(value));
}

/** Seconds from row to row as a head says it: `Interval: 0.5 s`, `Sample rate 10 Hz`. */
function stepSaid(heads: readonly string[]): number | undefined {
  for (const head of heads.filter(({ length }) => length < LONGEST_SAYING)) {
    const every =
      /(?:interval|period|sample time|sampling time|abtastintervall|messintervall|every|dt)\W*?([\d.,]+)\s*(ms|s|sec|seconds?|min)\b/i.exec(
        head,
      );
    if (every) return Number(every[1]!.replace(',', '.')) * unitOf(every[2]!)![1];
    const rate = /(?:rate|frequency|abtastrate|frequenz)\W*?([\d.,]+)\s*(k?)(?:hz|s\/s|sa\/s|samples\/s)/i.exec(head);
    if (rate) return 1 / (Number(rate[1]!.replace(',', '.')) * (rate[2] ? 1000 : 1));
  }
  return undefined;
}

/** Why there is no table: the first place that is no figure, and how the file begins. */
function noTable(lines: readonly string[]): Issue {
  const broken = firstNoFigure(lines);
  const place = broken && { ...broken, column: `column ${broken.column}`, expected: 'a figure' };
  return refusal('no-table', 'No table was found: expected rows of figures apart by commas, semicolons, tabs or blanks.', place, lines);
}

function columnAt({ rows }: FoundTable, place: number): readonly string[] {
  return rows.map((row) => row[place]!);
}

/** What marks files of one make: what stands over their columns, whatever else their heads say. */
function makeOf({ names, delimiter }: FoundTable): string {
  return `${names.length}${delimiter}${names.join(delimiter)}`.slice(0, MAKE_LENGTH);
}

/** A comma with three digits behind it parts thousands only where smaller numbers stand without one. */
function decimalOf({ rows, delimiter }: FoundTable): MeterColumns['decimal'] {
  const fields = rows.flat().filter((field) => !isDate(field));
  if (delimiter === ',' && !fields.some((field) => field.includes(','))) return '.';
  if (fields.some((field) => /\d,\d{3}[.]\d|^[-+]?\d*\.\d+\D*$/.test(field) && !/^[-+]?\d{1,3}(\.\d{3})+\D*$/.test(field))) return '.';
  if (fields.some((field) => /\d\.\d{3},\d/.test(field))) return ',';
  const isMixed = (grouped: RegExp): boolean =>
    rows[0]!.some((_, place) => rows.some((row) => grouped.test(row[place]!)) && rows.some((row) => /^[-+]?\d{1,3}$/.test(row[place]!)));
  const points = fields.filter((field) => /\d\.\d/.test(field));
  if (points.length > 0) return isMixed(/^[-+]?[1-9]\d{0,2}(\.\d{3})+$/) ? ',' : '.';
  const commas = fields.filter((field) => /^[-+]?\d+,\d+\D*$/.test(field));
  if (commas.length === 0) return '.';
  if (commas.some((field) => !/^[-+]?[1-9]\d{0,2},\d{3}(\D.*)?$/.test(field))) return ',';
  return isMixed(/,/) ? '.' : ',';
}

/** Of each role the column that speaks most for it; volts and amps of one channel. */
function taken(
  names: readonly string[],
  candidates: readonly Candidate[],
): { readonly roles: ColumnRole[]; readonly choices: readonly ColumnChoice[] } {
  const roles: ColumnRole[] = names.map(() => 'none');
  const choices: ColumnChoice[] = [];
  const of = (role: ColumnRole): readonly number[] =>
    [...candidates.keys()].filter((place) => candidates[place]!.role === role && candidates[place]!.score >= LEAST_SCORE);
  const take = (role: ColumnRole, score = (place: number): number => candidates[place]!.score): number | undefined => {
    const places = [...of(role)].sort((a, b) => score(b) - score(a) || a - b);
    const [first] = places;
    if (first === undefined) return undefined;
    roles[first] = role;
    const left = [...candidates.keys()].filter((place) => place !== first && candidates[place]!.role === role);
    if (left.length > 0) choices.push({ role, taken: names[first]!, left: left.map((place) => names[place]!) });
    return first;
  };
  take('time');
  take('date');
  const best = (role: ColumnRole): number => Math.max(-Infinity, ...of(role).map((place) => candidates[place]!.score));
  const pair = Math.min(best('voltage'), best('current'));
  // watts that were set say less than volts and amps that were measured
  if (best('power') > -Infinity && best('power') >= Math.min(pair, MEASURED)) {
    take('power');
    return { roles, choices };
  }
  if (pair > -Infinity) {
    const volts = take('voltage')!;
    const channel = channelOf(names[volts]!);
    take('current', (place) => candidates[place]!.score + (channelOf(names[place]!) === channel ? 4 : 0));
    return { roles, choices };
  }
  if (of('energy').length > 0) take('energy');
  else {
    take(of('current').length > 0 ? 'current' : 'charge');
    take('voltage');
  }
  return { roles, choices };
}

function timesOf(table: FoundTable, roles: readonly ColumnRole[]): { readonly form: TimeForm; readonly doubts: readonly ColumnDoubt[] } {
  const [time, date] = [roles.indexOf('time'), roles.indexOf('date')];
  const values = time < 0 ? [] : columnAt(table, time).filter((value) => value !== '');
  const dates = (date < 0 ? values : columnAt(table, date)).filter((value) => isDate(value));
  const order = dates.some((value) => isMonthFirst(value)) ? 'month' : 'day';
  const isOpen = dates.length > 0 && order === 'day' && dates.every((value) => isEitherWay(value));
  const doubts: ColumnDoubt[] = isOpen ? ['day-or-month'] : [];
  if (values.length > 0 && values.every((value) => isDate(value))) return { form: order === 'month' ? 'date-month' : 'date', doubts };
  if (values.length === 0 || !values.every((value) => isClock(value))) {
    return { form: dates.length > 0 && date >= 0 ? (order === 'month' ? 'date-month' : 'date') : 'number', doubts };
  }
  if (date >= 0) return { form: order === 'month' ? 'date-month' : 'date', doubts };
  // two parts: minutes and seconds, or hours and minutes
  const name = table.names[time]!.toLowerCase();
  const isShort = values.every((value) => /^\d{1,2}:\d{2}$/.test(value));
  if (!isShort || /m+:s|min|elapsed/.test(name)) return { form: 'clock', doubts };
  if (/h+:m/.test(name)) return { form: 'clock-hours', doubts };
  return { form: 'clock', doubts: values.every((value) => Number(value.split(':')[0]) < 24) ? ['minutes-or-hours'] : [] };
}
