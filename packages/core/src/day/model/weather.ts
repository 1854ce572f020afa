import { DAY_MIN, HOUR_MIN } from '../../quantity';
import { list, number, object, text } from '../../shape';
import type { Infer } from '../../shape';
import type { Block, Day, Place, Weather } from '../shape';
import { minuteOf } from './clock';
import type { Span } from './spans';

/** What a forecast service answers: an hour a line, times in UTC. */
export const forecastShape = object('Forecast', {
  source: text('Who says so', 120),
  hours: list(
    'Hours',
    object('Hour', {
      at: text('Time in UTC', 25, { regex: /^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d)?Z$/, says: 'a time such as 2026-01-12T06:00Z' }),
      temperatureC: number('Temperature', 'C', { min: -70, max: 60 }),
    }),
    { min: 1, max: 40 * 24 },
  ),
});
export type Forecast = Infer<typeof forecastShape>;

/** What a forecast is asked for. */
export const forecastAskShape = object('Forecast asked for', {
  latitudeDeg: number('Latitude', 'deg', { min: -90, max: 90 }),
  longitudeDeg: number('Longitude', 'deg', { min: -180, max: 180 }),
  from: text('First day', 10, { regex: /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, says: 'a date such as 2026-01-12' }),
  days: number('Days', 'count', { min: 1, max: 33, integer: true }),
});
export type ForecastAsk = Infer<typeof forecastAskShape>;

/**
 * A forecast as the weather of a place; hours before the plan or after it are left out.
 *
 * @example weatherFromForecast({ source: 'typed', hours: [] }, day).hours // []
 */
export function weatherFromForecast({ source, hours }: Forecast, day: Pick<Day, 'date' | 'zone' | 'days'>): Weather {
  const kept = hours
    .map(({ at, temperatureC }) => ({ atMin: Math.round(minuteOf(day, Date.parse(at))), temperatureC }))
    .filter(({ atMin, temperatureC }) => isInPlan(atMin, day) && temperatureC >= COLDEST_HOUR_C);
  return { source, date: day.date, hours: kept };
}

/** A forecast colder than this is no forecast. */
export const COLDEST_HOUR_C = -40;
/** Whether a plan reaches that far: its days and the night after them. */
export const isInPlan = (atMin: number, { days }: Pick<Day, 'days'>): boolean => atMin >= 0 && atMin <= (days + 1) * DAY_MIN;

/**
 * How cold batteries are in a block: as it says, the coldest hour of its place's weather, as the place says, as the day
 * says; undefined where not entered. Hours count down to a whole degree. Weather of another date does not count.
 *
 * @example temperatureIn(undefined, { ...day, temperatureC: 4 }) // 4
 */
export function temperatureIn(block: Block | undefined, day: Day): number | undefined {
  const place = block?.placeId === undefined ? undefined : day.places?.find(({ id }) => id === block.placeId);
  return block?.temperatureC ?? (block && place && coldestDuring(place, day, block)) ?? place?.temperatureC ?? day.temperatureC;
}

/** The coldest hour of a place's weather that touches a span, in whole degrees; undefined where the weather does not cover it. */
export function coldestDuring({ weather }: Place, day: Pick<Day, 'date'>, { fromMin, toMin }: Span): number | undefined {
  if (!weather || weather.date !== day.date) return undefined;
  const touched = weather.hours.filter(({ atMin }) => atMin > fromMin - HOUR_MIN && atMin < toMin);
  const [first, last] = [touched[0], touched.at(-1)];
  if (!first || first.atMin > fromMin || last!.atMin + HOUR_MIN < toMin) return undefined;
  return Math.floor(Math.min(...touched.map(({ temperatureC }) => temperatureC)));
}

/** How cold it gets where chargers stand: lithium must not be charged below freezing at any hour. */
export function coldestAt(place: Place, day: Pick<Day, 'date'>): number | undefined {
  const { weather, temperatureC } = place;
  if (!weather || weather.date !== day.date || weather.hours.length === 0) return temperatureC;
  return Math.min(temperatureC ?? Infinity, ...weather.hours.map((hour) => hour.temperatureC));
}
