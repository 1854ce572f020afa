import { byKind, NAMED_KINDS, namedBy, PLAN_FORMAT, PLAN_KINDS, PLAN_VERSION, putBack } from '@viaggio/core/document';
import type { Aside, NamedKind, Plan } from '@viaggio/core/document';
import type { ItemKind } from '../db/models/item';
import type { NewItem } from '../items/item-service';

/** What of a document stands beside its items. */
export interface Rest {
  readonly name?: string | undefined;
  readonly aside: Aside;
}

/** A document taken apart: items as they would be kept, and what stands beside them, if anything does. */
export interface Items extends Readonly<Record<ItemKind, readonly NewItem[]>> {
  readonly rest: Rest | undefined;
  /** What was deleted where the document is from, and is still named. */
  readonly deleted: Deleted;
}

export type Deleted = Readonly<Partial<Record<NamedKind, readonly NewItem[]>>>;

export function itemsOf(plan: Plan, aside: Aside): Items {
  const inItems = new RegExp(`^/(${PLAN_KINDS.join('|')}|deleted/(${NAMED_KINDS.join('|')}))/`);
  const beside = aside.filter(({ path }) => !inItems.test(path));
  const holds = plan.name !== undefined || beside.length > 0;
  return {
    ...byKind((kind) => withAside(`/${kind}/`, plan[kind] ?? [], aside)),
    rest: holds ? { name: plan.name, aside: beside } : undefined,
    deleted: Object.fromEntries(NAMED_KINDS.map((kind) => [kind, withAside(`/deleted/${kind}/`, plan.deleted?.[kind] ?? [], aside)])),
  };
}

/** What is kept, each body as the text that it is kept as: reading it is part of the work. */
export interface KeptItems {
  readonly items: Readonly<Record<ItemKind, readonly { readonly id: string; readonly body: string }[]>>;
  readonly rests: readonly string[];
  /** Of the kinds that are named: what of it is goes along. */
  readonly deleted: Readonly<Record<NamedKind, readonly { readonly id: string; readonly body: string }[]>>;
}

/** Everything that is kept, as one document: what was imported comes out with all its fields, in the order that it came. */
export function exported({ items, rests, deleted }: KeptItems): object {
  const bodies = rests.map((text) => JSON.parse(text) as Rest);
  const name = bodies
    .map((rest) => rest.name)
    .filter((one) => one !== undefined)
    .at(-1);
  const kept = byKind((kind) => items[kind].map(({ id, body }) => ({ id, body: JSON.parse(body) as object })));
  const named = stillNamed(kept, deleted);
  const document = {
    format: PLAN_FORMAT,
    version: PLAN_VERSION,
    ...(name !== undefined && { name }),
    ...byKind((kind) => kept[kind].map(itemOf)),
    ...(Object.keys(named).length > 0 && { deleted: named }),
  };
  return bodies.reduce<object>((whole, { aside }) => putBack(whole, aside) as object, document);
}

/** Items with what their shape does not know kept in their field for it. */
function withAside(at: string, items: readonly { readonly id: string; readonly body: object }[], aside: Aside): NewItem[] {
  // read once: a document may hold many of both
  const own = new Map<string, { path: string; value: Aside[number]['value'] }[]>();
  for (const { path, value } of aside) {
    if (!path.startsWith(at)) continue;
    const [index = '', ...within] = path.slice(at.length).split('/');
    if (within.length === 0) continue;
    const known = own.get(index) ?? [];
    known.push({ path: `/${within.join('/')}`, value });
    own.set(index, known);
  }
  return items.map(({ id, body }, index) => {
    const unknown = own.get(String(index));
    return { id, body: unknown ? { ...body, unknown } : body };
  });
}

/** Of what was deleted all that is named by what is there, and by that in turn. */
function stillNamed(
  kept: Readonly<Record<ItemKind, readonly NewItem[]>>,
  deleted: KeptItems['deleted'],
): Readonly<Record<string, object[]>> {
  const gone = new Map(NAMED_KINDS.map((kind) => [kind as string, new Map(deleted[kind].map(({ id, body }) => [id, body]))]));
  const found = new Map<string, Set<string>>(NAMED_KINDS.map((kind) => [kind, new Set()]));
  const look = (kind: ItemKind, body: object): void => {
    for (const { kind: of, id } of namedBy(kind, body as never)) {
      const text = gone.get(of)?.get(id);
      if (text === undefined || found.get(of)!.has(id)) continue;
      found.get(of)!.add(id);
      look(of, JSON.parse(text) as object);
    }
  };
  for (const kind of PLAN_KINDS) for (const { body } of kept[kind]) look(kind, body);
  return Object.fromEntries(
    NAMED_KINDS.flatMap((kind) => {
      const named = deleted[kind].filter(({ id }) => found.get(kind)!.has(id));
      return named.length === 0 ? [] : [[kind, named.map(({ id, body }) => itemOf({ id, body: JSON.parse(body) as object }))]];
    }),
  );
}

function itemOf({ id, body }: NewItem): object {
  const { unknown, ...known } = body as { unknown?: Aside };
  return unknown === undefined ? { id, body: known } : (putBack({ id, body: known }, unknown) as object);
}
