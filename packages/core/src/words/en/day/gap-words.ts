import type { GapSays } from '../../../day/run';
import { sayFinding } from '../findings/tell';
import { sayer } from '../words-of';
import type { WordsOf } from '../words-of';
import { sayDark } from './day-words';

const GAPS: WordsOf<GapSays> = {
  finding: ({ finding }) => sayFinding(finding),
  dark: ({ device, why }) => sayDark(device, why),
  'rig-gone': () => 'The rig is gone.',
  'nothing-feeds': () => 'Nothing feeds it.',
  'no-devices': () => 'It has no devices.',
  'part-broken': ({ name }) => `${name} is broken; the rig’s own page shows what else could feed it.`,
};

export const sayGap = sayer(GAPS);
