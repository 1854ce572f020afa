/** Means and squares of any part of a series, each in a few steps. */
export interface Sums {
  readonly length: number;
  readonly mean: (from: number, to: number) => number;
  /** Sum of the squares about the mean. */
  readonly aboutMean: (from: number, to: number) => number;
  /** Sum of the squares about the best straight line. */
  readonly aboutLine: (from: number, to: number) => number;
}

export function sumsOf(values: Float64Array): Sums {
  const length = values.length;
  const [one, two, along] = [new Float64Array(length + 1), new Float64Array(length + 1), new Float64Array(length + 1)];
  // about the first value, so that squares of large numbers do not swallow small differences
  const origin = values[0] ?? 0;
  for (let at = 0; at < length; at++) {
    const value = values[at]! - origin;
    one[at + 1] = one[at]! + value;
    two[at + 1] = two[at]! + value * value;
    along[at + 1] = along[at]! + value * at;
  }
  const aboutMean = (from: number, to: number): number => Math.max(0, two[to]! - two[from]! - (one[to]! - one[from]!) ** 2 / (to - from));
  return {
    length,
    mean: (from, to) => origin + (one[to]! - one[from]!) / (to - from),
    aboutMean,
    aboutLine: (from, to) => {
      const count = to - from;
      const spread = (count * (count * count - 1)) / 12;
      if (spread === 0) return aboutMean(from, to);
      const slope = (along[to]! - along[from]! - ((from + to - 1) / 2) * (one[to]! - one[from]!)) / spread;
      return Math.max(0, aboutMean(from, to) - slope * slope * spread);
    },
  };
}

/** Means of so many at a time; what is over at the end belongs to the last. */
export function inBlocks(values: Float64Array, each: number): Float64Array {
  const sums = sumsOf(values);
  const count = Math.max(1, Math.floor(values.length / each));
  return Float64Array.from({ length: count }, (_, block) =>
    sums.mean(block * each, block === count - 1 ? values.length : (block + 1) * each),
  );
}

/** Sorts what it is given. */
export function median(values: Float64Array): number {
  const sorted = values.sort();
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : ((sorted[middle - 1] ?? 0) + (sorted[middle] ?? 0)) / 2;
}
