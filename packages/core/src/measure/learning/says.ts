import type { NoNumbers, Said } from '../../said';

/** What this room says, by code: the numbers of each sentence. */
export interface LearningSays {
  'all-swapped': NoNumbers;
  'not-on-that-battery': NoNumbers;
  'plan-right': { readonly bias: number; readonly count: number };
  'plan-short': { readonly bias: number; readonly count: number };
  'plan-long': { readonly bias: number; readonly count: number };
}
export type LearningSaid = Said<LearningSays>;
