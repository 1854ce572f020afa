export { attention, verdictOfConcern } from './concerns';
export type { Attention, AttentionTo, Concern, RigStanding } from './concerns';
export { nearestDay } from './nearest-day';
export type { NearestDay } from './nearest-day';
