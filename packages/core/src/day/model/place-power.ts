import { PANEL_SHARE } from '../../gear';
import { DAY_MIN, HOUR_MIN } from '../../quantity';
import type { Place } from '../shape';

/**
 * Watts that a place gives to chargers while it gives any: an outlet's own limit, or a panel's yield of the day spread evenly
 * over its hours of sun. Undefined where an outlet gives plenty; 0 where a figure of the sun is missing, which `dayIssues` tells.
 *
 * @example wattsOfPlace({ id: 'quay', name: 'Quay', power: 'solar', outletW: 100, sunHours: 2, powerFrom: 600, powerTo: 900 }) // 26
 */
export function wattsOfPlace({ power, outletW, sunHours, powerFrom, powerTo }: Place): number | undefined {
  if (power === 'none') return 0;
  if (power !== 'solar') return outletW;
  if (outletW === undefined || sunHours === undefined || powerFrom === undefined || powerTo === undefined) return 0;
  const hours = (((powerTo - powerFrom + DAY_MIN - 1) % DAY_MIN) + 1) / HOUR_MIN;
  return Math.min(outletW, (outletW * sunHours * PANEL_SHARE) / hours);
}

/** What is missing of a place's sun, by field. */
export function missingOfSun({ power, ...place }: Place): readonly ('outletW' | 'sunHours' | 'powerFrom' | 'powerTo')[] {
  if (power !== 'solar') return [];
  return (['outletW', 'sunHours', 'powerFrom', 'powerTo'] as const).filter((field) => place[field] === undefined);
}
