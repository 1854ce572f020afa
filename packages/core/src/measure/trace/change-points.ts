import type { Noise } from './noise';
import { sumsOf } from './sums';
import type { Sums } from './sums';

/** What a segment between two blocks costs: the worse a mean, or a line, and a spread of its own explain it, the more. */
export interface Fit {
  readonly cost: (from: number, to: number) => number;
  readonly sums: Sums;
  /** What a boundary must gain. */
  readonly price: number;
}

/** A mean, a spread and a place, in logarithms of the count of blocks. */
const PENALTY = 6;
/** As if so many blocks of the usual noise had been seen in every segment before: few blocks say little of their spread. */
const PRIOR_BLOCKS = 4;
/** A slope is fitted to so many blocks at least. */
const LEAST_TO_SLOPE = 6;
/** Steps of less than this share of the power are no modes to anybody. */
export const LEAST_STEP = 0.02;
/** Where a boundary may be: a step to be seen between the means of so many blocks, the largest about it. */
const SEEN_BLOCKS = 4;
const SEEN_STEP = LEAST_STEP / 2;
const ABOUT_BLOCKS = 2;
/** So many places are weighed together; a longer recording is taken part by part. */
const PART = 1024;

/**
 * How well segments explain blocks: minus twice the logarithm of the likelihood of normal values with a mean or a line and
 * a spread of each segment's own, weakened by what goes on from block to block.
 */
export function fitOf(blocks: Float64Array, { relative, correlation }: Noise, strictness: number): Fit {
  const sums = sumsOf(blocks);
  const usual = Math.log(Math.max(blocks.length, 8));
  return {
    sums,
    price: strictness * PENALTY * usual,
    cost: (from, to) => {
      const count = to - from;
      const known = PRIOR_BLOCKS * (relative * sums.mean(from, to)) ** 2 + 1e-18;
      const flat = count * Math.log((sums.aboutMean(from, to) + known) / (count + PRIOR_BLOCKS));
      if (count < LEAST_TO_SLOPE) return flat / correlation;
      const sloped = count * Math.log((sums.aboutLine(from, to) + known) / (count + PRIOR_BLOCKS));
      return Math.min(flat / correlation, sloped / correlation + usual);
    },
  };
}

/** The boundaries that cost least in all, the ends included; a segment is of `least` blocks or more. */
export function changePoints(fit: Fit, least: number): readonly number[] {
  const places = placesToWeigh(fit.sums);
  const found: number[] = [0];
  for (let part = 0; part < places.length - 1; part += PART) {
    const these = places.slice(part, part + PART + 1);
    // the end of a part is a boundary until it is pruned
    found.push(...cheapest(these, least, fit).slice(1));
  }
  return pruned(found, fit);
}

function placesToWeigh({ length, mean }: Sums): readonly number[] {
  const step = new Float64Array(length + 1);
  for (let at = 1; at < length; at++) {
    const one = mean(Math.max(0, at - SEEN_BLOCKS), at);
    const other = mean(at, Math.min(length, at + SEEN_BLOCKS));
    step[at] = Math.abs(one - other) / Math.max(Math.abs(one), Math.abs(other), 1e-9);
  }
  const places = [0];
  for (let at = 1; at < length; at++) {
    if (step[at]! < SEEN_STEP) continue;
    let isLargest = true;
    for (let beside = Math.max(1, at - ABOUT_BLOCKS); beside <= Math.min(length - 1, at + ABOUT_BLOCKS); beside++)
      if (step[beside]! > step[at]!) isLargest = false;
    if (isLargest) places.push(at);
  }
  return [...places, length];
}

/** PELT (Killick, Fearnhead, Eckley 2012) over places in rising order: those that begin and end the cheapest segments. */
function cheapest(places: readonly number[], least: number, { cost, price }: Fit): readonly number[] {
  const best = new Float64Array(places.length).fill(Infinity);
  best[0] = -price;
  const before = new Int32Array(places.length);
  let starts: number[] = [0];
  for (let to = 1; to < places.length; to++) {
    const costs = starts.map((from) => {
      const isShort = places[to]! - places[from]! < least && !(from === 0 && to === places.length - 1);
      return isShort ? Infinity : best[from]! + cost(places[from]!, places[to]!);
    });
    for (const [index, value] of costs.entries()) if (value + price < best[to]!) [best[to], before[to]] = [value + price, starts[index]!];
    starts = starts.filter((_, index) => costs[index] === Infinity || costs[index]! <= best[to]!);
    starts.push(to);
  }
  const found = [places.length - 1];
  while (found[0]! > 0) found.unshift(before[found[0]!]!);
  return found.map((index) => places[index]!);
}

/** Without the boundaries that gain too little now that there are others, or that are no step to anybody. */
function pruned(found: readonly number[], { cost, sums, price }: Fit): readonly number[] {
  const places = [...found];
  for (;;) {
    let weakest = 0;
    let at = -1;
    for (let index = 1; index < places.length - 1; index++) {
      const [from, here, to] = [places[index - 1]!, places[index]!, places[index + 1]!];
      const [one, other] = [Math.abs(sums.mean(from, here)), Math.abs(sums.mean(here, to))];
      const isStep = Math.abs(one - other) >= LEAST_STEP * Math.max(one, other);
      const gain = isStep ? cost(from, to) - cost(from, here) - cost(here, to) - price : -price;
      if (gain < weakest) [weakest, at] = [gain, index];
    }
    if (at < 0) return places;
    places.splice(at, 1);
  }
}
