import type { Device } from '../gear/gear';
import { isA, jointsTo } from './rig-graph';
import type { Part, RigGraph } from './rig-graph';

/** What stops when one part of a rig fails. */
export interface Failure {
  readonly part: Part;
  readonly stops: readonly Part<Device>[];
}

/**
 * For every source, hub, adapter and cable in use: the devices that are then without power, counting what else feeds
 * them and batteries built in. Cost: parts × joints.
 */
export function resilience(graph: RigGraph): readonly Failure[] {
  const used = new Map<string, Part>();
  for (const { from, cable } of graph.joints) {
    used.set(from.id, from);
    if (cable) used.set(cable.id, cable);
  }
  return [...used.values()].map((part) => ({
    part,
    stops: graph.devices
      .map((use) => use.part)
      .filter((device) => device.id !== part.id && isFed(graph, device, undefined) && !isFed(graph, device, part)),
  }));
}

/** Whether power reaches a part, one part of the rig having failed. */
function isFed(graph: RigGraph, part: Part, failed: Part | undefined): boolean {
  if (part.id === failed?.id) return false;
  if (isA(part, 'battery') || isA(part, 'supply') || (isA(part, 'device') && part.gear.builtIn)) return true;
  return jointsTo(graph, part).some(({ from, cable }) => (cable === undefined || cable.id !== failed?.id) && isFed(graph, from, failed));
}
