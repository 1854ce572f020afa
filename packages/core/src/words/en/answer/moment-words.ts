import type { Station, StationMoment, Track } from '../../../profile';
import { sayLimit } from '../rig/limit-words';
import { say } from '../say';

/** What is passed or near at a station, with its numbers; empty while all is well. */
export function sayMoment({ limit, lowV = 0, highV = 0 }: Station, { near, level }: StationMoment): string {
  if (!level || near === undefined) return '';
  const arrive = `${say(level.voltageV, 'V')} arrive`;
  switch (near) {
    case 'at-limit':
    case 'near-limit': {
      const of = limit ? `${say(level.currentA, 'A')} of ${sayLimit(limit)}` : say(level.currentA, 'A');
      return near === 'at-limit' ? `${of}: at its limit.` : `${of}.`;
    }
    case 'too-high':
      return `${arrive}; at most ${say(highV, 'V')} are accepted.`;
    case 'too-low':
      return `${arrive}; at least ${say(lowV, 'V')} are needed.`;
    case 'near-low':
      return `${say(level.voltageV - lowV, 'V')} above the lowest it accepts.`;
  }
}

/** What a peak can do from its minute on. */
export function sayTrackPeak({ device }: NonNullable<Track['peak']>): string {
  return `from here on a peak of ${device ?? 'another device'} can shut it off.`;
}
