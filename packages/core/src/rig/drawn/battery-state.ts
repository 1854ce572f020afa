import { ROOM_TEMPERATURE_C } from '../../tables';
import type { Rig } from './rig';

/** Charge and temperature that a battery starts with in a rig: its own state, or what the rig says of all of them. */
export function batteryState(
  rig: Rig,
  gearId: string,
): { startSoc: number; temperatureC: number; chosen: { charge: boolean; cold: boolean } } {
  const own = rig.batteries?.find((state) => state.gearId === gearId);
  const charge = own?.startCharge ?? rig.startCharge;
  const cold = own?.temperatureC ?? rig.temperatureC;
  return {
    startSoc: charge ?? 1,
    temperatureC: cold ?? ROOM_TEMPERATURE_C,
    chosen: { charge: charge !== undefined, cold: cold !== undefined },
  };
}

/** Whether a charger or a panel is on a battery while it feeds. */
export function isChargedInPlace({ batteries = [], unattended }: Rig, gearId: string): boolean {
  return (unattended?.panelW ?? 0) > 0 || (batteries.find((state) => state.gearId === gearId)?.charging ?? false);
}
