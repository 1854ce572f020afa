import type { Sequelize } from 'sequelize';
import { operation } from '../http/operation';
import type { Operation } from '../http/operation';

/** Whether what is kept may be deleted by a test: the database's own name says so, and no setting can. */
const isForTests = (name: string): boolean => /_tests?$/.test(name);

export function healthOperations(sequelize: Sequelize): readonly Operation[] {
  return [
    operation({
      id: 'getHealth',
      method: 'get',
      path: '/api/health',
      tag: 'health',
      summary: 'Whether the server runs and the database answers',
      answers: {
        status: 200,
        says: 'Both do',
        schema: {
          type: 'object',
          properties: { server: { const: 'runs' }, database: { const: 'answers' }, keeps: { enum: ['tests', 'use'] } },
        },
      },
      fails: ['database-away'],
      handle: async () => {
        const [rows] = await sequelize.query('SELECT current_database() AS name');
        const { name } = (rows as { name: string }[])[0]!;
        return { status: 200, body: { server: 'runs', database: 'answers', keeps: isForTests(name) ? 'tests' : 'use' } };
      },
    }),
  ];
}
