export { USUAL_CARD_CHANGE_MIN, USUAL_COOLING_MIN } from '../day/cards';
export { chargerOf, fits } from '../day/charging';
export {
  answerFrom,
  clockAt,
  DAY_TEMPLATES,
  dayIssues,
  dayLike,
  firstCall,
  forecastAskShape,
  forecastShape,
  minuteAt,
  minuteOf,
  mishapTitle,
  readClock,
  repeatBlocks,
  STEP_MIN,
  temperatureIn,
  templateBlocks,
  weatherFromForecast,
  withBattery,
  withBlock,
  withBlocks,
  withBlocksShifted,
  withCardChange,
  withCardMode,
  withCards,
  withCharger,
  withHands,
  withKind,
  withMishap,
  withNewBlock,
  withNewCardChange,
  withNewCards,
  withNewHands,
  withNewPlace,
  withNewSwap,
  withoutBlocks,
  withoutCards,
  withoutHands,
  withoutKind,
  withoutPlace,
  withoutRig,
  withPlace,
  withRig,
  withSwap,
  workingBlocks,
} from '../day/model';
export type { DayTemplate, Forecast, ForecastAsk, Mishap } from '../day/model';
export {
  carriedOver,
  costOfMoving,
  DAY_APPROACHES,
  dayAfter,
  dayApproach,
  movedChange,
  neededToday,
  notAsLeft,
  planDay,
  topUps,
  whatWouldDo,
} from '../day/planner';
export type { DayPlan, MovedChange } from '../day/planner';
export { PLAN_ORDERS } from '../day/planner/judge';
export type { PlanOrder } from '../day/planner/judge';
export { chargingList, dayChances, dayIndicators, DaySimulation, onlyIn, planFigures, RigStates, sourceName } from '../day/run';
export type { Band, ChargePoint, DayChances, DayRun, Moves, PlanFigures, PowerGap } from '../day/run';
export { BLOCK_KINDS, blockTitle, dayShape, MAX_DAYS_LONG, namedByDay, QUIET_KINDS } from '../day/shape';
export type { Block, BlockKind, CardChange, Cards, Day, OwnKind, Place, Swap } from '../day/shape';
