import type { Finding } from '../../findings';
import type { NoNumbers, Said } from '../../said';
import type { Dark } from './dark';

/** What this room says, by code: the numbers of each sentence. */
export interface GapSays {
  finding: { readonly finding: Finding };
  dark: { readonly device: string; readonly why: Dark };
  'rig-gone': NoNumbers;
  'nothing-feeds': NoNumbers;
  'no-devices': NoNumbers;
  'part-broken': { readonly name: string };
}
export type GapSaid = Said<GapSays>;
