import { MeterFileReader, guessColumns, inSlots, steadySegments } from '@viaggio/core';
import type { MeterColumns } from '@viaggio/core';
import { tellIssues } from './evaluate';
import type { Output } from './solve';

/** Enough to see the head and some rows. */
const SAMPLE_CHARACTERS = 20_000;
const SLOT_S = 1;

/**
 * `viaggio segments FILE`: a meter's recording (CSV) to its steady segments, as one JSON document: how the file was
 * read, what was odd in it, and for each segment its mean, spread and peak. Read piece by piece. Returns the exit code.
 */
export async function segmentsOf(pieces: AsyncIterable<string>, { out, err }: Output): Promise<number> {
  let sample = '';
  let reader: MeterFileReader | undefined;
  let columns: MeterColumns | undefined;
  const begin = (): number => {
    const guessed = guessColumns(sample);
    if (!guessed.ok) return tellIssues([guessed.issue], err);
    columns = guessed.value;
    reader = new MeterFileReader(columns);
    reader.push(sample);
    return 0;
  };
  for await (const piece of pieces) {
    if (reader) reader.push(piece);
    else {
      sample += piece;
      if (sample.length >= SAMPLE_CHARACTERS && begin() !== 0) return 1;
    }
  }
  if (!reader && begin() !== 0) return 1;
  const { rows, remarks, timeS, powerW } = reader!.finish();
  const segments = steadySegments(inSlots({ timeS, powerW }, SLOT_S));
  out(JSON.stringify({ columns, rows, remarks, segments }, undefined, 2));
  return 0;
}
