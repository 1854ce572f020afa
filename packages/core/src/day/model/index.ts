export { clockAt, instantAt, minuteAt, minuteOf, minuteOfClock, readClock } from './clock';
export { dayIssues } from './day-issues';
export { DAY_TEMPLATES, dayLike, templateBlocks } from './day-templates';
export type { DayTemplate } from './day-templates';
export {
  BLOCK_KINDS,
  blockTitle,
  dayItemShape,
  dayShape,
  DEFAULT_CHANCE,
  isDrawing,
  isSameSwap,
  lostFrom,
  MAX_DAYS_LONG,
  namedByDay,
  QUIET_KINDS,
} from './day';
export type { Block, BlockKind, Charge, Day, DayEntry, OwnKind, Place, Swap, Weather } from './day';
export { placeW } from './place-power';
export { repeatBlocks } from './repeat-blocks';
export { dailySpans, isDuring, overlap } from './spans';
export type { Span } from './spans';
export { coldestAt, COLDEST_HOUR_C, forecastAskShape, forecastShape, isInPlan, temperatureIn, weatherFromForecast } from './weather';
export type { Forecast, ForecastAsk } from './weather';
export { answerFrom, mishapTitle, withMishap } from './what-if';
export type { Mishap } from './what-if';
