import type { Battery } from '../../gear';
import { withChanges } from '../../shape';

/**
 * A battery that was put on a charger now.
 *
 * @example plugIn(battery, '2026-01-12T20:00', 'c1').plugged.chargerId // 'c1'
 */
export function plugIn(battery: Battery, since: string, chargerId: string | undefined): Battery {
  return { ...battery, plugged: { since, ...(chargerId !== undefined && { chargerId }) } };
}

/**
 * A battery that came off its charger full, or at the charge that was read.
 *
 * @example takeOff(battery, 0.8).charge // 0.8
 */
export function takeOff(battery: Battery, charge = 1): Battery {
  return withChanges(battery, { charge, plugged: undefined });
}
