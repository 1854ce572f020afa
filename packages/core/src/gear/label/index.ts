export { BATTERY_CLASSES, batteryOfLabel } from './battery-of-label';
export type { BatteryClassId, LabelAnswers, LabelledBattery } from './battery-of-label';
export { drawText, readDrawText } from './draw-text';
export { LABEL_KINDS, labelMeaning, misleadingPairs } from './label-meaning';
export type { ComparedLabel, LabelKind, LabelMeaning, Through } from './label-meaning';
export { cellsMeant, readLabel } from './read-label';
export { LABEL_QUESTIONS, readBatteryLabel, readPortLabel, readProfiles, sayLabel } from './views';
export type { BatteryLabel, PortLabel } from './views';
export type { Label, LabelAsk, LabelPort, LabelProfile, LabelReads } from './read-label';
