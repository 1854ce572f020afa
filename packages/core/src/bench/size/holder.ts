import { said } from '../../said';
import { number, object, optional } from '../../shape';
import type { Infer } from '../../shape';
import { CHEMISTRIES, isPrimary } from '../../tables';
import { chemistryField } from './chemistries';
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
    formula: said('holder-formula', { inSeries, fullCellV, cutoffCellV, name }),
    warnings: [
      said('holder-measure'),
      ...(inParallel > 1 ? [said('strings-alike')] : []),
      ...(chemistry === 'alkaline' ? [said('dry-cells-weak')] : []),
      ...(isPrimary(chemistry) ? [said('never-charged')] : []),
      said('holder-cells-alike'),
    ],
  };
}
