import { slotsFromBytes } from '@viaggio/core';
import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Database } from '../db/database';
import { AppError } from '../errors';

/** A recording's samples in slots, and the file that it was read from, compressed with gzip. */
export interface RecordingBytes {
  readonly slots: Buffer;
  readonly original: Buffer;
  readonly originalName: string;
}

const GZIP = [0x1f, 0x8b];
const MOST_NAME = 200;
const UNNAMED = 'recording.csv';

/**
 * Samples and originals of recordings, beside the items. Samples come before the item that they belong to, so that a
 * recording which shows has its samples; what is there once is never changed.
 */
export class RecordingDataService {
  constructor(private readonly database: Database) {}

  async has(id: string): Promise<boolean> {
    return (await this.database.recordingData.count({ where: { recordingId: id } })) > 0;
  }

  /** Both at once; where there are samples already they stay. */
  async putIfNew(id: string, bytes: RecordingBytes, transaction: Transaction): Promise<void> {
    const defaults = { recordingId: id, ...bytes, savedAt: new Date() };
    await this.database.recordingData.findOrCreate({ where: { recordingId: id }, defaults, transaction });
  }

  /** @throws `malformed-request` for bytes that are no slots, `id-taken` where there are samples already. */
  async putSlots(id: string, slots: Buffer): Promise<void> {
    if (!slotsFromBytes(slots))
      throw new AppError('malformed-request', 'The body: expected slots as docs/recordings.md says; got other bytes.');
    const defaults = { recordingId: id, slots, savedAt: new Date() };
    const [, made] = await this.database.recordingData.findOrCreate({ where: { recordingId: id }, defaults });
    if (!made) throw new AppError('id-taken', `The recording ${id} has its samples already.`);
  }

  /** @throws `not-found` where no samples are kept. */
  async slots(id: string): Promise<Buffer> {
    return (await this.find(id, ['slots'])).slots;
  }

  /** @throws `malformed-request` for what is not gzip, `not-found` without samples, `id-taken` where there is one already. */
  async putOriginal(id: string, original: Buffer, name = UNNAMED): Promise<void> {
    if (original[0] !== GZIP[0] || original[1] !== GZIP[1])
      throw new AppError('malformed-request', 'The body: expected gzip (RFC 1952); got other bytes.');
    await this.find(id, ['recordingId']);
    const values = { original, originalName: name.slice(0, MOST_NAME) };
    const [changed] = await this.database.recordingData.update(values, { where: { recordingId: id, original: null } });
    if (changed === 0) throw new AppError('id-taken', `The recording ${id} has its original already.`);
  }

  /** @throws `not-found` where none is kept. */
  async original(id: string): Promise<{ readonly bytes: Buffer; readonly name: string }> {
    const { original, originalName } = await this.find(id, ['original', 'originalName']);
    if (!original) throw new AppError('not-found', `No original is kept of the recording ${id}.`);
    return { bytes: original, name: originalName ?? UNNAMED };
  }

  /** Removes samples that no recording came for: an import that was cancelled. A day is left, so that none is swept from under one that goes on. */
  async sweep(): Promise<number> {
    const swept = await this.database.sequelize.query(
      `DELETE FROM recording_data d WHERE d.saved_at < now() - interval '1 day'
       AND NOT EXISTS (SELECT 1 FROM recordings r WHERE r.id = d.recording_id) RETURNING d.recording_id`,
      { type: QueryTypes.SELECT },
    );
    return swept.length;
  }

  private async find(id: string, attributes: string[]) {
    const found = await this.database.recordingData.findByPk(id, { attributes });
    if (!found) throw new AppError('not-found', `No samples are kept of the recording ${id}.`);
    return found;
  }
}
