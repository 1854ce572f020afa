export { attention, verdictOfConcern } from './concerns';
export type { AttentionTo, Concern } from './concerns';
export { nearestDay } from './nearest-day';
