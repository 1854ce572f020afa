export type { ConverterQuestion } from './converter';
export type { HolderQuestion, HolderSize } from './holder';
export { leadNeighbours } from './lead';
export type { LeadQuestion, LeadSize } from './lead';
export { packQuestion, sizePack } from './pack';
export type { PackQuestion, PackSize } from './pack';
export { SIZE_TOOLS, sizeQuestion } from './tools';
export type { SizeToolName } from './tools';
