import { isDeepStrictEqual } from 'node:util';
import type { Saved as SavedItem, SavedRevision as SavedItemRevision } from '@viaggio/core/document';
import { QueryTypes, UniqueConstraintError } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Database } from '../db/database';
import { inTransaction } from '../db/transaction';
import type { Item, ItemKind } from '../db/models/item';
import { AppError } from '../errors';
import { thinRevisions } from './thin-revisions';

/** An item as the API shows it. */
export type Saved = SavedItem<object>;
export type SavedRevision = SavedItemRevision<object>;

export interface NewItem {
  readonly id: string;
  readonly body: object;
}

/** Every so many saves an item's older states are thinned. */
const THIN_EVERY = 50;

/** Keeps items of one kind: every save counts a revision up and keeps the state it had. */
export class ItemService {
  constructor(
    private readonly database: Database,
    readonly kind: ItemKind,
  ) {}

  async list(): Promise<readonly Saved[]> {
    const rows = await this.model.findAll({ order: [['place', 'ASC']] });
    return rows.map(toSaved);
  }

  /** All of them in order, each body as text, unread. */
  async texts(which: 'live' | 'deleted' = 'live'): Promise<readonly { readonly id: string; readonly body: string }[]> {
    return this.database.sequelize.query<{ id: string; body: string }>(
      `SELECT id, body::text AS body FROM ${this.kind} WHERE deleted_at IS ${which === 'live' ? '' : 'NOT '}NULL ORDER BY place`,
      { type: QueryTypes.SELECT },
    );
  }

  /** Throws `not-found`. */
  async get(id: string): Promise<Saved> {
    return toSaved(await this.find(id));
  }

  async revisions(id: string): Promise<readonly SavedRevision[]> {
    const rows = await this.database.revisions.findAll({ where: { kind: this.kind, itemId: id }, order: [['revision', 'DESC']] });
    if (rows.length === 0) throw this.notFound(id);
    return rows.map(({ revision, savedAt, body }) => ({ revision, savedAt: savedAt.toISOString(), body }));
  }

  /** Adds items; the caller's transaction makes it all or nothing. Throws `id-taken`. */
  async add(items: readonly NewItem[], transaction: Transaction): Promise<readonly Saved[]> {
    const ids = items.map(({ id }) => id);
    const taken = await this.model.findOne({ where: { id: ids }, paranoid: false, transaction });
    const twice = ids.find((id, index) => ids.indexOf(id) !== index);
    if (taken || twice !== undefined) throw new AppError('id-taken', `${taken?.id ?? twice} is in use among ${this.kind}.`);
    const rows = await this.insert(
      items.map(({ id, body }) => ({ id, body, revision: 1 })),
      transaction,
    );
    await this.keepRevisions(rows, transaction);
    return rows.map(toSaved);
  }

  /** Keeps items that were deleted elsewhere, as deleted; those that were ever here are left as they are. */
  async addDeleted(items: readonly NewItem[], transaction: Transaction): Promise<void> {
    if (items.length === 0) return;
    const unknown = await this.unknownIds(
      items.map(({ id }) => id),
      transaction,
    );
    const added = await this.add(
      items.filter(({ id }) => unknown.has(id)),
      transaction,
    );
    await this.model.destroy({ where: { id: added.map(({ id }) => id) }, transaction });
  }

  /** Saves over the revision that the caller knows. Throws `not-found`, or `revision-stale` with the newer state. */
  async replace(id: string, knownRevision: number, body: object, within?: Transaction): Promise<Saved> {
    const apply = (item: Item, transaction: Transaction) => item.update({ body, revision: knownRevision + 1 }, { transaction });
    return this.change(id, knownRevision, apply, within);
  }

  /** Deletes, restorably. Throws as `replace` does. */
  async remove(id: string, knownRevision: number, within?: Transaction): Promise<void> {
    const apply = async (item: Item, transaction: Transaction) => {
      await item.update({ revision: knownRevision + 1 }, { transaction });
      await item.destroy({ transaction });
      return item;
    };
    await this.change(id, knownRevision, apply, within);
  }

  /** Puts an item there that is not: a new one, or a deleted one in a given state. Throws `id-taken`. */
  async put({ id, body }: NewItem, within: Transaction): Promise<Saved> {
    const item = await this.model.findByPk(id, { paranoid: false, transaction: within, lock: within.LOCK.UPDATE });
    if (!item || item.deletedAt === null) return (await this.add([{ id, body }], within))[0]!;
    await item.restore({ transaction: within });
    await item.update({ body, revision: item.revision + 1 }, { transaction: within });
    await this.keepRevisions([item], within);
    return toSaved(item);
  }

  /** Holds these until the transaction ends, in the order of their identifiers. */
  async lock(ids: readonly string[], transaction: Transaction): Promise<void> {
    if (ids.length < 2) return; // one is held when it is changed
    const where = { id: [...ids] };
    await this.model.findAll({ where, attributes: ['id'], order: ['id'], paranoid: false, lock: transaction.LOCK.UPDATE, transaction });
  }

