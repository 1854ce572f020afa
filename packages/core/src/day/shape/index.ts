export {
  BLOCK_KINDS,
  blockTitle,
  dayItemShape,
  dayShape,
  DEFAULT_CHANCE,
  isDrawing,
  isSameSwap,
  lostFrom,
  MAX_BLOCKS,
  MAX_DAYS_LONG,
  namedByDay,
  QUIET_KINDS,
  recordingMode,
} from './day';
export type { Block, BlockKind, CardChange, Cards, Charge, Day, DayEntry, OwnKind, Place, Swap, Weather } from './day';
