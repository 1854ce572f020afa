import type { UnattendedSays } from '../../../unattended';
import { sayFinding } from '../findings/tell';
import { sayer } from '../words-of';
import type { WordsOf } from '../words-of';

const UNATTENDED: WordsOf<UnattendedSays> = {
  finding: ({ finding }) => sayFinding(finding),
  'outlet-feeds': () => 'An outlet feeds it: it runs as long as there is power. Days alone are for what lives on batteries.',
  'nothing-drawn': () => 'Nothing is drawn from a battery.',
  'nothing-feeds': () => 'Nothing feeds it.',
  'no-such-date': ({ from }) => `There is no ${from}.`,
};

export const sayUnattended = sayer(UNATTENDED);
