import { cellVoltage, labelAh } from '../../physics/cell';
import type { PackSpec } from '../../physics/cell';
import { CHEMISTRIES, JOIN_C } from '../../tables';
import { batteryState, isKind } from '../drawn';
import type { Part } from '../drawn';
import type { Connection } from './connection';
import type { ResolvedRig } from './resolve-rig';
import type { SourceTree } from './source-tree';

/** A source that comes to a part on which sources are joined, and its way there. */
export interface JoinedSource {
  readonly tree: SourceTree;
  readonly way: Connection;
}

/** Two sources that a part joins. */
export interface JoinedPair {
  readonly hub: Part;
  /** Nobody says what the part does with several: whether it joins them is not known. */
  readonly isAssumed: boolean;
  readonly one: JoinedSource;
  readonly other: JoinedSource;
}

/** What flows between two like batteries at the moment of joining. */
export interface Joining {
  readonly oneV: number;
  readonly otherV: number;
  readonly ohm: number;
  readonly currentA: number;
  /** The most that the smaller one takes. */
  readonly limitA: number;
}

/** Every two sources that meet on a part which does not keep them apart, and whose volts are not held or stepped up on their way. */
export function joinedPairs({ parts, trees }: Pick<ResolvedRig, 'parts' | 'trees'>): readonly JoinedPair[] {
  return [...parts.values()].flatMap((hub) => {
    if (!isKind(hub, 'hub') || hub.gear.isolates) return [];
    const { inputOrder } = hub.gear;
    if (inputOrder !== 'together' && inputOrder !== undefined) return [];
    const joined = trees.flatMap((tree): readonly JoinedSource[] => {
      const way = tree.connections.find(({ to }) => to.id === hub.id);
      // what is held or stepped up on its way does not flow back
      return way && followsSource(way) ? [{ tree, way }] : [];
    });
    return joined.flatMap((one, place) =>
      joined.slice(place + 1).map((other): JoinedPair => ({ hub, isAssumed: inputOrder === undefined, one, other })),
    );
  });
}

function followsSource(connection: Connection): boolean {
  for (let at: Connection | undefined = connection; at; at = at.before) if (at.converter && !isKind(at.from, 'supply')) return false;
  return true;
}

/** The current between two like batteries as they are put together, at the charge of each; undefined where they must never be. */
export function joiningOf({ rig }: Pick<ResolvedRig, 'rig'>, { one, other }: Pick<JoinedPair, 'one' | 'other'>): Joining | undefined {
  const [first, second] = [one.tree.battery, other.tree.battery];
  if (!first || !second) return undefined;
  const isAlike = first.spec.chemistry === second.spec.chemistry && first.spec.cellsInSeries === second.spec.cellsInSeries;
  const joinC = JOIN_C[first.spec.chemistry];
  if (!isAlike || joinC === undefined) return undefined;
  const volts = ({ tree }: JoinedSource, spec: PackSpec): number => openVolts(spec, batteryState(rig, tree.source.id).startSoc);
  const [oneV, otherV] = [volts(one, first.spec), volts(other, second.spec)];
  const ohm = first.pack.resistanceOhm + second.pack.resistanceOhm + one.way.leadOhm + other.way.leadOhm;
  const limitA = joinC * Math.min(labelAh(first.spec), labelAh(second.spec));
  return { oneV, otherV, ohm, currentA: Math.abs(oneV - otherV) / ohm, limitA };
}

function openVolts({ chemistry, cellsInSeries }: PackSpec, soc: number): number {
  return cellsInSeries * cellVoltage(CHEMISTRIES[chemistry].ocvPerCell, soc);
}
