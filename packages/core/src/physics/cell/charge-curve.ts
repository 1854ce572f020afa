import { COLDEST_CHARGE_C, LEAD_RATE, LITHIUM_CHEMISTRIES, TAPER_POWER, TAPER_SOC } from '../../tables';
import type { ChemistryId } from '../../tables';

/** A battery on a charger. */
export interface Filling {
  readonly chemistry: ChemistryId;
  /** What it holds when full. */
  readonly energyWh: number;
}

/** Watts that a battery takes of those offered: lead-acid fills slowly whatever the charger could give. */
export function accepted({ chemistry, energyWh }: Filling, offeredW: number): number {
  return chemistry === 'agm' ? Math.min(offeredW, LEAD_RATE * energyWh) : offeredW;
}

/** Whether a battery must not be charged at this temperature; `undefined` degrees are a room's. */
export function tooCold({ chemistry }: Pick<Filling, 'chemistry'>, temperatureC: number | undefined): boolean {
  return LITHIUM_CHEMISTRIES.includes(chemistry) && temperatureC !== undefined && temperatureC < COLDEST_CHARGE_C;
}

/**
 * Charge after some minutes on a charger: constant up to 80 %, then tapering (0.8 E/P + 0.2 E/(0.45 P) from empty).
 *
 * @example chargeAfter({ chemistry: 'li-ion', energyWh: 95 }, 0, 50, 91.2) // 0.8
 */
export function chargeAfter(battery: Filling, soc: number, offeredW: number, minutes: number): number {
  const perMinute = accepted(battery, offeredW) / battery.energyWh / 60;
  if (perMinute <= 0 || minutes <= 0) return soc;
  const toTaper = Math.max(0, TAPER_SOC - soc) / perMinute;
  if (minutes <= toTaper) return soc + minutes * perMinute;
  return Math.min(1, Math.max(soc, TAPER_SOC) + (minutes - toTaper) * perMinute * TAPER_POWER);
}

/**
 * Minutes on a charger from one charge to another; infinite without power.
 *
 * @example chargeMinutes({ chemistry: 'li-ion', energyWh: 95 }, 0, 1, 50) // 141.9
 */
export function chargeMinutes(battery: Filling, from: number, to: number, offeredW: number): number {
  if (to <= from) return 0;
  const perMinute = accepted(battery, offeredW) / battery.energyWh / 60;
  if (perMinute <= 0) return Infinity;
  const low = Math.max(0, Math.min(to, TAPER_SOC) - Math.min(from, TAPER_SOC));
  const high = Math.max(0, Math.max(to, TAPER_SOC) - Math.max(from, TAPER_SOC));
  return low / perMinute + high / (perMinute * TAPER_POWER);
}
