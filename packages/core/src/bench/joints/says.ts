import type { NoNumbers, Said } from '../../said';

/** What this room says, by code: the numbers of each sentence. */
export interface JointSays {
  'mark-lead-crossed': NoNumbers;
  'rigs-stop': NoNumbers;
  'mark-lead-broken': NoNumbers;
  'no-feed-any-more': NoNumbers;
  'enter-ohms': { readonly resistanceOhm: number };
  'counts-measured': NoNumbers;
  'mark-broken': { readonly title: string };
  'no-feed-until-mended': NoNumbers;
  'enter-charge': { readonly charge: number };
  rested: NoNumbers;
  'enter-output': { readonly reading: number };
  'rigs-judged-by-it': NoNumbers;
  'no-feed-until-mended-here': NoNumbers;
  'mark-crossed': { readonly title: string };
  'note-thin': { readonly title: string };
  'enter-length': NoNumbers;
  'is-flat': { readonly title: string };
  'on-charge-list': NoNumbers;
}
export type JointSaid = Said<JointSays>;
