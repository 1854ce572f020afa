import { AMPACITY, ASSUMED, COPPER_AT_C, COPPER_OHM_MM2_PER_M, copperWarmth, FUSE_MARGIN, FUSE_SIZES_A } from '../../tables';
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
  {
    temperatureC = COPPER_AT_C,
    contactOhm = ASSUMED.contactsOhm.typical,
  }: { readonly temperatureC?: number; readonly contactOhm?: number } = {},
): number {
  return (2 * COPPER_OHM_MM2_PER_M * copperWarmth(temperatureC) * lengthM) / areaMm2 + 2 * contactOhm;
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

/**
 * The smallest fuse sold that is at least 1.25 × a continuous current; undefined past the largest.
 *
 * @example fuseFor(4) // 5
 */
export function fuseFor(continuousA: number): number | undefined {
  return FUSE_SIZES_A.find((size) => size >= FUSE_MARGIN * continuousA);
}
