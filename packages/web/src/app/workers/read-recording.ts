import { MeterFileReader, readTrace, slotsToBytes } from '@viaggio/core';
import type { FileRemark, MeterColumns, NamedSegment } from '@viaggio/core';

/** A meter's file as it is kept. */
export interface ReadRecording {
  readonly rows: number;
  readonly seconds: number;
  readonly remarks: readonly FileRemark[];
  readonly segments: readonly NamedSegment[];
  /** `slotsToBytes`. */
  readonly slots: Uint8Array<ArrayBuffer>;
}

/** Told as a share of the whole, now and then. */
export type Progress = (share: number) => void;

/** A piece is read in some hundredths of a second. */
const PROGRESS_BYTES = 4_000_000;

/** Reads a meter's file piece by piece: it is never in memory as a whole. */
export async function readRecording(file: Blob, columns: MeterColumns, progress: Progress): Promise<ReadRecording> {
  const reader = new MeterFileReader(columns);
  const decoder = new TextDecoder();
  await inPieces(file, progress, (bytes) => reader.push(decoder.decode(bytes, { stream: true })));
  const { rows, remarks, timeS, powerW } = reader.finish();
  if (rows === 0) throw new Error('No row could be read: look at the columns, the decimals and the lines before the figures.');
  const { slots, segments, seconds } = readTrace({ timeS, powerW });
  return { rows, seconds, remarks, segments, slots: slotsToBytes(slots) };
}

/** A file compressed with gzip (RFC 1952), for keeping. */
export async function compress(file: Blob, progress: Progress): Promise<Blob> {
  const gzip = new CompressionStream('gzip');
  const packed = new Response(gzip.readable).blob();
  const writer = gzip.writable.getWriter();
  await inPieces(file, progress, async (bytes) => {
    await writer.ready;
    void writer.write(bytes);
  });
  await writer.close();
  return packed;
}

async function inPieces(file: Blob, progress: Progress, take: (bytes: Uint8Array<ArrayBuffer>) => void | Promise<void>): Promise<void> {
  for (let at = 0; at < file.size; at += PROGRESS_BYTES) {
    const piece = file.slice(at, Math.min(at + PROGRESS_BYTES, file.size));
    await take(new Uint8Array(await piece.arrayBuffer()));
    progress(Math.min(1, (at + PROGRESS_BYTES) / file.size));
  }
}
