import type { PlanSays } from '../../../day/planner';
import { sayer } from '../words-of';
import type { WordsOf } from '../words-of';

const PLAN: WordsOf<PlanSays> = {
  'would-interrupt': () => 'it would interrupt what must not be',
  'less-dark': ({ saved }) => `${Math.floor(saved)} min less without power`,
  'out-of-reserve': () => 'keeps it out of its reserve',
  'adds-little': ({ gain, left }) =>
    `it adds only ${Math.round(100 * gain)} %; ${Math.round(100 * left)} % are left at the lowest without it`,
  'left-without': ({ left }) => `${Math.round(100 * left)} % are left at the lowest without it`,
  'nothing-gained': () => 'nothing is gained by it',
};

export const sayPlan = sayer(PLAN);
