import { USUAL_FLIGHT_LIMITS } from '../../tables';
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
  // what is printed counts at the gate, not what was measured
  const { energyWh } = printedEnergy(battery);
  if (energyWh === undefined) return 'unknown';
  const { cellsInSeries } = batteryFigures(battery);
  if (battery.chemistry === 'agm') return energyWh <= USUAL_FLIGHT_LIMITS.leadAcidWh && (cellsInSeries ?? Infinity) <= 6 ? 'free' : 'no';
  if (energyWh <= USUAL_FLIGHT_LIMITS.freeWh) return 'free';
  return energyWh <= USUAL_FLIGHT_LIMITS.approvalWh ? 'approval' : 'no';
}

const ORDER: readonly Flight[] = ['free', 'approval', 'unknown', 'no'];

/** The strictest of several. */
export function strictestFlight(flights: readonly Flight[]): Flight {
  return flights.reduce<Flight>((worst, flight) => (ORDER.indexOf(flight) > ORDER.indexOf(worst) ? flight : worst), 'free');
}
