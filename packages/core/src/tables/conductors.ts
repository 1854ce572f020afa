/** Copper at 20 C, ohm mm²/m (IEC 60028). */
export const COPPER_OHM_MM2_PER_M = 0.01724;

/** Sizes that fuses are sold in, amps. */
export const FUSE_SIZES_A = [1, 2, 3, 4, 5, 7.5, 10, 15, 20] as const;

/** Amps that a single insulated copper wire in free air carries for long, by cross-section; conservative, as in hand tables of 2026-11. */
export const AMPACITY: readonly (readonly [areaMm2: number, amps: number])[] = [
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
  [10, 50],
  [16, 66],
  [25, 84],
  [35, 104],
  [50, 123],
];

/** Gauges that leads of a shoot are made of, the thinnest first. */
export const GAUGES_AWG = Array.from({ length: 19 }, (_, index) => 28 - index);

/** Where no drop is said: what most feeds bear. */
export const USUAL_DROP_SHARE = 0.03;

export const USUAL_AMBIENT_C = 20;

/** Warmer than this nobody holds it, and solder and shells suffer, whatever the insulation stands. */
export const WARM_ENOUGH_C = 105;

/** A fuse lets a quarter more than the load pass, so that it does not age. */
export const FUSE_MARGIN = 1.25;

/** Typical blade and glass fuses carry twice their rating for a tenth of a second; electronic limits forgive nothing. */
export const FUSE_FORGIVES = { timesRating: 2, forMs: 100 };

/**
 * What wire and contacts bear above their rating, since they take time to get hot: at twice the rated amps 0.5 mm² of copper
 * gains about 7 °C in ten seconds (computed). Judgement, 2026-12.
 */
export const RATING_BEARS = { timesRating: 2, forMs: 10_000 } as const;

/** A maker's rating that is passed by no more than this share costs its margin; past it nobody answers for it. Judgement, 2026-12. */
export const RATING_MARGIN = 0.1;

/** Degrees at which copper's table counts, and by how much more it resists for each degree above (IEC 60028). */
export const COPPER_AT_C = 20;
const COPPER_RISE_PER_C = 0.0039;

/**
 * Times the ohms that copper has at 20 C.
 *
 * @example copperWarmth(45) // 1.0975
 */
export function copperWarmth(temperatureC: number): number {
  return 1 + COPPER_RISE_PER_C * (temperatureC - COPPER_AT_C);
}
