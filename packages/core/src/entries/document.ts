export {
  byKind,
  deletedShape,
  faultAnswerShape,
  ITEM_KINDS,
  itemTitle,
  mergedBody,
  migratePlan,
  NAMED_KINDS,
  namedBy,
  PLAN_FORMAT,
  PLAN_KINDS,
  PLAN_VERSION,
  planJsonSchema,
  planShape,
  putBack,
  revisionShape,
  rigFromV0,
  savedShape,
  setAside,
} from '../document';
export type {
  Aside,
  BackupComparison,
  ItemBodies,
  KindCompared,
  NamedKind,
  OnDifferent,
  Plan,
  PlanKind,
  Saved,
  SavedRevision,
} from '../document';
export { evaluate, planIssues, tellStep } from '../evaluation';
export type { Evaluation, ToldStep } from '../evaluation';
export {
  blocksFromCalendar,
  blocksFromCsv,
  blocksToCsv,
  dayToCalendar,
  drawsToCsv,
  gearToCsv,
  observationsToCsv,
  readGearCsv,
  segmentsToCsv,
  slotsToCsv,
  weatherFromCsv,
} from '../files';
export type { CsvIssue } from '../files';
