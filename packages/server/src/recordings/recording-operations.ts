import { operation, rawOperation, streamedOperation } from '../http/operation';
import type { Operation } from '../http/operation';
import type { RecordingDataService } from './recording-data-service';

const SLOTS_TYPE = 'application/vnd.viaggio.slots';
const MOST_SLOT_BYTES = 8 * 1024 * 1024;
/** Some five million rows, compressed. */
const MOST_ORIGINAL_BYTES = 128 * 1024 * 1024;

/** Samples and originals of recordings, kept beside the items. */
export function recordingOperations(recordings: RecordingDataService): readonly Operation[] {
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
        await recordings.putSlots(id, body);
        return { status: 204 };
      },
    }),
    operation({
      id: 'getRecordingSlots',
      method: 'get',
      path: '/api/recordings/{id}/slots',
      tag: 'recordings',
      summary: 'The samples of a recording, in slots',
      answers: { status: 200, says: 'Bytes as docs/log.md says', mediaType: SLOTS_TYPE },
      fails: ['not-found', 'database-away'],
      handle: async ({ id }) => ({ status: 200, file: { ...(await recordings.slots(id)), mediaType: SLOTS_TYPE } }),
    }),
    streamedOperation({
      id: 'keepRecordingOriginal',
      method: 'put',
      path: '/api/recordings/{id}/original',
      tag: 'recordings',
      summary: 'Keep the file that a recording was read from, compressed with gzip',
      rawBody: { mediaType: 'application/gzip', maxBytes: MOST_ORIGINAL_BYTES, streamed: true },
      query: { name: 'What the file is called' },
      answers: { status: 204, says: 'Kept' },
      fails: ['malformed-request', 'not-found', 'id-taken', 'too-large', 'database-away'],
      handle: async ({ id, body, query }) => {
        await recordings.putOriginal(id, body, query['name']);
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
        const { name, ...original } = await recordings.original(id);
        return { status: 200, file: { ...original, mediaType: 'application/gzip', name: `${name}.gz` } };
      },
    }),
  ];
}
