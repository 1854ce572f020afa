import { inBlocks, median, sumsOf } from './sums';

/** What a recording's noise is like. */
export interface Noise {
  /** Standard deviation from block to block, as a share of the power: it grows with it. */
  readonly relative: number;
  /** Of how many blocks it takes what one would say if none went on where the one before was. */
  readonly correlation: number;
}

/** Noise is looked at in windows of so many blocks, and in blocks of so many of them. */
const WINDOW_BLOCKS = 32;
const COARSE_BLOCKS = 4;
const MOST_CORRELATION = 6;
/** The least noise that is believed, as a share of the power. */
const LEAST_NOISE = 5e-4;
/** What is left of a window's squares beside a clear step, and how far from its ends that lies. */
const CLEAR_STEP = 0.5;
const FROM_ENDS = 4;
/** Of a normal distribution, from the median of absolute differences to its standard deviation. */
const MAD_TO_SIGMA = 1.4826;
/** Of a normal distribution, from the mean of absolute differences to its standard deviation. */
const MEAN_TO_SIGMA = 1.2533;

const MEDIAN_SLOTS = 5;
/** Times the noise about it. */
const SPIKE = 5;
const LOCAL_SLOTS = 61;

/** Noise by window, each without its one clear step or its slope, so that modes do not count as noise. */
export function noiseOf(blocks: Float64Array): Noise {
  const relative: number[] = [];
  const ratios: number[] = [];
  const size = Math.min(WINDOW_BLOCKS, blocks.length);
  for (let at = 0; at + size <= blocks.length; at += Math.max(1, size >> 2)) {
    const window = blocks.slice(at, at + size);
    const steps = Float64Array.from({ length: size - 1 }, (_, index) => Math.abs(window[index + 1]! - window[index]!));
    const level = Math.abs(sumsOf(window).mean(0, size));
    relative.push((MAD_TO_SIGMA * median(steps)) / Math.SQRT2 / Math.max(level, 1e-9));
    const rest = withoutStep(window);
    const fine = varianceOf(rest);
    // independent noise shrinks with the count that is taken together; what goes on does not
    if (fine > 0 && size >= 4 * COARSE_BLOCKS) ratios.push((COARSE_BLOCKS * varianceOf(inBlocks(rest, COARSE_BLOCKS))) / fine);
  }
  ratios.sort((a, b) => a - b);
  // windows with more than one step make it too high: not the middle one
  const ratio = ratios[Math.floor(ratios.length / 2)] ?? 1;
  return {
    relative: Math.max(LEAST_NOISE, median(Float64Array.from(relative))),
    correlation: Math.min(MOST_CORRELATION, Math.max(1, ratio)),
  };
}

/** What stands out of its neighbours by more than the noise about it explains is taken back to them (Hampel's filter). */
export function withoutSpikes(values: Float64Array): Float64Array {
  const half = (MEDIAN_SLOTS - 1) / 2;
  const middles = values.map((_, index) => {
    // the window narrows at the ends, so that it stays about its slot
    const reach = Math.min(half, index, values.length - 1 - index);
    return median(values.slice(index - reach, index + reach + 1));
  });
  const off = sumsOf(values.map((value, index) => Math.abs(value - middles[index]!)));
  return values.map((value, index) => {
    const from = index - (index % LOCAL_SLOTS);
    const sigma = MEAN_TO_SIGMA * off.mean(from, Math.min(values.length, from + LOCAL_SLOTS));
    return Math.abs(value - middles[index]!) > SPIKE * sigma ? middles[index]! : value;
  });
}

/** A window without its clear steps, of which there may be some: what is left on each side may hold another. */
function withoutStep(window: Float64Array): Float64Array {
  const sums = sumsOf(window);
  let best = CLEAR_STEP * sums.aboutLine(0, window.length);
  let at = 0;
  for (let place = FROM_ENDS; place <= window.length - FROM_ENDS; place++) {
    const left = sums.aboutMean(0, place) + sums.aboutMean(place, window.length);
    if (left < best) [best, at] = [left, place];
  }
  if (at === 0) return window;
  const level = (part: Float64Array) => {
    const mean = sumsOf(part).mean(0, part.length);
    return part.map((value) => value - mean);
  };
  return Float64Array.from([...level(withoutStep(window.slice(0, at))), ...level(withoutStep(window.slice(at)))]);
}

/** About a straight line. */
function varianceOf(values: Float64Array): number {
  return sumsOf(values).aboutLine(0, values.length) / Math.max(1, values.length - 2);
}
