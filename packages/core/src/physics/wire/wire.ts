/** Copper at 20 C, ohm mm²/m (IEC 60028). */
export const COPPER_OHM_MM2_PER_M = 0.01724;
/** One pair of contacts, of 5-20 mΩ. */
export const CONTACT_PAIR_OHM = 0.01;
/** Sizes that fuses are sold in, amps. */
export const FUSE_SIZES_A = [1, 2, 3, 4, 5, 7.5, 10, 15, 20] as const;

/** Amps that a single insulated copper wire in free air carries for long, by cross-section; conservative, as in hand tables of 2026-11. */
const AMPACITY: readonly (readonly [areaMm2: number, amps: number])[] = [
  [0.05, 0.7],
  [0.13, 1.6],
  [0.2, 2.5],
  [0.33, 4],
  [0.5, 6],
  [0.75, 9],
  [1, 11],
  [1.5, 15],
  [2.5, 21],
  [4, 28],
  [6, 36],
];

/**
 * Cross-section of an American wire gauge: diameter 0.127 × 92^((36 − n) / 39) mm.
 *
 * @example areaOfAwg(18) // 0.823
 */
export function areaOfAwg(gauge: number): number {
  const diameterMm = 0.127 * 92 ** ((36 - gauge) / 39);
  return (Math.PI / 4) * diameterMm * diameterMm;
}

/**
 * Ohms of a two-core lead, there and back, with a pair of contacts at each end; copper warms by 0.39 % a degree.
 *
 * @example leadOhm(1, 0.5) // 0.089
 */
export function leadOhm(
  lengthM: number,
  areaMm2: number,
  { temperatureC = 20, contactOhm = CONTACT_PAIR_OHM }: { readonly temperatureC?: number; readonly contactOhm?: number } = {},
): number {
  return (2 * COPPER_OHM_MM2_PER_M * (1 + 0.0039 * (temperatureC - 20)) * lengthM) / areaMm2 + 2 * contactOhm;
}

/**
 * Amps a wire carries for long, straight between the table's points, in proportion to the smallest below them.
 *
 * @example ampacity(0.5) // 6
 */
export function ampacity(areaMm2: number): number {
  const above = AMPACITY.findIndex(([area]) => area >= areaMm2);
  if (above === 0) return (AMPACITY[0]![1] * areaMm2) / AMPACITY[0]![0];
  if (above === -1) return AMPACITY.at(-1)![1];
  const [area0, amps0] = AMPACITY[above - 1]!;
  const [area1, amps1] = AMPACITY[above]!;
  return amps0 + ((areaMm2 - area0) / (area1 - area0)) * (amps1 - amps0);
}

/** The smallest fuse sold that is at least 1.25 × a continuous current; undefined past the largest. */
export function fuseFor(continuousA: number): number | undefined {
  return FUSE_SIZES_A.find((size) => size >= 1.25 * continuousA);
}
