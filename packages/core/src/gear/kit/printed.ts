import { formatQuantity } from '../../quantity';
import { CHEMISTRIES } from '../../tables';
import { batteryFigures } from '..';
import type { Battery } from '..';

/** What a battery says of its watt-hours at the gate. */
export interface PrintedEnergy {
  /** Undefined where nothing that counts was entered: neither printed watt-hours nor printed volts and amp-hours. */
  readonly energyWh: number | undefined;
  /** Where it is from: printed on it, counted up from volts and amp-hours, or neither. */
  readonly from: 'printed' | 'computed' | 'not-printed';
  /** `14.4 V × 6.6 Ah = 95 Wh`: to be shown where somebody asks for the computation. */
  readonly computation: string | undefined;
}

/**
 * The watt-hours that count at the gate: those printed on the battery. What was measured, or guessed, is not printed: such a
 * one is not known, however near it may be. A pack of one's own has the sum of its cells.
 *
 * @example printedEnergy({ kind: 'battery', name: 'V1', form: 'v-mount', chemistry: 'li-ion', energyWh: 95, nominalV: 14.4, outputs: [] }).computation // '14.4 V × 6.6 Ah = 95 Wh'
 */
export function printedEnergy(battery: Battery): PrintedEnergy {
  const { energyWh, labelWh, nominalV, from, cell } = battery;
  const { fromCells, energyWh: ofCells, cellsInSeries } = batteryFigures(battery);
  if (fromCells !== undefined && cell && cellsInSeries !== undefined && labelWh === undefined) {
    const parallel = battery.cellsInParallel ?? 1;
    const volts = formatQuantity(cellsInSeries * CHEMISTRIES[battery.chemistry].nominalCellV, 'V');
    return {
      energyWh: ofCells,
      from: 'computed',
      computation: `${volts} × ${formatQuantity(parallel * cell.capacityAh, 'Ah')} = ${formatQuantity(ofCells!, 'Wh')}`,
    };
  }
  const isPrinted = energyWh !== undefined && (from?.energyWh ?? 'printed') === 'printed';
  const printed = labelWh ?? (isPrinted ? energyWh : undefined);
  const volts = nominalV ?? (cellsInSeries === undefined ? undefined : cellsInSeries * CHEMISTRIES[battery.chemistry].nominalCellV);
  return {
    energyWh: printed,
    from: printed === undefined ? 'not-printed' : 'printed',
    computation:
      printed === undefined || volts === undefined
        ? undefined
        : `${formatQuantity(volts, 'V')} × ${formatQuantity(printed / volts, 'Ah')} = ${formatQuantity(printed, 'Wh')}`,
  };
}
