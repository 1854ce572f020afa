import type { NoNumbers, Said } from '../../said';

/** What this room says, by code: the numbers of each sentence. */
export interface PlanSays {
  'would-interrupt': NoNumbers;
  'less-dark': { readonly saved: number };
  'out-of-reserve': NoNumbers;
  'adds-little': { readonly gain: number; readonly left: number };
  'left-without': { readonly left: number };
  'nothing-gained': NoNumbers;
}
export type PlanSaid = Said<PlanSays>;
