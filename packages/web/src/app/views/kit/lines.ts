import { energyNow } from '@viaggio/core/gear';
import type { GearKind } from '@viaggio/core/gear';
import type { KitRow } from '../../parts/kit-row';
import { columnsOf, drawOf, NAME, TAG } from './columns';
import type { Cell, Column, KitFacts } from './columns';

/** Columns whose words stand in the row already: the figure that decides, with where it is from. */
const FIGURES: ReadonlySet<string> = new Set(['energy', 'draw']);

/** What a line shows in a column. */
export function cellOf(column: Column, { gear, id, figure, from }: KitRow, facts: KitFacts): Cell {
  if (!FIGURES.has(column.key)) return column.cell(gear, id, facts);
  const value = column.value(gear, id, facts);
  const most = facts.most.get(gear.kind);
  return { text: figure, from, ...(typeof value === 'number' && most !== undefined && most > 0 && { share: value / most, toScale: true }) };
}

/** The columns that somebody filled; a line that is open has all that are typed in it. */
export function filledColumns(kind: GearKind, rows: readonly KitRow[], open: string | undefined, facts: KitFacts): readonly Column[] {
  const isOpen = open !== undefined && rows.some(({ id }) => id === open);
  return columnsOf(kind).filter(
    (column) =>
      column === TAG ||
      column === NAME ||
      (isOpen && column.typed !== undefined) ||
      rows.some((row) => cellOf(column, row, facts).text !== ''),
  );
}

/** The largest figure of each kind: watt-hours, watts. */
export function mostOf(rows: readonly KitRow[]): ReadonlyMap<GearKind, number> {
  const most = new Map<GearKind, number>();
  for (const { gear } of rows) {
    const value = gear.kind === 'battery' ? energyNow(gear) : gear.kind === 'device' ? drawOf(gear) : undefined;
    if (value !== undefined) most.set(gear.kind, Math.max(value, most.get(gear.kind) ?? 0));
  }
  return most;
}

/** V2 before V10. */
const collator = new Intl.Collator(undefined, { numeric: true, sensitivity: 'base' });

/** Lines of one kind in order; what has nothing to be sorted by comes last, either way. */
export function sorted(rows: readonly KitRow[], column: Column, down: boolean, facts: KitFacts): readonly KitRow[] {
  const keyed = rows.map((row) => ({ row, value: column.value(row.gear, row.id, facts) }));
  const sign = down ? -1 : 1;
  keyed.sort((a, b) => {
    if (a.value === undefined || b.value === undefined) return Number(a.value === undefined) - Number(b.value === undefined);
    const order =
      typeof a.value === 'number' && typeof b.value === 'number' ? a.value - b.value : collator.compare(String(a.value), String(b.value));
    return sign * order;
  });
  return keyed.map(({ row }) => row);
}
