export { printedEnergy } from './printed';
export type { PrintedEnergy } from './printed';
export { gateLine, tripFlight } from './trip-flight';
export type { FlownLeg, FlownThing, LegVerdict, TripFlight } from './trip-flight';
