/** Encodings that loggers and spreadsheets write tables in, as `TextDecoder` names them. */
export type TextEncoding = 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252';

/** From this share of zero bytes on one side a text is of two bytes a character. */
const ZEROES = 0.3;

/**
 * How the text in bytes is most likely encoded, by its mark (BOM) or by what is in it: zero bytes in every other place,
 * or bytes that are no UTF-8. `bytes` may be the beginning of a file.
 *
 * @example encodingOf(Uint8Array.of(0xff, 0xfe, 0x57, 0)) // 'utf-16le'
 */
export function encodingOf(bytes: Uint8Array): TextEncoding {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  const zeroes = [0, 0];
  for (let at = 0; at < bytes.length; at++) if (bytes[at] === 0) zeroes[at % 2]!++;
  if (zeroes[1]! > ZEROES * (bytes.length / 2)) return 'utf-16le';
  if (zeroes[0]! > ZEROES * (bytes.length / 2)) return 'utf-16be';
  return isUtf8(bytes) ? 'utf-8' : 'windows-1252';
}

function isUtf8(bytes: Uint8Array): boolean {
  try {
    // what is cut off at the end is no mistake
    new TextDecoder('utf-8', { fatal: true }).decode(bytes, { stream: true });
    return true;
  } catch {
    return false;
  }
}
