export { matchModes } from './match-modes';
export type { KnownMode } from './match-modes';
export { readTrace } from './read-trace';
export { slotsFromBytes, slotsToBytes } from './slots-bytes';
export { keptSlots, slotsView } from './slots-view';
export { median } from './sums';
export { inSlots, usualStepS } from './trace';
export type { Slots, Trace } from './trace';
