import { batteryFigures } from '../../gear';
import type { Battery, Gear } from '../../gear';
import { energyNow } from '../../gear/kit';

/** Batteries alike enough to be used side by side, or one for the other without a new plan. */
export interface Together {
  readonly ids: readonly string[];
  /** Of what they hold, from the least to the most, as a share of the most. */
  readonly spread: number;
}

/** Together in one grip or plate, the weaker one drags the other down: alike within this share. */
const ALIKE = 0.05;

/**
 * Which batteries belong together: of one make, form, chemistry, count of cells and label, and holding the same within 5 %.
 * Groups of two or more, the largest first. A battery whose energy is not known is in none.
 *
 * @example belongTogether(gear).length // 5
 */
export function belongTogether(gear: ReadonlyMap<string, Gear>): readonly Together[] {
  const kinds = new Map<string, { readonly id: string; readonly wh: number }[]>();
  for (const [id, body] of gear) {
    if (body.kind !== 'battery' || body.archived) continue;
    const wh = energyNow(body);
    if (wh !== undefined) kinds.set(kindOf(body), [...(kinds.get(kindOf(body)) ?? []), { id, wh }]);
  }
  const groups = [...kinds.values()].flatMap((same) => {
    const sorted = [...same].sort((a, b) => b.wh - a.wh);
    const found: { readonly id: string; readonly wh: number }[][] = [];
    for (const one of sorted) {
      const group = found.at(-1);
      if (group && one.wh >= group[0]!.wh * (1 - ALIKE)) group.push(one);
      else found.push([one]);
    }
    return found.filter(({ length }) => length > 1);
  });
  return groups
    .map((group): Together => ({ ids: group.map(({ id }) => id), spread: 1 - group.at(-1)!.wh / group[0]!.wh }))
    .sort((a, b) => b.ids.length - a.ids.length);
}

function kindOf(battery: Battery): string {
  const label = battery.labelWh ?? batteryFigures(battery).energyWh ?? 0;
  return [battery.name, battery.form, battery.chemistry, battery.cellsInSeries, Math.round(label)].join(' ');
}
