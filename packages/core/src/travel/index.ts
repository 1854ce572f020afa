export { AIR_LIMITS, mayFly, strictestFlight } from './air-limits';
export type { Flight } from './air-limits';
