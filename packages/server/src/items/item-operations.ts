import { revisionShape, savedShape } from '@viaggio/core/document';
import { toJsonSchema } from '@viaggio/core/units';
import type { JsonSchema, Shape } from '@viaggio/core/units';
import { pascal } from '../http/pascal';
import { operation } from '../http/operation';
import type { Operation } from '../http/operation';
import type { ItemService } from './item-service';

/**
 * What can be done with items of one kind. `check` may refuse a body that its shape alone lets through.
 */
export function itemOperations(
  service: ItemService,
  shape: Shape,
  one: string,
  check: (body: object) => Promise<void> = () => Promise.resolve(),
): readonly Operation[] {
  const kind: OfKind = {
    service,
    shape,
    one,
    check,
    path: `/api/${service.kind}`,
    tag: service.kind,
    schema: toJsonSchema(savedShape(shape)),
    single: pascal(shape.title),
  };
  return [...readOperations(kind), ...changeOperations(kind)];
}

interface OfKind {
  readonly service: ItemService;
  readonly shape: Shape;
  readonly one: string;
  readonly check: (body: object) => Promise<void>;
  readonly path: string;
  readonly tag: string;
  readonly schema: JsonSchema;
  readonly single: string;
}

const listOf = (items: JsonSchema): JsonSchema => ({ type: 'array', items });

const readOperations = ({ service, shape, one, path, tag, schema, single }: OfKind): readonly Operation[] => [
  operation({
    id: `list${pascal(service.kind)}`,
    method: 'get',
    path,
    tag,
    summary: `All ${service.kind}, the oldest first`,
    answers: { status: 200, says: `The ${service.kind}`, schema: listOf(schema) },
    fails: ['database-away'],
    handle: async () => ({ status: 200, body: await service.list() }),
  }),
  operation({
    id: `get${single}`,
    method: 'get',
    path: `${path}/{id}`,
    tag,
    summary: `One ${one}`,
    answers: { status: 200, says: `The ${one}; ETag holds its revision`, schema },
    fails: ['not-found', 'database-away'],
    handle: async ({ id }) => {
      const saved = await service.get(id);
      return { status: 200, body: saved, revision: saved.revision };
    },
  }),
  operation({
    id: `list${single}Revisions`,
    method: 'get',
    path: `${path}/{id}/revisions`,
    tag,
    summary: `Every state one ${one} was saved in, the newest first`,
    answers: { status: 200, says: 'The revisions', schema: listOf(toJsonSchema(revisionShape(shape))) },
    fails: ['not-found', 'database-away'],
    handle: async ({ id }) => ({ status: 200, body: await service.revisions(id) }),
  }),
];

const changeOperations = ({ service, shape, one, check, path, tag, schema, single }: OfKind): readonly Operation[] => [
  operation({
    id: `save${single}`,
    method: 'put',
    path: `${path}/{id}`,
    tag,
    summary: `Save one ${one} over the revision that was changed`,
    body: shape,
    needsRevision: true,
    answers: { status: 200, says: 'Saved; ETag holds the new revision', schema },
    fails: ['malformed-request', 'not-found', 'revision-stale', 'too-large', 'invalid-fields', 'revision-missing', 'database-away'],
    handle: async ({ id, revision, body }) => {
      await check(body as object);
      const saved = await service.replace(id, revision, body as object);
      return { status: 200, body: saved, revision: saved.revision };
    },
  }),
  operation({
    id: `delete${single}`,
    method: 'delete',
    path: `${path}/{id}`,
    tag,
    summary: `Delete one ${one}; it can be restored`,
    needsRevision: true,
    answers: { status: 204, says: 'Deleted' },
    fails: ['not-found', 'revision-stale', 'revision-missing', 'database-away'],
    handle: async ({ id, revision }) => {
      await service.remove(id, revision);
      return { status: 204 };
    },
  }),
  operation({
    id: `restore${single}`,
    method: 'post',
    path: `${path}/{id}/restore`,
    tag,
    summary: `Take the deletion of one ${one} back`,
    answers: { status: 200, says: 'Restored', schema },
    fails: ['not-found', 'database-away'],
    handle: async ({ id }) => {
      const saved = await service.restore(id);
      return { status: 200, body: saved, revision: saved.revision };
    },
  }),
];
