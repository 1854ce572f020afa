import { GRAVITY_M_S2 } from '../tables';
/** A mass at a place: forward along the lens and up, from the middle of the support. */
export interface PlacedMass {
  readonly massG: number;
  readonly alongMm: number;
  readonly heightMm: number;
}

export interface CentreOfMass {
  readonly massG: number;
  readonly alongMm: number;
  readonly heightMm: number;
}

export interface Stance {
  readonly footFrontMm: number;
  readonly footBackMm: number;
  /** Of the plate above the feet; without it no angle can be told. */
  readonly plateHeightMm?: number | undefined;
}

export interface Tipping {
  /** The edge that it would tip over. */
  readonly edge: 'front' | 'back';
  /** From the centre of mass to that edge; negative: it tips over by itself. */
  readonly marginMm: number;
  /** Share of the way from the middle to the edge that is left. */
  readonly marginShare: number;
  /** How far the support may lean towards that edge before it tips; undefined without the height. */
  readonly angleDeg: number | undefined;
}

/**
 * The centre of several masses. Undefined when there is no mass at all.
 *
 * @example centreOfMass([{ massG: 1000, alongMm: 60, heightMm: 0 }, { massG: 500, alongMm: -120, heightMm: 0 }])?.alongMm // 0
 */
export function centreOfMass(masses: readonly PlacedMass[]): CentreOfMass | undefined {
  const massG = masses.reduce((sum, one) => sum + one.massG, 0);
  if (massG <= 0) return undefined;
  const mean = (of: (one: PlacedMass) => number): number => masses.reduce((sum, one) => sum + one.massG * of(one), 0) / massG;
  return { massG, alongMm: mean(({ alongMm }) => alongMm), heightMm: mean(({ heightMm }) => heightMm) };
}

/** Turning moment about the middle of the support, in newton metres; positive tips forward. */
export function momentNm({ massG, alongMm }: CentreOfMass): number {
  return (massG / 1000) * GRAVITY_M_S2 * (alongMm / 1000);
}

/** How near a standing rig is to tipping over the line between its feet. */
export function tipping({ alongMm, heightMm }: CentreOfMass, { footFrontMm, footBackMm, plateHeightMm }: Stance): Tipping {
  const edge = footFrontMm - alongMm <= footBackMm + alongMm ? 'front' : 'back';
  const reachMm = edge === 'front' ? footFrontMm : footBackMm;
  const marginMm = edge === 'front' ? footFrontMm - alongMm : footBackMm + alongMm;
  const aboveMm = plateHeightMm === undefined ? undefined : plateHeightMm + heightMm;
  return {
    edge,
    marginMm,
    marginShare: marginMm / reachMm,
    angleDeg: aboveMm !== undefined && aboveMm > 0 ? (Math.atan2(marginMm, aboveMm) * 180) / Math.PI : undefined,
  };
}

/**
 * Grams that bring the centre of mass over the middle, hung at a distance on the other side.
 *
 * @example counterweightG({ massG: 3000, alongMm: 40, heightMm: 0 }, 200) // 600
 */
export function counterweightG({ massG, alongMm }: CentreOfMass, hangsAtMm: number): number {
  return (massG * Math.abs(alongMm)) / hangsAtMm;
}

/** Grams hung below the middle that leave a share of the reach as margin; 0 when it has that already. */
export function ballastG({ massG, alongMm }: CentreOfMass, reachMm: number, marginShare: number): number {
  return Math.max(0, (massG * Math.abs(alongMm)) / (reachMm * (1 - marginShare)) - massG);
}
