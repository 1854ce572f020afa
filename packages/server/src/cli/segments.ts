import { encodingOf, guessColumns, MeterFileReader, readTrace } from '@viaggio/core/measure';
import type { ColumnDoubt, GuessedColumns, MeterColumns } from '@viaggio/core/measure';
import { parseQuantity } from '@viaggio/core/units';
import { tellIssues } from './evaluate';
import type { Output } from './solve';

/** Enough to see a long head and some rows. */
const SAMPLE_BYTES = 128_000;

/** What may be said of a file beside what is in it, as `--as` has it. */
const SAYINGS: Readonly<Record<string, { readonly of: string; readonly says: (value: string) => Partial<MeterColumns> | undefined }>> = {
  turned: { of: 'turned', says: (value) => (value === '' ? { turned: true } : undefined) },
  volts: { of: 'volts=7.4', says: (value) => quantity(value, 'V', 'voltageV') },
  step: { of: 'step=0.5', says: (value) => quantity(value, 's', 'stepS') },
  dates: {
    of: 'dates=day or dates=month',
    says: (value) => (({ day: { timeForm: 'date' }, month: { timeForm: 'date-month' } }) as const)[value],
  },
  clock: {
    of: 'clock=hours or clock=minutes',
    says: (value) => (({ hours: { timeForm: 'clock-hours' }, minutes: { timeForm: 'clock' } }) as const)[value],
  },
  jumps: { of: 'jumps=kept', says: (value) => (value === 'kept' ? { jumpsKept: true } : undefined) },
};

/** What a person is to say, and how it was taken meanwhile. */
const DOUBTS: Readonly<Record<ColumnDoubt, string>> = {
  'day-or-month': 'dates could be read two ways; the day was taken to come first (--as dates=month)',
  'minutes-or-hours': 'times of two parts were taken for minutes and seconds (--as clock=hours)',
  step: 'no times: a row was taken for a second (--as step=0.5)',
  volts: 'amps alone: say the volts (--as volts=7.4)',
};

function quantity(text: string, unit: 'V' | 's', field: 'voltageV' | 'stepS'): Partial<MeterColumns> | undefined {
  const parsed = parseQuantity(text, unit);
  return parsed.ok && parsed.value > 0 ? { [field]: parsed.value } : undefined;
}

/**
 * `viaggio segments FILE`: a meter's recording to its steady segments, as one JSON document: how the file was read, what was
 * odd in it, and for each segment its mean, drift, spread and peaks, as the page has them. Read piece by piece. `as` says
 * what the file does not. Returns the exit code.
 */
export async function segmentsOf(pieces: AsyncIterable<Uint8Array>, as: string, { out, err }: Output): Promise<number> {
  const said = sayingsOf(as, err);
  if (!said) return 2;
  const file = new FileReading(said);
  for await (const piece of pieces) file.push(piece);
  const read = file.finish();
  if (!read.ok) return tellIssues([{ ...read.issue, path: '' }], err);
  const { columns, doubts, choices, reading } = read;
  const asked = (['timeForm', 'voltageV', 'stepS'] as const).filter((field) => said[field] !== undefined);
  for (const doubt of doubts) if (!asked.includes(DECIDES[doubt])) err(DOUBTS[doubt]);
  if (reading.issue) return tellIssues([{ ...reading.issue, path: '' }], err);
  for (const { role, taken, left } of choices) err(`${role}: “${taken}” was taken, not ${left.map((name) => `“${name}”`).join(', ')}`);
  if (reading.isTurnedRound && !columns.turned) err('most of it is below zero: the lead was the other way round? (--as turned)');
  const { rows, remarks, beganAt } = reading;
  if (remarks.some(({ code }) => code === 'clock-jump') && !columns.jumpsKept)
    err('the clock jumped by days; the time between was left out (--as jumps=kept)');
  out(JSON.stringify({ columns, beganAt, rows, remarks, segments: readTrace(reading).segments }, undefined, 2));
  return 0;
}

/** Which field answers a doubt. */
const DECIDES = { 'day-or-month': 'timeForm', 'minutes-or-hours': 'timeForm', step: 'stepS', volts: 'voltageV' } as const;

function sayingsOf(as: string, err: Output['err']): Partial<MeterColumns> | undefined {
  let said: Partial<MeterColumns> = {};
  for (const one of as
    .split(',')
    .map((part) => part.trim())
    .filter((part) => part !== '')) {
    const [key = '', value = ''] = one.split('=');
    const saying = Object.hasOwn(SAYINGS, key) ? SAYINGS[key]!.says(value) : undefined;
    if (!saying) {
      err(
        `--as: expected ${Object.values(SAYINGS)
          .map(({ of }) => of)
          .join(', ')}; got “${one}”`,
      );
      return undefined;
    }
    said = { ...said, ...saying };
  }
  return said;
}

/** Bytes of a file, read once enough of them are there to know how. */
class FileReading {
  private first: Uint8Array[] = [];
  private length = 0;
  private decoder = new TextDecoder();
  private guessed: ReturnType<typeof guessColumns> | undefined;
  private reader: MeterFileReader | undefined;

  constructor(private readonly said: Partial<MeterColumns>) {}

  push(piece: Uint8Array): void {
    if (this.guessed) {
      this.reader?.push(this.decoder.decode(piece, { stream: true }));
      return;
    }
    this.first.push(piece);
    this.length += piece.length;
    if (this.length >= SAMPLE_BYTES) this.begin();
  }

  finish() {
    if (!this.guessed) this.begin();
    const guessed = this.guessed!;
    return guessed.ok ? { ...guessed, columns: this.columnsOf(guessed), reading: this.reader!.finish() } : guessed;
  }

  private begin(): void {
    const bytes = Buffer.concat(this.first);
    this.first = [];
    this.decoder = new TextDecoder(encodingOf(bytes));
    const text = this.decoder.decode(bytes, { stream: true });
    this.guessed = guessColumns(text);
    if (!this.guessed.ok) return;
    this.reader = new MeterFileReader(this.columnsOf(this.guessed));
    this.reader.push(text);
  }

  private columnsOf({ columns }: GuessedColumns): MeterColumns {
    return { ...columns, ...this.said };
  }
}
