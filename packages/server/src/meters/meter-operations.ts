import { savedShape } from '@viaggio/core/document';
import { recordingShape } from '@viaggio/core/measure';
import { toJsonSchema } from '@viaggio/core/units';
import type { JsonSchema } from '@viaggio/core/units';
import { operation } from '../http/operation';
import type { Operation } from '../http/operation';
import type { LiveRecordings } from './live-recordings';
import { playShape, readShape, startShape, troubleShape } from './meter-shapes';
import type { Meters } from './meters';

const METER: JsonSchema = {
  title: 'Meter',
  type: 'object',
  required: ['id', 'name', 'address', 'simulated'],
  properties: { id: { type: 'string' }, name: { type: 'string' }, address: { type: 'string' }, simulated: { type: 'boolean' } },
};
const LIVE: JsonSchema = {
  title: 'Live',
  type: 'object',
  required: ['id', 'meterId', 'startedAt', 'state', 'says', 'rows', 'seconds', 'lost', 'doubts'],
  properties: {
    id: { type: 'string', format: 'uuid' },
    meterId: { type: 'string' },
    startedAt: { type: 'string', format: 'date-time' },
    state: { type: 'string', enum: ['connecting', 'connected', 'away', 'nonsense'] },
    says: { type: 'string' },
    rows: { type: 'integer' },
    seconds: { type: 'number' },
    lost: { type: 'integer' },
    doubts: { type: 'integer' },
  },
};

/** Bench meters over the network: which may be asked, what is being recorded from them, and one that is simulated. */
export function meterOperations(meters: Meters, live: LiveRecordings): readonly Operation[] {
  return [...askedMeters(meters), ...simulatedMeter(meters), ...liveOperations(live)];
}

const askedMeters = (meters: Meters): readonly Operation[] => [
  operation({
    id: 'listMeters',
    method: 'get',
    path: '/api/meters',
    tag: 'meters',
    summary: 'The meters that may be recorded from: those the owner allowed, and the simulated one while it plays',
    answers: { status: 200, says: 'The meters', schema: { type: 'array', items: METER } },
    fails: [],
    handle: () => Promise.resolve({ status: 200, body: meters.list() }),
  }),
  operation({
    id: 'readMeter',
    method: 'post',
    path: '/api/meters/read',
    tag: 'meters',
    summary: 'What a meter shows now',
    body: readShape,
    answers: {
      status: 200,
      says: 'Volts and amps',
      schema: {
        type: 'object',
        required: ['voltageV', 'currentA'],
        properties: { voltageV: { type: 'number' }, currentA: { type: 'number' } },
      },
    },
    fails: ['malformed-request', 'not-found', 'meter-away', 'invalid-fields', 'too-large'],
    handle: async ({ body }) => ({ status: 200, body: await meters.read(body.meterId) }),
  }),
];

const simulatedMeter = (meters: Meters): readonly Operation[] => [
  operation({
    id: 'playSimulatedMeter',
    method: 'post',
    path: '/api/meters/simulated/play',
    tag: 'meters',
    summary: 'Let the simulated meter play a rig',
    body: playShape,
    answers: { status: 200, says: 'The meter', schema: METER },
    fails: ['malformed-request', 'not-found', 'meter-busy', 'invalid-fields', 'too-large', 'database-away'],
    handle: async ({ body }) => ({ status: 200, body: await meters.play(body.rigId, body.deviceId, body.secondsEach) }),
  }),
  operation({
    id: 'troubleSimulatedMeter',
    method: 'post',
    path: '/api/meters/simulated/trouble',
    tag: 'meters',
    summary: 'Let the simulated meter do something wrong for a while',
    body: troubleShape,
    answers: { status: 204, says: 'It does' },
    fails: ['malformed-request', 'not-found', 'invalid-fields', 'too-large'],
    handle: ({ body }) => {
      meters.makeTrouble(body.kind, body.seconds);
      return Promise.resolve({ status: 204 });
    },
  }),
];

const liveOperations = (live: LiveRecordings): readonly Operation[] => [
  operation({
    id: 'listLiveRecordings',
    method: 'get',
    path: '/api/live',
    tag: 'meters',
    summary: 'What is being recorded now',
    answers: { status: 200, says: 'The live recordings', schema: { type: 'array', items: LIVE } },
    fails: [],
    handle: () => Promise.resolve({ status: 200, body: live.list() }),
  }),
  operation({
    id: 'startLiveRecording',
    method: 'post',
    path: '/api/live',
    tag: 'meters',
    summary: 'Begin to record from a meter',
    body: startShape,
    answers: { status: 201, says: 'The live recording', schema: LIVE },
    fails: ['malformed-request', 'not-found', 'meter-busy', 'invalid-fields', 'too-large', 'database-away'],
    handle: async ({ body }) => ({ status: 201, body: await live.start(body) }),
  }),
  operation({
    id: 'followLiveRecording',
    method: 'get',
    path: '/api/live/{id}/events',
    tag: 'meters',
    summary: 'What comes from the meter, as server-sent events',
    answers: { status: 200, says: 'One JSON document an event', mediaType: 'text/event-stream' },
    fails: ['not-found'],
    handle: ({ id }) => Promise.resolve({ status: 200, events: live.events(id) }),
  }),
  operation({
    id: 'stopLiveRecording',
    method: 'post',
    path: '/api/live/{id}/stop',
    tag: 'meters',
    summary: 'End a live recording and keep it',
    answers: { status: 200, says: 'The recording', schema: toJsonSchema(savedShape(recordingShape)) },
    fails: ['not-found', 'database-away'],
    handle: async ({ id }) => ({ status: 200, body: await live.stop(id) }),
  }),
  operation({
    id: 'discardLiveRecording',
    method: 'delete',
    path: '/api/live/{id}',
    tag: 'meters',
    summary: 'End a live recording and throw it away',
    answers: { status: 204, says: 'Ended' },
    fails: ['not-found', 'database-away'],
    handle: async ({ id }) => {
      await live.discard(id);
      return { status: 204 };
    },
  }),
];
