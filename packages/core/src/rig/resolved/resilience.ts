import type { Device } from '../../gear';
import { isKind } from '../drawn';
import type { Part } from '../drawn';
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
  const into = connectionsByEnd(rig);
  const fed = rig.devices.map((use) => use.part).filter((device) => isFed(into, device, NOTHING));
  return [...used.values()].map((part) => {
    const gone = new Set([part.id]);
    return { part, stops: fed.filter((device) => device.id !== part.id && !isFed(into, device, gone)) };
  });
}

function connectionsByEnd({ connections }: ResolvedRig): ReadonlyMap<string, readonly Connection[]> {
  const into = new Map<string, Connection[]>();
  for (const one of connections) into.set(one.to.id, [...(into.get(one.to.id) ?? []), one]);
  return into;
}

/**
 * The devices of a rig that have no power once several parts are gone, those that are gone themselves among them. What was
 * without power before is left out.
 */
export function unfedWithout(rig: ResolvedRig, gone: ReadonlySet<string>): readonly Part<Device>[] {
  const into = connectionsByEnd(rig);
  return rig.devices.map((use) => use.part).filter((device) => isFed(into, device, NOTHING) && !isFed(into, device, gone));
}

const NOTHING: ReadonlySet<string> = new Set();

/** Whether power reaches a part, some parts of the rig having failed. */
function isFed(into: ReadonlyMap<string, readonly Connection[]>, part: Part, gone: ReadonlySet<string>): boolean {
  if (gone.has(part.id)) return false;
  if (isKind(part, 'battery') || isKind(part, 'supply') || (isKind(part, 'device') && part.gear.builtIn)) return true;
  const ways = into.get(part.id) ?? [];
  return ways.some(({ from, cable }) => (cable === undefined || !gone.has(cable.id)) && isFed(into, from, gone));
}
