import type { TapSays } from '../../../bench/contacts';
import { formatQuantity } from '../../../quantity';
import { sayer } from '../words-of';
import type { WordsOf } from '../words-of';

const TAPS: WordsOf<TapSays> = {
  'tap-weak': ({ group, volts, expectedV }) =>
    `Group ${group} is weak: ${formatQuantity(volts, 'V')} where the others stand at ${formatQuantity(expectedV, 'V')}. The pack is only as good as it: do not fly it, do not charge it unwatched.`,
  'tap-high': ({ group, volts, expectedV }) =>
    `Group ${group} is high: ${formatQuantity(volts, 'V')} beside ${formatQuantity(expectedV, 'V')}. Balance it on a balancing charger.`,
  'tap-deep': ({ group, volts }) =>
    `Group ${group} is below its cut-off (${formatQuantity(volts, 'V')}): do not charge it; ask somebody qualified, or recycle the pack.`,
  'tap-over': ({ group, volts }) =>
    `Group ${group} is overcharged (${formatQuantity(volts, 'V')}): stop charging, keep away, let somebody qualified look.`,
  'tap-reversed': ({ group, volts }) =>
    `Group ${group} shows ${formatQuantity(volts, 'V')}: the taps are exchanged, or the group is reversed. Use it for nothing.`,
  'tap-dead': ({ group }) => `Group ${group} shows nothing: a tap is off, or the group is dead.`,
  'taps-even': ({ withinV, expectedV }) => `All groups within ${formatQuantity(withinV, 'V')} of ${formatQuantity(expectedV, 'V')}.`,
};

export const sayTap = sayer(TAPS);
