export { AIR_LIMITS, mayFly, strictestFlight } from './air-limits';
export type { Flight } from './air-limits';
export { areOld, flightRulesShape, USUAL_FLIGHT_RULES } from './flight-rules';
export type { FlightRules } from './flight-rules';
export { flyIssues, flyQuestion, whatMayFly } from './fly';
export type { FlownBattery, FlyAnswer, FlyingBattery, FlyQuestion, FlyVerdict } from './fly';
