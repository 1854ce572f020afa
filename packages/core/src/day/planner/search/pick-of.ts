import type { Chance } from '../../../run';

/** One of so many, by chance. */
export function pickOf(random: Chance, count: number): number {
  return Math.floor(random.uniform() * count);
}
