import { CHEMISTRIES } from '../../tables';
import { cellVoltage, socAtVoltage } from './ocv';
import { packFrom } from './pack';
import type { Pack, PackSpec } from './pack';

/** Gauss-Legendre, three points on [-1, 1]: between two points of a cell's table the volts are straight. */
const NODES = [-Math.sqrt(0.6), 0, Math.sqrt(0.6)];
const WEIGHTS = [5 / 9, 8 / 9, 5 / 9];
const MAX_ROUNDS = 60;
const TOLERANCE = 1e-9;

/**
 * Watt-hours that a full pack gives at its terminals when one steady load runs it down in so many minutes: less than its
 * label says where that is faster than its rated pace, a little more where it is slower.
 *
 * What an own test tells of a draw: the same pack, load and temperature then give the tested time back. Preconditions:
 * `minutes` above 0. Cost: some tens of microseconds.
 *
 * @example deliveredWh({ chemistry: 'li-ion', cellsInSeries: 2, energyWh: 24.5 }, 50) // 23
 */
export function deliveredWh(spec: PackSpec, minutes: number): number {
  const hours = minutes / 60;
  // a test ends at the volts of its rating, whether or not something would cut it off there
  const unhurried = packFrom({ ...spec, startSoc: 1, uncut: false });
  const isPaced = CHEMISTRIES[spec.chemistry].peukertExponent !== 1;
  let [low, high] = [0, (4 * spec.energyWh) / hours];
  for (let round = 0; round < MAX_ROUNDS && high - low > TOLERANCE * high; round++) {
    const powerW = (low + high) / 2;
    if (minutesAt(isPaced ? paced(spec, powerW) : unhurried, powerW) > minutes) low = powerW;
    else high = powerW;
  }
  return ((low + high) / 2) * hours;
}

/** The pack at the pace of a load, for chemistries that lose capacity when hurried. */
function paced(spec: PackSpec, powerW: number): Pack {
  const { nominalCellV } = CHEMISTRIES[spec.chemistry];
  return packFrom({ ...spec, startSoc: 1, uncut: false, meanA: powerW / (spec.cellsInSeries * nominalCellV) });
}

/** Minutes from full to the cut-off at one power: the charge over the current, along the state of charge. */
function minutesAt({ cellsInSeries, ocvPerCell, capacityAh, resistanceOhm, cutoffV }: Pack, powerW: number): number {
  const current = (soc: number): number => {
    const openV = cellsInSeries * cellVoltage(ocvPerCell, soc);
    // P = (V − R I) I, the smaller of the two currents
    const root = openV ** 2 - 4 * resistanceOhm * powerW;
    return root < 0 ? Infinity : (2 * powerW) / (openV + Math.sqrt(root));
  };
  // at the cut-off the current is P over the cut-off
  const lastCutV = Math.max(cutoffV + (resistanceOhm * powerW) / cutoffV, 2 * Math.sqrt(resistanceOhm * powerW));
  const endSoc = socAtVoltage(ocvPerCell, lastCutV / cellsInSeries);
  let hours = 0;
  for (let index = 1; index < ocvPerCell.length; index++) {
    const [from, to] = [Math.max(endSoc, ocvPerCell[index - 1]![0]), ocvPerCell[index]![0]];
    if (to <= from) continue;
    const [centre, half] = [(from + to) / 2, (to - from) / 2];
    for (let node = 0; node < NODES.length; node++) hours += (WEIGHTS[node]! * half * capacityAh) / current(centre + half * NODES[node]!);
  }
  return hours * 60;
}
