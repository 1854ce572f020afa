import { closeSync, openSync, readSync, statSync } from 'node:fs';
import { encodingOf } from '../src/measure/meter/encoding';
import { guessColumns } from '../src/measure/meter/meter-columns';
import { MeterFileReader } from '../src/measure/meter/meter-file';
import { readTrace } from '../src/measure/trace/read-trace';
import { steadySegments } from '../src/measure/trace/segments';
import { inSlots } from '../src/measure/trace/trace';
import type { Trace } from '../src/measure/trace/trace';
import { faultOf, JUDGING_SEEDS } from '../testing/judged-segments';
import { madeRecording } from '../testing/made-recordings';
import { FILE_FORMS } from '../testing/written-files';

const PIECE_BYTES = 4_000_000;
const DAY_S = 86_400;
const SAMPLE_CHARACTERS = 128_000;

/** Reads a file piece by piece, as the worker does. */
function pieces(file: string, take: (text: string) => void): void {
  const handle = openSync(file, 'r');
  const decoder = new TextDecoder();
  const buffer = Buffer.alloc(PIECE_BYTES);
  for (let bytes = readSync(handle, buffer); bytes > 0; bytes = readSync(handle, buffer))
    take(decoder.decode(buffer.subarray(0, bytes), { stream: true }));
  closeSync(handle);
}

function timed<T>(run: () => T): { readonly value: T; readonly ms: number } {
  const started = performance.now();
  const value = run();
  return { value, ms: performance.now() - started };
}

/** The plain way: every line cut at its commas, every field made a number. */
function plainly(file: string): Trace {
  const [time, power]: [number[], number[]] = [[], []];
  let rest = '';
  pieces(file, (text) => {
    const lines = (rest + text).split('\n');
    rest = lines.pop()!;
    for (const line of lines) {
      const [seconds, , , watts] = line.split(',').map(Number);
      if (Number.isFinite(watts)) {
        time.push(seconds!);
        power.push(watts!);
      }
    }
  });
  return { timeS: Float64Array.from(time), powerW: Float64Array.from(power) };
}

function read(file: string): Trace {
  let reader: MeterFileReader | undefined;
  pieces(file, (text) => {
    if (!reader) {
      const guessed = guessColumns(text.slice(0, SAMPLE_CHARACTERS));
      if (!guessed.ok) throw new Error(guessed.issue.message);
      reader = new MeterFileReader(guessed.columns);
    }
    reader.push(text);
  });
  return reader!.finish();
}

/** Made by scripts/bench.mjs: five million rows, and a tenth of them. */
const long = process.env['METER_FILE']!;
const short = process.env['METER_FILE_SHORT']!;
const own = timed(() => read(short)).ms;
const plain = timed(() => plainly(short)).ms;
const whole = timed(() => read(long));
const traced = timed(() => readTrace(whole.value));
console.log(`a meter’s file of ${whole.value.timeS.length / 1e6} million rows, ${(statSync(long).size / 1e6).toFixed(0)} MB, in Node`);
console.log(`  read                       ${whole.ms.toFixed(0)} ms`);
console.log(`  segments, peaks, slots    ${traced.ms.toFixed(0)} ms, ${traced.value.segments.length} segments`);
console.log(`  together                   ${(whole.ms + traced.ms).toFixed(0)} ms   (aim: under 10 000 ms)`);
console.log(`  peak of the process        ${(process.resourceUsage().maxRSS / 1e3).toFixed(0)} MB   (aim: under 500 MB)`);
console.log(
  `  against every line cut into fields, on a tenth of it: ${own.toFixed(0)} and ${plain.toFixed(0)} ms, ratio ${(plain / own).toFixed(1)} ×`,
);
const day = {
  timeS: Float64Array.from({ length: DAY_S }, (_, at) => at),
  powerW: whole.value.powerW.subarray(0, DAY_S * 50).filter((_, at) => at % 50 === 0),
};
const slots = inSlots(day, 1);
const day1 = timed(() => steadySegments(slots));
console.log(`segments of a day of seconds  ${day1.ms.toFixed(0)} ms, ${day1.value.length} found`);
const made = JUDGING_SEEDS.map(madeRecording);
const sound = made.filter((one) => faultOf(one, readTrace(one)) === undefined).length;
console.log(`made recordings that were never tuned on: ${sound} of ${made.length} within 2 s and 1 %   (aim: 95 of 100)`);
/** Those of them that are no megabytes, written in one file form after the other, and read as the page reads it. */
const forms = FILE_FORMS.filter(({ timeS = 0 }) => timeS < 1);
const written = made.filter(({ timeS }) => timeS.length < 60_000);
const readAgain = written.filter((one, index) => {
  const { write, said } = forms[index % forms.length]!;
  const bytes = write(one);
  const text = typeof bytes === 'string' ? bytes : new TextDecoder(encodingOf(bytes)).decode(bytes);
  const guessed = guessColumns(text.slice(0, SAMPLE_CHARACTERS));
  if (!guessed.ok) return false;
  const reader = new MeterFileReader({ ...guessed.columns, ...said });
  reader.push(text);
  return faultOf(one, readTrace(reader.finish())) === undefined;
}).length;
console.log(`the same through ${forms.length} forms of files: ${readAgain} of ${written.length} within 2 s and 1 %   (aim: 95 of 100)`);
