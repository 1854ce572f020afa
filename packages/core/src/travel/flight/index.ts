export type { TripFlightSaid, TripFlightSays } from './says';
export { gateLine, tripFlight } from './trip-flight';
export type { FlownThing, LegVerdict, TripFlight } from './trip-flight';
