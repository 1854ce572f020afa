export { powerSheet } from './power-sheet';
export type { PathStop, PowerSheet, RigPage, SheetBattery, SheetOrder } from './power-sheet';
