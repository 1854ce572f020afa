export { clockAt, instantAt, minuteAt, minuteOf, minuteOfClock, readClock } from './clock';
export { dayIssues } from './day-issues';
export { DAY_TEMPLATES, dayLike, templateBlocks } from './day-templates';
export type { DayTemplate, DayTemplateId, TemplateBlockName } from './day-templates';
export { withCardChange, withCardMode, withCards, withNewCardChange, withNewCards, withoutCards } from './edit-cards';
export {
  STEP_MIN,
  withBattery,
  withBlock,
  withBlocks,
  withBlocksShifted,
  withCharger,
  withHands,
  withKind,
  withNewBlock,
  withNewHands,
  withNewPlace,
  withNewSwap,
  withoutBlocks,
  withoutHands,
  withoutKind,
  withoutPlace,
  withoutRig,
  withPlace,
  withRig,
  withSwap,
} from './edit-day';
export { firstCall, workingBlocks } from './first-call';
export { handsOf, isThere, lastThere, nextThere } from './hands';
export type { Hands } from './hands';
export { wattsOfPlace } from './place-power';
export { repeatBlocks } from './repeat-blocks';
export { dailySpans, isDuring, overlap, without } from './spans';
export type { Span } from './spans';
export { blocksOf, comesTo, dayOfMinute, drawsOf, leavesBy, midnightsOf, placeAt } from './way';
export type { DayOf } from './way';
export { COLDEST_HOUR_C, coldestAt, forecastAskShape, forecastShape, isInPlan, temperatureIn, weatherFromForecast } from './weather';
export type { Forecast, ForecastAsk } from './weather';
export { answerFrom, mishapTitle, withMishap } from './what-if';
export type { Mishap } from './what-if';
