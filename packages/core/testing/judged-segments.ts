import type { MadeRecording } from './made-recordings';

/** Seeds that the finding of segments was made with, and those that it was never tried on before it was judged. */
export const TUNING_SEEDS: readonly number[] = Array.from({ length: 448 }, (_, seed) => seed);
export const JUDGING_SEEDS: readonly number[] = Array.from({ length: 448 }, (_, seed) => 20_000 + seed);

const BOUNDARY_S = 2;
const MEAN = 0.01;

/** What is wrong with the segments of a made recording; undefined where boundaries hold within 2 s (a sample of a slow logger) and means within 1 %. */
export function faultOf(
  { truth, timeS }: MadeRecording,
  { segments }: { readonly segments: readonly { readonly fromS: number; readonly meanW: number }[] },
): string | undefined {
  if (segments.length !== truth.length) return `${segments.length} segments for ${truth.length}`;
  const within = Math.max(BOUNDARY_S, 1.01 * largestStepS(timeS));
  for (const [index, { fromS, meanW }] of segments.entries()) {
    const known = truth[index]!;
    if (Math.abs(fromS - known.fromS) > within) return `segment ${index} begins at ${fromS} s for ${known.fromS.toFixed(1)}`;
    if (Math.abs(meanW / known.meanW - 1) > MEAN) return `segment ${index} has ${meanW.toFixed(3)} W for ${known.meanW.toFixed(3)}`;
  }
  return undefined;
}

function largestStepS(timeS: Float64Array): number {
  let most = 0;
  for (let at = 1; at < timeS.length; at++) most = Math.max(most, timeS[at]! - timeS[at - 1]!);
  return most;
}
