import { byKind, ITEM_KINDS, PLAN_FORMAT, PLAN_VERSION, planJsonSchema, savedShape } from '@viaggio/core/document';
import { toJsonSchema } from '@viaggio/core/units';
import type { Database } from '../db/database';
import type { ItemServices } from '../items/kinds';
import { operation, rawOperation } from '../http/operation';
import type { Operation, RawBody } from '../http/operation';
import { JSON_TYPE, MOST_JSON_BYTES } from '../http/json-body';
import type { Work } from '../threads/work';
import { PlanService } from './plan-service';
import { EXPORT_PLAN, PLAN_ITEMS, READ_PLAN } from './plan-tasks';

const PLAN_ITEM = {
  title: 'Plan item',
  type: 'object',
  required: ['id', 'body'],
  properties: { id: { type: 'string' }, body: { type: 'object' } },
} as const;

/** The document in short: `GET /api/plan/schema` says all of it, and fields that it does not name are kept. */
export const PLAN_BODY = {
  title: 'Plan document',
  type: 'object',
  description: 'A plan document; its JSON Schema is at /api/plan/schema. Older versions are brought along, unknown fields kept.',
  required: ['gear', 'rigs'],
  properties: {
    format: { const: PLAN_FORMAT },
    version: { type: 'integer', minimum: 0, maximum: PLAN_VERSION },
    name: { type: 'string' },
    ...byKind(() => ({ type: 'array', items: PLAN_ITEM })),
    ask: { type: 'object', description: 'What to work out beyond the answer of every rig' },
  },
} as const;

/** A document as a body: it is read where it is worked on, since it may be large, and of another version. */
export const PLAN_DOCUMENT = { mediaType: JSON_TYPE, maxBytes: MOST_JSON_BYTES, schema: PLAN_BODY } as const satisfies RawBody;

export function planOperations(database: Database, items: ItemServices, work: Work): readonly Operation[] {
  const service = new PlanService(database, items);
  return [
    rawOperation({
      id: 'addPlan',
      method: 'post',
      path: '/api/plan',
      tag: 'plan',
      summary: 'Add the items of a plan document: all of it, or none',
      rawBody: PLAN_DOCUMENT,
      answers: {
        status: 201,
        says: 'What was added',
        schema: {
          type: 'object',
          properties: byKind((kind) => ({ type: 'array', items: toJsonSchema(savedShape(ITEM_KINDS[kind].shape)) })),
        },
      },
      fails: ['malformed-request', 'id-taken', 'too-large', 'invalid-fields', 'busy', 'too-heavy', 'database-away'],
      handle: async ({ body, signal }) => {
        const { plan, aside } = await work.run(READ_PLAN, { bytes: body }, signal);
        return { status: 201, body: await service.add(plan, aside) };
      },
    }),
    rawOperation({
      id: 'readPlan',
      method: 'post',
      path: '/api/plan/read',
      tag: 'plan',
      summary: 'Read a plan document of any version without adding it: its items as they would be kept',
      rawBody: PLAN_DOCUMENT,
      answers: { status: 200, says: 'The items by kind, and what stands beside them', schema: { type: 'object' } },
      fails: ['malformed-request', 'too-large', 'invalid-fields', 'busy', 'too-heavy'],
      handle: async ({ body, signal }) => ({ status: 200, json: await work.run(PLAN_ITEMS, { bytes: body }, signal) }),
    }),
    operation({
      id: 'exportPlan',
      method: 'get',
      path: '/api/plan',
      tag: 'plan',
      summary: 'Everything kept here as one plan document',
      answers: { status: 200, says: 'The document', schema: PLAN_BODY },
      fails: ['busy', 'too-heavy', 'database-away'],
      handle: async ({ signal }) => ({ status: 200, json: await work.run(EXPORT_PLAN, await service.kept(), signal) }),
    }),
    operation({
      id: 'getPlanSchema',
      method: 'get',
      path: '/api/plan/schema',
      tag: 'plan',
      summary: 'JSON Schema (2020-12) of a plan document',
      answers: { status: 200, says: 'The schema' },
      fails: [],
      handle: () => Promise.resolve({ status: 200, body: planJsonSchema() }),
    }),
  ];
}
