import { issue } from '@viaggio/core';
import type { Issue, Rig } from '@viaggio/core';
import type { Transaction } from 'sequelize';
import { AppError } from '../errors';
import type { ItemService } from '../items/item-service';

/** Refuses rigs that name gear which was never there. `path` leads to a rig's body: '' when it is the whole request. */
export async function requireGear(
  rigs: readonly { readonly path: string; readonly rig: Rig }[],
  gear: ItemService,
  transaction?: Transaction,
): Promise<void> {
  const named = rigs.flatMap(({ path, rig }) => referencesOf(rig).map((reference) => ({ ...reference, path: `${path}${reference.path}` })));
  const unknown = await gear.unknownIds(
    named.map(({ id }) => id),
    transaction,
  );
  const issues: Issue[] = named
    .filter(({ id }) => unknown.has(id))
    .map(({ path, id }) => issue(path, 'unknown-reference', 'the identifier of gear that is there', id));
  if (issues.length > 0) throw new AppError('invalid-fields', issues[0]!.message, { issues });
}

/** Every place in a rig that names a piece of gear. */
function referencesOf({ devices, links, batteries = [] }: Rig): readonly { readonly path: string; readonly id: string }[] {
  return [
    ...devices.map(({ gearId }, index) => ({ path: `/devices/${index}/gearId`, id: gearId })),
    ...links.flatMap(({ from, to, cableId }, index) => [
      { path: `/links/${index}/from/gearId`, id: from.gearId },
      { path: `/links/${index}/to/gearId`, id: to.gearId },
      ...(cableId === undefined ? [] : [{ path: `/links/${index}/cableId`, id: cableId }]),
    ]),
    ...batteries.flatMap(({ gearId, spareIds = [] }, index) => [
      { path: `/batteries/${index}/gearId`, id: gearId },
      ...spareIds.map((id, place) => ({ path: `/batteries/${index}/spareIds/${place}`, id })),
    ]),
  ];
}
