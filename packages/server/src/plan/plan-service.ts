import { byKind, NAMED_KINDS, PLAN_KINDS } from '@viaggio/core/document';
import type { Aside, Plan } from '@viaggio/core/document';
import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Database } from '../db/database';
import { inTransaction } from '../db/transaction';
import type { ItemKind } from '../db/models/item';
import type { Saved } from '../items/item-service';
import type { ItemServices } from '../items/kinds';
import { itemsOf } from './plan-items';
import type { Deleted, KeptItems } from './plan-items';
import { requireReferences } from './references';

/** Takes plan documents in, and gives out everything kept here as one. */
export class PlanService {
  constructor(
    private readonly database: Database,
    private readonly items: ItemServices,
  ) {}

  /** Adds what a document holds: all of it, or none. Throws `id-taken`, `invalid-fields`. */
  async add(plan: Plan, aside: Aside): Promise<Readonly<Record<ItemKind, readonly Saved[]>>> {
    return inTransaction(this.database.sequelize, async (transaction) => {
      const { rest, deleted, ...added } = itemsOf(plan, aside);
      await putDeleted(this.items, deleted, transaction);
      const saved: Partial<Record<ItemKind, readonly Saved[]>> = {};
      // in the order of the kinds: what others name comes first
      for (const kind of PLAN_KINDS) {
        const named = (plan[kind] ?? []).map(({ body }, index) => ({ path: `/${kind}/${index}/body`, kind, body }));
        await requireReferences(named, this.items, transaction);
        saved[kind] = await this.items[kind].add(added[kind], transaction);
      }
      if (rest) await this.database.planRests.create({ body: rest, importedAt: new Date() }, { transaction });
      return byKind((kind) => saved[kind]!);
    });
  }

  /** Everything that is kept, as `exported` wants it. */
  async kept(): Promise<KeptItems> {
    const [live, deleted, rests] = await Promise.all([
      Promise.all(PLAN_KINDS.map((kind) => this.items[kind].texts())),
      Promise.all(NAMED_KINDS.map(async (kind) => [kind, await this.items[kind].texts('deleted')] as const)),
      this.database.sequelize.query<{ text: string }>('SELECT body::text AS text FROM plan_rests ORDER BY id', { type: QueryTypes.SELECT }),
    ]);
    return {
      items: byKind((kind) => live[PLAN_KINDS.indexOf(kind)]!),
      rests: rests.map(({ text }) => text),
      deleted: Object.fromEntries(deleted) as KeptItems['deleted'],
    };
  }
}

/** What is named and not here, as deleted: it shows nowhere, and what names it is not refused. Throws nothing for what is known. */
export async function putDeleted(items: ItemServices, deleted: Deleted, transaction: Transaction): Promise<void> {
  for (const kind of NAMED_KINDS) await items[kind].addDeleted(deleted[kind] ?? [], transaction);
}
