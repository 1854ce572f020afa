import { byKind, ITEM_KINDS, savedShape } from '@viaggio/core/document';
import { toJsonSchema } from '@viaggio/core/units';
import type { Database } from '../db/database';
import type { ItemServices } from '../items/kinds';
import { operation } from '../http/operation';
import type { Operation } from '../http/operation';
import { ChangesService } from './changes-service';
import { changesShape } from './changes-shape';

export function changesOperations(database: Database, items: ItemServices): readonly Operation[] {
  const service = new ChangesService(database, items);
  return [
    operation({
      id: 'applyChanges',
      method: 'post',
      path: '/api/changes',
      tag: 'plan',
      summary: 'Put, change and delete several items: all of it, or none',
      body: changesShape,
      answers: {
        status: 200,
        says: 'What was put or changed, with its new revisions',
        schema: {
          type: 'object',
          properties: byKind((kind) => ({ type: 'array', items: toJsonSchema(savedShape(ITEM_KINDS[kind].shape)) })),
        },
      },
      fails: ['malformed-request', 'not-found', 'id-taken', 'revision-stale', 'too-large', 'invalid-fields', 'database-away'],
      handle: async ({ body }) => ({ status: 200, body: await service.apply(body) }),
    }),
  ];
}
