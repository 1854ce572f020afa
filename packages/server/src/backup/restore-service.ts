import { byKind, itemTitle, PLAN_KINDS } from '@viaggio/core/document';
import type { BackupComparison, KindCompared, OnDifferent, PlanKind } from '@viaggio/core/document';
import { isDeepStrictEqual } from 'node:util';
import { UniqueConstraintError } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Database } from '../db/database';
import type { Item } from '../db/models/item';
import { inTransaction } from '../db/transaction';
import { AppError } from '../errors';
import type { Whole, PieceService } from '../pieces/piece-service';
import type { Rest } from '../plan/plan-items';
import type { Work } from '../threads/work';
import { DELETED_FILE, originalFile, photoFile, PLAN_FILE, slotsFile, SETTINGS_FILE, STATES_FILE } from './backup-format';
import type { BackedUp, KeptPhoto, KeptRecording, States } from './backup-format';
import type { BackupReader } from './backup-reader';
import { READ_BACKUP } from './backup-tasks';
import { ownSide } from './own-side';
import { requireSound } from './require-sound';

/** One item as it is in the backup and as it is here. */
interface Pair {
  readonly kind: PlanKind;
  readonly theirs: BackedUp;
  readonly here: Item | undefined;
}

const MOST_SHOWN = 50;
const BATCH = 200;

/** Compares a backup with what is here, and brings it here. */
export class RestoreService {
  constructor(
    private readonly database: Database,
    private readonly pieces: PieceService,
    private readonly work: Work,
  ) {}

  /** Changes nothing. Throws `backup-unreadable`, `invalid-fields`. */
  async compare(backup: BackupReader, signal: AbortSignal): Promise<BackupComparison> {
    const { states, items } = await this.read(backup, signal);
    const pairs = await this.pairs(items);
    await requireSound(backup, states, items, this.database, signal);
    return this.comparison(backup, states, pairs);
  }

  /**
   * Brings here what is not, and what is different where `different` says so; nothing that is here alone is touched. All of
   * it, or nothing. Throws as `compare` does, and `id-taken` where another one does the same.
   */
  async restore(backup: BackupReader, different: OnDifferent, signal: AbortSignal): Promise<BackupComparison> {
    const { states, items } = await this.read(backup, signal);
    await requireSound(backup, states, items, this.database, signal);
    const written: Whole[] = [];
    try {
      // what is large first, belonging to nothing yet: the transaction is short
      const wholes = await this.writeRecordings(backup, states.recordingData, written, signal);
      return await inTransaction(this.database.sequelize, async (transaction) => {
        const pairs = await this.pairs(items, transaction);
        const done = await this.comparison(backup, states, pairs, transaction);
        await this.putItems(pairs, different, transaction);
        await this.putRests(states.rests, transaction);
        await this.putRecordings(states.recordingData, wholes, transaction);
        await this.putPhotos(backup, states.photos, transaction);
        signal.throwIfAborted();
        return done;
      });
    } catch (error) {
      for (const { id } of written) await this.pieces.drop(id).catch(() => undefined);
      if (!(error instanceof UniqueConstraintError)) throw error;
      throw new AppError('id-taken', 'Somebody else brought the same things meanwhile.');
    }
  }

  private async read(backup: BackupReader, signal: AbortSignal) {
    const states = await backup.document(STATES_FILE);
    const [live, deleted] = [await backup.bytes(PLAN_FILE), await backup.bytes(DELETED_FILE)];
    const bodies = await this.work.run(READ_BACKUP, { live, deleted }, signal);
    const held = byKind((kind) => {
      const byId = new Map(bodies[kind].map(({ id, body }) => [id, body]));
      return states[kind].flatMap((state): readonly BackedUp[] => {
        const body = byId.get(state.id);
        return body ? [{ ...state, body }] : [];
      });
    });
    const items = ownSide(held, new Set(states.photos.map(({ gearId }) => gearId)));
    const recordings = new Set(items.recordings.map(({ id }) => id));
    const leftOut = new Set(held.recordings.flatMap(({ id }) => (recordings.has(id) ? [] : [id])));
    return { states: { ...states, recordingData: states.recordingData.filter(({ id }) => !leftOut.has(id)) }, items };
  }

  private async pairs(items: Readonly<Record<PlanKind, readonly BackedUp[]>>, transaction?: Transaction): Promise<readonly Pair[]> {
    const pairs: Pair[] = [];
    for (const kind of PLAN_KINDS) {
      const lock = transaction && { transaction, lock: transaction.LOCK.UPDATE };
      const rows = await this.database.items[kind].findAll({ paranoid: false, order: ['id'], ...lock });
      const here = new Map(rows.map((row) => [row.id, row]));
      pairs.push(...items[kind].map((theirs) => ({ kind, theirs, here: here.get(theirs.id) })));
    }
    return pairs;
  }

  private async comparison(
    backup: BackupReader,
    states: States,
    pairs: readonly Pair[],
    transaction?: Transaction,
  ): Promise<BackupComparison> {
    const within = transaction && { transaction };
    const counted = new Map<PlanKind | 'samples' | 'photos', KindCompared>();
    for (const kind of PLAN_KINDS) {
      const of = pairs.filter((pair) => pair.kind === kind);
      const all = await this.database.items[kind].count({ paranoid: false, ...within });
      const is = (what: ReturnType<typeof compared>) => of.filter((pair) => compared(pair) === what).length;
      counted.set(kind, { new: is('new'), same: is('same'), different: is('different'), onlyHere: all - of.length + is('new') });
    }
    const samples = await this.database.recordingData.findAll({ attributes: ['recordingId'], ...within });
    counted.set(
      'samples',
      byId(
        states.recordingData,
        samples.map(({ recordingId }) => recordingId),
      ),
    );
    const photos = await this.database.photos.findAll({ attributes: ['id'], ...within });
    counted.set(
      'photos',
      byId(
        states.photos,
        photos.map(({ id }) => id),
      ),
    );
    return {
      madeAt: backup.contents.madeAt,
      kinds: Object.fromEntries(counted) as unknown as BackupComparison['kinds'],
      different: pairs
        .filter((pair) => compared(pair) === 'different')
        .slice(0, MOST_SHOWN)
        .map(({ kind, theirs, here }) => ({
          kind,
          id: theirs.id,
          title: itemTitle(kind, theirs.body as never),
          says: saysOf(theirs, here!),
        })),
      ...(backup.has(SETTINGS_FILE) && { settings: (await backup.document(SETTINGS_FILE)) as object }),
    };
  }

