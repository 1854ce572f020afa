import Papa from 'papaparse';
import { gearShape } from '../gear';
import type { Battery, Gear, GearKind } from '../gear';
import { blankBattery, blankDevice } from '../gear/generic';
import { cellsMeant, readBatteryLabel } from '../gear/label';
import { showReceived } from '../issue';
import { missingFields } from '../shape';
import type { Fields, Shape } from '../shape';
import { asMeant, harmless, readCell, writeCell } from './csv-cell';

/** What is wrong in one cell, told so that a person finds it in the spreadsheet. */
export interface CsvIssue {
  /** Counted as text editors do, from 1; a quoted cell may span several. */
  readonly line: number;
  readonly column: string;
  readonly expected: string;
  readonly received: string;
}

export interface CsvRow {
  readonly line: number;
  /** Of the item that the row changes; undefined for a new one. */
  readonly id: string | undefined;
  readonly body: Gear;
}

export interface GearCsv {
  readonly rows: readonly CsvRow[];
  readonly issues: readonly CsvIssue[];
  /** Columns that no kind of gear has; they are left out. */
  readonly ignored: readonly string[];
}

export interface KnownItem {
  readonly id: string;
  readonly body: Gear;
}

/** More rows than a plan document holds are refused at the first one too many. */
export const MOST_ROWS = 1000;

/** `outputs.1.connector.type`: list places count from 1, as people do. */
type Path = readonly string[];
type Draft = Record<string, unknown>;

/** Columns that say which variant the rest belongs to come first. */
const TAGS = new Set(['kind', 'gives', 'takes', 'basis']);

/**
 * Gear as a table (RFC 4180, CRLF): a row an item, a column a figure, in the unit that ends the column's name, shares in
 * per cent. `readGearCsv` gives the same gear back.
 *
 * @example gearToCsv([{ id: 'v1', body: battery }]).split(',').slice(0, 3).join() // 'id,kind,name'
 */
export function gearToCsv(items: readonly KnownItem[]): string {
  const rows = items.map(({ id, body }) => new Map([['id', id], ...leaves(gearShape, body, [])]));
  const columns = [...new Set(rows.flatMap((row) => [...row.keys()]))];
  return Papa.unparse(
    { fields: columns, data: rows.map((row) => columns.map((column) => harmless(row.get(column) ?? ''))) },
    { newline: '\r\n' },
  );
}

function leaves(shape: Shape, value: unknown, path: Path): readonly [string, string][] {
  if (value === undefined || shape.kind === 'any') return [];
  const fields = fieldsOf(shape, value as Draft);
  if (fields) {
    const tag: [string, string][] = shape.kind === 'tagged' ? [[[...path, shape.tag].join('.'), String((value as Draft)[shape.tag])]] : [];
    return [...tag, ...Object.entries(fields).flatMap(([key, field]) => leaves(inner(field), (value as Draft)[key], [...path, key]))];
  }
  if (shape.kind === 'list') {
    if (shape.item.kind === 'any' || isUnknownField(shape)) return [];
    return (value as readonly unknown[]).flatMap((item, index) => leaves(shape.item, item, [...path, String(index + 1)]));
  }
  return [[path.join('.'), writeCell(shape, value)]];
}

/** Fields of a foreign document are no columns; they stay with the item. */
function isUnknownField(shape: Shape): boolean {
  return shape.kind === 'list' && shape.item.kind === 'object' && shape.item.fields['value']?.kind === 'any';
}

function inner(field: Fields[string]): Shape {
  return field.kind === 'optional' ? field.of : field;
}

function fieldsOf(shape: Shape, value: Draft): Fields | undefined {
  if (shape.kind === 'object') return shape.fields;
  const variant = shape.kind === 'tagged' ? String(value[shape.tag]) : '';
  return shape.kind === 'tagged' && Object.hasOwn(shape.variants, variant) ? shape.variants[variant] : undefined;
}

