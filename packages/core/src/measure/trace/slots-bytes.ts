import type { Slots } from './trace';

/** `VGS1`, little endian, so that a file of another kind is told apart. */
const MARK = 0x31534756;
const HEAD = 16;
const BYTES_A_SLOT = 16;

/**
 * Slots as bytes, for keeping and sending: a mark, the count, the slot's seconds as a double; then means, lowest and
 * highest as 32-bit floats and samples as 32-bit counts, little endian. Watts keep seven digits.
 *
 * @example slotsFromBytes(slotsToBytes(slots)).slotS // 1
 */
export function slotsToBytes({ slotS, meanW, lowestW, highestW, samples }: Slots): Uint8Array<ArrayBuffer> {
  const count = meanW.length;
  const bytes = new Uint8Array(HEAD + count * BYTES_A_SLOT);
  const view = new DataView(bytes.buffer);
  view.setUint32(0, MARK, true);
  view.setUint32(4, count, true);
  view.setFloat64(8, slotS, true);
  [meanW, lowestW, highestW].forEach((values, block) => {
    for (let slot = 0; slot < count; slot++) view.setFloat32(HEAD + (block * count + slot) * 4, values[slot]!, true);
  });
  for (let slot = 0; slot < count; slot++) view.setUint32(HEAD + (3 * count + slot) * 4, samples[slot]!, true);
  return bytes;
}

/**
 * What `slotsToBytes` wrote; undefined where the bytes are not that, or not all of it.
 *
 * @example slotsFromBytes(slotsToBytes(slots)).meanW.length === slots.meanW.length // true
 */
export function slotsFromBytes(bytes: Uint8Array): Slots | undefined {
  if (bytes.length < HEAD) return undefined;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const count = view.getUint32(4, true);
  if (view.getUint32(0, true) !== MARK || bytes.length !== HEAD + count * BYTES_A_SLOT) return undefined;
  const floats = (block: number): Float64Array =>
    Float64Array.from({ length: count }, (_, slot) => view.getFloat32(HEAD + (block * count + slot) * 4, true));
  return {
    slotS: view.getFloat64(8, true),
    meanW: floats(0),
    lowestW: floats(1),
    highestW: floats(2),
    samples: Uint32Array.from({ length: count }, (_, slot) => view.getUint32(HEAD + (3 * count + slot) * 4, true)),
  };
}
