import { batteryFigures } from '../../gear';
import type { BatteryFigures } from '../../gear';
import { inOwnBay, isKind } from '../drawn';
import type { DrawnRig, Part, Source } from '../drawn';
import { connectionsOf } from './connection';
import type { Connection } from './connection';
import type { Evidence } from './figure';
import { resolvedPack } from './resolved-pack';
import type { ResolvedPack } from './resolved-pack';

/** Everything that hangs on one source. */
export interface SourceTree {
  readonly source: Source;
  /** Outer before inner. */
  readonly connections: readonly Connection[];
  /** What the battery says of itself; undefined for a supply. */
  readonly figures: BatteryFigures | undefined;
  /** The battery as a pack; undefined for a supply, and while its energy is not known. */
  readonly battery: ResolvedPack | undefined;
  /** A supply goes on for ever; a battery does not. */
  readonly unlimited: boolean;
  /** A figure is missing without which there is no circuit. */
  readonly incomplete: boolean;
  /** Where its battery is joined with others, and what it carries of all that hangs behind; absent where it stands alone. */
  readonly shared?: { readonly share: number; readonly joint: Connection };
}

export function sourceTree(drawn: DrawnRig, source: Source, evidence: Evidence): SourceTree {
  const figures = isKind(source, 'battery') ? batteryFigures(source.gear) : undefined;
  const connections = connectionsOf(drawn, source, evidence);
  const unlimited = !isKind(source, 'battery');
  const battery = isKind(source, 'battery') && figures ? resolvedPack(drawn.rig, source, figures, evidence) : undefined;
  const incomplete = connections.some((connection) => connection.incomplete) || (!unlimited && battery === undefined);
  return { source, connections, figures, battery, unlimited, incomplete };
}

/** The connection of a tree that ends at a part which hangs on it. */
export function connectionTo({ connections }: SourceTree, part: Part): Connection {
  return connections.find(({ to }) => to.id === part.id)!;
}

/** The tree that a device is fed by first. */
export function treeFeeding(trees: readonly SourceTree[], device: Part): SourceTree | undefined {
  return treesFeeding(trees, device)[0];
}

/** Every tree that reaches a device, in the order in which they feed it. */
export function treesFeeding(trees: readonly SourceTree[], device: Part): readonly SourceTree[] {
  const feeding = trees.filter(({ connections }) => connections.some(({ to }) => to.id === device.id));
  return feeding.sort((a, b) => preference(connectionTo(a, device)) - preference(connectionTo(b, device)));
}

/** Outside feeds come before the battery in the bay; then the order in which inputs are listed, all the way up. */
function preference(connection: Connection): number {
  let rank = 0;
  let weight = 1000;
  for (let at: Connection | undefined = connection; at; at = at.before, weight /= 10) {
    const { to, input } = at;
    const place = to.inputs.findIndex(({ id }) => id === input.id);
    rank += weight * (place + (isKind(to, 'device') && inOwnBay(at) ? 50 : 0));
  }
  return rank;
}
