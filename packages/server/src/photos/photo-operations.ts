import { AppError } from '../errors';
import { operation, rawOperation } from '../http/operation';
import type { Operation } from '../http/operation';
import type { PhotoService } from './photo-service';

const JPEG_TYPE = 'image/jpeg';
/** Some 1600 pixels on its longer side; the page makes it so before it sends it. */
const MOST_PHOTO_BYTES = 2 * 1024 * 1024;
const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

const PHOTO = {
  type: 'object',
  required: ['id', 'savedAt'],
  additionalProperties: false,
  properties: { id: { type: 'string', format: 'uuid' }, savedAt: { type: 'string', format: 'date-time' } },
} as const;

/** Photographs of gear, kept beside the items. */
export function photoOperations(photos: PhotoService): readonly Operation[] {
  return [
    operation({
      id: 'listPhotos',
      method: 'get',
      path: '/api/gear/{id}/photos',
      tag: 'gear',
      summary: 'The photographs of a piece of gear, the oldest first',
      answers: { status: 200, says: 'Their identifiers', schema: { type: 'array', items: PHOTO } },
      fails: ['database-away'],
      handle: async ({ id }) => ({ status: 200, body: await photos.list(id) }),
    }),
    rawOperation({
      id: 'keepPhoto',
      method: 'put',
      path: '/api/photos/{id}',
      tag: 'gear',
      summary: 'Keep a photograph of a piece of gear',
      rawBody: { mediaType: JPEG_TYPE, maxBytes: MOST_PHOTO_BYTES },
      query: { gear: 'The identifier of the gear' },
      answers: { status: 204, says: 'Kept' },
      fails: ['malformed-request', 'not-found', 'id-taken', 'too-large', 'database-away'],
      handle: async ({ id, body, query }) => {
        const gear = query['gear'] ?? '';
        if (!UUID.test(gear))
          throw new AppError('malformed-request', `gear: expected an identifier (UUID) behind ?gear=; got “${gear.slice(0, 60)}”.`);
        await photos.put(id, gear, body);
        return { status: 204 };
      },
    }),
    operation({
      id: 'getPhoto',
      method: 'get',
      path: '/api/photos/{id}',
      tag: 'gear',
      summary: 'A photograph',
      answers: { status: 200, says: 'A JPEG', mediaType: JPEG_TYPE },
      fails: ['not-found', 'database-away'],
      handle: async ({ id }) => ({ status: 200, file: { bytes: await photos.bytes(id), mediaType: JPEG_TYPE } }),
    }),
    operation({
      id: 'deletePhoto',
      method: 'delete',
      path: '/api/photos/{id}',
      tag: 'gear',
      summary: 'Take a photograph away',
      answers: { status: 204, says: 'Gone' },
      fails: ['not-found', 'database-away'],
      handle: async ({ id }) => {
        await photos.remove(id);
        return { status: 204 };
      },
    }),
  ];
}
