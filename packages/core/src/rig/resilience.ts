import type { Device } from '../gear';
import { isA } from './part';
import type { Part } from './part';
import type { Connection } from './connection';
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
  const into = new Map<string, Connection[]>();
  for (const one of rig.connections) into.set(one.to.id, [...(into.get(one.to.id) ?? []), one]);
  const fed = rig.devices.map((use) => use.part).filter((device) => isFed(into, device, undefined));
  return [...used.values()].map((part) => ({
    part,
    stops: fed.filter((device) => device.id !== part.id && !isFed(into, device, part)),
  }));
}

/** Whether power reaches a part, one part of the rig having failed. */
function isFed(into: ReadonlyMap<string, readonly Connection[]>, part: Part, failed: Part | undefined): boolean {
  if (part.id === failed?.id) return false;
  if (isA(part, 'battery') || isA(part, 'supply') || (isA(part, 'device') && part.gear.builtIn)) return true;
  const ways = into.get(part.id) ?? [];
  return ways.some(({ from, cable }) => (cable === undefined || cable.id !== failed?.id) && isFed(into, from, failed));
}
