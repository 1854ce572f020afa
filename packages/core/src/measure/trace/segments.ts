import { evened, settled } from './boundaries';
import { changePoints, fitOf } from './change-points';
import { noiseOf, withoutSpikes } from './noise';
import { inBlocks, sumsOf } from './sums';
import type { Sums } from './sums';
import type { Slots } from './trace';

/** A steady segment of a recording: between its ends the mean power does not change. */
export interface Segment {
  readonly fromS: number;
  readonly toS: number;
  /** Without the slots at its ends that lie across the step to its neighbour. */
  readonly steady: { readonly fromS: number; readonly toS: number };
  readonly meanW: number;
  /** Standard deviation of the slots about their mean. */
  readonly spreadW: number;
  /** The highest power, and for how long the recording stood above half way from the mean to it. */
  readonly peakW: number;
  readonly peakMs: number;
}

export interface SegmentOptions {
  /** Shorter ones are part of what surrounds them: a spike is no mode. */
  readonly leastS?: number;
  /** A step counts when it improves the fit by this many times the usual threshold. Higher finds fewer. */
  readonly strictness?: number;
}

const LEAST_S = 8;
/** The shortest segment is of so many blocks, where there are as many slots. */
const LEAST_BLOCKS = 4;
/** Slots of a segment that is long enough to do without one at each end. */
const LEAST_TO_TRIM = 4;
/** Of a slot that lies across a step: so far from both sides, in noise or as a share of the step. */
const ACROSS_NOISE = 4;
const ACROSS_STEP = 0.2;

/**
 * Finds where the mean power of a recording changes. Means of some slots (blocks) are cut where segments with a mean or a
 * slope, and a spread, of their own explain them best for their number; how noisy the recording is, and how long its noise
 * goes on, is measured in it. Then each boundary is put between the slots where it belongs. Spikes are taken out of the
 * looking, but not out of the means. A slow drift is one segment. Gaps part segments.
 *
 * Cost: near the count of slots; about 0.3 s for a day of seconds.
 *
 * @example steadySegments(inSlots(trace, 1)).length // 3
 */
export function steadySegments(slots: Slots, { leastS = LEAST_S, strictness = 1 }: SegmentOptions = {}): readonly Segment[] {
  const least = Math.max(1, leastS / slots.slotS);
  const each = Math.max(1, Math.floor(least / LEAST_BLOCKS));
  return runsOf(slots).flatMap(([from, to]) => {
    const watts = slots.meanW.slice(from, to);
    const calm = withoutSpikes(watts);
    const even = evened(calm);
    const blocks = inBlocks(even, each);
    const noise = noiseOf(blocks);
    const fit = fitOf(blocks, noise, strictness);
    const found = changePoints(fit, Math.max(2, Math.ceil(least / each - 1e-9)));
    /** Of a boundary between slots, in blocks that begin at it: what it gains. The outer ends may hold a bit of the neighbours. */
    const gain = (places: readonly number[], index: number): number => {
      const [start, here, end] = [places[index - 1]!, places[index]!, places[index + 1]!];
      const one = inBlocks(even.slice(Math.min(start + each, here - 1), here), each);
      const other = inBlocks(even.slice(here, Math.max(end - each, here + 1)), each);
      const { cost } = fitOf(Float64Array.from([...one, ...other]), noise, strictness);
      const [split, length] = [one.length, one.length + other.length];
      return cost(0, length) - cost(0, split) - cost(split, length) - fit.price;
    };
    const inSlotsOfIt = found.map((place) => (place === blocks.length ? watts.length : place * each));
    const places = settled(inSlotsOfIt, { watts, calm }, each, least, gain);
    const sums = sumsOf(calm);
    return places.slice(1).map((end, index) => {
      const [first, last] = within(places, index, sums, watts, noise.relative);
      return told(slots, [from + places[index]!, from + end], [from + first, from + last]);
    });
  });
}

type Range = readonly [from: number, to: number];

/** Ranges of slots without a gap. */
function runsOf({ samples }: Slots): readonly Range[] {
  const runs: Range[] = [];
  let from = -1;
  for (let slot = 0; slot <= samples.length; slot++) {
    const here = slot < samples.length && samples[slot]! > 0;
    if (here && from < 0) from = slot;
    else if (!here && from >= 0) {
      runs.push([from, slot]);
      from = -1;
    }
  }
  return runs;
}

/** A segment without the slots at its ends that lie across the step to its neighbour: they hold a bit of both. */
function within(places: readonly number[], index: number, { mean }: Sums, watts: Float64Array, noise: number): Range {
  const [start, end] = [places[index]!, places[index + 1]!];
  if (end - start < LEAST_TO_TRIM) return [start, end];
  const own = mean(start + 1, end - 1);
  const isAcross = (slot: number, from: number | undefined, to: number | undefined): boolean => {
    if (from === undefined || to === undefined) return false;
    const [low, high] = [own, mean(from, to)].sort((a, b) => a - b) as [number, number];
    const apart = Math.min(ACROSS_NOISE * noise * Math.abs(own), ACROSS_STEP * (high - low));
    return watts[slot]! > low + apart && watts[slot]! < high - apart;
  };
  return [start + Number(isAcross(start, places[index - 1], start)), end - Number(isAcross(end - 1, end, places[index + 2]))];
}

/** `steady`: what its mean and spread are of. */
function told({ slotS, meanW, highestW }: Slots, [from, to]: Range, steady: Range): Segment {
  const mean = meanOf(meanW, steady);
  let squares = 0;
  let peakW = -Infinity;
  for (let slot = steady[0]; slot < steady[1]; slot++) squares += (meanW[slot]! - mean) ** 2;
  for (let slot = from; slot < to; slot++) peakW = Math.max(peakW, highestW[slot]!);
  const half = mean + (peakW - mean) / 2;
  let high = 0;
  for (let slot = from; slot < to; slot++) if (highestW[slot]! > half) high++;
  return {
    fromS: from * slotS,
    toS: to * slotS,
    steady: { fromS: steady[0] * slotS, toS: steady[1] * slotS },
    meanW: mean,
    spreadW: Math.sqrt(squares / (steady[1] - steady[0])),
    peakW,
    peakMs: high * slotS * 1000,
  };
}

function meanOf(values: Float64Array, [from, to]: Range): number {
  let sum = 0;
  for (let at = from; at < to; at++) sum += values[at]!;
  return sum / (to - from);
}
