import type { Verdict } from '../findings';
import { NEAR_LIMIT, NEAR_LOW_V } from '../tables';
import type { Level, Station } from './track';

/** How a station stands at one moment of the run: what flows against what may flow, what arrives against what is accepted. */
export interface StationMoment {
  readonly verdict: Verdict;
  readonly level: Level | undefined;
  /** Share of the limit on current that is used; undefined where there is none. */
  readonly used: number | undefined;
  /** What is passed or near; undefined while all is well. */
  readonly near: 'at-limit' | 'near-limit' | 'too-high' | 'too-low' | 'near-low' | undefined;
}

/** The run ends on the limit itself: what is reached to within a ten-thousandth is reached. */
const REACHED = 1e-4;

/**
 * One station at one of its track's moments: `stop` at or past a limit, `caution` near it.
 *
 * @example momentOf(tracks[0].stations[1], 0).verdict // 'good'
 */
export function momentOf(station: Station, index: number): StationMoment {
  const { limit, moments, verdict } = station;
  const level = moments[index];
  if (!level) return { verdict, level, used: undefined, near: undefined };
  const used = limit && level.currentA / limit.maxA;
  if (used !== undefined && used >= 1 - REACHED) return { verdict: 'stop', level, used, near: 'at-limit' };
  const window = station.kind === 'device' ? inWindow(station, level) : undefined;
  if (window !== undefined) return { verdict: window === 'near-low' ? 'caution' : 'stop', level, used, near: window };
  if (used !== undefined && used > NEAR_LIMIT) return { verdict: 'caution', level, used, near: 'near-limit' };
  return { verdict: 'good', level, used, near: undefined };
}

function inWindow({ lowV, highV }: Station, { voltageV }: Level): 'too-high' | 'too-low' | 'near-low' | undefined {
  if (highV !== undefined && voltageV > highV) return 'too-high';
  if (lowV === undefined || voltageV >= lowV * (1 + NEAR_LOW_V)) return undefined;
  return voltageV <= lowV * (1 + REACHED) ? 'too-low' : 'near-low';
}
