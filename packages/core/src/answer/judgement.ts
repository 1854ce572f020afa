import {
  adapterFindings,
  capabilityFindings,
  contractFindings,
  currentFindings,
  peakFindings,
  poeFindings,
  togetherFindings,
  voltageFindings,
} from '../findings';
import type { Finding } from '../findings';
import type { LoadDraw, ResolvedRig, SourceTree } from '../rig/resolved';
import type { Discharge } from '../run';

type Runs = ReadonlyMap<SourceTree, Discharge | undefined>;
type Loads = ReadonlyMap<string, LoadDraw>;

/** Volts against windows, and contracts: what must not be connected, or would not run. Draws as far as they are known. */
export function matchFindings(resolved: ResolvedRig, loads: Loads | undefined, runs: Runs): readonly Finding[] {
  return resolved.trees.flatMap((tree) => [
    ...voltageFindings(resolved, tree, runs.get(tree)),
    ...tree.connections.flatMap((one) => {
      const drawnW = loads?.get(one.to.id)?.powerW;
      return [...contractFindings(resolved, one, drawnW), ...poeFindings(one, drawnW)];
    }),
  ]);
}

/** Amps, ratings and peaks, once every source has been run down. */
export function flowFindings({ trees }: ResolvedRig, loads: Loads, runs: Runs): readonly Finding[] {
  return trees.flatMap((tree) => [
    ...currentFindings(tree, runs.get(tree)),
    ...adapterFindings(tree, loads),
    ...peakFindings(tree, loads, runs.get(tree)),
    ...togetherFindings(tree, loads, runs.get(tree)),
  ]);
}

/** All that is judged at a moment or over a run, in whatever modes the devices are in. */
export function judgement(resolved: ResolvedRig, loads: Loads, runs: Runs): readonly Finding[] {
  return [...matchFindings(resolved, loads, runs), ...flowFindings(resolved, loads, runs), ...capabilityFindings(resolved, runs)];
}
