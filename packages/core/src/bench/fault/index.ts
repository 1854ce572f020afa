export { CAUSES, symptomOf, SYMPTOMS } from './causes';
export type { CauseId, Symptom } from './causes';
export type { FaultAnswer } from './diagnose';
export { findFault } from './find-fault';
export type { FaultQuestion, FoundFault, NextTest } from './find-fault';
export { FAULT_TESTS, faultAnswerShape } from './tests';
export type { FaultTest, FaultTestId } from './tests';
export { writeDown } from './write-down';
