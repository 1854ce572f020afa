import { byKind, PLAN_FORMAT, PLAN_KINDS, PLAN_VERSION, putBack } from '@viaggio/core';
import type { Aside, Plan } from '@viaggio/core';
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
}

export function itemsOf(plan: Plan, aside: Aside): Items {
  const inItems = new RegExp(`^/(${PLAN_KINDS.join('|')})/`);
  const beside = aside.filter(({ path }) => !inItems.test(path));
  const holds = plan.name !== undefined || beside.length > 0;
  return {
    ...byKind((kind) => withAside(kind, plan[kind] ?? [], aside)),
    rest: holds ? { name: plan.name, aside: beside } : undefined,
  };
}

/** What is kept, each body as the text that it is kept as: reading it is part of the work. */
export interface KeptItems {
  readonly items: Readonly<Record<ItemKind, readonly { readonly id: string; readonly body: string }[]>>;
  readonly rests: readonly string[];
}

/** Everything that is kept, as one document: what was imported comes out with all its fields, in the order that it came. */
export function exported({ items, rests }: KeptItems): object {
  const bodies = rests.map((text) => JSON.parse(text) as Rest);
  const name = bodies.map((rest) => rest.name).filter((one) => one !== undefined).at(-1); // prettier-ignore
  const document = {
    format: PLAN_FORMAT,
    version: PLAN_VERSION,
    ...(name !== undefined && { name }),
    ...byKind((kind) => items[kind].map(({ id, body }) => itemOf(id, JSON.parse(body) as object))),
  };
  return bodies.reduce<object>((whole, { aside }) => putBack(whole, aside) as object, document);
}

/** Items with what their shape does not know kept in their field for it. */
function withAside(kind: ItemKind, items: readonly { readonly id: string; readonly body: object }[], aside: Aside): NewItem[] {
  // read once: a document may hold many of both
  const own = new Map<string, { path: string; value: Aside[number]['value'] }[]>();
  for (const { path, value } of aside) {
    const [, of, index, ...within] = path.split('/');
    if (of === kind && index !== undefined && within.length > 0) {
      const at = own.get(index) ?? [];
      at.push({ path: `/${within.join('/')}`, value });
      own.set(index, at);
    }
  }
  return items.map(({ id, body }, index) => {
    const unknown = own.get(String(index));
    return { id, body: unknown ? { ...body, unknown } : body };
  });
}

function itemOf(id: string, body: object): object {
  const { unknown, ...known } = body as { unknown?: Aside };
  return unknown === undefined ? { id, body: known } : (putBack({ id, body: known }, unknown) as object);
}
