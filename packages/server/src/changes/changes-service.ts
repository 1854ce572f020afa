import { PLAN_KINDS } from '@viaggio/core/document';
import type { PlanKind } from '@viaggio/core/document';
import type { Transaction } from 'sequelize';
import type { Database } from '../db/database';
import { inTransaction } from '../db/transaction';
import type { ItemService, Saved } from '../items/item-service';
import type { ItemServices } from '../items/kinds';
import { putDeleted } from '../plan/plan-service';
import { requireReferences } from '../plan/references';
import type { Changes } from './changes-shape';

/** New without a revision, deleted without a body. */
interface Change {
  readonly id: string;
  readonly revision?: number;
  readonly body?: object;
}

/** Several items at once, in one transaction: an import, a rig with the gear bought for it, and the undo of either. */
export class ChangesService {
  constructor(
    private readonly database: Database,
    private readonly items: ItemServices,
  ) {}

  /** All of it, or none. Throws as saving, adding and deleting one item do. */
  async apply(changes: Changes): Promise<Partial<Record<PlanKind, readonly Saved[]>>> {
    return inTransaction(this.database.sequelize, async (transaction) => {
      const saved: Partial<Record<PlanKind, readonly Saved[]>> = {};
      await putDeleted(this.items, changes.deleted ?? {}, transaction);
      // in the order of the kinds: a rig may name gear that is put with it
      for (const kind of PLAN_KINDS) saved[kind] = await this.applyKind(kind, (changes[kind] ?? []) as readonly Change[], transaction);
      if (changes.rest) await this.database.planRests.create({ body: changes.rest, importedAt: new Date() }, { transaction });
      return saved;
    });
  }

  private async applyKind(kind: PlanKind, changes: readonly Change[], transaction: Transaction): Promise<readonly Saved[]> {
    const named = changes.flatMap(({ body }, index) => (body ? [{ path: `/${kind}/${index}/body`, kind, body }] : []));
    await requireReferences(named, this.items, transaction);
    // in one order, whatever theirs is: two who change the same things do not wait for each other
    await this.items[kind].lock(
      changes.map(({ id }) => id),
      transaction,
    );
    const saved: Saved[] = [];
    for (const change of changes) saved.push(...(await applyOne(this.items[kind], change, transaction)));
    return saved;
  }
}

async function applyOne(service: ItemService, { id, revision, body }: Change, transaction: Transaction): Promise<readonly Saved[]> {
  if (body && revision !== undefined) return [await service.replace(id, revision, body, transaction)];
  if (body) return [await service.put({ id, body }, transaction)];
  await service.remove(id, revision ?? 0, transaction);
  return [];
}
