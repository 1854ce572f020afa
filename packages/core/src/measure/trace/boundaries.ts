import { LEAST_STEP } from './change-points';
import { median, sumsOf } from './sums';
import type { Sums } from './sums';

/** Slots on each side of where blocks put a boundary, within which its place is looked for: so many blocks, and a few. */
const REACH_BLOCKS = 2;
const REACH_MORE = 2;
/** What is on its sides is read from so many times that. */
const BESIDE_REACH = 4;
const ROUNDS = 3;
/** Means beside a boundary that is no step are of so many times the shortest segment; of fewer slots they say too little. */
const BESIDE_LEAST = 2;
const BESIDE_SLOTS = 12;
/** Slots over which what goes up and down at one pace is evened out; it must take away so much. */
const MOST_PACE = 6;
const EVENED = 0.3;
/** Values are alike that differ by this share; so many of each side are compared. */
const LIKE = 0.03;
const MOST_LIKE = 60;
const LEAST_LIKE = 6;
const NEVER_SEEN = 1e-6;

/**
 * Boundaries between slots from those between blocks of `each`: half way up the step, none closer than `least` slots to the
 * next, none where the power is as high on both sides, and none of which `gain` says that it does not earn its place.
 */
export function settled(
  found: readonly number[],
  { watts, calm }: { readonly watts: Float64Array; readonly calm: Float64Array },
  each: number,
  least: number,
  gain: (places: readonly number[], index: number) => number,
): readonly number[] {
  const even = evened(calm);
  const sums = sumsOf(even);
  const reach = REACH_BLOCKS * each + REACH_MORE;
  let places: readonly number[] = found;
  for (;;) {
    places = halfWay(places, even, sums, reach);
    const taken =
      tooShort(places, sums, least) ??
      withoutStep(places, sums, Math.max(BESIDE_SLOTS, Math.round(BESIDE_LEAST * least))) ??
      idle(places, gain);
    if (taken === undefined) return byLikeness(places, watts, reach);
    places = places.filter((_, index) => index !== taken);
  }
}

/** Means over the pace at which it goes up and down, where it does: a pulsed load is as high as its pulses are on average. */
export function evened(values: Float64Array): Float64Array {
  const spread = (over: number): number => {
    const smooth = running(values, over);
    if (smooth.length < over + 10) return Infinity;
    const steps = Float64Array.from({ length: smooth.length - over }, (_, index) => Math.abs(smooth[index + over]! - smooth[index]!));
    return over * median(steps) ** 2;
  };
  let pace = 1;
  let best = EVENED * spread(1);
  for (let over = 2; over <= MOST_PACE; over++) {
    const found = spread(over);
    if (found < best) [pace, best] = [over, found];
  }
  return pace === 1 ? values : running(values, pace);
}

function running(values: Float64Array, over: number): Float64Array {
  const sums = sumsOf(values);
  const before = over >> 1;
  return values.map((_, index) => sums.mean(Math.max(0, index - before), Math.min(values.length, index - before + over)));
}

/** Each boundary half way between how high it is on both sides, away from the step. */
function halfWay(found: readonly number[], values: Float64Array, sums: Sums, reach: number): readonly number[] {
  const places = [...found];
  for (let round = 0; round < ROUNDS; round++)
    for (let index = 1; index < places.length - 1; index++) {
      const [from, here, to] = [places[index - 1]!, places[index]!, places[index + 1]!];
      const [left, right] = [Math.max(from, here - reach), Math.min(to, here + reach)];
      const one = left - from >= 2 ? sums.mean(Math.max(from, left - BESIDE_REACH * reach), left) : sums.mean(from, here);
      const other = to - right >= 2 ? sums.mean(right, Math.min(to, right + BESIDE_REACH * reach)) : sums.mean(here, to);
      const at = cheapestPlace(left, right, (slot) => (values[slot]! - one) ** 2 - (values[slot]! - other) ** 2);
      if (at > from && at < to) places[index] = at;
    }
  return places;
}

/**
 * Each boundary where the slots before it are likest to those of the segment before, and those after it to those of the one
 * after, by all the values that each takes: a pulsed load is never as high as its mean.
 */
function byLikeness(found: readonly number[], values: Float64Array, reach: number): readonly number[] {
  return found.map((here, index) => {
    const [from, to] = [found[index - 1], found[index + 1]];
    if (from === undefined || to === undefined) return here;
    const [left, right] = [Math.max(from + 1, here - reach), Math.min(to - 1, here + reach)];
    const one = values.slice(Math.max(from, left - MOST_LIKE), left);
    const other = values.slice(right, Math.min(to, right + MOST_LIKE));
    if (one.length < LEAST_LIKE || other.length < LEAST_LIKE) return here;
    const at = cheapestPlace(left, right, (slot) => likeness(values[slot]!, other) - likeness(values[slot]!, one));
    return at > from && at < to ? at : here;
  });
}

/** The logarithm of how dense values like this one are among those. */
function likeness(value: number, among: Float64Array): number {
  let sum = 0;
  for (const other of among) {
    const width = LIKE * Math.abs(other) + 1e-6;
    sum += Math.exp(-0.5 * ((value - other) / width) ** 2) / width;
  }
  return Math.log((LIKE * sum) / among.length + NEVER_SEEN);
}

/** The place up to which what `price` says of the slots before it is least in all. */
function cheapestPlace(left: number, right: number, price: (slot: number) => number): number {
  let sum = 0;
  let least = 0;
  let at = left;
  for (let slot = left; slot < right; slot++) {
    sum += price(slot);
    if (sum < least) [least, at] = [sum, slot + 1];
  }
  return at;
}

/** Of the shortest segment that is too short, the boundary to the neighbour that it is more like. */
function tooShort(places: readonly number[], { mean }: Sums, least: number): number | undefined {
  if (places.length <= 2) return undefined;
  let shortest = -1;
  for (let index = 0; index < places.length - 1; index++) {
    const length = places[index + 1]! - places[index]!;
    if (length < least - 1e-9 && (shortest < 0 || length < places[shortest + 1]! - places[shortest]!)) shortest = index;
  }
  if (shortest < 0) return undefined;
  const level = (index: number) => mean(places[index]!, places[index + 1]!);
  const toLeft = shortest > 0 ? Math.abs(level(shortest) - level(shortest - 1)) : Infinity;
  const toRight = shortest < places.length - 2 ? Math.abs(level(shortest) - level(shortest + 1)) : Infinity;
  return toLeft <= toRight ? shortest : shortest + 1;
}

/** The boundary with the least step, where that is none: one slow drift, cut in two. */
function withoutStep(places: readonly number[], { mean }: Sums, beside: number): number | undefined {
  let least = LEAST_STEP;
  let at: number | undefined;
  for (let index = 1; index < places.length - 1; index++) {
    const here = places[index]!;
    const one = mean(Math.max(places[index - 1]!, here - beside), here);
    const other = mean(here, Math.min(places[index + 1]!, here + beside));
    const step = Math.abs(one - other) / Math.max(Math.abs(one), Math.abs(other), 1e-9);
    if (step < least) [least, at] = [step, index];
  }
  return at;
}

/** The boundary that loses most. */
function idle(places: readonly number[], gain: (places: readonly number[], index: number) => number): number | undefined {
  let least = 0;
  let at: number | undefined;
  for (let index = 1; index < places.length - 1; index++) {
    const gained = gain(places, index);
    if (gained < least) [least, at] = [gained, index];
  }
  return at;
}
