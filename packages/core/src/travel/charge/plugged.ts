import type { Battery } from '../../gear';
import { withChanges } from '../../shape';

/** A battery that was put on a charger now. */
export function plugIn(battery: Battery, since: string, chargerId: string | undefined): Battery {
  return { ...battery, plugged: { since, ...(chargerId !== undefined && { chargerId }) } };
}

/** A battery that came off its charger full, or at the charge that was read. */
export function takeOff(battery: Battery, charge = 1): Battery {
  return withChanges(battery, { charge, plugged: undefined });
}
