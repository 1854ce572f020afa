export type { Log } from '../measure/feed-loss';
export {
  atDevice,
  belongTogether,
  drawOfSegment,
  healthHistory,
  knownModes,
  learnedDraws,
  planAgainstDay,
  RETIRE_SHARE,
} from '../measure/learning';
export type { DrawEvidence, DrawRow, HealthHistory, PlanAgainstDay, RunAgainstPlan, Together } from '../measure/learning';
export { dayOf, meterColumnsShape, OBSERVATION_KINDS, observationShape, recordingShape, USUAL } from '../measure/log';
export type { MeterColumns, NamedSegment, Observation, ObservationKind, Recording } from '../measure/log';
export { canShow, encodingOf, fieldsOf, guessColumns, linesOf, MeterFileReader, playedRig, RowReader } from '../measure/meter';
export type { ColumnChoice, ColumnDoubt, ColumnRole, FileRemark, GuessedColumns, RigSignal } from '../measure/meter';
export { inSlots, keptSlots, matchModes, readTrace, slotsFromBytes, slotsToBytes, slotsView, usualStepS } from '../measure/trace';
export type { Slots, Trace } from '../measure/trace';