/**
 * Reads a table of gear. A row whose `id`, or else whose `tag` together with its `name`, is that of a known item changes
 * that item: columns that are not there leave it alone, an empty cell takes the figure out. Any other row is a new item, whose ports are those usual
 * for its kind where the table has no columns for them. Commas, semicolons and tabs are told apart by themselves. A
 * column may bear the field's name or its title; `label` takes what a battery's label says, `watts` a device's draw.
 *
 * Nothing is thrown: a faulty cell is an issue, and its row is left out of `rows`.
 *
 * @example readGearCsv('kind,name\nbattery,V1').issues.length > 0 // true
 */
export function readGearCsv(text: string, known: readonly KnownItem[] = []): GearCsv {
  const rows: CsvRow[] = [];
  const issues: CsvIssue[] = [];
  let columns: readonly (Path | undefined)[] = [];
  let headers: readonly string[] = [];
  let at = 0;
  let line = 1;
  const clean = text.replace(/^\ufeff/, '');
  Papa.parse<string[]>(clean, {
    step: ({ data, errors, meta }, parser) => {
      const rowLine = line;
      for (; at < meta.cursor; at++) if (clean[at] === '\n' || (clean[at] === '\r' && clean[at + 1] !== '\n')) line++;
      for (const { message } of errors.filter(({ type }) => type === 'Quotes'))
        issues.push({ line: rowLine, column: '', expected: 'a cell whose quotes are closed', received: message });
      if (data.every((cell) => cell.trim() === '')) return;
      if (headers.length === 0) {
        headers = data.map((cell) => cell.trim());
        columns = headers.map(pathOf);
        return;
      }
      if (rows.length + issues.length >= MOST_ROWS) {
        issues.push({ line: rowLine, column: '', expected: `at most ${MOST_ROWS} rows`, received: 'more' });
        parser.abort();
        return;
      }
      const read = readRow(rowLine, headers, columns, data.map(asMeant), known);
      if ('body' in read) rows.push(read);
      else issues.push(...read.issues);
    },
  });
  const ids = rows.map(({ id }) => id);
  for (const { line: again, id } of rows.filter(({ id: one }, index) => one !== undefined && ids.indexOf(one) !== index))
    issues.push({ line: again, column: 'id', expected: 'each item once', received: showReceived(id) });
  if (headers.length === 0) issues.push({ line: 1, column: '', expected: 'a first row of column names', received: 'nothing' });
  return { rows, issues, ignored: headers.filter((header, index) => header !== '' && columns[index] === undefined) };
}

const SPECIAL = new Map([
  ['id', ['id']],
  ['label', ['label']],
  ['watts', ['watts']],
]);

/** A header as a path: `outputs.1.maxA`, `Energy (Wh)`, `Label tag`. */
function pathOf(header: string): Path | undefined {
  const name = header
    .toLowerCase()
    .replace(/\s*[([].*[)\]]\s*$/, '')
    .trim();
  const special = SPECIAL.get(name);
  if (special) return special;
  if (name === 'kind') return ['kind'];
  for (const fields of Object.values<Fields>(gearShape.variants)) {
    const path = walkNames(fields, header.trim().split('.'));
    if (path) return path;
    const byTitle = Object.entries(fields).find(([key, field]) => key.toLowerCase() === name || inner(field).title.toLowerCase() === name);
    if (byTitle && isLeaf(inner(byTitle[1]))) return [byTitle[0]];
  }
  return undefined;
}

function isLeaf({ kind }: Shape): boolean {
  return kind === 'number' || kind === 'text' || kind === 'boolean' || kind === 'choice';
}

/** Whether a path could stand in any variant; the exact check is made row by row, when the variants are known. */
function walkNames(fields: Fields, path: Path): Path | undefined {
  const [key, ...rest] = path;
  const field = Object.hasOwn(fields, key ?? '') ? fields[key!] : undefined;
  if (key === undefined || !field) return undefined;
  let shape = inner(field);
  let left = rest;
  if (shape.kind === 'list') {
    if (!/^[1-9]\d?$/.test(left[0] ?? '')) return undefined;
    shape = shape.item;
    left = left.slice(1);
  }
  if (left.length === 0) return isLeaf(shape) ? path : undefined;
  if (shape.kind === 'object') return walkNames(shape.fields, left) && path;
  if (shape.kind !== 'tagged') return undefined;
  if (left.length === 1 && left[0] === shape.tag) return path;
  return Object.values(shape.variants).some((variant) => walkNames(variant, left)) ? path : undefined;
}

