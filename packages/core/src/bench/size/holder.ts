import { number, object, optional } from '../../shape';
import type { Infer } from '../../shape';
import { CHARGE_CELL_V, CHEMISTRIES } from '../../tables';
import { chemistryField } from './chemistries';
import { figures } from './sized';
import type { Sized } from './sized';

export const holderQuestion = object('A holder of cells', {
  chemistry: chemistryField,
  inSeries: number('In series', 'count', { min: 1, max: 30, integer: true }),
  inParallel: number('In parallel', 'count', { min: 1, max: 20, integer: true }),
  /** As printed on one cell, where how long it lasts is asked too. */
  cellAh: optional(number('One cell holds', 'Ah', { above: 0, max: 100 })),
  loadW: optional(number('Load', 'W', { above: 0, max: 500 })),
});
export type HolderQuestion = Infer<typeof holderQuestion>;

export interface HolderSize {
  /** The highest that what hangs on it meets. */
  readonly freshV: number;
  readonly nominalV: number;
  readonly emptyV: number;
}

/**
 * Volts of a holder from fresh cells to empty ones.
 *
 * @example sizeHolder({ chemistry: 'alkaline', inSeries: 8, inParallel: 1 }) // { freshV: 12.8, nominalV: 12, emptyV: 7.2, … }
 */
export function sizeHolder({ chemistry, inSeries, inParallel }: HolderQuestion): Sized<HolderSize> {
  const { fullCellV, nominalCellV, cutoffCellV, name } = CHEMISTRIES[chemistry];
  return {
    freshV: inSeries * fullCellV,
    nominalV: inSeries * nominalCellV,
    emptyV: inSeries * cutoffCellV,
    formula: `${inSeries} × ${figures(fullCellV)} V = ${figures(inSeries * fullCellV)} V fresh; ${inSeries} × ${figures(cutoffCellV)} V = ${figures(inSeries * cutoffCellV)} V empty (${name})`,
    warnings: [
      'Measure inside at the cells and at the socket: a holder may have a regulator, or wire its cells otherwise.',
      ...(inParallel > 1 ? ['Strings side by side: the same cells, equally full, or the fuller ones charge the others.'] : []),
      ...(CHARGE_CELL_V[chemistry] === undefined
        ? ['Under load, and in the cold, such cells give far less than their label.', 'They must never be charged.']
        : []),
      'All cells of one make and age; none the wrong way round.',
    ],
  };
}
