import { encodingOf, MeterFileReader, readTrace, slotsToBytes } from '@viaggio/core/measure';
import type { FileRemark, MeterColumns, NamedSegment } from '@viaggio/core/measure';

/** A meter's file as it is kept. */
export interface ReadRecording {
  readonly rows: number;
  readonly seconds: number;
  readonly remarks: readonly FileRemark[];
  readonly segments: readonly NamedSegment[];
  /** `slotsToBytes`. */
  readonly slots: Uint8Array<ArrayBuffer>;
  /** Most of it is below zero, as it is read. */
  readonly isTurnedRound: boolean;
  /** By the meter's own clock, where it has a date. */
  readonly beganAt: string | undefined;
}

/** Told as a share of the whole, now and then. */
export type Progress = (share: number) => void;

/** A piece is read in some hundredths of a second. */
const PROGRESS_BYTES = 4_000_000;

/** Enough to see how a file is encoded, its head and some rows, of any meter. */
export const SAMPLE_BYTES = 128_000;

/** The first lines of a file as text. */
export async function sampleOf(file: Blob): Promise<string> {
  const bytes = new Uint8Array(await file.slice(0, SAMPLE_BYTES).arrayBuffer());
  return new TextDecoder(encodingOf(bytes)).decode(bytes);
}

/** Reads a meter's file piece by piece: it is never in memory as a whole. Throws an error that says why where no row could be read. */
export async function readRecording(file: Blob, columns: MeterColumns, progress: Progress): Promise<ReadRecording> {
  const reader = new MeterFileReader(columns);
  const decoder = new TextDecoder(encodingOf(new Uint8Array(await file.slice(0, SAMPLE_BYTES).arrayBuffer())));
  await inPieces(file, progress, (bytes) => reader.push(decoder.decode(bytes, { stream: true })));
  const reading = reader.finish();
  if (reading.issue) throw new Error(reading.issue.message);
  const { slots, segments, seconds } = readTrace(reading);
  const { rows, remarks, isTurnedRound, beganAt } = reading;
  return { rows, seconds, remarks, segments, slots: slotsToBytes(slots), isTurnedRound, beganAt };
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
