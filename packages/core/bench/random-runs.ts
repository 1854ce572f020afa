import { runRange } from '../src/answer/range';
import { rigModel } from '../src/answer/rig-model';
import { sixLoads } from '../testing/six-loads';

const RUNS = 10_000;
const DAY_MIN = 14 * 60;

/** 10 000 random runs of six loads on swapped V-mounts over a day of 14 h in 40 phases: the same in Node and in a worker. */
export function randomRuns(): { readonly ms: number; readonly runs: number; readonly p50Min: number | undefined } {
  const { rig, gear } = sixLoads();
  const model = rigModel(rig, gear);
  const day = { ...model, system: { ...model.system!, horizonMin: DAY_MIN } };
  runRange(day, { runs: 300 });
  const started = performance.now();
  const range = runRange(day, { runs: RUNS })!;
  return { ms: performance.now() - started, runs: range.runs, p50Min: range.p50Min };
}
