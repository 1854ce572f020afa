import { say } from './figure';
import type { Verdict } from './finding';
import type { Level, Station } from './journey';

/** How a station stands at one moment of the run: what flows against what may flow, what arrives against what is accepted. */
export interface StationMoment {
  readonly verdict: Verdict;
  readonly level: Level | undefined;
  /** Share of the limit on current that is used; undefined where there is none. */
  readonly used: number | undefined;
  /** What is passed or near, with its numbers; empty while all is well. */
  readonly sentence: string;
}

/** From this share of a limit on it is told that little is left. */
const NEAR = 0.9;
/** Volts above the lowest accepted that count as little, as a share of it. */
const NEAR_LOW = 0.03;
/** The run ends on the limit itself: what is reached to within a ten-thousandth is reached. */
const REACHED = 1e-4;

/**
 * One station at one of its lane's moments. `beyond` its limit is `stop`, near it is `caution`.
 *
 * @example momentOf(lane.stations[1], 42).sentence // 'Takes 1.44 A of 1.5 A (D-tap of Holmvik 49).'
 */
export function momentOf({ kind, limit, lowV, highV, moments, verdict }: Station, index: number): StationMoment {
  const level = moments[index];
  if (!level) return { verdict, level, used: undefined, sentence: '' };
  const used = limit && level.currentA / limit.maxA;
  if (limit && used !== undefined && used >= 1 - REACHED)
    return {
      verdict: 'stop',
      level,
      used,
      sentence: `${say(level.currentA, 'A')} of ${say(limit.maxA, 'A')} (${limit.set}): at its limit.`,
    };
  if (kind === 'device') {
    if (highV !== undefined && level.voltageV > highV)
      return { verdict: 'stop', level, used, sentence: `${say(level.voltageV, 'V')} arrive; at most ${say(highV, 'V')} are accepted.` };
    if (lowV !== undefined && level.voltageV <= lowV * (1 + REACHED))
      return { verdict: 'stop', level, used, sentence: `${say(level.voltageV, 'V')} arrive; at least ${say(lowV, 'V')} are needed.` };
    if (lowV !== undefined && level.voltageV < lowV * (1 + NEAR_LOW))
      return { verdict: 'caution', level, used, sentence: `${say(level.voltageV - lowV, 'V')} above the lowest it accepts.` };
  }
  if (limit && used !== undefined && used > NEAR)
    return { verdict: 'caution', level, used, sentence: `${say(level.currentA, 'A')} of ${say(limit.maxA, 'A')} (${limit.set}).` };
  return { verdict: 'good', level, used, sentence: '' };
}
