export { contactRole, HANDHELD, meterShape, namedBySheet, SHEET_KINDS, sheetItemShape, sheetShape } from './sheet-shape';
export type { Contact, ContactRole, JointReading, MeterAccuracy, Sheet, SheetEntry, SheetOf } from './sheet-shape';
