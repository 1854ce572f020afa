export { corrections } from './corrections';
export type { Correction } from './corrections';
export { isOhms, judgeReading, judgeSteps } from './judge';
export type { CheckedStep, Judged, MeterReading, ReadingCode } from './judge';
export { sheetOfRig, standingOf, withReading } from './standing';
export type { CheckStanding } from './standing';
export { checkSteps } from './steps';
export type { CheckStep, NextPart } from './steps';
export { GOOD_START, sayExpected, sayReading, sayShown, sayWhyExpected } from './words';
