import { CHEMISTRIES } from '../cell';
import type { Battery } from './gear';

/** What a battery says of itself, its cells counted up where the pack as a whole says nothing. */
export interface BatteryFigures {
  readonly energyWh: number | undefined;
  readonly resistanceOhm: number | undefined;
  readonly maxA: number | undefined;
  readonly cutoffV: number;
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
  cellsInSeries,
  ...rest
}: Battery): BatteryFigures {
  const parallel = rest.cellsInParallel ?? 1;
  const { nominalCellV, cutoffCellV } = CHEMISTRIES[chemistry];
  const counted = cell && cellsInSeries * parallel * cell.capacityAh * nominalCellV;
  return {
    energyWh: energyWh ?? counted,
    resistanceOhm: resistanceOhm ?? (cell?.resistanceOhm === undefined ? undefined : (cellsInSeries * cell.resistanceOhm) / parallel),
    maxA: maxA ?? (cell?.maxA === undefined ? undefined : cell.maxA * parallel),
    cutoffV: cutoffV ?? cellsInSeries * cutoffCellV,
    fromCells:
      energyWh === undefined && cell
        ? `${cellsInSeries} in series × ${parallel} in parallel × ${cell.capacityAh} Ah × ${nominalCellV} V`
        : undefined,
  };
}
