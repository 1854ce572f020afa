import { PLAN_FORMAT, PLAN_VERSION, byKind, ITEM_KINDS, planJsonSchema, planShape, savedShape, toJsonSchema } from '@viaggio/core';
import type { AnyShape } from '@viaggio/core';
import type { Database } from '../db/database';
import { AppError } from '../errors';
import type { ItemServices } from '../items/kinds';
import { operation } from '../operation';
import type { Operation } from '../operation';
import { PlanService, itemsOf } from './plan-service';
import { readPlan } from './read-plan';
import type { ReadPlan } from './read-plan';

const PLAN_ITEM = {
  title: 'Plan item',
  type: 'object',
  required: ['id', 'body'],
  properties: { id: { type: 'string' }, body: { type: 'object' } },
} as const;

/** A document of any version: `readPlan` checks it, since an older one has another shape. */
export const documentShape: AnyShape = { kind: 'any', title: planShape.title };

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

export function planOrThrow(received: unknown): Extract<ReadPlan, { ok: true }> {
  const read = readPlan(received);
  if (!read.ok) throw new AppError('invalid-fields', read.issues[0]?.message ?? 'The plan is not as expected.', { issues: read.issues });
  return read;
}

export function planOperations(database: Database, items: ItemServices): readonly Operation[] {
  const service = new PlanService(database, items);
  return [
    operation({
      id: 'addPlan',
      method: 'post',
      path: '/api/plan',
      tag: 'plan',
      summary: 'Add the items of a plan document: all of it, or none',
      body: documentShape,
      bodySchema: PLAN_BODY,
      answers: {
        status: 201,
        says: 'What was added',
        schema: {
          type: 'object',
          properties: byKind((kind) => ({ type: 'array', items: toJsonSchema(savedShape(ITEM_KINDS[kind].shape)) })),
        },
      },
      fails: ['malformed-request', 'id-taken', 'too-large', 'invalid-fields', 'database-away'],
      handle: async ({ body }) => {
        const { plan, aside } = planOrThrow(body);
        return { status: 201, body: await service.add(plan, aside) };
      },
    }),
    operation({
      id: 'readPlan',
      method: 'post',
      path: '/api/plan/read',
      tag: 'plan',
      summary: 'Read a plan document of any version without adding it: its items as they would be kept',
      body: documentShape,
      bodySchema: PLAN_BODY,
      answers: { status: 200, says: 'The items by kind, and what stands beside them', schema: { type: 'object' } },
      fails: ['malformed-request', 'too-large', 'invalid-fields'],
      handle: ({ body }) => {
        const { plan, aside } = planOrThrow(body);
        return Promise.resolve({ status: 200, body: itemsOf(plan, aside) });
      },
    }),
    operation({
      id: 'exportPlan',
      method: 'get',
      path: '/api/plan',
      tag: 'plan',
      summary: 'Everything kept here as one plan document',
      answers: { status: 200, says: 'The document', schema: PLAN_BODY },
      fails: ['database-away'],
      handle: async () => ({ status: 200, body: await service.export() }),
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