function readRow(
  line: number,
  headers: readonly string[],
  columns: readonly (Path | undefined)[],
  data: readonly string[],
  known: readonly KnownItem[],
): CsvRow | { readonly issues: readonly CsvIssue[] } {
  const issues: CsvIssue[] = [];
  const refuse = (column: string, expected: string, received: unknown): void =>
    void issues.push({ line, column, expected, received: showReceived(received) });
  const cells = columns
    .flatMap((path, index) => (path ? [{ path, header: headers[index]!, text: data[index] ?? '' }] : []))
    .sort((a, b) => Number(TAGS.has(b.path.at(-1)!)) - Number(TAGS.has(a.path.at(-1)!)) || 0);
  const cell = (name: string): string => cells.find(({ path }) => path.length === 1 && path[0] === name)?.text.trim() ?? '';
  if (data.length > headers.length) refuse('', `${headers.length} cells`, `${data.length} cells`);

  const item = knownItem(known, cell('id'), cell('tag'), cell('name'));
  const kind = (cell('kind').toLowerCase() || item?.body.kind) as GearKind | undefined;
  if (cell('id') !== '' && !item && !/^[0-9a-f-]{36}$/.test(cell('id')))
    refuse('id', 'an identifier that was exported, or none', cell('id'));
  if (kind === undefined || !Object.hasOwn(gearShape.variants, kind)) {
    refuse('kind', `one of ${Object.keys(gearShape.variants).join(', ')}`, cell('kind'));
    return { issues };
  }
  if (item && item.body.kind !== kind) {
    refuse('kind', `${item.body.kind}, as ${item.body.name} is`, kind);
    return { issues };
  }
  const draft = structuredClone(item?.body ?? templateFor(kind, cell('form').toLowerCase(), cell('name'))) as Draft;
  // what the table itself says of a list takes the place of what is usual
  if (!item) for (const { path, text } of cells) if (path.length > 1 && text.trim() !== '') Reflect.deleteProperty(draft, path[0]!);
  draft['kind'] = kind;
  for (const { path, header, text } of cells) {
    if (path.length === 1 && ['id', 'kind'].includes(path[0]!)) continue;
    if (path[0] === 'label') readLabel(draft, kind, text, (expected) => refuse(header, expected, text));
    else if (path[0] === 'watts') readWatts(draft, kind, text, (expected) => refuse(header, expected, text));
    else {
      const wrong = put(gearShape, draft, path, text);
      if (wrong !== undefined) refuse(header, wrong, text);
    }
  }
  const { unknown, ...plain } = draft;
  const body: Draft = { ...(pruned(plain) as Draft), ...(unknown !== undefined && { unknown }) };
  // a figure that is wrong in its cell is told as that, not once more as missing
  if (issues.length === 0) {
    for (const { path, expected } of missingFields(gearShape, body)) {
      const column = path
        .slice(1)
        .split('/')
        .map((key) => (/^\d+$/.test(key) ? String(Number(key) + 1) : key))
        .join('.');
      refuse(column, expected, undefined);
    }
  }
  return issues.length > 0 ? { issues } : { line, id: item?.id ?? (cell('id') || undefined), body: body as Gear };
}

function knownItem(known: readonly KnownItem[], id: string, tag: string, name: string): KnownItem | undefined {
  if (id !== '') return known.find((one) => one.id === id);
  if (tag === '') return undefined;
  const found = known.filter(({ body }) => body.tag === tag && (name === '' || body.name === name));
  return found.length === 1 ? found[0] : undefined;
}

/** The ports usual for a kind, to start a new item from. */
function templateFor(kind: GearKind, form: string, name: string): Draft {
  if (kind === 'device') return { ...blankDevice(name || 'device'), name: undefined };
  if (kind !== 'battery') return {};
  const known = form === 'camera' || form === 'v-mount' || form === 'bank' ? form : undefined;
  return known ? { ...blankBattery(known, known === 'bank' ? 'fixed' : 'pack'), name: undefined } : {};
}

