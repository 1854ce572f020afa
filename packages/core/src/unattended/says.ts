import type { Finding } from '../findings';
import type { NoNumbers, Said } from '../said';

/** What this room says, by code: the numbers of each sentence. */
export interface UnattendedSays {
  finding: { readonly finding: Finding };
  'outlet-feeds': NoNumbers;
  'nothing-drawn': NoNumbers;
  'nothing-feeds': NoNumbers;
  'no-such-date': { readonly from: string };
}
export type UnattendedSaid = Said<UnattendedSays>;
