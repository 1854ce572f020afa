import { guessColumns } from './meter-columns';
import { MeterFileReader } from './meter-file';

const COLUMNS = { delimiter: ',', decimal: '.', headerLines: 1, timeForm: 'date', columns: [{ name: 'time', role: 'time', scale: 1 }, { name: 'watts', role: 'power', scale: 1 }] } as const; // prettier-ignore
const LONG = 100_000;
/** Texts on which a pattern that tries everything would not come to an end. */
const HOSTILE: readonly (readonly [string, string])[] = [
  ['blanks in a figure', `1${' '.repeat(LONG)}x`],
  ['dashes', `${'-'.repeat(LONG)}x`],
  ['commas', `dt${',.'.repeat(LONG)}x`],
  ['digits', `${'1'.repeat(LONG)}:x`],
  ['blanks before a bracket', `${' '.repeat(LONG)}x(`],
  ['quotes', '"'.repeat(LONG)],
  ['colons', '1:'.repeat(LONG)],
  ['hours', `${'1'.repeat(LONG)}hm`],
];

describe('a file that is made to stop its reader', () => {
  it.each(HOSTILE)('of %s is refused, or its row left out', (_what, text) => {
    const guessed = guessColumns(`${text}\n${text}\n${text}`);
    expect(guessed.ok).toBe(false);
    const reader = new MeterFileReader(COLUMNS);
    reader.push(`time,watts\n2026-01-07 10:00:00,5\n${text},${text}\n${text}\n2026-01-07 10:00:01,6\n`);
    const { powerW, remarks } = reader.finish();
    expect([...powerW]).toEqual([5, 6]);
    expect(remarks.every(({ got = '' }) => got.length <= 120)).toBe(true);
  });

  it('without an end of line is not kept whole', () => {
    const reader = new MeterFileReader(COLUMNS);
    for (let piece = 0; piece < 50; piece++) reader.push('x'.repeat(1_000_000));
    expect(reader.finish()).toMatchObject({ rows: 0, issue: { code: 'no-rows' } });
  });
});