function readLabel(draft: Draft, kind: GearKind, text: string, refuse: (expected: string) => void): void {
  if (text.trim() === '') return;
  if (kind !== 'battery') {
    refuse(`an empty cell: a ${kind} has no such label`);
    return;
  }
  const read = readBatteryLabel(text);
  if (!read.ok) {
    refuse(read.issue.expected);
    return;
  }
  const { energyWh, nominalV, chemistry, cellsInSeries } = read.value;
  if (chemistry) draft['chemistry'] = chemistry;
  const cells =
    cellsInSeries ?? (nominalV === undefined ? undefined : cellsMeant((draft['chemistry'] ?? 'li-ion') as Battery['chemistry'], nominalV));
  Object.assign(draft, { energyWh, ...(nominalV !== undefined && { nominalV }), ...(cells !== undefined && { cellsInSeries: cells }) });
  draft['from'] = { ...(draft['from'] as Draft | undefined), energyWh: 'printed' };
}

function readWatts(draft: Draft, kind: GearKind, text: string, refuse: (expected: string) => void): void {
  if (text.trim() === '') return;
  if (kind !== 'device') {
    refuse(`an empty cell: a ${kind} has no draw`);
    return;
  }
  const wrong = put(gearShape, draft, ['draw', 'basis'], 'maker') ?? put(gearShape, draft, ['draw', 'powerW'], text);
  if (wrong !== undefined) refuse(wrong);
}

/** Puts a cell in its place, or takes the figure out where it is empty; what was expected when it does not belong there. */
function put(shape: Shape, draft: Draft, [key = '', ...rest]: Path, text: string): string | undefined {
  const empty = text.trim() === '';
  if (shape.kind === 'tagged' && key === shape.tag) {
    if (empty) return undefined;
    const wanted = text.trim().toLowerCase();
    if (!Object.hasOwn(shape.variants, wanted)) return `one of ${Object.keys(shape.variants).join(', ')}`;
    if (draft[key] !== undefined && draft[key] !== wanted) for (const name of Object.keys(draft)) Reflect.deleteProperty(draft, name);
    draft[key] = wanted;
    return undefined;
  }
  const fields = fieldsOf(shape, draft);
  const field = fields && Object.hasOwn(fields, key) ? fields[key] : undefined;
  if (!field) return empty ? undefined : `an empty cell: there is no “${key}” here`;
  const wanted = inner(field);
  if (rest.length === 0) {
    // another kind has a figure where this one has several
    if (!isLeaf(wanted)) return empty ? undefined : `an empty cell: “${key}” has figures of its own here`;
    if (empty) {
      // what must be there cannot be taken out: it stays as it is
      if (field.kind === 'optional') Reflect.deleteProperty(draft, key);
      return undefined;
    }
    const read = readCell(wanted, text);
    if (!read.ok) return read.issue.expected;
    draft[key] = read.value;
    return undefined;
  }
  if (wanted.kind !== 'list') {
    if (empty && draft[key] === undefined) return undefined;
    return put(wanted, (draft[key] ??= {}) as Draft, rest, text);
  }
  const place = Number(rest[0]) - 1;
  const items = (draft[key] ??= []) as unknown[];
  if (place >= wanted.maxItems) return empty ? undefined : `at most ${wanted.maxItems} of them`;
  if (rest.length === 1) {
    const read = empty ? undefined : readCell(wanted.item, text);
    if (read && !read.ok) return read.issue.expected;
    items[place] = read?.value;
    return undefined;
  }
  if (empty && items[place] === undefined) return undefined;
  return put(wanted.item, (items[place] ??= {}) as Draft, rest.slice(1), text);
}

/** Without what was emptied: objects without fields, places of lists without anything. */
function pruned(value: unknown): unknown {
  if (Array.isArray(value)) {
    const items = Array.from(value, pruned).filter((item) => item !== undefined);
    return items.length === 0 ? undefined : items;
  }
  if (typeof value !== 'object' || value === null) return value;
  const entries = Object.entries(value)
    .map(([key, one]) => [key, pruned(one)] as const)
    .filter(([, one]) => one !== undefined);
  return entries.length === 0 ? undefined : Object.fromEntries(entries);
}
