import { byKind, ITEM_KINDS, PLAN_KINDS, savedShape, toJsonSchema } from '@viaggio/core';
import type { Transaction } from 'sequelize';
import type { Database } from '../db/database';
import type { ItemKind } from '../db/models/item';
import type { ItemService, Saved } from '../items/item-service';
import type { ItemServices } from '../items/kinds';
import { operation } from '../operation';
import type { Operation } from '../operation';
import { requireReferences } from '../plan/references';
import { changesShape } from './changes-shape';

interface Change {
  readonly id: string;
  readonly revision?: number;
  readonly body?: object;
}

/** Several items at once, in one transaction: an import, a rig with the gear bought for it, and the undo of either. */
export function changesOperations(database: Database, items: ItemServices): readonly Operation[] {
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
      handle: async ({ body }) => ({
        status: 200,
        body: await database.sequelize.transaction(async (transaction) => {
          const saved: Partial<Record<ItemKind, readonly Saved[]>> = {};
          // in the order of the kinds: a rig may name gear that is put with it
          for (const kind of PLAN_KINDS) {
            const changes = body[kind] ?? [];
            const named = changes.flatMap((change, index) => (change.body ? [{ path: `/${kind}/${index}/body`, kind, body: change.body as object }] : [])); // prettier-ignore
            await requireReferences(named, items, transaction);
            saved[kind] = await applyAll(items[kind], changes as readonly Change[], transaction);
          }
          if (body.rest) await database.planRests.create({ body: body.rest, importedAt: new Date() }, { transaction });
          return saved;
        }),
      }),
    }),
  ];
}

async function applyAll(service: ItemService, changes: readonly Change[], transaction: Transaction): Promise<readonly Saved[]> {
  const saved: Saved[] = [];
  for (const { id, revision, body } of changes) {
    if (body && revision !== undefined) saved.push(await service.replace(id, revision, body, transaction));
    else if (body) saved.push(await service.put({ id, body }, transaction));
    else await service.remove(id, revision ?? 0, transaction);
  }
  return saved;
}
