import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Draws that are the same for the same seed on every machine: whole numbers, sums and products only. */
export interface Chance {
  /** Between 0 and 1. */
  readonly uniform: () => number;
  /** Mean 0, standard deviation 1: the sum of twelve uniform draws less 6, which never passes ±6. */
  readonly normal: () => number;
}

/**
 * A stream of chance. Logarithms and cosines may differ in their last bit from one engine to another, so the normal
 * draw is made without them.
 *
 * @example chance(7).normal() // -0.2298
 */
export function chance(seed: number): Chance {
  const generator = xoroshiro128plus(seed);
  const uniform = (): number => ((generator.next() >>> 0) + 0.5) / 4294967296;
  return {
    uniform,
    normal: () => {
      let sum = -6;
      for (let draw = 0; draw < 12; draw++) sum += uniform();
      return sum;
    },
  };
}
