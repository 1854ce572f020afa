import { byKind, ITEM_KINDS, PLAN_KINDS, savedShape } from '@viaggio/core/document';
import { idShape } from '@viaggio/core/gear';
import { choice, object, toJsonSchema } from '@viaggio/core/units';
import { operation } from '../http/operation';
import type { Operation } from '../http/operation';
import type { CopyService } from './copy-service';
import type { DemoService } from './demo-service';

const copyShape = object('Copy', {
  kind: choice('Kind', Object.fromEntries(PLAN_KINDS.map((kind) => [kind, kind])) as { [K in (typeof PLAN_KINDS)[number]]: K }),
  id: idShape,
});

export function demoOperations(demo: DemoService, copies: CopyService): readonly Operation[] {
  return [
    operation({
      id: 'resetDemo',
      method: 'post',
      path: '/api/demo/reset',
      tag: 'demo',
      summary: 'Put the demo crew back as it shipped: what was added to it goes, restorably; your own is another world',
      answers: {
        status: 200,
        says: 'How much was put back',
        schema: {
          type: 'object',
          properties: {
            gear: { type: 'integer' },
            rigs: { type: 'integer' },
            days: { type: 'integer' },
            log: { type: 'integer' },
            recordings: { type: 'integer' },
          },
        },
      },
      fails: ['database-away'],
      handle: async () => ({ status: 200, body: await demo.reset() }),
    }),
    operation({
      id: 'copyFromDemo',
      method: 'post',
      path: '/api/demo/copy',
      tag: 'demo',
      summary: 'Copy something of the demo crew’s here, with what it names; what is here already stays as it is',
      body: copyShape,
      answers: {
        status: 200,
        says: 'What came',
        schema: {
          type: 'object',
          properties: byKind((kind) => ({ type: 'array', items: toJsonSchema(savedShape(ITEM_KINDS[kind].shape)) })),
        },
      },
      fails: ['malformed-request', 'not-found', 'id-taken', 'too-large', 'invalid-fields', 'database-away'],
      handle: async ({ body }) => ({ status: 200, body: await copies.copy(body.kind, body.id) }),
    }),
  ];
}
