export { assess, assessModel, backups, indicators, rigModel, runRange, sensitivities } from '../answer';
export type { Answer, Backup, Reading, RunRange } from '../answer';
export { attention, nearestDay, verdictOfConcern } from '../attention';
export type { AttentionTo, Concern } from '../attention';
export {
  alternativeOf,
  APPROACHES,
  assignFeeds,
  costOf,
  CRITERIA,
  criteriaOf,
  DEFAULT_STYLE,
  findFeeds,
  offersFor,
  purchasesFor,
  RemedySearch,
  titleOf,
  weightsOf,
} from '../feed';
export type {
  Alternative,
  Approach,
  Assignments,
  Criteria,
  Criterion,
  FoundFeed,
  FoundFeeds,
  Offer,
  Offers,
  Purchases,
  Weights,
} from '../feed';
export { isFault } from '../findings';
export type { FindingLevel, Verdict } from '../findings';
export { chargeMinutes } from '../physics/cell';
export { networkCaseShape, networkIssues } from '../physics/circuit';
export type { NetworkCase } from '../physics/circuit';
export { profilesByRating } from '../physics/usb';
export { fuseFor } from '../physics/wire';
export { momentOf } from '../profile';
export type { Level, Station, StationMoment, Track } from '../profile';
export {
  awakeShare,
  givenInTest,
  leavesFeedOpen,
  orderOfConnecting,
  plainDraw,
  resolveRig,
  settledTests,
  shotsDraw,
  testedHere,
  withTestsSettled,
} from '../rig/resolved';
export { discharge } from '../run';
export type { Discharge } from '../run';
export { autonomyOf } from '../unattended';
export type { Autonomy, DayAlone, Visit } from '../unattended';
