import { packFrom } from '../physics/cell';
import type { Network } from '../physics/circuit';
import { circuitOf } from '../rig/resolved';
import type { LoadDraw, SourceTree } from '../rig/resolved';
import { CHEMISTRIES } from '../tables';
import { discharge } from './discharge';

const PACING_ROUNDS = 20;
const PACING_TOLERANCE = 1e-6;

/**
 * A tree as a circuit to be run down; undefined while a figure is missing. For chemistries that lose capacity when
 * hurried the mean current decides the capacity, and the capacity the current: found by running it until both agree.
 */
export function networkOf(tree: SourceTree, draws: ReadonlyMap<string, LoadDraw>): Network | undefined {
  const spec = tree.battery?.spec;
  let network = circuitOf(tree, draws);
  if (!network || !spec || CHEMISTRIES[spec.chemistry].peukertExponent === 1) return network;
  for (let round = 0; round < PACING_ROUNDS; round++) {
    const run = discharge(network);
    if (run.minutes === 0) return network;
    const meanA = (((spec.startSoc ?? 1) - run.endSoc) * network.pack.capacityAh) / (run.minutes / 60);
    const pack = packFrom({ ...spec, meanA });
    const settled = Math.abs(pack.capacityAh / network.pack.capacityAh - 1) < PACING_TOLERANCE;
    network = { ...network, pack };
    if (settled) break;
  }
  return network;
}
