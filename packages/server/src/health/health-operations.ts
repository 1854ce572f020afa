import type { Sequelize } from 'sequelize';
import { operation } from '../operation';
import type { Operation } from '../operation';

export function healthOperations(sequelize: Sequelize): readonly Operation[] {
  return [
    operation({
      method: 'get',
      path: '/api/health',
      tag: 'health',
      summary: 'Whether the server runs and the database answers',
      answers: {
        status: 200,
        says: 'Both do',
        schema: { type: 'object', properties: { server: { const: 'runs' }, database: { const: 'answers' } } },
      },
      fails: ['database-away'],
      handle: async () => {
        await sequelize.query('SELECT 1');
        return { status: 200, body: { server: 'runs', database: 'answers' } };
      },
    }),
  ];
}
