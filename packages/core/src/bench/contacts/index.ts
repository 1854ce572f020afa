export { compareContacts, verdictOfContacts, windowOf } from './compare';
export { judgeTaps } from './taps';
export { sayCommonly, sayDifference, WAYS_ON } from './words';
