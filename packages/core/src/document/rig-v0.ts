import { oneFeed } from '../rig/drawn';

const V0_FIELDS = ['deviceId', 'inputId', 'batteryId', 'outputId', 'cableId', 'adapterId'] as const;

/**
 * A rig of version 0, one device on one battery named by fields of its own, as devices and links. Anything else is
 * handed back as it came.
 *
 * @example rigFromV0({ name: 'Deck' }) // { name: 'Deck' }
 */
export function rigFromV0(body: unknown): unknown {
  if (typeof body !== 'object' || body === null || !('deviceId' in body)) return body;
  const { deviceId, inputId, batteryId, outputId, cableId, adapterId, ...rest } = body as Record<string, unknown>;
  const texts = { deviceId, inputId, batteryId, outputId, cableId, adapterId };
  if (V0_FIELDS.slice(0, 4).some((field) => typeof texts[field] !== 'string')) return body;
  return { ...rest, ...oneFeed(texts as unknown as Parameters<typeof oneFeed>[0]) };
}
