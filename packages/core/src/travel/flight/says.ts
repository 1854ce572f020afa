import type { NoNumbers, Said } from '../../said';

/** What this room says, by code: the numbers of each sentence. */
export interface TripFlightSays {
  'not-printed': NoNumbers;
  'nobody-flies': NoNumbers;
  'read-label': { readonly title: string };
  'person-over': {
    readonly name: string;
    readonly count: number;
    readonly what: 'spares' | 'banks' | 'spares that need approval' | 'lead-acid spares';
    readonly most: number;
  };
}
export type TripFlightSaid = Said<TripFlightSays>;
