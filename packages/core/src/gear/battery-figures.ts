import { cellsFromNominal } from '../physics/cell';
import { CHEMISTRIES } from '../tables';
import type { Battery } from './gear';

/** What a battery says of itself, its cells counted up where the pack as a whole says nothing. */
export interface BatteryFigures {
  readonly energyWh: number | undefined;
  readonly resistanceOhm: number | undefined;
  readonly maxA: number | undefined;
  /** Counted, or from the nominal voltage where that tells them. */
  readonly cellsInSeries: number | undefined;
  /** Undefined while the cells are not known. */
  readonly cutoffV: number | undefined;
  /** How the energy follows from the cells; undefined where the pack itself says it. */
  readonly fromCells: string | undefined;
}

/**
 * The figures of a whole battery: its own, or those of its cells in series and parallel.
 *
 * @example batteryFigures({ chemistry: 'li-ion', cellsInSeries: 2, cellsInParallel: 2, cell: { capacityAh: 3 } }).energyWh // 43.2
 */
export function batteryFigures({
  energyWh,
  resistanceOhm,
  maxA,
  cutoffV,
  cell,
  chemistry,
  cellsInSeries: counted,
  nominalV,
  ...rest
}: Battery): BatteryFigures {
  const cellsInSeries = counted ?? (nominalV === undefined ? undefined : cellsFromNominal(chemistry, nominalV));
  const parallel = rest.cellsInParallel ?? 1;
  const { nominalCellV, cutoffCellV } = CHEMISTRIES[chemistry];
  const ofCells = cell && cellsInSeries !== undefined ? cellsInSeries * parallel * cell.capacityAh * nominalCellV : undefined;
  const cellsOhm =
    cell?.resistanceOhm === undefined || cellsInSeries === undefined ? undefined : (cellsInSeries * cell.resistanceOhm) / parallel;
  return {
    cellsInSeries,
    energyWh: energyWh ?? ofCells,
    resistanceOhm: resistanceOhm ?? cellsOhm,
    maxA: maxA ?? (cell?.maxA === undefined ? undefined : cell.maxA * parallel),
    cutoffV: cutoffV ?? (cellsInSeries === undefined ? undefined : cellsInSeries * cutoffCellV),
    fromCells:
      energyWh === undefined && cell && ofCells !== undefined
        ? `${cellsInSeries!} in series × ${parallel} in parallel × ${cell.capacityAh} Ah × ${nominalCellV} V`
        : undefined,
  };
}
