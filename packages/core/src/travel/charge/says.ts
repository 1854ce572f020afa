import type { NoNumbers, Said } from '../../said';

/** What this room says, by code: the numbers of each sentence. */
export interface NightSays {
  'never-damaged': NoNumbers;
  'no-charger': NoNumbers;
  'none-fits': NoNumbers;
  'not-known-how-long': { readonly charge: number; readonly time: string };
  'start-earlier': { readonly charge: number; readonly time: string; readonly lateMin: number };
  'no-slot': { readonly charge: number; readonly time: string; readonly lateMin: number };
  broken: NoNumbers;
}
export type NightSaid = Said<NightSays>;
