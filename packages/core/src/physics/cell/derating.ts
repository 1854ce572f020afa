import { COLD_TABLES, LEAST_LEFT_BY_AGE, LOST_PER_CYCLE, LOST_PER_YEAR } from '../../tables';
import type { Chemistry } from '../../tables';

export interface Derating {
  readonly capacityFactor: number;
  readonly resistanceFactor: number;
}

/**
 * What the cold takes, straight between table points; above 25 C nothing is gained, below -20 C the last point holds.
 *
 * @example coldDerating('lithium-ion', 0) // { capacityFactor: 0.9, resistanceFactor: 1.9 }
 */
export function coldDerating(table: Chemistry['cold'], temperatureC: number): Derating {
  const points = COLD_TABLES[table];
  const above = points.findIndex((point) => point.temperatureC >= temperatureC);
  const upper = points[above === -1 ? points.length - 1 : above]!;
  const lower = above <= 0 ? upper : points[above - 1]!;
  const span = upper.temperatureC - lower.temperatureC;
  const share = span === 0 ? 0 : (temperatureC - lower.temperatureC) / span;
  return {
    capacityFactor: lower.capacity + share * (upper.capacity - lower.capacity),
    resistanceFactor: lower.resistance + share * (upper.resistance - lower.resistance),
  };
}

/**
 * Share of capacity left by age where none was measured: about 2 % a year and 0.04 % a cycle, never below a half.
 *
 * @example ageFactor(3, 250) // 0.84
 */
export function ageFactor(years: number, cycles: number): number {
  return Math.max(LEAST_LEFT_BY_AGE, 1 - LOST_PER_YEAR * years - LOST_PER_CYCLE * cycles);
}

/**
 * Share of the rated capacity that a steady current above the rated one leaves (Peukert). Never more than 1: what a
 * gentler current would add is not promised.
 *
 * @example rateFactor(1.12, 0.9, 3.6) // 0.847
 */
export function rateFactor(peukertExponent: number, ratedA: number, currentA: number): number {
  if (peukertExponent === 1 || currentA <= ratedA) return 1;
  return (ratedA / currentA) ** (peukertExponent - 1);
}
