export { areOld, flightRulesShape, flightRulesTitle, strictestRules, USUAL_FLIGHT_RULES } from './flight-rules';
export type { FlightRules } from './flight-rules';
export { flyIssues, flyQuestion, whatMayFly } from './fly';
export type { FlownBattery, FlyAnswer, FlyingBattery, FlyVerdict } from './fly';
export type { FlySaid, FlySays } from './says';
