import { operation } from '../http/operation';
import type { Operation } from '../http/operation';
import type { DemoService } from './demo-service';

export function demoOperations(demo: DemoService): readonly Operation[] {
  return [
    operation({
      id: 'resetDemo',
      method: 'post',
      path: '/api/demo/reset',
      tag: 'demo',
      summary: 'Put the demo crew back as it shipped; what is your own stays',
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
  ];
}
