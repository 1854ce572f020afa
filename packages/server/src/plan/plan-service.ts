import { byKind, PLAN_FORMAT, PLAN_KINDS, PLAN_VERSION, putBack } from '@viaggio/core';
import type { Aside, Plan } from '@viaggio/core';
import type { Database } from '../db/database';
import { inTransaction } from '../db/transaction';
import type { ItemKind } from '../db/models/item';
import type { NewItem, Saved } from '../items/item-service';
import type { ItemServices } from '../items/kinds';
import { requireReferences } from './references';

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

/** Takes plan documents in, and gives out everything kept here as one. */
export class PlanService {
  constructor(
    private readonly database: Database,
    private readonly items: ItemServices,
  ) {}

  /** Adds what a document holds: all of it, or none. Throws `id-taken`, `invalid-fields`. */
  async add(plan: Plan, aside: Aside): Promise<Readonly<Record<ItemKind, readonly Saved[]>>> {
    return inTransaction(this.database.sequelize, async (transaction) => {
      const { rest, ...added } = itemsOf(plan, aside);
      const saved: Partial<Record<ItemKind, readonly Saved[]>> = {};
      // in the order of the kinds: what others name comes first
      for (const kind of PLAN_KINDS) {
        const named = (plan[kind] ?? []).map(({ body }, index) => ({ path: `/${kind}/${index}/body`, kind, body }));
        await requireReferences(named, this.items, transaction);
        saved[kind] = await this.items[kind].add(added[kind], 'own', transaction);
      }
      if (rest) await this.database.planRests.create({ body: rest, importedAt: new Date() }, { transaction });
      return byKind((kind) => saved[kind]!);
    });
  }

  /** Everything that is kept, as one document: what was imported comes out with all its fields. */
  async export(): Promise<object> {
    const [kept, rests] = await Promise.all([
      Promise.all(PLAN_KINDS.map(async (kind) => [kind, (await this.items[kind].list()).map(itemOf)] as const)),
      this.database.planRests.findAll({ order: [['id', 'ASC']] }),
    ]);
    const bodies = rests.map(({ body }) => body as Rest);
    const name = bodies.map((rest) => rest.name).filter((one) => one !== undefined).at(-1); // prettier-ignore
    const document = {
      format: PLAN_FORMAT,
      version: PLAN_VERSION,
      ...(name !== undefined && { name }),
      ...Object.fromEntries(kept),
    };
    return bodies.reduce<object>((whole, { aside }) => putBack(whole, aside) as object, document);
  }
}

/** Items with what their shape does not know kept in their field for it. */
function withAside(kind: ItemKind, items: readonly { readonly id: string; readonly body: object }[], aside: Aside): NewItem[] {
  return items.map(({ id, body }, index) => {
    const at = `/${kind}/${index}/`;
    const own = aside.filter(({ path }) => path.startsWith(at)).map(({ path, value }) => ({ path: `/${path.slice(at.length)}`, value }));
    return { id, body: own.length === 0 ? body : { ...body, unknown: own } };
  });
}

function itemOf({ id, body }: Saved): object {
  const { unknown, ...known } = body as { unknown?: Aside };
  return unknown === undefined ? { id, body: known } : (putBack({ id, body: known }, unknown) as object);
}
