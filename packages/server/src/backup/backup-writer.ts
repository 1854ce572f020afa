import { byKind, PLAN_KINDS } from '@viaggio/core/document';
import { createHash } from 'node:crypto';
import { PassThrough, Readable, Transform } from 'node:stream';
import { finished } from 'node:stream/promises';
import { QueryTypes, Transaction } from 'sequelize';
import { ZipFile } from 'yazl';
import type { Database } from '../db/database';
import type { ItemKind } from '../db/models/item';
import type { PieceService } from '../pieces/piece-service';
import type { KeptItems } from '../plan/plan-items';
import type { Work } from '../threads/work';
import {
  BACKUP_FORMAT,
  BACKUP_VERSION,
  CONTENTS_FILE,
  DELETED_FILE,
  originalFile,
  photoFile,
  PLAN_FILE,
  SETTINGS_FILE,
  slotsFile,
  STATES_FILE,
} from './backup-format';
import type { Contents, State, States } from './backup-format';
import { EXPORT_PLAN } from '../plan/plan-tasks';

/** The deleted ones have a document of their own here. */
const NONE: KeptItems['deleted'] = { gear: [], rigs: [], days: [], rules: [] };

/** Everything that is kept, as one archive, written as it is read: nothing of it is ever whole in memory but the items. */
export class BackupWriter {
  constructor(
    private readonly database: Database,
    private readonly pieces: PieceService,
    private readonly work: Work,
  ) {}

  /** `settings`: those of the device that asks. Whoever reads gets an error where something cannot be read to its end. */
  async archive(madeAt: Date, settings: object | undefined, signal: AbortSignal): Promise<Readable> {
    const { live, deleted, states, wholes } = await this.snapshot();
    const [plan, gone] = [await this.work.run(EXPORT_PLAN, live, signal), await this.work.run(EXPORT_PLAN, deleted, signal)];
    const zip = new ZipFile();
    const out = new PassThrough();
    zip.outputStream.pipe(out);
    // whoever reads is gone: what is being read is given up too
    let reading: Transform | undefined;
    out.once('close', () => reading?.destroy());
    const files: Contents['files'][number][] = [];
    /** Text is packed; what is packed or a picture already is not. */
    const add = async (name: string, from: Iterable<Uint8Array> | AsyncIterable<Uint8Array>, compress: boolean) => {
      const hash = createHash('sha256');
      let bytes = 0;
      const counted = new Transform({
        transform(piece: Buffer, _encoding, done) {
          hash.update(piece);
          bytes += piece.length;
          done(null, piece);
        },
      });
      reading = counted;
      const source = Readable.from(from);
      source.on('error', (error) => counted.destroy(error));
      zip.addReadStream(source.pipe(counted), name, { compress, mtime: madeAt });
      await finished(counted);
      files.push({ name, bytes, sha256: hash.digest('hex') });
    };
    const write = async () => {
      await add(PLAN_FILE, [plan], true);
      await add(DELETED_FILE, [gone], true);
      await add(STATES_FILE, [asJson(states)], true);
      if (settings) await add(SETTINGS_FILE, [asJson(settings)], true);
      for (const { id } of states.recordingData) {
        await add(slotsFile(id), this.pieces.read(wholes.get(id)!.slotsId), true);
        const { originalId } = wholes.get(id)!;
        if (originalId !== null) await add(originalFile(id), this.pieces.read(originalId), false);
      }
      for (const { id } of states.photos) await add(photoFile(id), this.photo(id), false);
      const contents: Contents = { format: BACKUP_FORMAT, version: BACKUP_VERSION, madeAt: madeAt.toISOString(), files };
      zip.addBuffer(Buffer.from(asJson(contents)), CONTENTS_FILE, { mtime: madeAt });
      zip.end();
    };
    // begun when somebody reads; what goes wrong breaks the archive off
    write().catch((error: unknown) => out.destroy(error as Error));
    return out;
  }

  /** All of the same moment: what is saved meanwhile is not half in it. */
  private async snapshot() {
    const { sequelize, items, recordingData, photos } = this.database;
    const isolationLevel = Transaction.ISOLATION_LEVELS.REPEATABLE_READ;
    return sequelize.transaction({ isolationLevel }, async (transaction) => {
      const texts = async (kind: ItemKind, where: string) =>
        sequelize.query<{ id: string; body: string }>(`SELECT id, body::text AS body FROM ${kind} WHERE ${where} ORDER BY place`, {
          type: QueryTypes.SELECT,
          transaction,
        });
      const ofAll = async <T>(make: (kind: ItemKind) => Promise<T>) => {
        const all = new Map<ItemKind, T>();
        for (const kind of PLAN_KINDS) all.set(kind, await make(kind));
        return byKind((kind) => all.get(kind)!);
      };
      const rests = await sequelize.query<{ body: string }>('SELECT body::text AS body FROM plan_rests ORDER BY id', {
        type: QueryTypes.SELECT,
        transaction,
      });
      const live: KeptItems = {
        items: await ofAll((kind) => texts(kind, 'deleted_at IS NULL')),
        rests: rests.map(({ body }) => body),
        deleted: NONE,
      };
      const deleted: KeptItems = { items: await ofAll((kind) => texts(kind, 'deleted_at IS NOT NULL')), rests: [], deleted: NONE };
      const states = await ofAll(async (kind): Promise<readonly State[]> => {
        const attributes = ['id', 'revision', 'createdAt', 'updatedAt', 'deletedAt'];
        const rows = await items[kind].findAll({ attributes, paranoid: false, order: [['place', 'ASC']], transaction });
        return rows.map(({ id, revision, createdAt, updatedAt, deletedAt }) => ({
          id,
          revision,
          createdAt: createdAt.toISOString(),
          updatedAt: updatedAt.toISOString(),
          ...(deletedAt !== null && { deletedAt: deletedAt.toISOString() }),
        }));
      });
      const samples = await recordingData.findAll({ order: ['recordingId'], transaction });
      const pictures = await photos.findAll({ attributes: ['id', 'gearId', 'savedAt'], order: ['savedAt', 'id'], transaction });
      const kept: States = {
        ...states,
        rests: rests.map(({ body }) => JSON.parse(body) as States['rests'][number]),
        recordingData: samples.map(({ recordingId, savedAt, originalId, originalName }) => ({
          id: recordingId,
          savedAt: savedAt.toISOString(),
          ...(originalName !== null && { originalName }),
          hasOriginal: originalId !== null,
        })),
        photos: pictures.map(({ id, gearId, savedAt }) => ({ id, gearId, savedAt: savedAt.toISOString() })),
      };
      return { live, deleted, states: kept, wholes: new Map(samples.map((one) => [one.recordingId, one])) };
    });
  }

  private async *photo(id: string): AsyncGenerator<Buffer, void> {
    const found = await this.database.photos.findByPk(id, { attributes: ['bytes'] });
    // taken away since: the list says that it was there
    if (!found) throw new Error(`the photograph ${id} was taken away while the backup was made`);
    yield found.bytes;
  }
}

function asJson(value: unknown): Uint8Array {
  return new TextEncoder().encode(JSON.stringify(value));
}
