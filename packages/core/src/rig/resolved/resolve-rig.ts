import type { Gear } from '../../gear';
import { drawnRig } from '../drawn';
import type { DrawnRig, Part, Rig } from '../drawn';
import { unfedConnection } from './connection';
import type { Connection } from './connection';
import { Evidence } from './figure';
import type { PlacesInRange } from './figure';
import { withShares } from './shared-node';
import { sourceTree } from './source-tree';
import type { SourceTree } from './source-tree';

/** A rig resolved once: what meets where, with all that follows from the parts alone. Draws and time come after. */
export interface ResolvedRig extends DrawnRig {
  /** Each link once, in the order drawn; where two sources reach one, as the first of them sees it. */
  readonly connections: readonly Connection[];
  /** One for each source, with the connections as that source sees them. */
  readonly trees: readonly SourceTree[];
  /** What the answer rests on and what it lacks. */
  readonly evidence: Evidence;
}

/**
 * Everything that a rig's parts say by themselves: who feeds whom through which plugs, cable, contract and limits. What
 * nobody gave is assumed, as is typical.
 * Never throws for sound shapes; what is missing is in `evidence.lacks`, what is drawn wrongly in `faults`.
 *
 * @example resolveRig(rig, gear).devices[0].part.title // 'Skuadon 60'
 */
export function resolveRig(rig: Rig, gear: ReadonlyMap<string, Gear>): ResolvedRig {
  return resolveDrawn(drawnRig(rig, gear));
}

/** The same of a rig whose parts have been found, with what is assumed valueInRange to one side. */
export function resolveDrawn(drawn: DrawnRig, places?: PlacesInRange): ResolvedRig {
  const evidence = new Evidence(places);
  const trees = withShares(
    drawn.sources.map((source) => sourceTree(drawn, source, evidence)),
    drawn.parts,
  );
  const fed = new Map<string, Connection>();
  for (const { connections } of trees) for (const one of connections) if (!fed.has(one.id)) fed.set(one.id, one);
  return { ...drawn, connections: drawn.ends.map((ends) => fed.get(ends.id) ?? unfedConnection(ends)), trees, evidence };
}

export function connectionsFrom({ connections }: Pick<ResolvedRig, 'connections'>, part: Part): readonly Connection[] {
  return connections.filter(({ from }) => from.id === part.id);
}

export function connectionsInto({ connections }: Pick<ResolvedRig, 'connections'>, part: Part): readonly Connection[] {
  return connections.filter(({ to }) => to.id === part.id);
}
