import { CHEMISTRIES, LITHIUM_G_PER_AH, USUAL_FLIGHT_LIMITS } from '../../tables';
import { batteryFigures } from '..';
import type { Battery } from '..';
import { isHarmed } from './harm';
import { printedEnergy } from './printed';

export type Flight = 'free' | 'approval' | 'no' | 'unknown';

/**
 * Whether a battery may fly in the cabin, by its printed watt-hours: free to 100 Wh, with the carrier's approval to
 * 160 Wh, not above; never broken or damaged. Lead-acid: non-spillable, to 100 Wh and 12 V.
 *
 * @example mayFly({ ...battery, energyWh: 147 }) // 'approval'
 */
export function mayFly(battery: Battery): Flight {
  // no carrier takes a broken, damaged or recalled one
  if (battery.away === 'broken' || isHarmed(battery)) return 'no';
  // dry cells fly as they are
  if (battery.chemistry === 'alkaline' || battery.chemistry === 'nimh') return 'free';
  if (battery.chemistry === 'lithium-metal') return byGrams(lithiumGrams(battery));
  // what is printed counts at the gate, not what was measured
  const { energyWh } = printedEnergy(battery);
  if (energyWh === undefined) return 'unknown';
  const { cellsInSeries } = batteryFigures(battery);
  if (battery.chemistry === 'agm') return energyWh <= USUAL_FLIGHT_LIMITS.leadAcidWh && (cellsInSeries ?? Infinity) <= 6 ? 'free' : 'no';
  if (energyWh <= USUAL_FLIGHT_LIMITS.freeWh) return 'free';
  return energyWh <= USUAL_FLIGHT_LIMITS.approvalWh ? 'approval' : 'no';
}

/**
 * Grams of lithium in a cell of lithium metal, which fly by those and not by watt-hours; undefined while its energy or its
 * number of cells is not known.
 *
 * @example lithiumGrams({ ...battery, chemistry: 'lithium-metal', energyWh: 36, cellsInSeries: 8 }) // 0.99
 */
export function lithiumGrams(battery: Battery): number | undefined {
  const { energyWh } = printedEnergy(battery);
  const { cellsInSeries } = batteryFigures(battery);
  if (energyWh === undefined || cellsInSeries === undefined) return undefined;
  const cellWh = energyWh / cellsInSeries / (battery.cellsInParallel ?? 1);
  return (cellWh / CHEMISTRIES['lithium-metal'].nominalCellV) * LITHIUM_G_PER_AH;
}

function byGrams(grams: number | undefined): Flight {
  if (grams === undefined) return 'unknown';
  const { freeLithiumG, approvalLithiumG } = USUAL_FLIGHT_LIMITS;
  return grams <= freeLithiumG ? 'free' : grams <= approvalLithiumG ? 'approval' : 'no';
}

const ORDER: readonly Flight[] = ['free', 'approval', 'unknown', 'no'];

/** The strictest of several. */
export function strictestFlight(flights: readonly Flight[]): Flight {
  return flights.reduce<Flight>((worst, flight) => (ORDER.indexOf(flight) > ORDER.indexOf(worst) ? flight : worst), 'free');
}
