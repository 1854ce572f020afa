import fc from 'fast-check';
import type { MeterColumns } from '../log/recording';
import { guessColumns } from './meter-columns';
import { MeterFileReader } from './meter-file';
import type { MeterFileReading } from './meter-file';

function columnsOf(text: string): MeterColumns {
  const guessed = guessColumns(text);
  if (!guessed.ok) throw new Error(guessed.issue.message);
  return guessed.columns;
}
function read(text: string, columns = columnsOf(text), piece = 7): MeterFileReading {
  const reader = new MeterFileReader(columns);
  for (let at = 0; at < text.length; at += piece) reader.push(text.slice(at, at + piece));
  return reader.finish();
}
const table = (...lines: readonly string[]) => lines.join('\r\n');

describe('a meter’s file', () => {
  it.each([
    ['plain', table('time,volts,amps,watts', '0,7.9,1,7.9', '1,7.9,1.1,8.69'), [0, 1], [7.9, 8.69]],
    ['any order, milliamps', table('I (mA),U (V),Time (ms)', '1000,8,0', '500,8,250'), [0, 0.25], [8, 4]],
    ['decimal commas', table('Zeit;Strom [mA];Spannung [V]', '0,0;1000;7,5', '0,5;2000;7,5'), [0, 0.5], [7.5, 15]],
    ['lines before the head', table('Logger 3', 'Serial: 7', '', 'Time [s]\tPower [W]', '10\t3.5', '11\t4.5'), [10, 11], [3.5, 4.5]],
    ['clock times past midnight', table('Time;P (W)', '23:59:59;5', '00:00:00;6', '00:00:01;7'), [86399, 86400, 86401], [5, 6, 7]],
    [
      'dates, the day first',
      table('Datum;Leistung (W)', '07.01.2026 10:00:00;5', '07.01.2026 10:00:02;6'),
      [1767780000, 1767780002],
      [5, 6],
    ],
    [
      'ISO dates, counters left alone',
      table('timestamp,Energy [Wh],Power [mW]', '2026-01-07T10:00:00Z,1,5000', '2026-01-07T10:00:00.5Z,2,6000'),
      [1767780000, 1767780000.5],
      [5, 6],
    ],
    ['names run together with their units', table('time_s,voltage_V,currentMA', '0,8,1000', '1,8,2000'), [0, 1], [8, 16]],
    [
      'exponents, signs, blanks',
      table('t;P (W)', ' 0 ; +5 ', '1.0e0 ;-1.5E-1 ', '2; 12345.123456789012'),
      [0, 1, 2],
      [5, -0.15, 12345.123],
    ],
    ['quotes', table('"time","watts"', '"0","5"', '"1","6"'), [0, 1], [5, 6]],
    ['no head at all', table('0,8,1', '1,8,1'), undefined, undefined],
  ] as const)('%s', (_what, text, timeS, powerW) => {
    if (timeS === undefined) {
      expect(guessColumns(text)).toMatchObject({ ok: false, issue: { code: 'no-power' } });
      return;
    }
    const reading = read(text);
    expect([...reading.timeS].map((value) => Math.round(value * 1000) / 1000)).toEqual(timeS);
    expect([...reading.powerW].map((value) => Math.round(value * 1000) / 1000)).toEqual(powerW);
  });

  it('is no table: told, with what was there', () => {
    expect(guessColumns('Dear diary,\ntoday nothing')).toMatchObject({ ok: false, issue: { code: 'no-table' } });
    expect(guessColumns('')).toMatchObject({ ok: false, issue: { code: 'no-table' } });
    expect(guessColumns('x,y\n1,2\n3,4')).toMatchObject({ ok: false, issue: { code: 'no-power' } });
  });

  it('without watts, nor volts with amps, has no row that can be read', () => {
    const columns = columnsOf(table('t,V,A', '0,8,1', '1,8,1'));
    const without = {
      ...columns,
      columns: columns.columns.map((column) => ({ ...column, role: column.role === 'current' ? ('none' as const) : column.role })),
    };
    expect(read(table('t,V,A', '0,8,1', '1,8,1'), without)).toMatchObject({ rows: 0, remarks: [{ code: 'bad-row', count: 2 }] });
  });

  it('leaves out rows that cannot be read, and says how many and where', () => {
    const { powerW, remarks } = read(table('time,watts', '0,5', '1,ERR', '2,OL', '3,6'));
    expect([...powerW]).toEqual([5, 6]);
    expect(remarks).toEqual([
      { code: 'bad-row', line: 3, count: 1, column: 'watts', got: 'ERR' },
      { code: 'overflow', line: 4, count: 1, column: 'watts', got: 'OL' },
    ]);
  });

  it('goes on where the clock was set back, and tells gaps', () => {
    const rows = [
      ...Array.from({ length: 10 }, (_, index) => `${index},5`),
      ...Array.from({ length: 10 }, (_, index) => `${index},6`),
      '500,7',
    ];
    const { timeS, remarks } = read(table('time,watts', ...rows));
    expect([...timeS].every((value, index, all) => index === 0 || value >= all[index - 1]!)).toBe(true);
    expect(timeS[10]! - timeS[9]!).toBeCloseTo(1, 6);
    expect(remarks.map(({ code, line }) => [code, line])).toEqual([['clock-back', 12], ['gap', 22]]); // prettier-ignore
  });

  it('is the same in whatever pieces it comes', () => {
    const text = table(
      'Zeit;Strom [mA];Spannung [V]',
      ...Array.from({ length: 50 }, (_, index) => `${index},5;${800 + index};7,${index + 10}`),
    );
    const whole = read(text, columnsOf(text), text.length);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 200 }), (piece) => {
        expect(read(text, columnsOf(text), piece)).toEqual(whole);
      }),
      { numRuns: 40, endOnFailure: true },
    );
  });

  it('can be read as a person corrects it', () => {
    const text = table('x,y', '0,5000', '1,6000');
    const corrected: MeterColumns = {
      delimiter: ',',
      decimal: '.',
      headerLines: 1,
      timeForm: 'number',
      columns: [
        { name: 'x', role: 'time', scale: 1 },
        { name: 'y', role: 'power', scale: 0.001 },
      ],
    };
    expect([...read(text, corrected).powerW]).toEqual([5, 6]);
  });

  it('never throws, whatever it holds', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 400, unit: fc.constantFrom(...'0123456789.,;:\t\n\r"-TVAWms '.split('')) }), (text) => {
        const guessed = guessColumns(text);
        if (guessed.ok) expect(read(text, guessed.columns).rows).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 500, endOnFailure: true },
    );
  });
});
