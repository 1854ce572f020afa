export { judgeReading, judgeSteps } from './judge';
export type { CheckedStep, Judged, MeterReading, ReadingCode } from './judge';
export { HANDHELD, checkSteps } from './steps';
export type { CheckStep, MeterAccuracy, NextPart } from './steps';
export { sayReading } from './words';
