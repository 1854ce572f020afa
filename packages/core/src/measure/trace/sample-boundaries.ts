import type { Segment } from './segments';
import type { Trace } from './trace';

/** Nearer to neither level than this share of the step, a sample is of the step itself. */
const OF_THE_STEP = 0.2;
/** Nor when it is so many times as far from it as that level's own noise. */
const NOISE = 2;

/** Between two samples' times. */
export interface Span {
  readonly fromS: number;
  readonly toS: number;
}

/**
 * Segments with boundaries between samples where they lay between slots: a slot across a step holds a bit of both sides, and
 * each sample in it belongs to the side it is nearer to, up to one place. A sample in the middle of a step is of neither.
 *
 * Preconditions: segments in order, with seconds from the trace's first sample. Cost: one pass over the samples.
 *
 * @example spansOf(trace, segments)[0].toS // 50
 */
export function spansOf(
  { timeS, powerW }: Trace,
  segments: readonly Pick<Segment, 'fromS' | 'toS' | 'steady' | 'meanW' | 'spreadW'>[],
): readonly Span[] {
  const origin = timeS[0] ?? 0;
  const spans = segments.map(({ fromS, toS }) => ({ fromS, toS }));
  let sample = 0;
  for (let index = 1; index < segments.length; index++) {
    const [before, after] = [segments[index - 1]!, segments[index]!];
    const [leftS, rightS] = [before.steady.toS, after.steady.fromS];
    // a gap, or a step at the end of a slot
    if (before.toS !== after.fromS || leftS === rightS) continue;
    while (sample < timeS.length && timeS[sample]! - origin < leftS - 1e-9) sample++;
    const from = sample;
    while (sample < timeS.length && timeS[sample]! - origin < rightS - 1e-9) sample++;
    const step = OF_THE_STEP * Math.abs(after.meanW - before.meanW);
    const near = (at: number, { meanW, spreadW }: Pick<Segment, 'meanW' | 'spreadW'>): boolean =>
      Math.abs(powerW[at]! - meanW) <= Math.max(step, NOISE * spreadW);
    const split = splitOf(powerW, from, sample, before.meanW, after.meanW);
    let [end, begin] = [split, split];
    while (end > from && !near(end - 1, before)) end--;
    while (begin < sample && !near(begin, after)) begin++;
    spans[index - 1]!.toS = end < sample ? timeS[end]! - origin : rightS;
    spans[index]!.fromS = begin < timeS.length ? timeS[begin]! - origin : rightS;
  }
  return spans;
}

/** The place up to which samples are nearer to the one level than to the other, in all. */
function splitOf(powerW: Float64Array, from: number, to: number, one: number, other: number): number {
  let [sum, least, split] = [0, 0, from];
  for (let at = from; at < to; at++) {
    sum += (powerW[at]! - one) ** 2 - (powerW[at]! - other) ** 2;
    if (sum < least) [least, split] = [sum, at + 1];
  }
  return split;
}
