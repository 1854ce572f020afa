import { gearShape, idShape, list, object, rigShape } from '@viaggio/core';
import type { Infer } from '@viaggio/core';
import type { Sequelize } from 'sequelize';
import { savedSchema } from '../items/item-operations';
import type { ItemService } from '../items/item-service';
import { operation } from '../operation';
import type { Operation } from '../operation';
import { requireGear } from './references';

/** Gear and the rigs that name it, added together. */
export const planPartShape = object('Part of a plan', {
  gear: list('Gear', object('Gear item', { id: idShape, body: gearShape }), { max: 500 }),
  rigs: list('Rigs', object('Rig item', { id: idShape, body: rigShape }), { max: 100 }),
});

export function planOperations(sequelize: Sequelize, gear: ItemService, rigs: ItemService): readonly Operation[] {
  const add = async (part: Infer<typeof planPartShape>) =>
    sequelize.transaction(async (transaction) => {
      const savedGear = await gear.add(part.gear, 'own', transaction);
      const bodies = part.rigs.map(({ body }, index) => ({ path: `/rigs/${index}/body`, rig: body }));
      await requireGear(bodies, gear, transaction);
      const savedRigs = await rigs.add(part.rigs, 'own', transaction);
      return { gear: savedGear, rigs: savedRigs };
    });
  return [
    operation({
      method: 'post',
      path: '/api/plan',
      tag: 'plan',
      summary: 'Add gear and rigs together: all of it, or none',
      body: planPartShape,
      answers: {
        status: 201,
        says: 'What was added',
        schema: {
          type: 'object',
          properties: {
            gear: { type: 'array', items: savedSchema(gearShape) },
            rigs: { type: 'array', items: savedSchema(rigShape) },
          },
        },
      },
      fails: ['malformed-request', 'id-taken', 'too-large', 'invalid-fields', 'database-away'],
      handle: async ({ body }) => ({ status: 201, body: await add(body) }),
    }),
  ];
}