  /** Takes a deletion back, as a revision of its own; an item that is there already is left as it is. Throws `not-found`. */
  async restore(id: string): Promise<Saved> {
    return inTransaction(this.database.sequelize, async (transaction) => {
      const item = await this.find(id, { transaction, lock: transaction.LOCK.UPDATE, paranoid: false });
      if (item.deletedAt === null) return toSaved(item);
      await item.restore({ transaction });
      await item.update({ revision: item.revision + 1 }, { transaction });
      await this.keepRevisions([item], transaction);
      return toSaved(item);
    });
  }

  /**
   * Makes it these items and no others: what is so already is left alone, what is not counts a revision, and all else is
   * deleted, restorably.
   */
  async reset(items: readonly NewItem[], transaction: Transaction): Promise<void> {
    const found = await this.model.findAll({ paranoid: false, transaction, lock: transaction.LOCK.UPDATE });
    const known = new Map(found.map((item) => [item.id, item]));
    await this.add(
      items.filter(({ id }) => !known.has(id)),
      transaction,
    );
    const wanted = new Map(items.map(({ id, body }) => [id, body]));
    for (const item of found) {
      const body = wanted.get(item.id);
      if (body === undefined ? item.deletedAt !== null : item.deletedAt === null && isDeepStrictEqual(item.body, body)) continue;
      if (item.deletedAt !== null) await item.restore({ transaction });
      await item.update({ ...(body && { body }), revision: item.revision + 1 }, { transaction });
      await this.keepRevisions([item], transaction);
      if (body === undefined) await item.destroy({ transaction });
    }
  }

  /** Whether it is there, and not deleted. */
  async has(id: string, transaction?: Transaction): Promise<boolean> {
    return (await this.model.count({ where: { id }, ...(transaction && { transaction }) })) > 0;
  }

  /** Which of these identifiers were never given to an item of this kind, deleted ones counting as given. */
  async unknownIds(ids: readonly string[], transaction?: Transaction): Promise<ReadonlySet<string>> {
    const rows = await this.model.findAll({
      where: { id: [...new Set(ids)] },
      paranoid: false,
      attributes: ['id'],
      ...(transaction && { transaction }),
    });
    const known = new Set(rows.map(({ id }) => id));
    return new Set(ids.filter((id) => !known.has(id)));
  }

  /** Two that give the same new identifier at once: one is first, the other is told. */
  private async insert(rows: readonly (NewItem & { revision: number })[], transaction: Transaction): Promise<readonly Item[]> {
    try {
      return await this.model.bulkCreate([...rows], { transaction });
    } catch (error) {
      if (!(error instanceof UniqueConstraintError)) throw error;
      throw new AppError(
        'id-taken',
        `${rows
          .map(({ id }) => id)
          .join(', ')
          .slice(0, 200)}: an identifier is in use among ${this.kind}.`,
      );
    }
  }

  private get model() {
    return this.database.items[this.kind];
  }

  private async change(
    id: string,
    knownRevision: number,
    apply: (item: Item, transaction: Transaction) => Promise<Item>,
    within?: Transaction,
  ): Promise<Saved> {
    const work = async (transaction: Transaction): Promise<Saved> => {
      const item = await this.find(id, { transaction, lock: transaction.LOCK.UPDATE });
      if (item.revision !== knownRevision) {
        throw new AppError('revision-stale', `You changed revision ${knownRevision}; revision ${item.revision} is the newest.`, {
          current: toSaved(item),
        });
      }
      const changed = await apply(item, transaction);
      await this.keepRevisions([changed], transaction);
      return toSaved(changed);
    };
    return within ? work(within) : inTransaction(this.database.sequelize, work);
  }

  private async keepRevisions(rows: readonly Item[], transaction: Transaction): Promise<void> {
    const savedAt = new Date();
    await this.database.revisions.bulkCreate(
      rows.map(({ id, revision, body }) => ({ kind: this.kind, itemId: id, revision, body, savedAt })),
      { transaction },
    );
    // an item that is edited much thins its own past; what is left alone is thinned when the server starts
    const due = rows.filter(({ revision }) => revision % THIN_EVERY === 0);
    for (const { id } of due) await thinRevisions(this.database, { kind: this.kind, itemId: id, transaction });
  }

  private async find(
    id: string,
    options: { transaction?: Transaction; lock?: Transaction['LOCK']['UPDATE']; paranoid?: boolean } = {},
  ): Promise<Item> {
    const item = await this.model.findByPk(id, options);
    if (!item) throw this.notFound(id);
    return item;
  }

  private notFound(id: string): AppError {
    return new AppError('not-found', `Nothing among ${this.kind} has the identifier ${id}.`);
  }
}

function toSaved({ id, revision, updatedAt, body }: Item): Saved {
  return { id, revision, updatedAt: updatedAt.toISOString(), body };
}
