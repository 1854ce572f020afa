import type { Finding } from '../../findings';
import type { NoNumbers, Said } from '../../said';

/** What this room says, by code: the numbers of each sentence. */
export interface FaultSays {
  finding: { readonly finding: Finding };
  'charge-not-entered': { readonly title: string };
  'charge-entered': { readonly title: string; readonly charge: number };
  health: { readonly title: string; readonly share: number };
  'never-tested': { readonly title: string };
  cycles: { readonly title: string; readonly cycles: number | undefined };
  years: { readonly title: string; readonly years: number };
  'rig-temperature': { readonly temperatureC: number };
  'temperature-not-entered': NoNumbers;
  'draw-not-entered': NoNumbers;
  'draw-measured': NoNumbers;
  'draw-not-measured': NoNumbers;
  'sheet-passed': { readonly at: string };
}
export type FaultSaid = Said<FaultSays>;
