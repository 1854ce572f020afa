import type { Span } from './sample-boundaries';
import type { Trace } from './trace';

/** The power of a segment by its samples. */
export interface SegmentLevel {
  /** Over its time: the energy between its samples, by the hours between them. */
  readonly meanW: number;
  /** What it rose (or fell, below 0) from its beginning to its end, along a straight line; absent where it stayed. */
  readonly driftW?: number;
}

/** A drift is looked for between so many parts of a segment. */
const PARTS = 8;
/** It is told from this share of the mean, and from so many times what the parts are off the line. */
const LEAST_DRIFT = 0.03;
const STANDS_OUT = 4;

/**
 * Mean and drift of every segment, from the samples themselves by the trapezoidal rule, so that uneven spacing does not
 * count. Undefined for a segment with fewer than two samples.
 *
 * Preconditions: segments in order, with seconds from the trace's first sample. Cost: one pass over the samples.
 *
 * @example levelsOf({ timeS: Float64Array.of(0, 1, 11), powerW: Float64Array.of(4, 4, 8) }, [{ fromS: 0, toS: 12 }])[0].meanW // 5.818181818181818
 */
export function levelsOf({ timeS, powerW }: Trace, segments: readonly Span[]): readonly (SegmentLevel | undefined)[] {
  const origin = timeS[0] ?? 0;
  let sample = 0;
  return segments.map(({ fromS, toS }) => {
    while (sample < timeS.length && timeS[sample]! - origin < fromS - 1e-9) sample++;
    const [seconds, energyJ] = [new Float64Array(PARTS), new Float64Array(PARTS)];
    for (; sample < timeS.length && timeS[sample]! - origin < toS - 1e-9; sample++) {
      const beforeS = timeS[sample - 1]! - origin;
      if (sample === 0 || beforeS < fromS - 1e-9) continue;
      const stepS = timeS[sample]! - timeS[sample - 1]!;
      const part = Math.min(PARTS - 1, Math.floor((PARTS * (beforeS + stepS / 2 - fromS)) / (toS - fromS)));
      seconds[part] = seconds[part]! + stepS;
      energyJ[part] = energyJ[part]! + (stepS * (powerW[sample]! + powerW[sample - 1]!)) / 2;
    }
    const all = seconds.reduce((sum, one) => sum + one, 0);
    if (all <= 0) return undefined;
    const meanW = energyJ.reduce((sum, one) => sum + one, 0) / all;
    const driftW = seconds.every((one) => one > 0)
      ? driftOf(
          energyJ.map((joules, part) => joules / seconds[part]!),
          meanW,
        )
      : undefined;
    return { meanW, ...(driftW !== undefined && { driftW }) };
  });
}

function driftOf(parts: Float64Array, meanW: number): number | undefined {
  const middle = (PARTS - 1) / 2;
  const spread = (PARTS * (PARTS * PARTS - 1)) / 12;
  const level = parts.reduce((sum, watts) => sum + watts, 0) / PARTS;
  const slope = parts.reduce((sum, watts, part) => sum + (part - middle) * watts, 0) / spread;
  const off = parts.reduce((sum, watts, part) => sum + (watts - level - slope * (part - middle)) ** 2, 0);
  const driftW = slope * PARTS;
  return Math.abs(driftW) >= Math.max(LEAST_DRIFT * Math.abs(meanW), STANDS_OUT * Math.sqrt(off / (PARTS - 2))) ? driftW : undefined;
}
