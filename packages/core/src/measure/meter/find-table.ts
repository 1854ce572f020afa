import type { MeterColumns } from '../log';
import { isComment, isRule } from './lines';
import { fieldsOf, isMarker, readFigure } from './row-fields';
import { isClock, isDate } from './times';
import { unitOf } from './units';

type Delimiter = MeterColumns['delimiter'];

/** A table in the first lines of a file. */
export interface FoundTable {
  readonly delimiter: Delimiter;
  /** Of its first row of figures, among all lines. */
  readonly line: number;
  /** Its rows, as far as they were looked at. */
  readonly rows: readonly (readonly string[])[];
  /** What stands over each column: the lines of words just above, one after the other. */
  readonly names: readonly string[];
}

/** Header lines that are looked through before a file is called no table. */
const MOST_HEADER_LINES = 250;
const MOST_ROWS = 200;
const MOST_COLUMNS = 100;
/** A head is of two lines at most: names, and their units. */
const MOST_HEAD = 2;
const LONGEST_HEAD = 5000;
const DELIMITERS: readonly Delimiter[] = [';', '\t', ',', '|', ' '];
/** Of a row's fields, figures; of the rows that follow, as long as the first. */
const MOSTLY = 0.5;

/** Whether a field is what a table of figures is made of. */
export function isFigure(field: string): boolean {
  if (isMarker(field) || isClock(field) || isDate(field)) return true;
  return [',', '.'].some((decimal) => {
    const { value, unit } = readFigure(field, decimal);
    return Number.isFinite(value) && (unit === '' || unitOf(unit) !== undefined);
  });
}

/** The table that most of the lines are rows of; undefined where there is none. */
export function findTable(lines: readonly string[]): FoundTable | undefined {
  let best: { readonly table: FoundTable; readonly score: number } | undefined;
  for (const delimiter of DELIMITERS) {
    const table = tableBy(lines, delimiter);
    if (!table) continue;
    const fields = table.rows.flat();
    const figures = fields.filter((field) => isFigure(field)).length / fields.length;
    // rows that hold figures throughout; of two ways to cut them, the one with more of them
    const score = table.rows.length * figures ** 2 * (1 + 0.01 * Math.min(table.rows[0]!.length, 20)) * (table.rows[0]!.length > 1 ? 2 : 1);
    if (!best || score > best.score) best = { table, score };
  }
  return best?.table;
}

function tableBy(lines: readonly string[], delimiter: Delimiter): FoundTable | undefined {
  const cut = lines
    .slice(0, MOST_HEADER_LINES + MOST_ROWS)
    .map((line) => (line.trim() === '' || isComment(line) ? undefined : fieldsOf(line, delimiter)));
  for (const [line, fields] of cut.slice(0, MOST_HEADER_LINES).entries()) {
    if (!fields || fields.length > MOST_COLUMNS || !isRow(fields)) continue;
    const behind = cut.slice(line, line + MOST_ROWS).filter((one) => one !== undefined);
    const rows = behind.filter((one) => one.length === fields.length && isRow(one));
    // a line of figures alone among words is none of a table; two rows are one
    if (behind.length > 1 && rows.length < Math.max(2, MOSTLY * behind.length)) continue;
    // `Channel;1;2` stands over a table, it is no row of it
    if (
      rows.length > 2 &&
      fields.some((field, place) => !isFigure(field) && field !== '' && rows.every((row, at) => at === 0 || isFigure(row[place]!)))
    )
      continue;
    return { delimiter, line, rows, names: namesAbove(lines, line, rows, delimiter) };
  }
  return undefined;
}

function isRow(fields: readonly string[]): boolean {
  const filled = fields.filter((field) => field !== '');
  const figures = filled.filter((field) => isFigure(field)).length;
  return figures >= Math.min(2, fields.length) && figures >= MOSTLY * filled.length;
}

/** Heads may be said to be comments: `# time volts amps`. */
function namesAbove(lines: readonly string[], line: number, rows: readonly (readonly string[])[], delimiter: Delimiter): readonly string[] {
  const count = rows[0]!.length;
  const heads: (readonly string[])[] = [];
  for (let at = line - 1; at >= 0 && heads.length < MOST_HEAD; at--) {
    const text = lines[at]!;
    if (text.trim() === '' || isRule(text)) continue;
    const fields = headOf(isComment(text) ? text.replace(/^\s*"?(#|\/\/|%|!)\s*/, '') : text, rows, delimiter);
    if (!fields || fields.every((field) => field === '')) break;
    // one line of names is enough; the line above it counts only over a line of units
    if (heads.length > 0 && !heads[0]!.every((field) => isUnit(field))) break;
    heads.unshift(fields);
  }
  return Array.from({ length: count }, (_, place) =>
    heads
      .map((fields) => fields[place]!)
      .filter((name) => name !== '')
      .join(' '),
  );
}

/** A head as long as its rows, however it is parted; undefined where it is none. A row may end in one sign more. */
function headOf(text: string, rows: readonly (readonly string[])[], delimiter: Delimiter): readonly string[] | undefined {
  if (text.length > LONGEST_HEAD) return undefined;
  const count = rows[0]!.length;
  const isEndless = rows.every((row) => row[count - 1] === '');
  const ways = [
    fieldsOf(text, delimiter),
    // blanks in names: `Current (A)`, and columns two blanks apart
    fieldsOf(text.replaceAll(/\s+(?=[[(])/g, ''), delimiter),
    text.trim().split(/\s{2,}/),
    ...DELIMITERS.filter((other) => other !== delimiter && other !== ' ').map((other) => fieldsOf(text, other)),
  ];
  const whole = ways.find(({ length }) => length === count);
  if (whole) return whole;
  const short = isEndless ? ways.find(({ length }) => length === count - 1) : undefined;
  return short && [...short, ''];
}

/** `V`, `[mA]`, `(s)`, or nothing. */
function isUnit(field: string): boolean {
  const bare = field.replaceAll(/[[\](){}]/g, '').trim();
  return bare === '' || unitOf(bare) !== undefined || /^(h+:m+(:s+)?|°?[CF]|%|hz|-)$/i.test(bare);
}

/** Where lines are cut into as many fields as the one above, the first of them that is no figure. */
export function firstNoFigure(
  lines: readonly string[],
): { readonly line: number; readonly column: number; readonly got: string } | undefined {
  for (const delimiter of DELIMITERS.filter((one) => one !== ' ')) {
    const cut = lines.slice(0, MOST_HEADER_LINES).map((line) => fieldsOf(line, delimiter));
    const at = cut.findIndex(
      (fields, line) =>
        line > 0 && fields.length > 1 && fields.length === cut[line - 1]!.length && fields.some((field) => !isFigure(field)),
    );
    if (at < 0) continue;
    const place = cut[at]!.findIndex((field) => !isFigure(field));
    return { line: at + 1, column: place + 1, got: cut[at]![place]! };
  }
  return undefined;
}
