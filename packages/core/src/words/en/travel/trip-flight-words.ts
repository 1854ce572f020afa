import type { TripFlightSaid, TripFlightSays } from '../../../travel/flight';
import type { FlySaid } from '../../../travel/rules';
import { sayer } from '../words-of';
import type { WordsOf } from '../words-of';
import { sayFly } from './fly-words';

const TRIP_FLIGHT: WordsOf<TripFlightSays> = {
  'not-printed': () => 'Its printed watt-hours are not entered: read the label.',
  'nobody-flies': () => 'Nobody flies along yet: add who travels.',
  'read-label': ({ title }) => `Read the label of ${title}: its watt-hours are not entered.`,
  'person-over': ({ name, count, what, most }) =>
    `${name} has ${count} ${what}, ${most} are allowed: move ${count - most === 1 ? 'one' : count - most} to somebody else.`,
};

export const sayTripFlight = sayer(TRIP_FLIGHT);

/**
 * What a leg or the whole trip says: a rule of the air, or what the trip lacks.
 *
 * @example sayFlight({ code: 'nobody-flies', numbers: {} }) // 'Nobody flies along yet: add who travels.'
 */
export function sayFlight(flight: FlySaid | TripFlightSaid): string {
  return flight.code in TRIP_FLIGHT ? sayTripFlight(flight as TripFlightSaid) : sayFly(flight as FlySaid);
}
