import { slotsFromBytes } from '@viaggio/core';
import type { Database } from '../db/database';
import { AppError } from '../errors';
import { operation, rawOperation } from '../operation';
import type { Operation } from '../operation';

const SLOTS_TYPE = 'application/vnd.viaggio.slots';
const MOST_SLOT_BYTES = 8 * 1024 * 1024;
/** Some five million rows, compressed. */
const MOST_ORIGINAL_BYTES = 128 * 1024 * 1024;
const GZIP = [0x1f, 0x8b];

/**
 * Samples and originals of recordings, kept beside the items. Samples come before the item that they belong to, so that
 * a recording which shows has its samples; what is there once is never changed.
 */
export function recordingOperations({ recordingData }: Database): readonly Operation[] {
  const find = async (id: string, attributes: string[]) => {
    const found = await recordingData.findByPk(id, { attributes });
    if (!found) throw new AppError('not-found', `No samples are kept of the recording ${id}.`);
    return found;
  };
  return [
    rawOperation({
      id: 'keepRecordingSlots',
      method: 'put',
      path: '/api/recordings/{id}/slots',
      tag: 'recordings',
      summary: 'Keep the samples of a recording, in slots; before the recording itself is put',
      rawBody: { mediaType: SLOTS_TYPE, maxBytes: MOST_SLOT_BYTES },
      answers: { status: 204, says: 'Kept' },
      fails: ['malformed-request', 'id-taken', 'too-large', 'database-away'],
      handle: async ({ id, body }) => {
        if (!slotsFromBytes(body))
          throw new AppError('malformed-request', 'The body: expected slots as docs/recordings.md says; got other bytes.');
        const [, made] = await recordingData.findOrCreate({
          where: { recordingId: id },
          defaults: { recordingId: id, slots: body, savedAt: new Date() },
        });
        if (!made) throw new AppError('id-taken', `The recording ${id} has its samples already.`);
        return { status: 204 };
      },
    }),
    operation({
      id: 'getRecordingSlots',
      method: 'get',
      path: '/api/recordings/{id}/slots',
      tag: 'recordings',
      summary: 'The samples of a recording, in slots',
      answers: { status: 200, says: 'Bytes as docs/recordings.md says', mediaType: SLOTS_TYPE },
      fails: ['not-found', 'database-away'],
      handle: async ({ id }) => {
        const { slots } = await find(id, ['slots']);
        return { status: 200, file: { bytes: slots, mediaType: SLOTS_TYPE } };
      },
    }),
    rawOperation({
      id: 'keepRecordingOriginal',
      method: 'put',
      path: '/api/recordings/{id}/original',
      tag: 'recordings',
      summary: 'Keep the file that a recording was read from, compressed with gzip',
      rawBody: { mediaType: 'application/gzip', maxBytes: MOST_ORIGINAL_BYTES },
      query: { name: 'What the file is called' },
      answers: { status: 204, says: 'Kept' },
      fails: ['malformed-request', 'not-found', 'id-taken', 'too-large', 'database-away'],
      handle: async ({ id, body, query }) => {
        if (body[0] !== GZIP[0] || body[1] !== GZIP[1])
          throw new AppError('malformed-request', 'The body: expected gzip (RFC 1952); got other bytes.');
        await find(id, ['recordingId']);
        const originalName = (query['name'] ?? 'recording.csv').slice(0, 200);
        const [changed] = await recordingData.update({ original: body, originalName }, { where: { recordingId: id, original: null } });
        if (changed === 0) throw new AppError('id-taken', `The recording ${id} has its original already.`);
        return { status: 204 };
      },
    }),
    operation({
      id: 'getRecordingOriginal',
      method: 'get',
      path: '/api/recordings/{id}/original',
      tag: 'recordings',
      summary: 'The file that a recording was read from, compressed with gzip',
      answers: { status: 200, says: 'The file', mediaType: 'application/gzip' },
      fails: ['not-found', 'database-away'],
      handle: async ({ id }) => {
        const { original, originalName } = await find(id, ['original', 'originalName']);
        if (!original) throw new AppError('not-found', `No original is kept of the recording ${id}.`);
        return { status: 200, file: { bytes: original, mediaType: 'application/gzip', name: `${originalName ?? 'recording.csv'}.gz` } };
      },
    }),
  ];
}
