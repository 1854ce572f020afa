import { byKind, namedBy, PLAN_KINDS } from '@viaggio/core/document';
import type { PlanKind } from '@viaggio/core/document';
import { isDeepStrictEqual } from 'node:util';
import { shippedItems } from '../demo/demo-service';
import type { State } from './backup-format';

interface Kept extends State {
  readonly body: object;
}
type ByKind<T> = Readonly<Record<PlanKind, readonly T[]>>;

/**
 * Of a backup from when the demo crew's things lay among a person's own: what is theirs, what they changed among the demo
 * crew's or took photographs of, and what either names. The rest ships with every installation. Of a newer one: all of it.
 */
export function ownSide<T extends Kept>(items: ByKind<T>, photographed: ReadonlySet<string>): ByKind<T> {
  const all = PLAN_KINDS.flatMap((kind) => items[kind].map((item) => ({ kind, item })));
  if (all.every(({ item }) => item.origin === undefined)) return items;
  const shipped = new Map(Object.values(shippedItems()).flatMap((of) => of.map(({ id, body }) => [id, body] as const)));
  const byId = new Map(all.map((one) => [one.item.id, one]));
  const wanted = new Set<string>();
  const take = (id: string): void => {
    const found = byId.get(id);
    if (!found || wanted.has(id)) return;
    wanted.add(id);
    for (const named of namedBy(found.kind, found.item.body as never)) take(named.id);
  };
  for (const { item } of all)
    if (
      item.origin !== 'demo' ||
      photographed.has(item.id) ||
      (item.revision > 1 && item.deletedAt === undefined && !isDeepStrictEqual(item.body, shipped.get(item.id)))
    )
      take(item.id);
  return byKind((kind) => items[kind].filter(({ id }) => wanted.has(id)));
}
