export { guessColumns } from './meter-columns';
export type { ColumnRole, MeterColumns } from './meter-columns';
export { MeterFileReader } from './meter-file';
export type { FileRemark } from './meter-file';
export { playedRig, rigSignal } from './rig-signal';
export type { RigSignal } from './rig-signal';
