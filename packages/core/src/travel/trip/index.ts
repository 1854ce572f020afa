export { mergeTrips } from './merge-trips';
export { OWN_TEMPLATES } from './own-templates';
export {
  BAG_KINDS,
  flightRulesItemShape,
  flyersOf,
  LEG_KINDS,
  namedByTrip,
  stateOf,
  tripItemShape,
  tripShape,
  withThing,
} from './trip-shape';
export type { Bag, Leg, OwnItem, Person, ThingState, Trip } from './trip-shape';
