import { issue } from '@viaggio/core';
import type { Issue, Rig } from '@viaggio/core';
import type { Transaction } from 'sequelize';
import { AppError } from '../errors';
import type { ItemService } from '../items/item-service';

const REFERENCES = ['deviceId', 'batteryId', 'cableId', 'adapterId'] as const;

/** Refuses rigs that name gear which was never there. `path` leads to a rig's body: '' when it is the whole request. */
export async function requireGear(
  rigs: readonly { readonly path: string; readonly rig: Rig }[],
  gear: ItemService,
  transaction?: Transaction,
): Promise<void> {
  const named = rigs.flatMap(({ path, rig }) => REFERENCES.map((field) => ({ path: `${path}/${field}`, id: rig[field] })));
  const ids = named.flatMap(({ id }) => id ?? []);
  const unknown = await gear.unknownIds(ids, transaction);
  const issues: Issue[] = named
    .filter(({ id }) => id !== undefined && unknown.has(id))
    .map(({ path, id }) => issue(path, 'unknown-reference', 'the identifier of gear that is there', id));
  if (issues.length > 0) throw new AppError('invalid-fields', issues[0]!.message, { issues });
}
