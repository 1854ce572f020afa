export { namedByObservation, OBSERVATION_KINDS, observationItemShape, observationShape } from './observation';
export type { DrawObservation, LogEntry, Observation, ObservationKind, ObservationOf } from './observation';
export { meterColumnsShape, namedByRecording, observationsOf, recordingItemShape, recordingShape, USUAL } from './recording';
export type { MeterColumns, NamedSegment, Recording, RecordingEntry } from './recording';
export { dayOf, whenShape } from './when';
