export { issue, pointer } from '../issue';
export type { Issue } from '../issue';
export {
  displayAs,
  displayNow,
  formatClock,
  formatDate,
  formatDuration,
  formatNumber,
  formatQuantity,
  isoDate,
  parseQuantity,
  readDate,
  shownUnit,
  UNITS,
  USUAL_DISPLAY,
} from '../quantity';
export type { Display, Parsed, Unit } from '../quantity';
export { said } from '../said';
export {
  choice,
  describe,
  differences,
  flag,
  isWithin,
  list,
  missingFields,
  number,
  object,
  optional,
  readField,
  text,
  toJsonSchema,
  unkeepable,
  withChanges,
} from '../shape';
export type { AnyShape, Changes, Fields, Infer, JsonSchema, ListShape, NumberShape, OptionalShape, Shape, TextShape } from '../shape';
export { CHEMISTRIES, FAULT_TESTS, STYLE_WEIGHTS } from '../tables';
export type { CauseId, ChemistryId, FaultTest, FaultTestId, Symptom } from '../tables';
