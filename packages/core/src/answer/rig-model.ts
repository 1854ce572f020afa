import { detected, lackFindings } from '../findings';
import type { Finding } from '../findings';
import type { Gear } from '../gear';
import { drawnRig } from '../rig/drawn';
import type { DrawnRig, Rig } from '../rig/drawn';
import { drawsOfRig, resolveDrawn } from '../rig/resolved';
import type { PlacesInRange, ResolvedRig, RigDraws, SourceTree } from '../rig/resolved';
import { networkOf, rigSystem, runDown } from '../run';
import type { Discharge, DischargeOptions, System } from '../run';

/** A rig worked out as far as its figures go: what an answer, a range, a sensitivity are all made from. */
export interface RigModel {
  readonly resolved: ResolvedRig;
  readonly draws: RigDraws | undefined;
  /** Each source run down by itself with everything it can feed, in the usual modes. */
  readonly runs: ReadonlyMap<SourceTree, Discharge | undefined>;
  /** What the plugs, volts and contracts say, before any time is looked at. */
  readonly beforeRun: readonly Finding[];
  /** What was measured of it on the bench. */
  readonly measured: readonly Finding[];
  /** The rig over time; undefined while a figure is missing, and for what must not be connected or would refuse to run. */
  readonly system: System | undefined;
}

/** A rig as far as it can be judged without its time. */
export type JudgedRig = Omit<RigModel, 'system'>;

/** What the bench says of rigs, by their identifiers. */
export type Measured = ReadonlyMap<string, readonly Finding[]>;

interface ModelOptions extends DischargeOptions {
  readonly places?: PlacesInRange;
  /** What was measured of the rig: a stop there is one like any other. */
  readonly measured?: readonly Finding[] | undefined;
}

/**
 * Works a rig out; never throws for sound shapes.
 *
 * @example rigModel(rig, gear).resolved.trees.length // 1
 */
export function rigModel(rig: Rig, gear: ReadonlyMap<string, Gear>, options: Omit<ModelOptions, 'places'> = {}): RigModel {
  const judged = judgedRig(drawnRig(rig, gear), options);
  const { resolved, draws, runs, beforeRun } = judged;
  return { ...judged, system: isForbidden(beforeRun) ? undefined : rigSystem(resolved, draws, runs) };
}

/** The same without its time, with what is assumed valueInRange to one side. */
export function judgedRig(drawn: DrawnRig, { tracePoints, places, measured = [] }: ModelOptions): JudgedRig {
  const resolved = resolveDrawn(drawn, places);
  const { trees } = resolved;
  const draws = drawsOfRig(resolved);
  const runs = new Map(
    trees.map((tree) => {
      const network = draws && networkOf(tree, draws.usual);
      return [tree, network && runDown(tree, network, tracePoints === undefined ? {} : { tracePoints })] as const;
    }),
  );
  const beforeRun = [...measured, ...detected(['drawn', 'matched'], { resolved, loads: draws?.usual, runs })];
  return { resolved, draws, runs, measured, beforeRun };
}

/** Whether something must not be connected, or would refuse to run. */
export function isForbidden(beforeRun: readonly Finding[]): boolean {
  return beforeRun.some(({ verdict }) => verdict === 'stop');
}

/** What keeps a rig from being run; undefined where nothing that was looked at does. */
export function troubleOf({ beforeRun, resolved }: RigModel): Finding | undefined {
  return beforeRun.find(({ verdict }) => verdict === 'stop') ?? lackFindings(resolved.evidence.lacks)[0];
}
