import type { Segment } from './segments';
import type { Trace } from './trace';

/** The peaks of a segment: how high, how long, how many. */
export interface SegmentPeaks {
  readonly peakW: number;
  /** Of the longest stay above half way from the mean to the highest. */
  readonly peakMs: number;
  /** How often it went there. */
  readonly peaks: number;
  /** The device came on at the segment's beginning, and peaked there. */
  readonly startUp: boolean;
}

/** Standard deviations above the mean from which a sample is a peak and not noise. */
const STANDS_OUT = 5;
/** A segment below this share of the next one is “off” beside it. */
const OFF = 0.2;
const START_UP_S = 10;

/**
 * The peaks of every segment from the samples themselves, since a slot of a second says nothing of milliseconds. A peak
 * lasts from its first sample above half way between mean and highest to the sample after its last.
 *
 * Preconditions: segments in order, with seconds from the trace's first sample. Cost: one pass over the samples.
 *
 * @example peaksOf(trace, segments)[1].peakW // 19.2
 */
export function peaksOf({ timeS, powerW }: Trace, segments: readonly Segment[]): readonly SegmentPeaks[] {
  const origin = timeS[0] ?? 0;
  let sample = 0;
  return segments.map((segment, place) => {
    while (sample < timeS.length && timeS[sample]! - origin < segment.fromS) sample++;
    const from = sample;
    while (sample < timeS.length && timeS[sample]! - origin < segment.toS) sample++;
    const before = segments[place - 1];
    const off = !before || (before.meanW < OFF * segment.meanW && segment.fromS - before.toS < START_UP_S);
    return within(timeS, powerW, from, sample, off);
  });
}

function within(timeS: Float64Array, powerW: Float64Array, from: number, to: number, wasOff: boolean): SegmentPeaks {
  let [sum, squares, peakW] = [0, 0, -Infinity];
  for (let at = from; at < to; at++) {
    const watts = powerW[at]!;
    sum += watts;
    squares += watts * watts;
    if (watts > peakW) peakW = watts;
  }
  const count = to - from;
  if (count === 0) return { peakW: 0, peakMs: 0, peaks: 0, startUp: false };
  const mean = sum / count;
  const sigma = Math.sqrt(Math.max(0, squares / count - mean * mean));
  if (peakW < mean + STANDS_OUT * sigma || peakW <= mean) return { peakW, peakMs: 0, peaks: 0, startUp: false };
  const half = mean + (peakW - mean) / 2;
  const usualStep = count > 1 ? (timeS[to - 1]! - timeS[from]!) / (count - 1) : 0;
  let [peaks, longestS, began, startUp] = [0, 0, -1, false];
  for (let at = from; at <= to; at++) {
    const high = at < to && powerW[at]! > half;
    if (high && began < 0) began = at;
    else if (!high && began >= 0) {
      const endS = at < to ? timeS[at]! : timeS[to - 1]! + usualStep;
      peaks++;
      longestS = Math.max(longestS, endS - timeS[began]!);
      if (wasOff && timeS[began]! - timeS[from]! < START_UP_S) startUp = true;
      began = -1;
    }
  }
  return { peakW, peakMs: Math.round(longestS * 1e6) / 1000, peaks, startUp };
}
