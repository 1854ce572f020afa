import { slotsFromBytes } from '@viaggio/core/measure';
import { UniqueConstraintError } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Database } from '../db/database';
import { AppError } from '../errors';
import type { PieceService } from '../pieces/piece-service';

/** A recording's samples in slots, and the file that it was read from, compressed with gzip. */
export interface RecordingBytes {
  readonly slots: Buffer;
  /** Undefined where none was kept. */
  readonly original: Buffer | undefined;
  readonly originalName: string;
}

/** What is read piece by piece, and how much it is. */
export interface Readable {
  readonly bytes: AsyncIterable<Uint8Array>;
  readonly length: number;
}

const GZIP = [0x1f, 0x8b];
const MOST_NAME = 200;
const UNNAMED = 'recording.csv';

/**
 * Samples and originals of recordings, beside the items. Samples come before the item that they belong to, so that a
 * recording which shows has its samples; what is there once is never changed.
 */
export class RecordingDataService {
  constructor(
    private readonly database: Database,
    private readonly pieces: PieceService,
  ) {}

  async has(id: string): Promise<boolean> {
    return (await this.database.recordingData.count({ where: { recordingId: id } })) > 0;
  }

  /** Both at once; where there are samples already they stay. */
  async putIfNew(id: string, { slots, original, originalName }: RecordingBytes, transaction: Transaction): Promise<void> {
    if ((await this.database.recordingData.count({ where: { recordingId: id }, transaction })) > 0) return;
    const inSlots = await this.pieces.write([slots], transaction);
    const from = original && (await this.pieces.write([original], transaction));
    await this.database.recordingData.create(
      {
        recordingId: id,
        slotsId: inSlots.id,
        slotsBytes: inSlots.bytes,
        ...(from && { originalId: from.id, originalBytes: from.bytes, originalName }),
        savedAt: new Date(),
      },
      { transaction },
    );
  }

  /** @throws `malformed-request` for bytes that are no slots, `id-taken` where there are samples already. */
  async putSlots(id: string, slots: Buffer): Promise<void> {
    if (!slotsFromBytes(slots)) throw new AppError('malformed-request', 'The body: expected slots as docs/log.md says; got other bytes.');
    const taken = new AppError('id-taken', `The recording ${id} has its samples already.`);
    if (await this.has(id)) throw taken;
    const whole = await this.pieces.write([slots]);
    try {
      await this.database.recordingData.create({ recordingId: id, slotsId: whole.id, slotsBytes: whole.bytes, savedAt: new Date() });
    } catch (error) {
      await this.pieces.drop(whole.id);
      throw error instanceof UniqueConstraintError ? taken : error;
    }
  }

  /** @throws `not-found` where no samples are kept. */
  async slots(id: string): Promise<Readable> {
    const { slotsId, slotsBytes } = await this.find(id);
    return { bytes: this.pieces.read(slotsId), length: slotsBytes };
  }

  /** @throws `malformed-request` for what is not gzip, `not-found` without samples, `id-taken` where there is one already. */
  async putOriginal(id: string, original: AsyncIterable<Uint8Array>, name = UNNAMED): Promise<void> {
    const taken = new AppError('id-taken', `The recording ${id} has its original already.`);
    // told before all of it is taken in
    if ((await this.find(id)).originalId !== null) throw taken;
    const whole = await this.pieces.write(gzipOnly(original));
    const values = { originalId: whole.id, originalBytes: whole.bytes, originalName: name.slice(0, MOST_NAME) };
    const [changed] = await this.database.recordingData.update(values, { where: { recordingId: id, originalId: null } });
    if (changed > 0) return;
    await this.pieces.drop(whole.id);
    throw taken;
  }

  /** @throws `not-found` where none is kept. */
  async original(id: string): Promise<Readable & { readonly name: string }> {
    const { originalId, originalBytes, originalName } = await this.find(id);
    if (originalId === null) throw new AppError('not-found', `No original is kept of the recording ${id}.`);
    return { bytes: this.pieces.read(originalId), length: originalBytes ?? 0, name: originalName ?? UNNAMED };
  }

  /**
   * Removes samples that no recording came for, an import that was cancelled, and pieces that belong to nothing. A day is
   * left, so that none is swept from under one that goes on.
   */
  async sweep(): Promise<number> {
    const { sequelize } = this.database;
    const [swept] = await sequelize.query(
      `DELETE FROM recording_data d WHERE d.saved_at < now() - interval '1 day'
       AND NOT EXISTS (SELECT 1 FROM recordings r WHERE r.id = d.recording_id) RETURNING d.recording_id`,
    );
    await sequelize.query(
      `DELETE FROM pieces p WHERE p.saved_at < now() - interval '1 day'
       AND NOT EXISTS (SELECT 1 FROM recording_data d WHERE p.whole_id IN (d.slots_id, d.original_id))`,
    );
    return swept.length;
  }

  private async find(id: string) {
    const found = await this.database.recordingData.findByPk(id);
    if (!found) throw new AppError('not-found', `No samples are kept of the recording ${id}.`);
    return found;
  }
}

export function isGzip(bytes: Uint8Array): boolean {
  return bytes[0] === GZIP[0] && bytes[1] === GZIP[1];
}

/** What begins as gzip does; anything else is refused at its first bytes. */
async function* gzipOnly(from: AsyncIterable<Uint8Array>): AsyncGenerator<Uint8Array, void> {
  let begun: Buffer = Buffer.alloc(0);
  let seen = false;
  for await (const piece of from) {
    if (seen) {
      yield piece;
      continue;
    }
    begun = Buffer.concat([begun, piece]);
    if (begun.length < GZIP.length) continue;
    if (!isGzip(begun)) break;
    seen = true;
    yield begun;
  }
  if (!seen) throw new AppError('malformed-request', 'The body: expected gzip (RFC 1952); got other bytes.');
}
