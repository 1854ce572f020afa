import { byKind, ITEM_KINDS, planJsonSchema, planShape } from '@viaggio/core';
import type { AnyShape } from '@viaggio/core';
import type { Database } from '../db/database';
import { AppError } from '../errors';
import { savedSchema } from '../items/item-operations';
import type { ItemServices } from '../items/kinds';
import { operation } from '../operation';
import type { Operation } from '../operation';
import { PlanService, itemsOf } from './plan-service';
import { readPlan } from './read-plan';
import type { ReadPlan } from './read-plan';

/** A document of any version: `readPlan` checks it, since an older one has another shape. */
export const documentShape: AnyShape = { kind: 'any', title: planShape.title };

export function planOrThrow(received: unknown): Extract<ReadPlan, { ok: true }> {
  const read = readPlan(received);
  if (!read.ok) throw new AppError('invalid-fields', read.issues[0]?.message ?? 'The plan is not as expected.', { issues: read.issues });
  return read;
}

export function planOperations(database: Database, items: ItemServices): readonly Operation[] {
  const service = new PlanService(database, items);
  return [
    operation({
      method: 'post',
      path: '/api/plan',
      tag: 'plan',
      summary: 'Add the items of a plan document: all of it, or none',
      body: documentShape,
      bodySchema: planJsonSchema(),
      answers: {
        status: 201,
        says: 'What was added',
        schema: { type: 'object', properties: byKind((kind) => ({ type: 'array', items: savedSchema(ITEM_KINDS[kind].shape) })) },
      },
      fails: ['malformed-request', 'id-taken', 'too-large', 'invalid-fields', 'database-away'],
      handle: async ({ body }) => {
        const { plan, aside } = planOrThrow(body);
        return { status: 201, body: await service.add(plan, aside) };
      },
    }),
    operation({
      method: 'post',
      path: '/api/plan/read',
      tag: 'plan',
      summary: 'Read a plan document of any version without adding it: its items as they would be kept',
      body: documentShape,
      bodySchema: planJsonSchema(),
      answers: { status: 200, says: 'The items by kind, and what stands beside them', schema: { type: 'object' } },
      fails: ['malformed-request', 'too-large', 'invalid-fields'],
      handle: ({ body }) => {
        const { plan, aside } = planOrThrow(body);
        return Promise.resolve({ status: 200, body: itemsOf(plan, aside) });
      },
    }),
    operation({
      method: 'get',
      path: '/api/plan',
      tag: 'plan',
      summary: 'Everything kept here as one plan document',
      answers: { status: 200, says: 'The document', schema: planJsonSchema() },
      fails: ['database-away'],
      handle: async () => ({ status: 200, body: await service.export() }),
    }),
    operation({
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
