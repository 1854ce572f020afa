import type { Slots } from './trace';

/** A steady segment of a recording: between its ends the mean power does not change. */
export interface Segment {
  readonly fromS: number;
  readonly toS: number;
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
/** Times the logarithm of the number of slots: the usual penalty for a change of mean is two to three of them. */
const PENALTY = 4;
/** Of the slots' neighbours: wide enough for a spike of two slots, too narrow to blur a mode. */
const MEDIAN_SLOTS = 5;
/** Times the noise. */
const SPIKE = 4;
/** Slots on each side within which the best place of a boundary is looked for. */
const REACH = 12;
const MOST_ROUNDS = 20;
/** Slots of a segment that is long enough to do without one at each end. */
const LEAST_TO_TRIM = 4;
/** Of a normal distribution, from the median of absolute differences to its standard deviation. */
const MAD_TO_SIGMA = 1.4826;
/** Steps of less than this share of the power are no modes to anybody. */
const LEAST_STEP = 0.02;

/**
 * Finds where the mean power of a recording changes. From the bottom up: slots are segments of their own at first, and
 * the two neighbours whose merging costs the fit least become one, until every merging would cost more than noise
 * explains; then each boundary is put where it fits best. Noise is measured from slot to slot, spikes are taken out of
 * the looking, but not out of the means. Gaps part segments.
 *
 * Cost: slots × log slots; about 0.2 s for a day of seconds.
 *
 * @example steadySegments(inSlots(trace, 1)).length // 3
 */
export function steadySegments(slots: Slots, { leastS = LEAST_S, strictness = 1 }: SegmentOptions = {}): readonly Segment[] {
  return runsOf(slots).flatMap(([from, to]) => {
    const watts = slots.meanW.slice(from, to);
    const noiseW = noiseOf(watts);
    const sums = cumulative(withoutSpikes(watts, noiseW));
    const threshold = strictness * PENALTY * Math.log(Math.max(watts.length, 3)) * noiseW ** 2;
    const least = Math.max(1, Math.round(leastS / slots.slotS));
    const ranges = settle(merge(sums, threshold), sums, threshold, least);
    return ranges.map(([start, end], index) => {
      const [first, last] = within(ranges, index, sums, watts, SPIKE * noiseW);
      return told(slots, [from + start, from + end], [from + first, from + last]);
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

/** What stands out of its neighbours by more than noise explains is taken back to it (Hampel's filter). */
function withoutSpikes(values: Float64Array, noiseW: number): Float64Array {
  const half = (MEDIAN_SLOTS - 1) / 2;
  return values.map((value, index) => {
    // the window narrows at the ends, so that it stays about its slot
    const reach = Math.min(half, index, values.length - 1 - index);
    const middle = median(values.slice(index - reach, index + reach + 1));
    return Math.abs(value - middle) > SPIKE * noiseW ? middle : value;
  });
}

function median(values: Float64Array): number {
  const sorted = values.sort();
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/** Standard deviation of what changes from one slot to the next, steps and spikes hardly counting. */
function noiseOf(values: Float64Array): number {
  if (values.length < 3) return 0;
  const steps = Float64Array.from({ length: values.length - 1 }, (_, index) => Math.abs(values[index + 1]! - values[index]!));
  const sigma = (MAD_TO_SIGMA * median(steps)) / Math.SQRT2;
  return Math.max(sigma, 1e-4 * Math.abs(median(values.slice())), 1e-9);
}

interface Sums {
  readonly length: number;
  /** Of the squares about the mean between two places. */
  readonly cost: (from: number, to: number) => number;
  readonly mean: (from: number, to: number) => number;
}

function cumulative(values: Float64Array): Sums {
  const sum = new Float64Array(values.length + 1);
  const squares = new Float64Array(values.length + 1);
  // about the first value, so that squares of large numbers do not swallow small differences
  const origin = values[0] ?? 0;
  for (let index = 0; index < values.length; index++) {
    const value = values[index]! - origin;
    sum[index + 1] = sum[index]! + value;
    squares[index + 1] = squares[index]! + value * value;
  }
  const total = (from: number, to: number): number => sum[to]! - sum[from]!;
  return {
    length: values.length,
    cost: (from, to) => Math.max(0, squares[to]! - squares[from]! - total(from, to) ** 2 / (to - from)),
    mean: (from, to) => origin + total(from, to) / (to - from),
  };
}

/** Boundaries left after merging, the ends included. */
function merge(sums: Sums, threshold: number): number[] {
  const { length } = sums;
  const next = Int32Array.from({ length: length + 1 }, (_, place) => place + 1);
  const before = Int32Array.from({ length: length + 1 }, (_, place) => place - 1);
  const version = new Uint32Array(length + 1);
  /** What taking this boundary away costs the fit. */
  const price = (place: number): number => {
    const [from, to] = [before[place]!, next[place]!];
    return sums.cost(from, to) - sums.cost(from, place) - sums.cost(place, to);
  };
  const heap = new Heap();
  for (let place = 1; place < length; place++) heap.push({ price: price(place), place, version: 0 });
  for (let top = heap.pop(); top; top = heap.pop()) {
    const { place } = top;
    if (top.version !== version[place]) continue;
    if (top.price > threshold) break;
    const [from, to] = [before[place]!, next[place]!];
    next[from] = to;
    before[to] = from;
    version[place] = version[place] + 1;
    for (const neighbour of [from, to]) {
      if (neighbour <= 0 || neighbour >= length) continue;
      version[neighbour] = version[neighbour]! + 1;
      heap.push({ price: price(neighbour), place: neighbour, version: version[neighbour] });
    }
  }
  const boundaries: number[] = [];
  for (let place = 0; place < length; place = next[place]!) boundaries.push(place);
  return length === 0 ? [] : [...boundaries, length];
}

interface Entry {
  readonly price: number;
  readonly place: number;
  readonly version: number;
}

/** The cheapest first. */
class Heap {
  private readonly entries: Entry[] = [];

  push(entry: Entry): void {
    const { entries } = this;
    let at = entries.push(entry) - 1;
    while (at > 0) {
      const parent = (at - 1) >> 1;
      if (entries[parent]!.price <= entry.price) break;
      entries[at] = entries[parent]!;
      at = parent;
    }
    entries[at] = entry;
  }

  pop(): Entry | undefined {
    const { entries } = this;
    const top = entries[0];
    const last = entries.pop();
    if (!last || entries.length === 0) return top;
    let at = 0;
    for (;;) {
      let child = 2 * at + 1;
      if (child >= entries.length) break;
      if (child + 1 < entries.length && entries[child + 1]!.price < entries[child]!.price) child++;
      if (entries[child]!.price >= last.price) break;
      entries[at] = entries[child]!;
      at = child;
    }
    entries[at] = last;
    return top;
  }
}

/**
 * Each boundary goes where it fits best; then the one that earns its place least is taken away, and so on until all do.
 * Merging from below leaves boundaries a little off, and some that only noise had put there.
 */
function settle(found: readonly number[], sums: Sums, threshold: number, least: number): readonly Range[] {
  const boundaries = [...found];
  for (;;) {
    refine(boundaries, sums);
    const at = weakest(boundaries, sums, threshold, least);
    if (at === undefined) break;
    boundaries.splice(at, 1);
  }
  return boundaries.slice(1).map((to, index): Range => [boundaries[index]!, to]);
}

/** A segment without the slots at its ends that lie across the step to its neighbour: they hold a bit of both. */
function within(ranges: readonly Range[], index: number, sums: Sums, watts: Float64Array, apartW: number): Range {
  const [start, end] = ranges[index]!;
  if (end - start < LEAST_TO_TRIM) return [start, end];
  const own = sums.mean(start + 1, end - 1);
  const isAcross = (slot: number, neighbour: Range | undefined): boolean => {
    if (!neighbour) return false;
    const [low, high] = [own, sums.mean(...neighbour)].sort((a, b) => a - b) as [number, number];
    return watts[slot]! > low + apartW && watts[slot]! < high - apartW;
  };
  return [start + Number(isAcross(start, ranges[index - 1])), end - Number(isAcross(end - 1, ranges[index + 1]))];
}

function refine(boundaries: number[], sums: Sums): void {
  for (let moved = true, round = 0; moved && round < MOST_ROUNDS; round++) {
    moved = false;
    for (let index = 1; index < boundaries.length - 1; index++) {
      const [from, here, to] = [boundaries[index - 1]!, boundaries[index]!, boundaries[index + 1]!];
      let best = here;
      let bestCost = sums.cost(from, here) + sums.cost(here, to);
      for (let place = Math.max(from + 1, here - REACH); place <= Math.min(to - 1, here + REACH); place++) {
        const cost = sums.cost(from, place) + sums.cost(place, to);
        if (cost < bestCost - 1e-12) [best, bestCost] = [place, cost];
      }
      if (best !== here) moved = true;
      boundaries[index] = best;
    }
  }
}

/** The boundary to take away next: beside the shortest segment that is too short, or of a step too small to be a mode. */
function weakest(boundaries: readonly number[], sums: Sums, threshold: number, least: number): number | undefined {
  if (boundaries.length <= 2) return undefined;
  const mean = (index: number): number => sums.mean(boundaries[index]!, boundaries[index + 1]!);
  const step = (index: number): number => Math.abs(mean(index) - mean(index - 1));
  let shortest = -1;
  for (let index = 0; index < boundaries.length - 1; index++) {
    const length = boundaries[index + 1]! - boundaries[index]!;
    if (length < least && (shortest < 0 || length < boundaries[shortest + 1]! - boundaries[shortest]!)) shortest = index;
  }
  if (shortest >= 0) {
    const [left, right] = [shortest, shortest + 1];
    if (left === 0) return right;
    if (right === boundaries.length - 1) return left;
    return step(left) <= step(right) ? left : right;
  }
  let cheapest = threshold;
  let at: number | undefined;
  for (let index = 1; index < boundaries.length - 1; index++) {
    const [from, here, to] = [boundaries[index - 1]!, boundaries[index]!, boundaries[index + 1]!];
    const price = sums.cost(from, to) - sums.cost(from, here) - sums.cost(here, to);
    if (price < cheapest) [at, cheapest] = [index, price];
  }
  if (at !== undefined) return at;
  for (let index = 1; index < boundaries.length - 1; index++) {
    if (step(index) < LEAST_STEP * Math.max(Math.abs(mean(index)), Math.abs(mean(index - 1)))) return index;
  }
  return undefined;
}

/** `steady`: what its mean and spread are of. */
function told({ slotS, meanW, highestW, samples }: Slots, [from, to]: Range, steady: Range): Segment {
  let count = 0;
  let sum = 0;
  for (let slot = steady[0]; slot < steady[1]; slot++) {
    count += samples[slot]!;
    sum += meanW[slot]! * samples[slot]!;
  }
  const mean = sum / count;
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
    meanW: mean,
    spreadW: Math.sqrt(squares / (steady[1] - steady[0])),
    peakW,
    peakMs: high * slotS * 1000,
  };
}
