import { NAMED_KINDS, namedBy } from '@viaggio/core/document';
import { issue } from '@viaggio/core/units';
import type { Issue } from '@viaggio/core/units';
import type { Transaction } from 'sequelize';
import type { ItemKind } from '../db/models/item';
import { AppError } from '../errors';
import type { ItemServices } from '../items/kinds';

/** A body that may name other items. `path` leads to it: '' when it is the whole request. */
export interface Naming {
  readonly path: string;
  readonly kind: ItemKind;
  readonly body: object;
}

const THAT = { gear: 'gear', rigs: 'a rig', days: 'a day', rules: 'a set of flight rules' } as const;

/** Refuses bodies that name gear or rigs which were never there. Deleted ones were: an observation outlives its camera. */
export async function requireReferences(bodies: readonly Naming[], items: ItemServices, transaction?: Transaction): Promise<void> {
  const named = bodies.flatMap(({ path, kind, body }) =>
    namedBy(kind, body as never).map((one) => ({ ...one, path: `${path}${one.path}` })),
  );
  const issues: Issue[] = [];
  for (const kind of NAMED_KINDS) {
    const ofKind = named.filter((reference) => reference.kind === kind);
    if (ofKind.length === 0) continue;
    const ids = ofKind.map(({ id }) => id);
    const unknown = await items[kind].unknownIds(ids, transaction);
    for (const { path, id } of ofKind) {
      if (unknown.has(id)) issues.push(issue(path, 'unknown-reference', `the identifier of ${THAT[kind]} that is there`, id));
    }
  }
  if (issues.length > 0) throw new AppError('invalid-fields', issues[0]!.message, { issues });
}
