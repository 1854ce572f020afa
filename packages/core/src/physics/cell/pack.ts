import { CHEMISTRIES, ROOM_TEMPERATURE_C } from '../../tables';
import type { ChemistryId } from '../../tables';
import { ageFactor, coldDerating, rateFactor } from './derating';
import { ocvArea, socAtVoltage } from './ocv';
import type { OcvTable } from './ocv';

/** A battery as the circuit sees it. `resistanceOhm` is of the whole pack; derating is already applied. */
export interface Pack {
  readonly cellsInSeries: number;
  readonly ocvPerCell: OcvTable;
  readonly capacityAh: number;
  readonly resistanceOhm: number;
  readonly cutoffV: number;
  /** The most current its protection lets pass; no limit known when absent. */
  readonly maxA?: number;
  /** State of charge at the start, 1 when absent. */
  readonly startSoc?: number;
}

/** What is known of a battery; what is absent is filled from its chemistry. */
export interface PackSpec {
  readonly chemistry: ChemistryId;
  readonly cellsInSeries: number;
  /** Watt-hours on the label, or measured: what it delivers at its rated pace, at 25 C, when new or when measured. */
  readonly energyWh: number;
  readonly resistanceOhm?: number;
  /** Times the resistance that follows from the chemistry, where none is given. */
  readonly resistanceShare?: number;
  readonly cutoffV?: number;
  /** Nothing ends its discharge but what hangs on it: `cutoffV` then only says at which volts it was rated. */
  readonly uncut?: boolean;
  readonly maxA?: number;
  readonly startSoc?: number;
  readonly temperatureC?: number;
  /** Age, where the capacity was not measured. */
  readonly years?: number;
  readonly cycles?: number;
  /** Mean current expected, for chemistries that lose capacity when hurried. */
  readonly meanA?: number;
}

/**
 * A pack whose amp-hours are chosen so that a discharge at the rated pace (C/5; 20 h for lead-acid) delivers the
 * rated watt-hours, then derated for cold, age and, where the chemistry asks for it, pace. Where its resistance leaves it
 * no way to do that, it holds 105 % of them and gives what it can.
 *
 * Preconditions: all figures positive; `cutoffV` below the full voltage. Cost: a few microseconds.
 *
 * @example packFrom({ chemistry: 'li-ion', cellsInSeries: 4, energyWh: 95 }).capacityAh // 6.38
 */
export function packFrom(spec: PackSpec): Pack {
  const chemistry = CHEMISTRIES[spec.chemistry];
  const temperature = coldDerating(chemistry.cold, spec.temperatureC ?? ROOM_TEMPERATURE_C);
  const age = ageFactor(spec.years ?? 0, spec.cycles ?? 0);
  const cutoffV = spec.cutoffV ?? spec.cellsInSeries * chemistry.cutoffCellV;
  const ratedAh = ratedCapacityAh(spec, cutoffV);
  const resistanceOhm = spec.resistanceOhm ?? ((spec.resistanceShare ?? 1) * spec.cellsInSeries * chemistry.cellOhmAh) / ratedAh;
  const pace = rateFactor(chemistry.peukertExponent, ratedAh / chemistry.ratedHours, spec.meanA ?? 0);
  return {
    cellsInSeries: spec.cellsInSeries,
    ocvPerCell: chemistry.ocvPerCell,
    capacityAh: ratedAh * temperature.capacityFactor * age * pace,
    resistanceOhm: resistanceOhm * temperature.resistanceFactor,
    cutoffV: spec.uncut ? 0 : cutoffV,
    ...(spec.maxA !== undefined && { maxA: spec.maxA }),
    startSoc: spec.startSoc ?? 1,
  };
}

/**
 * Amp-hours that watt-hours of so many cells mean on a label.
 *
 * @example labelAh({ chemistry: 'li-ion', cellsInSeries: 4, energyWh: 95 }) // 6.597
 */
export function labelAh({ chemistry, cellsInSeries, energyWh }: Pick<PackSpec, 'chemistry' | 'cellsInSeries' | 'energyWh'>): number {
  return energyWh / (cellsInSeries * CHEMISTRIES[chemistry].nominalCellV);
}

/** Volts of a full pack without load, as it comes off the charger: the highest a device will meet. */
export function fullVoltage(chemistry: ChemistryId, cellsInSeries: number): number {
  const { fullCellV, ocvPerCell } = CHEMISTRIES[chemistry];
  return Math.max(fullCellV, ocvPerCell.at(-1)?.[1] ?? 0) * cellsInSeries;
}

/** Cells in series that a nominal voltage on a label means, or undefined when it is no multiple of the chemistry's cell. */
export function cellsFromNominal(chemistry: ChemistryId, nominalV: number): number | undefined {
  const cells = Math.round(nominalV / CHEMISTRIES[chemistry].nominalCellV);
  const perCell = nominalV / Math.max(1, cells);
  // 3.6 and 3.7 V labels are both Li-ion; beyond a tenth of a cell off, it is another chemistry or a regulated output
  return cells >= 1 && Math.abs(perCell / CHEMISTRIES[chemistry].nominalCellV - 1) < 0.07 ? cells : undefined;
}

/** Times what a label or a test says that a pack gives at the most, at any pace. Judgement, 2026. */
const MOST_OF_LABEL = 1.05;
/** Volts a cell below which amp-hours say nothing of watt-hours. */
const LEAST_CELL_V = 0.01;

function ratedCapacityAh(spec: PackSpec, cutoffV: number): number {
  const chemistry = CHEMISTRIES[spec.chemistry];
  const cells = spec.cellsInSeries;
  // however slowly it is emptied, no pack gives much more than what its label or its test says
  const unhurriedWhPerAh = cells * ocvArea(chemistry.ocvPerCell, 1, socAtVoltage(chemistry.ocvPerCell, cutoffV / cells));
  const mostAh = (MOST_OF_LABEL * spec.energyWh) / Math.max(unhurriedWhPerAh, LEAST_CELL_V * cells);
  let capacityAh = spec.energyWh / (cells * chemistry.nominalCellV);
  for (let round = 0; round < 30; round++) {
    const ohm = spec.resistanceOhm ?? (cells * chemistry.cellOhmAh) / capacityAh;
    const sagV = (capacityAh / chemistry.ratedHours) * ohm;
    const endSoc = socAtVoltage(chemistry.ocvPerCell, (cutoffV + sagV) / cells);
    const wattHoursPerAh = cells * ocvArea(chemistry.ocvPerCell, 1, endSoc) - sagV * (1 - endSoc);
    const next = Math.min(mostAh, spec.energyWh / Math.max(wattHoursPerAh, LEAST_CELL_V * cells));
    if (Math.abs(next / capacityAh - 1) < 1e-12) return next;
    capacityAh = next;
  }
  return capacityAh;
}
