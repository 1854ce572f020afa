import { detected, lackFindings } from '../findings';
import type { Finding } from '../findings';
import type { Gear } from '../gear';
import { drawnRig } from '../rig/drawn';
import type { DrawnRig, Rig } from '../rig/drawn';
import { resolveDrawn, rigDraws } from '../rig/resolved';
import type { Lean, ResolvedRig, RigDraws, SourceTree } from '../rig/resolved';
import { discharge, networkOf, rigSystem } from '../run';
import type { Discharge, DischargeOptions, System } from '../run';

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

/** A rig as far as it can be judged without its time. */
export type JudgedRig = Omit<RigModel, 'system'>;

/** Works a rig out; never throws for sound shapes. */
export function rigModel(rig: Rig, gear: ReadonlyMap<string, Gear>, options: DischargeOptions = {}): RigModel {
  const judged = judgedRig(drawnRig(rig, gear), options);
  const { resolved, draws, runs, gate } = judged;
  return { ...judged, system: isForbidden(gate) ? undefined : rigSystem(resolved, draws, runs) };
}

/** The same without its time, with what is assumed leant to one side. */
export function judgedRig(drawn: DrawnRig, { tracePoints, lean }: DischargeOptions & { readonly lean?: Lean }): JudgedRig {
  const resolved = resolveDrawn(drawn, lean);
  const { trees } = resolved;
  const draws = rigDraws(resolved);
  const runs = new Map(
    trees.map((tree) => {
      const network = draws && networkOf(tree, draws.usual);
      return [tree, network && discharge(network, tracePoints === undefined ? {} : { tracePoints })] as const;
    }),
  );
  const gate = detected(['drawn', 'matched'], { resolved, loads: draws?.usual, runs });
  return { resolved, draws, runs, gate };
}

/** Whether something must not be connected, or would refuse to run. */
export function isForbidden(gate: readonly Finding[]): boolean {
  return gate.some(({ verdict }) => verdict === 'stop');
}

/** What keeps a rig from being run; undefined where nothing that was looked at does. */
export function troubleOf({ gate, resolved }: RigModel): Finding | undefined {
  return gate.find(({ verdict }) => verdict === 'stop') ?? lackFindings(resolved.evidence.lacks)[0];
}
