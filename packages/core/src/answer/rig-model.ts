import { contractFindings } from '../findings/contracts';
import { drawingFindings } from '../findings/drawing';
import type { Finding } from '../findings/finding';
import { lackFindings } from '../findings/lacking';
import { plugFindings } from '../findings/plugs';
import { voltageFindings } from '../findings/volts';
import type { Gear } from '../gear/gear';
import type { Rig } from '../gear/rig';
import { rigDraws } from '../rig/draws';
import type { RigDraws } from '../rig/draws';
import { resolveRig } from '../rig/resolve-rig';
import type { ResolvedRig } from '../rig/resolve-rig';
import type { SourceTree } from '../rig/source-tree';
import { discharge } from '../run/discharge';
import type { Discharge, DischargeOptions } from '../run/discharge';
import { networkOf } from '../run/network-of';
import { rigSystem } from '../run/rig-system';
import type { System } from '../run/system';

/** A rig worked out as far as its figures go: what an answer, a range, a sensitivity are all made from. */
export interface RigModel {
  readonly resolved: ResolvedRig;
  readonly draws: RigDraws | undefined;
  /** Each source run down by itself with everything it can feed, in the usual modes. */
  readonly runs: ReadonlyMap<SourceTree, Discharge | undefined>;
  /** What the plugs, volts and contracts say, before any time is looked at. */
  readonly gate: readonly Finding[];
  /** The rig over time; undefined while a figure is missing, and for what must not be connected or would refuse to run. */
  readonly system: System | undefined;
}

/** Works a rig out; never throws for sound shapes. */
export function rigModel(rig: Rig, gear: ReadonlyMap<string, Gear>, { tracePoints }: DischargeOptions = {}): RigModel {
  const resolved = resolveRig(rig, gear);
  const { trees } = resolved;
  const draws = rigDraws(resolved);
  const runs = new Map(
    trees.map((tree) => {
      const network = draws && networkOf(tree, draws.usual);
      return [tree, network && discharge(network, tracePoints === undefined ? {} : { tracePoints })] as const;
    }),
  );
  const gate = [
    ...drawingFindings(resolved),
    ...plugFindings(resolved),
    ...trees.flatMap((tree) => [
      ...voltageFindings(resolved, tree, runs.get(tree)),
      ...tree.connections.flatMap((one) => contractFindings(resolved, one, draws?.usual.get(one.to.id)?.powerW)),
    ]),
  ];
  const system = isForbidden(gate) ? undefined : rigSystem(resolved, draws, runs);
  return { resolved, draws, runs, gate, system };
}

/** Whether something must not be connected, or would refuse to run. */
export function isForbidden(gate: readonly Finding[]): boolean {
  return gate.some(({ verdict }) => verdict === 'stop');
}

/** What keeps a rig from being run; undefined where nothing that was looked at does. */
export function troubleOf({ gate, resolved }: RigModel): Finding | undefined {
  return gate.find(({ verdict }) => verdict === 'stop') ?? lackFindings(resolved.evidence.lacks)[0];
}
