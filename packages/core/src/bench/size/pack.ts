import { worstVerdict } from '../../findings';
import type { Verdict } from '../../findings';
import { cellVoltage } from '../../physics/cell';
import { said } from '../../said';
import { number, object, optional } from '../../shape';
import type { Infer } from '../../shape';
import { CHARGE_CELL_V, CHEMISTRIES, COMFORTABLE_SHARE, isLithium, USUAL_FLIGHT_LIMITS } from '../../tables';
import { chemistryField } from './chemistries';
import type { Sized } from './sized';

export const packQuestion = object('A pack of cells', {
  cell: object('The cell', {
    chemistry: chemistryField,
    capacityAh: number('Capacity', 'Ah', { above: 0, max: 1000 }),
    maxA: optional(number('Most current', 'A', { above: 0, max: 1000 })),
    massG: optional(number('Mass', 'g', { above: 0, max: 100_000 })),
  }),
  cellsInSeries: number('Cells in series', 'count', { min: 1, max: 30, integer: true }),
  cellsInParallel: number('Cells in parallel', 'count', { min: 1, max: 100, integer: true }),
  loadW: number('Load', 'W', { above: 0, max: 5000 }),
});
export type PackQuestion = Infer<typeof packQuestion>;

export interface PackSize {
  /** Straight off the charger. */
  readonly fullV: number;
  readonly nominalV: number;
  /** Where its protection ends it. */
  readonly emptyV: number;
  readonly energyWh: number;
  /** Null where the cell’s own is not known. */
  readonly maxA: number | null;
  /** At empty, where a constant load takes the most. */
  readonly perCellA: number;
  readonly massG: number | null;
  /** Null where its cells must not be charged. */
  readonly chargeV: number | null;
  /** At rest, with a tenth left; under load it shows less. */
  readonly alarmV: number;
  readonly verdict: Verdict;
}

const ALARM_SOC = 0.1;

/**
 * What a pack of so many cells gives: volts full and empty, watt-hours, amps a cell at its emptiest, mass. Counted as a
 * battery of the kit is (`CHEMISTRIES`), so that its run says the same.
 *
 * @example sizePack({ cell: { chemistry: 'li-ion', capacityAh: 3, maxA: 8 }, cellsInSeries: 4, cellsInParallel: 2, loadW: 60 }) // { perCellA: 2.5, verdict: 'good', … }
 */
export function sizePack({ cell, cellsInSeries, cellsInParallel, loadW }: PackQuestion): Sized<PackSize> {
  const { chemistry, capacityAh, maxA, massG } = cell;
  const of = CHEMISTRIES[chemistry];
  const chargeCellV = CHARGE_CELL_V[chemistry];
  const cells = cellsInSeries * cellsInParallel;
  const emptyV = cellsInSeries * of.cutoffCellV;
  const nominalV = cellsInSeries * of.nominalCellV;
  const energyWh = nominalV * capacityAh * cellsInParallel;
  const perCellA = loadW / emptyV / cellsInParallel;
  return {
    fullV: cellsInSeries * of.fullCellV,
    nominalV,
    emptyV,
    energyWh,
    maxA: maxA === undefined ? null : maxA * cellsInParallel,
    perCellA,
    massG: massG === undefined ? null : massG * cells,
    chargeV: chargeCellV === undefined ? null : cellsInSeries * chargeCellV,
    alarmV: cellsInSeries * cellVoltage(of.ocvPerCell, ALARM_SOC),
    verdict: worstVerdict([currentVerdict(perCellA, maxA)]),
    formula: said('pack-formula', {
      cellsInSeries,
      nominalCellV: of.nominalCellV,
      cellsInParallel,
      capacityAh,
      energyWh,
      loadW,
      emptyV,
      perCellA,
    }),
    warnings: [
      ...(maxA === undefined ? [said('cell-amps-not-entered')] : []),
      ...(massG === undefined ? [said('cell-mass-not-entered')] : []),
      ...(chargeCellV === undefined ? [said('cells-never-charged')] : []),
      ...(isLithium(chemistry) ? [said('lithium-care'), said('not-charged-cold')] : []),
      said('cells-alike'),
      energyWh > USUAL_FLIGHT_LIMITS.approvalWh
        ? said('flies-not', { energyWh })
        : energyWh > USUAL_FLIGHT_LIMITS.freeWh
          ? said('flies-if-agreed', { energyWh })
          : said('flies-perhaps-not'),
    ],
  };
}

function currentVerdict(perCellA: number, maxA: number | undefined): Verdict {
  if (maxA === undefined) return 'unknown';
  if (perCellA > maxA) return 'stop';
  return perCellA > COMFORTABLE_SHARE * maxA ? 'caution' : 'good';
}
