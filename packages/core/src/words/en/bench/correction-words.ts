import type { JointSays } from '../../../bench/joints';
import { formatQuantity } from '../../../quantity';
import { sayer } from '../words-of';
import type { WordsOf } from '../words-of';

const CORRECTIONS: WordsOf<JointSays> = {
  'mark-lead-crossed': () => 'Mark the lead as crossed',
  'rigs-stop': () => 'Every rig that uses it becomes a stop.',
  'mark-lead-broken': () => 'Mark the lead as broken',
  'no-feed-any-more': () => 'No feed is looked for with it any more.',
  'enter-ohms': ({ resistanceOhm }) => `Enter ${formatQuantity(resistanceOhm, 'ohm')} for both conductors`,
  'counts-measured': () => 'Every answer then counts with what was measured.',
  'mark-broken': ({ title }) => `Mark ${title} as broken`,
  'no-feed-until-mended': () => 'It is looked for in no feed until somebody has mended it.',
  'enter-charge': ({ charge }) => `Its charge is ${formatQuantity(charge, 'fraction')}`,
  rested: () => 'From its volts at rest; let it rest an hour first.',
  'enter-output': ({ reading }) => `Enter ${formatQuantity(reading, 'V')} as its output, measured`,
  'rigs-judged-by-it': () => 'Every rig that uses it is judged by it.',
  'no-feed-until-mended-here': () => 'No feed is looked for with it until somebody has mended it.',
  'mark-crossed': ({ title }) => `Mark ${title} as crossed`,
  'note-thin': ({ title }) => `Note at ${title} that it is too thin`,
  'enter-length': () => 'Enter its length and wire for the figures.',
  'is-flat': ({ title }) => `${title} is flat`,
  'on-charge-list': () => 'It stands on the list of what to charge tonight.',
};

export const sayCorrection = sayer(CORRECTIONS);
