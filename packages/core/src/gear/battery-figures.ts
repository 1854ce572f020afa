import { cellsFromNominal } from '../physics/cell';
import { CHEMISTRIES, isPrimary } from '../tables';
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
 * Whether nothing in the battery itself ends a discharge or a current: cells of one's own making, and chemistries that are
 * sold without a board, unless it says otherwise.
 *
 * @example isBare({ ...battery, protection: 'none' }) // true
 */
export function isBare({ protection, cell, chemistry }: Battery): boolean {
  if (protection !== undefined) return protection === 'none';
  return cell !== undefined || chemistry === 'agm' || chemistry === 'nimh' || isPrimary(chemistry);
}

/**
 * Whether a battery can be emptied below what is good for its cells: bare, and without a cut-off of its own.
 *
 * @example isUncut({ ...battery, protection: 'board' }) // false
 */
export function isUncut(battery: Battery): boolean {
  return isBare(battery) && (battery.cutoffV === undefined || battery.protection === 'none');
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
