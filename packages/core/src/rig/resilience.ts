import type { Device } from '../gear';
import { isA } from './part';
import type { Part } from './part';
import { connectionsInto } from './resolve-rig';
import type { ResolvedRig } from './resolve-rig';

/** What stops when one part of a rig fails. */
export interface Failure {
  readonly part: Part;
  readonly stops: readonly Part<Device>[];
}

/**
 * For every source, hub, adapter and cable in use: the devices that are then without power, counting what else feeds
 * them and batteries built in. Cost: parts × connections.
 */
export function resilience(rig: ResolvedRig): readonly Failure[] {
  const used = new Map<string, Part>();
  for (const { from, cable } of rig.connections) {
    used.set(from.id, from);
    if (cable) used.set(cable.id, cable);
  }
  return [...used.values()].map((part) => ({
    part,
    stops: rig.devices
      .map((use) => use.part)
      .filter((device) => device.id !== part.id && isFed(rig, device, undefined) && !isFed(rig, device, part)),
  }));
}

/** Whether power reaches a part, one part of the rig having failed. */
function isFed(rig: ResolvedRig, part: Part, failed: Part | undefined): boolean {
  if (part.id === failed?.id) return false;
  if (isA(part, 'battery') || isA(part, 'supply') || (isA(part, 'device') && part.gear.builtIn)) return true;
  return connectionsInto(rig, part).some(({ from, cable }) => (cable === undefined || cable.id !== failed?.id) && isFed(rig, from, failed));
}
