import Papa from 'papaparse';
import { clockAt, minuteAt, readClock } from '../day/model';
import { dayShape } from '../day/shape';
import type { Block, Day } from '../day/shape';
import { issue } from '../issue';
import type { Issue } from '../issue';
import type { Rig } from '../rig/drawn';
import { asMeant, harmless, readCell, writeCell } from './csv-cell';

const FIELDS = dayShape.fields.blocks.item.fields;
const COLUMNS = ['rig', 'kind', 'ownKind', 'name', 'day', 'from', 'to', 'place', 'temperatureC', 'uninterrupted', 'mediaMin'] as const;
type Column = (typeof COLUMNS)[number];

/**
 * The blocks of a day as a table (RFC 4180), a row each, times as the clocks show them; day 1 is the first.
 *
 * @example blocksToCsv({ ...day, blocks: [] }, rigs).split(',')[0] // 'rig'
 */
export function blocksToCsv(day: Day, rigs: ReadonlyMap<string, Rig>): string {
  const rows = [...day.blocks]
    .sort((a, b) => a.fromMin - b.fromMin)
    .map((block): Record<Column, string> => {
      const from = clockAt(day, block.fromMin);
      return {
        rig: rigs.get(block.rigId)?.name ?? block.rigId,
        kind: writeCell(FIELDS.kind, block.kind),
        ownKind: day.kinds?.find(({ id }) => id === block.ownKindId)?.name ?? '',
        name: block.name ?? '',
        day: String(from.day + 1),
        from: from.time,
        to: clockAt(day, block.toMin).time,
        place: day.places?.find(({ id }) => id === block.placeId)?.name ?? '',
        temperatureC: block.temperatureC === undefined ? '' : writeCell(FIELDS.temperatureC.of, block.temperatureC),
        uninterrupted: block.uninterrupted ? 'yes' : '',
        mediaMin: block.mediaMin === undefined ? '' : writeCell(FIELDS.mediaMin.of, block.mediaMin),
      };
    });
  return Papa.unparse(
    { fields: [...COLUMNS], data: rows.map((row) => COLUMNS.map((column) => harmless(row[column]))) },
    { newline: '\r\n' },
  );
}

export interface ReadBlocks {
  readonly blocks: readonly Block[];
  /** By line and column: `/3/from`; the head is line 1. */
  readonly issues: readonly Issue[];
}

/**
 * Reads a table of blocks: columns in any order, rigs and places by name. A row that is wrong is told by its line and
 * column and left out; nothing is guessed. An end before its beginning is on the day after. Never throws.
 *
 * @example blocksFromCsv('rig,name\nNobody,Rain', day, rigs, newId).issues[0].message // '1: expected columns from, to; got “rig, name”.'
 */
export function blocksFromCsv(text: string, day: Day, rigs: ReadonlyMap<string, Rig>, newId: () => string): ReadBlocks {
  const { data } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => head.trim(),
    transform: asMeant,
  });
  const issues: Issue[] = [];
  const first = data[0];
  const missing = (['rig', 'from', 'to'] as const).filter((column) => !first || !(column in first));
  if (missing.length > 0)
    return { blocks: [], issues: [issue('/1', 'no-column', `columns ${missing.join(', ')}`, Object.keys(first ?? {}).join(', '))] };
  const blocks = data.flatMap((row, index): readonly Block[] => {
    const line = index + 2;
    const before = issues.length;
    const cell = (column: Column): string => (row[column] ?? '').trim();
    const wrong = (column: Column, expected: string): undefined =>
      void issues.push(issue(`/${line}/${column}`, 'bad-cell', expected, cell(column)));
    const rigId = day.rigIds.find((id) => id === cell('rig') || rigs.get(id)?.name === cell('rig'));
    if (rigId === undefined) wrong('rig', 'the name of a rig of this day');
    const dayOf = cell('day') === '' ? 1 : Number(cell('day'));
    if (!Number.isInteger(dayOf) || dayOf < 1 || dayOf > day.days) wrong('day', `a day from 1 to ${day.days}`);
    const [from, to] = [readClock(cell('from')), readClock(cell('to'))];
    if (!from.ok) wrong('from', from.issue.expected);
    if (!to.ok) wrong('to', to.issue.expected);
    const place = day.places?.find(({ id, name }) => id === cell('place') || name === cell('place'));
    if (cell('place') !== '' && !place) wrong('place', 'the name of a place of this day');
    const own = day.kinds?.find(({ id, name }) => id === cell('ownKind') || name === cell('ownKind'));
    if (cell('ownKind') !== '' && !own) wrong('ownKind', 'the name of an own kind of block of this day');
    const more: Record<string, unknown> = {};
    for (const column of ['kind', 'name', 'temperatureC', 'uninterrupted', 'mediaMin'] as const) {
      if (cell(column) === '') continue;
      const field = FIELDS[column];
      const read = readCell(field.kind === 'optional' ? field.of : field, cell(column));
      if (read.ok) more[column] = read.value;
      else wrong(column, read.issue.expected);
    }
    if (issues.length > before || !from.ok || !to.ok || rigId === undefined) return [];
    const fromMin = minuteAt(day, dayOf - 1, from.value);
    const sameDay = minuteAt(day, dayOf - 1, to.value);
    const toMin = sameDay > fromMin ? sameDay : minuteAt(day, dayOf, to.value);
    if (more['uninterrupted'] === false) delete more['uninterrupted'];
    return [
      {
        kind: 'record',
        ...more,
        id: newId(),
        rigId,
        fromMin,
        toMin,
        ...(place && { placeId: place.id }),
        ...(own && { ownKindId: own.id }),
      },
    ];
  });
  return { blocks, issues };
}
