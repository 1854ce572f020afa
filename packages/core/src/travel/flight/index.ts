export { printedEnergy } from './printed';
export { gateLine, tripFlight } from './trip-flight';
export type { FlownThing, LegVerdict, TripFlight } from './trip-flight';
