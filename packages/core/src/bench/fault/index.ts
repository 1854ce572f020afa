export type { FaultAnswer } from './diagnose';
export { findFault } from './find-fault';
export type { FaultCause, FaultQuestion, FoundFault, NextTest } from './find-fault';
export type { FaultSays } from './says';
export { writeDown } from './write-down';
