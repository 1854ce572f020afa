import type { NoNumbers, Said } from '../../said';

/** What this room says, by code: the numbers of each sentence. */
export interface ChargingSays {
  'no-such-charger': NoNumbers;
  'watts-not-known': NoNumbers;
  'place-not-entered': NoNumbers;
  'energy-not-known': NoNumbers;
  'does-not-fit': NoNumbers;
  'not-where-it-sits': NoNumbers;
  'never-charged': NoNumbers;
  'too-cold': NoNumbers;
  'no-power': NoNumbers;
  'sun-not-known': NoNumbers;
  'not-full': NoNumbers;
  'no-turn': NoNumbers;
  'charge-missing': { readonly fromCharge: number };
  'on-no-charger': { readonly isPlanned: boolean };
  'not-unattended': NoNumbers;
  'not-below-zero': NoNumbers;
  'in-place': NoNumbers;
  'air-the-room': NoNumbers;
  'no-crew-hours': NoNumbers;
}
export type ChargingSaid = Said<ChargingSays>;
