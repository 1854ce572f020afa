export { gearOfSize, leadSheet, packAt, packOptions, packSheet, parallelOf, sizesOfRig, wantedPackShape } from '../bench/build';
export type { BuildSheet, RigSize, WantedPack } from '../bench/build';
export { compareContacts, judgeTaps, sayCommonly, sayDifference, verdictOfContacts, WAYS_ON, windowOf } from '../bench/contacts';
export { CAUSES, FAULT_TESTS, faultAnswerShape, findFault, symptomOf, SYMPTOMS, writeDown } from '../bench/fault';
export type { CauseId, FaultAnswer, FaultQuestion, FaultTest, FaultTestId, FoundFault, NextTest, Symptom } from '../bench/fault';
export {
  checkSteps,
  corrections,
  GOOD_START,
  isOhms,
  judgeReading,
  judgeSteps,
  readMeter,
  sayExpected,
  sayReading,
  sayShown,
  sayWhyExpected,
  sheetOfRig,
  standingOf,
  withReading,
} from '../bench/joints';
export type { CheckedStep, CheckStanding, CheckStep, Correction, MeterReading } from '../bench/joints';
export { contactRole, HANDHELD, meterShape, SHEET_KINDS, sheetShape } from '../bench/sheet';
export type { Contact, ContactRole, Sheet, SheetEntry, SheetOf } from '../bench/sheet';
export { leadNeighbours, packQuestion, SIZE_TOOLS } from '../bench/size';
export type { ConverterQuestion, HolderQuestion, LeadQuestion, LeadSize, PackQuestion, PackSize, SizeToolName } from '../bench/size';
