export { belongTogether } from './alike-batteries';
export type { Together } from './alike-batteries';
export { healthHistory, RETIRE_SHARE } from './health-history';
export type { CapacityPoint, HealthHistory } from './health-history';
export { atDevice, drawOfSegment, knownModes, learnedDraws } from './log-draws';
export type { DrawEvidence, DrawRow } from './log-draws';
export { planAgainstDay } from './plan-against-day';
export type { PlanAgainstDay, RunAgainstPlan } from './plan-against-day';
export type { LearningSays } from './says';
