import { issue } from '../../issue';
import type { Issue } from '../../issue';
import type { meterColumnsShape } from '../log';
import type { Infer } from '../../shape';

export type MeterColumns = Infer<typeof meterColumnsShape>;
export type MeterColumn = MeterColumns['columns'][number];
/** What a column holds. */
export type ColumnRole = MeterColumn['role'];
type TimeForm = MeterColumns['timeForm'];

export type GuessedColumns = { readonly ok: true; readonly value: MeterColumns } | { readonly ok: false; readonly issue: Issue };

/** Header lines that are looked through before a file is called no table. */
const MOST_HEADER_LINES = 60;
const DELIMITERS = [';', '\t', ','] as const;

const NAMES: readonly (readonly [ColumnRole, RegExp])[] = [
  ['time', /^(time|zeit|t|date|datum|timestamp|elapsed|seconds?|sec|ms|clock|heure|temps|hora|tid)\b/i],
  ['voltage', /^(volt|voltage|spannung|tension|u|v|vbus|volts?|spenning)\b/i],
  ['current', /^(curr|current|strom|courant|i|a|ibus|amps?|ampere|str[øo]m)\b/i],
  ['power', /^(pow|power|leistung|puissance|p|w|watts?|effekt)\b/i],
];
/** In brackets behind a name, or the name itself. */
const UNITS: readonly (readonly [ColumnRole, RegExp, number])[] = [
  ['voltage', /\b(mV)\b/, 0.001],
  ['voltage', /\bV\b/, 1],
  ['current', /\b(mA)\b/, 0.001],
  ['current', /\b([uµ]A)\b/, 1e-6],
  ['current', /\bA\b/, 1],
  ['power', /\b(mW)\b/, 0.001],
  ['power', /\bW\b/, 1],
  ['time', /\b(ms|millis\w*)\b/i, 0.001],
  ['time', /\b(us|µs)\b/i, 1e-6],
  ['time', /\b(min|minutes?)\b/i, 60],
  ['time', /\b(h|hours?)\b/i, 3600],
  ['time', /\b(s|sec|seconds?)\b/i, 1],
];
const CLOCK = /^\d{1,3}:\d{2}(:\d{2}([.,]\d+)?)?$/;
const DATE =
  /^(\d{4}[-/.]\d{1,2}[-/.]\d{1,2}|\d{1,2}[-/.]\d{1,2}[-/.]\d{2,4})([ T]+\d{1,2}:\d{2}(:\d{2}([.,]\d+)?)?(Z|[+-]\d{2}:?\d{2})?)?$/;

/**
 * How a meter's file is most likely to be read, from its first lines: which sign parts the columns, which the decimals,
 * where the figures begin, and which column holds what, by its name and unit.
 *
 * Errors: `no-table` where no two lines hold the same number of figures, `no-power` where neither watts, nor volts with
 * amps can be found.
 *
 * @example guessColumns('Zeit;Strom [mA];Spannung [V]\n0,0;812;7,91\n0,5;820;7,90').value.columns[1].scale // 0.001
 */
export function guessColumns(sample: string): GuessedColumns {
  const lines = sample.replace(/^\ufeff/, '').split(/\r\n|\n|\r/).slice(0, MOST_HEADER_LINES + 20); // prettier-ignore
  const delimiter = DELIMITERS.map((sign) => ({ sign, first: firstRow(lines, sign) }))
    .filter(({ first }) => first !== undefined)
    .sort((a, b) => b.first!.fields - a.first!.fields)[0];
  if (!delimiter?.first)
    return { ok: false, issue: issue('', 'no-table', 'rows of figures apart by commas, semicolons or tabs', lines[0]) };
  const { sign, first } = delimiter;
  const rows = lines.slice(first.line).filter((line) => line.trim() !== '').map((line) => fieldsOf(line, sign)); // prettier-ignore
  const decimal = sign !== ',' && rows.some((row) => row.some((field) => /^[+-]?\d+,\d+$/.test(field))) ? ',' : '.';
  const header = first.line > 0 ? fieldsOf(lines[first.line - 1]!, sign) : [];
  const names = rows[0]!.map((_, index) => header[index]?.trim() ?? '');
  const columns = names.map((name, index) => columnOf(name, rows.map((row) => row[index] ?? ''))); // prettier-ignore
  const named = withoutRepeats(columns);
  const has = (role: ColumnRole): boolean => named.some((column) => column.role === role);
  if (!has('power') && !(has('voltage') && has('current')))
    return { ok: false, issue: issue('', 'no-power', 'a column of watts, or one of volts and one of amps', names.join(', ')) };
  const time = named.findIndex(({ role }) => role === 'time');
  const sampleTime = time < 0 ? '' : (rows[0]![time] ?? '');
  const timeForm: TimeForm = CLOCK.test(sampleTime) ? 'clock' : DATE.test(sampleTime) ? 'date' : 'number';
  return { ok: true, value: { delimiter: sign, decimal, headerLines: first.line, timeForm, columns: named } };
}

function fieldsOf(line: string, delimiter: string): string[] {
  return line.split(delimiter).map((field) => field.trim().replace(/^"(.*)"$/, '$1').trim()); // prettier-ignore
}

function isFigure(field: string): boolean {
  return /^[+-]?\d+([.,]\d+)?([eE][+-]?\d+)?$/.test(field) || CLOCK.test(field) || DATE.test(field);
}

/** The first line from which two rows on hold the same number of fields, most of them figures. */
function firstRow(lines: readonly string[], delimiter: string): { readonly line: number; readonly fields: number } | undefined {
  for (let line = 0; line < Math.min(lines.length, MOST_HEADER_LINES); line++) {
    const fields = fieldsOf(lines[line]!, delimiter);
    const figures = fields.filter(isFigure).length;
    if (fields.length < 2 || figures < 2 || figures < fields.length / 2) continue;
    const next = lines.slice(line + 1).find((one) => one.trim() !== '');
    if (next === undefined || fieldsOf(next, delimiter).length === fields.length) return { line, fields: fields.length };
  }
  return undefined;
}

function columnOf(written: string, values: readonly string[]): MeterColumn {
  const name = spaced(written);
  const byName = NAMES.find(([, pattern]) => pattern.test(name))?.[0];
  const unit = UNITS.find(([role, pattern]) => (byName === undefined || role === byName) && pattern.test(name));
  const isTime = values.some((value) => CLOCK.test(value) || DATE.test(value));
  // energy and charge counters bear the same letters as power and current
  const counter = /\b(m?[WA]h|mAh|Wh|energy|charge|capacity|energie|ladung|kapazit)/i.test(name);
  const role: ColumnRole = counter ? 'none' : isTime ? 'time' : (byName ?? unit?.[0] ?? 'none');
  return { name: written.slice(0, 120), role, scale: role === 'none' ? 1 : (unit?.[2] ?? 1) };
}

/** `time_s`, `voltageV` and `current (A)` are words and their units. */
function spaced(name: string): string {
  return name.replaceAll('_', ' ').replaceAll(/([a-z]{3})([A-Z])/g, '$1 $2');
}

/** The first column of each role has it. */
function withoutRepeats(columns: readonly MeterColumn[]): readonly MeterColumn[] {
  const seen = new Set<ColumnRole>();
  return columns.map((column) => {
    if (column.role === 'none' || !seen.has(column.role)) {
      seen.add(column.role);
      return column;
    }
    return { ...column, role: 'none', scale: 1 };
  });
}
