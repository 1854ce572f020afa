export { compareContacts, verdictOfContacts, windowOf } from './compare';
export type { Difference } from './compare';
export type { TapSays } from './says';
export { judgeTaps } from './taps';
export type { TapsJudged } from './taps';