  private async putItems(pairs: readonly Pair[], different: OnDifferent, transaction: Transaction): Promise<void> {
    const { items, revisions } = this.database;
    for (const kind of PLAN_KINDS) {
      const fresh = pairs.filter((pair) => pair.kind === kind && compared(pair) === 'new').map(({ theirs }) => theirs);
      for (let at = 0; at < fresh.length; at += BATCH) {
        const batch = fresh.slice(at, at + BATCH);
        await items[kind].bulkCreate(
          batch.map(({ id, revision, body, deletedAt, createdAt, updatedAt }) => ({
            id,
            revision,
            body,
            createdAt: new Date(createdAt),
            updatedAt: new Date(updatedAt),
            deletedAt: deletedAt === undefined ? null : new Date(deletedAt),
          })),
          // as they were saved there, not now
          { transaction, silent: true } as object,
        );
        const rows = batch.map(({ id, revision, body, updatedAt }) => ({ kind, itemId: id, revision, body, savedAt: new Date(updatedAt) }));
        await revisions.bulkCreate(rows, { transaction });
      }
    }
    if (different === 'keep') return;
    for (const { kind, theirs, here } of pairs.filter((pair) => compared(pair) === 'different')) {
      const revision = Math.max(here!.revision, theirs.revision) + 1;
      if (here!.deletedAt !== null && theirs.deletedAt === undefined) await here!.restore({ transaction });
      await here!.update({ body: theirs.body, revision }, { transaction });
      if (here!.deletedAt === null && theirs.deletedAt !== undefined) await here!.destroy({ transaction });
      await revisions.create({ kind, itemId: theirs.id, revision, body: theirs.body, savedAt: new Date() }, { transaction });
    }
  }

  private async putRests(rests: States['rests'], transaction: Transaction): Promise<void> {
    const here = (await this.database.planRests.findAll({ transaction })).map(({ body }) => body as Rest);
    for (const rest of rests) {
      if (here.some((one) => isDeepStrictEqual(one, rest))) continue;
      await this.database.planRests.create({ body: rest, importedAt: new Date() }, { transaction });
    }
  }

  private async writeRecordings(backup: BackupReader, recordings: readonly KeptRecording[], written: Whole[], signal: AbortSignal) {
    const wholes = new Map<string, { slots: Whole; original: Whole | undefined }>();
    for (const { id, hasOriginal } of recordings) {
      if ((await this.database.recordingData.count({ where: { recordingId: id } })) > 0) continue;
      signal.throwIfAborted();
      const slots = await this.pieces.write(backup.read(slotsFile(id)));
      written.push(slots);
      const original = hasOriginal ? await this.pieces.write(backup.read(originalFile(id))) : undefined;
      if (original) written.push(original);
      wholes.set(id, { slots, original });
    }
    return wholes;
  }

  private async putRecordings(
    recordings: readonly KeptRecording[],
    wholes: Awaited<ReturnType<RestoreService['writeRecordings']>>,
    transaction: Transaction,
  ): Promise<void> {
    for (const { id, savedAt, originalName } of recordings) {
      const whole = wholes.get(id);
      if (!whole) continue;
      await this.database.recordingData.create(
        {
          recordingId: id,
          slotsId: whole.slots.id,
          slotsBytes: whole.slots.bytes,
          originalId: whole.original?.id ?? null,
          originalBytes: whole.original?.bytes ?? null,
          originalName: originalName ?? null,
          savedAt: new Date(savedAt),
        },
        { transaction },
      );
    }
  }

  private async putPhotos(backup: BackupReader, photos: readonly KeptPhoto[], transaction: Transaction): Promise<void> {
    for (const { id, gearId, savedAt } of photos) {
      if ((await this.database.photos.count({ where: { id }, transaction })) > 0) continue;
      const bytes = await backup.bytes(photoFile(id));
      await this.database.photos.create({ id, gearId, bytes, savedAt: new Date(savedAt) }, { transaction });
    }
  }
}

function compared({ theirs, here }: Pair): 'new' | 'same' | 'different' {
  if (!here) return 'new';
  const gone = (theirs.deletedAt !== undefined) === (here.deletedAt !== null);
  return gone && isDeepStrictEqual(theirs.body, here.body) ? 'same' : 'different';
}

/** What a person decides by. */
function saysOf(theirs: BackedUp, here: Item): string {
  if (theirs.deletedAt !== undefined && here.deletedAt === null) return 'deleted in the backup';
  if (theirs.deletedAt === undefined && here.deletedAt !== null) return 'deleted here';
  return theirs.updatedAt > here.updatedAt.toISOString() ? 'newer in the backup' : 'newer here';
}

/** Of things that never change once they are there. */
function byId(theirs: readonly { readonly id: string }[], here: readonly string[]): KindCompared {
  const known = new Set(here);
  const same = theirs.filter(({ id }) => known.has(id)).length;
  return { new: theirs.length - same, same, different: 0, onlyHere: here.length - same };
}
