import fc from 'fast-check';
import { guessColumns } from './meter-columns';
import { MeterFileReader } from './meter-file';
import { RowFields } from './row-fields';

/** How a meter may write the same recording. */
const arbitraryWriting = fc.record({
  delimiter: fc.constantFrom(',', ';', '\t'),
  comma: fc.boolean(),
  quotes: fc.boolean(),
  newline: fc.constantFrom('\n', '\r\n'),
  head: fc.array(fc.constantFrom('Logger 7', 'Serial no 12', '', 'made by nobody'), { maxLength: 4 }),
  order: fc.shuffledSubarray(['time', 'voltage', 'current', 'other'] as const, { minLength: 4 }),
  time: fc.constantFrom('seconds', 'milliseconds', 'clock'),
  milli: fc.boolean(),
});
type Writing = typeof arbitraryWriting extends fc.Arbitrary<infer W> ? W : never;
const arbitrarySamples = fc.array(fc.record({ volts: fc.integer({ min: 3000, max: 30_000 }), amps: fc.integer({ min: 1, max: 9000 }) }), {
  minLength: 3,
  maxLength: 40,
});
const STEP_S = 0.5;

/** The file: volts and amps are whole thousandths, so that nothing is lost in writing. */
function written(samples: readonly { readonly volts: number; readonly amps: number }[], how: Writing): string {
  const comma = how.comma && how.delimiter !== ',';
  const decimal = (value: number, digits: number): string => {
    const text = value.toFixed(digits);
    const typed = comma ? text.replace('.', ',') : text;
    return how.quotes ? `"${typed}"` : typed;
  };
  const names = { time: how.time === 'milliseconds' ? 'Time (ms)' : 'Time', voltage: 'Voltage (V)', current: how.milli ? 'Current (mA)' : 'Current (A)', other: 'Temp' }; // prettier-ignore
  const timeOf = (index: number): string => {
    const seconds = index * STEP_S;
    if (how.time === 'seconds') return decimal(seconds, 2);
    if (how.time === 'milliseconds') return decimal(seconds * 1000, 0);
    const text = `00:${String(Math.floor(seconds / 60)).padStart(2, '0')}:${(seconds % 60).toFixed(1).padStart(4, '0')}`;
    return comma ? text.replace('.', ',') : text;
  };
  const rows = samples.map(({ volts, amps }, index) => {
    const cells = { time: timeOf(index), voltage: decimal(volts / 1000, 3), current: how.milli ? decimal(amps, 0) : decimal(amps / 1000, 3), other: decimal(21.5, 1) }; // prettier-ignore
    return how.order.map((column) => cells[column]).join(how.delimiter);
  });
  return [...how.head, how.order.map((column) => names[column]).join(how.delimiter), ...rows, ''].join(how.newline);
}

describe('laws of reading a meter’s file', () => {
  it('however it is written, the same recording is read from it, in pieces of any size', () => {
    fc.assert(
      fc.property(arbitrarySamples, arbitraryWriting, fc.integer({ min: 1, max: 500 }), (samples, how, piece) => {
        const text = written(samples, how);
        const guessed = guessColumns(text);
        if (!guessed.ok) throw new Error(`${guessed.issue.message}\n${text}`);
        const reader = new MeterFileReader(guessed.columns);
        for (let at = 0; at < text.length; at += piece) reader.push(text.slice(at, at + piece));
        const { rows, timeS, powerW, remarks } = reader.finish();
        expect([rows, remarks]).toEqual([samples.length, []]);
        samples.forEach(({ volts, amps }, index) => {
          expect(Math.abs(powerW[index]! - (volts * amps) / 1e6)).toBeLessThan(1e-9);
          expect(Math.abs(timeS[index]! - timeS[0]! - index * STEP_S)).toBeLessThan(1e-9);
        });
      }),
      { numRuns: 300 },
    );
  });

  it('a clock never runs backwards, whatever it shows', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -1e5, max: 1e6, noNaN: true }), { minLength: 2, maxLength: 60 }), (times) => {
        const text = ['t,W', ...times.map((seconds) => `${seconds.toFixed(3)},5`), ''].join('\n');
        const reader = new MeterFileReader({ delimiter: ',', decimal: '.', headerLines: 1, timeForm: 'number', columns: [{ name: 't', role: 'time', scale: 1 }, { name: 'W', role: 'power', scale: 1 }] }); // prettier-ignore
        reader.push(text);
        const { timeS } = reader.finish();
        for (let index = 1; index < timeS.length; index++) expect(timeS[index]!).toBeGreaterThanOrEqual(timeS[index - 1]!);
      }),
    );
  });

  it('never throws, whatever is in it', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 400 }), fc.constantFrom(',', ';', '\t'), (text, delimiter) => {
        guessColumns(text);
        const reader = new MeterFileReader({ delimiter: delimiter, decimal: '.', headerLines: 0, timeForm: 'date', columns: [{ name: '', role: 'time', scale: 1 }, { name: '', role: 'power', scale: 1 }] }); // prettier-ignore
        reader.push(text);
        const { rows, powerW } = reader.finish();
        expect(powerW).toHaveLength(rows);
        expect(powerW.every(Number.isFinite)).toBe(true);
      }),
    );
  });
});

describe('laws of a row’s fields', () => {
  it('a number is read as JavaScript reads it, to the last digit', () => {
    const fields = new RowFields(',', '.');
    fc.assert(
      fc.property(fc.array(fc.oneof(fc.double({ min: -9e37, max: 9e37, noNaN: true }), fc.integer(), fc.double({ min: -1000, max: 1000, noNaN: true }).map((value) => Number(value.toFixed(4)))), { minLength: 1, maxLength: 8 }), (values) => {
        fields.split(values.join(','));
        values.forEach((value, place) => expect(fields.number(place)).toBe(Number(String(value))));
        expect(fields.number(values.length)).toBeNaN();
        expect(fields.text(values.length)).toBe('');
      }),
      { numRuns: 500 },
    ); // prettier-ignore
  });

  it.each<[string, number]>([
    ['', Number.NaN],
    ['-', Number.NaN],
    ['.', Number.NaN],
    ['1.2.3', Number.NaN],
    ['12 V', 12],
    ['12 apples', Number.NaN],
    ['0x10', Number.NaN],
    ['9.9E37', Number.NaN],
    ['-9.91e+37', Number.NaN],
    ['1,234.5', 1234.5],
    ['1 234.5', 1234.5],
    ['−7.5', -7.5],
    ['  7.5  ', 7.5],
    ['"7.5"', 7.5],
    ['-.5', -0.5],
    ['5.', 5],
    ['1e3', 1000],
  ])('%j is %d', (text, value) => {
    const fields = new RowFields(';', '.');
    fields.split(text);
    expect(fields.number(0)).toBe(value);
  });

  it('of another row do not show', () => {
    const fields = new RowFields(',', '.');
    fields.split('1,2,3');
    fields.split('4');
    expect([fields.number(0), fields.number(1), fields.text(2)]).toEqual([4, Number.NaN, '']);
  });
});
