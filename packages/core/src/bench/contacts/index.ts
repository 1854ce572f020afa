export { compareContacts, verdictOfContacts, windowOf } from './compare';
export type { BayWindow, ContactCode, Difference } from './compare';
export { judgeTaps } from './taps';
export type { TapCode, TapGroup, TapsJudged } from './taps';
export { mayGoIn, sayCommonly, sayDifference, WAYS_ON } from './words';
