import type { Stop } from '../../../run';
import { pastLimit, sayLimit } from '../rig/limit-words';
import { say } from '../say';

/** What stops a run first and why, in one sentence; then what is left in the battery. */
export function sayStop(stop: Stop): string {
  switch (stop.why) {
    case 'peak':
      return `A peak of ${say(stop.peakW, 'W')} can shut ${stop.device} off once ${stop.battery} is down to ${say(stop.charge, 'fraction')}; without peaks it runs ${say(stop.runsMin, 'min')}.`;
    case 'goes-on':
      return `${stop.source} goes on for as long as it is supplied.`;
    case 'empty':
      return `${stop.source} is empty.`;
    case 'collapse':
      return `${stop.source} and its leads cannot carry the load: the voltage breaks down.`;
    case 'no-draw':
      return 'Nothing draws power.';
    case 'will-not-start':
      return `${stop.place} does not start at this charge.`;
    case 'cutoff':
      return `The protection of ${stop.battery} cuts out at ${say(stop.cutoffV, 'V')}; ${left(stop)} stay in it.`;
    case 'drops-out':
      return `${stop.place} drops out below ${say(stop.minV, 'V')}; of ${stop.battery} ${left(stop)} stay in it.`;
    case 'switches-off':
      return `${stop.device} switches off below ${say(stop.minV, 'V')}; of ${stop.battery} ${left(stop)} stay in it.`;
    case 'over-current':
      return `The current passes ${limitOf(stop)}. ${'maxW' in stop.limit ? '' : `${pastLimit(stop.limit)} `}Of ${stop.battery} ${left(stop)} stay in it.`;
    case 'after-swaps': {
      const count = stop.swaps === 1 ? 'one change' : `${stop.swaps} changes`;
      return `After ${count} of battery ${stop.battery}, put in at ${say(stop.swapMin, 'min')}, is the last: it carries the rig to ${say(stop.stopMin, 'min')}.`;
    }
  }
}

function left({ leftWh, charge }: { readonly leftWh: number; readonly charge: number }): string {
  return `${say(leftWh, 'Wh')} (${say(charge, 'fraction')} of the charge)`;
}

function limitOf({ limit }: Extract<Stop, { why: 'over-current' }>): string {
  if (!('maxW' in limit)) return sayLimit(limit);
  const { maxA, maxW, port, part } = limit;
  const most = maxA !== undefined ? say(maxA, 'A') : maxW !== undefined ? say(maxW, 'W') : 'its limit';
  return `${most} (${port === undefined ? 'a part on the path' : `${port} of ${part}`})`;
}
