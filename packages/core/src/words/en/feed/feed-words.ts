import { APPROACHES } from '../../../feed';
import type { FeedSaid, FeedSays } from '../../../feed';
import { sayFinding } from '../findings/tell';
import { say } from '../say';
import { sayer } from '../words-of';
import type { WordsOf } from '../words-of';

const FEED: WordsOf<FeedSays> = {
  finding: ({ finding }) => sayFinding(finding),
  'device-has-none': ({ name, reason }) => `${name}: ${reason ? sayFeed(reason) : 'nothing of this approach fits it.'}`,
  'device-needs': ({ name, parts }) => `Nothing joins ${name} to it: missing is ${parts.map((part) => `“${part}”`).join(' and ')}.`,
  'nothing-gives': ({ name, inlets }) =>
    `Nothing in this kit, and nothing that is sold for it, gives what ${name} needs${inlets.length === 0 ? ': no inlet of it is entered' : `: ${inlets.map(({ connector, minV, maxV }) => `${sayWindow(minV, maxV)} at its ${connector}`).join(', or ')}`}.`,
  away: ({ away }) => `It is ${away}.`,
  'in-a-circle': () => 'It is fed from there: power would run in a circle.',
  'outputs-in-use': () => 'All its outputs are in use.',
  'already-spare': () => 'It is in this rig already, as a spare.',
  'both-sockets': ({ there }) => `Both are sockets (${there}), and no free cable of the kit joins them.`,
  'does-not-fit': ({ from, there, halfway }) =>
    `${from} does not fit ${there}${halfway ? '; no cable of the kit goes from one to the other' : ''}.`,
  'not-every-device': ({ approach }) => `Not every device of this rig can be fed at once by ${APPROACHES[approach]}.`,
};

function sayWindow(minV: number | undefined, maxV: number | undefined): string {
  if (minV === undefined) return maxV === undefined ? 'volts that are not entered' : `up to ${say(maxV, 'V')}`;
  return maxV === undefined ? `from ${say(minV, 'V')}` : `${say(minV, 'V')} to ${say(maxV, 'V')}`;
}

/**
 * What is said of a feed.
 *
 * @example sayFeed({ code: 'in-a-circle', numbers: {} }) // 'It is fed from there: power would run in a circle.'
 */
export function sayFeed(feed: FeedSaid): string {
  return sayer(FEED)(feed);
}
