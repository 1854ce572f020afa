import { forecastAskShape, forecastShape } from '@viaggio/core/day';
import { flag, object, toJsonSchema } from '@viaggio/core/units';
import type { JsonSchema } from '@viaggio/core/units';
import { operation } from '../http/operation';
import type { Operation } from '../http/operation';
import type { Forecasts } from './forecasts';

const STATE: JsonSchema = {
  type: 'object',
  required: ['state', 'simulated'],
  properties: { state: { type: 'string', enum: ['off', 'on'] }, simulated: { type: 'boolean' }, address: { type: 'string' } },
};
const turnShape = object('Forecast service', { on: flag('On') });

/** Weather by the hour from a service over HTTP; off until somebody turns it on. */
export function forecastOperations(forecasts: Forecasts): readonly Operation[] {
  return [
    operation({
      id: 'getForecastService',
      method: 'get',
      path: '/api/forecast/service',
      tag: 'forecast',
      summary: 'Whether a forecast service is on, and which',
      answers: { status: 200, says: 'The service', schema: STATE },
      fails: [],
      handle: () => Promise.resolve({ status: 200, body: forecasts.state() }),
    }),
    operation({
      id: 'setForecastService',
      method: 'post',
      path: '/api/forecast/service',
      tag: 'forecast',
      summary: 'Turn the simulated forecast service on or off',
      body: turnShape,
      answers: { status: 200, says: 'The service', schema: STATE },
      fails: ['malformed-request', 'invalid-fields', 'too-large'],
      handle: async ({ body }) => ({ status: 200, body: await forecasts.turn(body.on) }),
    }),
    operation({
      id: 'getForecast',
      method: 'post',
      path: '/api/forecast',
      tag: 'forecast',
      summary: 'Ask the service for temperatures by the hour',
      body: forecastAskShape,
      answers: { status: 200, says: 'The forecast', schema: toJsonSchema(forecastShape) },
      fails: ['malformed-request', 'forecast-off', 'forecast-away', 'invalid-fields', 'too-large'],
      handle: async ({ body }) => ({ status: 200, body: await forecasts.ask(body) }),
    }),
  ];
}
