import type { Segment } from './segments';

/** A mode whose draw is known more or less. */
export interface KnownMode {
  readonly modeId: string;
  readonly powerW: number;
  /** Standard deviation of what is known of it, as a share. */
  readonly spread: number;
}

/** Nearer than this many standard deviations a segment may be that mode. */
const NEAR = 2;
/** Of a segment's own mean, whatever its noise: temperature, brightness, the battery's volts. */
const OWN = 0.03;

/**
 * The mode that each segment most likely is, by its mean power; undefined where none is near, or two are about as near.
 * A suggestion: a person says what it was.
 *
 * @example matchModes([{ meanW: 9.3 }], [{ modeId: 'dim', powerW: 9, spread: 0.075 }]) // ['dim']
 */
export function matchModes(segments: readonly Pick<Segment, 'meanW'>[], modes: readonly KnownMode[]): readonly (string | undefined)[] {
  return segments.map(({ meanW }) => {
    const [first, second] = modes
      .map(({ modeId, powerW, spread }) => ({ modeId, away: Math.abs(meanW - powerW) / (powerW * Math.hypot(spread, OWN)) }))
      .sort((a, b) => a.away - b.away);
    if (!first || first.away > NEAR) return undefined;
    return second && second.away < 2 * first.away && second.away < NEAR ? undefined : first.modeId;
  });
}
