export { powerSheet } from './power-sheet';
export type { PathStop, PowerSheet, RigPage, SheetOrder } from './power-sheet';
export { TAG_FORMATS } from './tag-formats';
export type { TagFormat, TagFormatId } from './tag-formats';
