import { faultOf } from '../../../testing/judged-segments';
import { madeRecording } from '../../../testing/made-recordings';
import { FILE_FORMS } from '../../../testing/written-files';
import type { FileForm } from '../../../testing/written-files';
import { readTrace } from '../trace/read-trace';
import { encodingOf } from './encoding';
import { guessColumns } from './meter-columns';
import type { GuessedColumns } from './meter-columns';
import { MeterFileReader } from './meter-file';
import type { MeterFileReading } from './meter-file';

const SAMPLE = 128_000;
const PIECE = 4999;
/** One of each kind of noise that is no matter of the file, at two samples a second or so; seeds that nothing was tuned on. */
const SEEDS = [40_000, 40_001, 40_011, 40_017, 40_025];
const MADE = SEEDS.map((seed) => madeRecording(seed));

/** As the page and the command do: the encoding and the columns from the first bytes, the rest piece by piece. */
function readBytes(written: string | Uint8Array<ArrayBuffer>, said: FileForm['said'] = {}): MeterFileReading & GuessedColumns {
  const bytes = typeof written === 'string' ? new TextEncoder().encode(written) : written;
  const encoding = encodingOf(bytes.subarray(0, SAMPLE));
  const guessed = guessColumns(new TextDecoder(encoding).decode(bytes.subarray(0, SAMPLE)));
  if (!guessed.ok) throw new Error(guessed.issue.message);
  const reader = new MeterFileReader({ ...guessed.columns, ...said });
  const decoder = new TextDecoder(encoding);
  for (let at = 0; at < bytes.length; at += PIECE) reader.push(decoder.decode(bytes.subarray(at, at + PIECE), { stream: true }));
  return { ...guessed, ...reader.finish() };
}

describe.each(FILE_FORMS.map((form) => [form.name, form] as const))(
  'a file with %s',
  (_name, { write, said, within = 0.001, timeS = 0.0011 }) => {
    it.each(MADE.map((made) => [made.name, made] as const))('holds what was recorded: %s', (_made, made) => {
      const reading = readBytes(write(made), said);
      const left = reading.remarks.filter(({ code }) => code === 'overflow' || code === 'wild-time').reduce((sum, { count }) => sum + count, 0); // prettier-ignore
      expect([reading.rows + left, reading.issue]).toEqual([made.timeS.length, undefined]);
      if (Number.isFinite(timeS)) {
        const last = (times: Float64Array) => times.at(-1)! - times[0]!;
        expect(Math.abs(last(reading.timeS) - last(made.timeS))).toBeLessThan(Math.max(timeS, 0.0011));
      }
      const mean = (values: Float64Array) => values.reduce((sum, watts) => sum + watts, 0) / values.length;
      expect(Math.abs(mean(reading.powerW) / mean(made.powerW) - 1)).toBeLessThan(Math.max(within, left > 0 ? 0.02 : 0));
      expect([...reading.timeS].every((seconds, at) => at === 0 || seconds >= reading.timeS[at - 1]!)).toBe(true);
    });
  },
);

/** As many as half the rows of the largest are read in a moment. */
const MOST_ROWS = 20_000;
const JUDGED = 200;

describe('recordings, whatever file they come in', () => {
  it('give the segments that they were made of, in 95 of 100', () => {
    const forms = FILE_FORMS.filter(({ timeS = 0 }) => timeS < 1);
    const made = Array.from({ length: JUDGED }, (_, index) => madeRecording(41_000 + index)).filter(
      ({ timeS }) => timeS.length < MOST_ROWS,
    );
    expect(made.length).toBeGreaterThan(100);
    const faults = made.flatMap((one, index) => {
      const form = forms[index % forms.length]!;
      const fault = faultOf(one, readTrace(readBytes(form.write(one), form.said)));
      return fault === undefined ? [] : [`${form.name}, ${one.name}: ${fault}`];
    });
    expect(faults.slice(Math.floor(0.05 * made.length))).toEqual([]);
  });
});
