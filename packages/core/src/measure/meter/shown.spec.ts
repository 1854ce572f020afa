import { METER_SHOWS } from '../../tables';
import { readTrace } from '../trace/read-trace';
import { guessColumns } from './meter-columns';
import { MeterFileReader } from './meter-file';
import { canShow } from './shown';

const { volts, amps, watts, wattsBack } = METER_SHOWS;

describe('what a meter can show', () => {
  it.each([
    [{ voltageV: volts }, { voltageV: volts * 1.01 }],
    [{ currentA: amps }, { currentA: -amps * 1.01 }],
    [{ powerW: watts }, { powerW: watts * 1.01 }],
    [{ powerW: -wattsBack }, { powerW: -wattsBack * 1.01 }],
    [
      { voltageV: 100, currentA: 200 },
      { voltageV: 100, currentA: 202 },
    ],
    [
      { voltageV: 14.4, currentA: 1 },
      { voltageV: 14.4, currentA: 9.9e37 },
    ],
    [{ voltageV: 14.4 }, { voltageV: Number.POSITIVE_INFINITY }],
    [{ voltageV: 0, currentA: 0 }, { voltageV: Number.NaN }],
  ])('%j, and not %j', (yes, no) => expect([canShow(yes), canShow(no)]).toEqual([true, false]));
});

describe('a file with a glitch in it', () => {
  const read = (rows: readonly string[]) => {
    const text = rows.join('\n');
    const guessed = guessColumns(text);
    if (!guessed.ok) throw new Error('the table is found');
    const reader = new MeterFileReader(guessed.columns);
    reader.push(text);
    return reader.finish();
  };
  const rowsWith = (glitch: string, head = 'time_s,voltage_V,current_A', usual = '14.4,1') => [
    head,
    ...Array.from({ length: 200 }, (_, second) => `${second},${second === 100 ? glitch : usual}`),
  ];

  it.each([
    ['9.9E37 A', rowsWith('14.4,9.9E37')],
    ['9999 A among 1 A', rowsWith('14.4,9999')],
    ['volts of nobody', rowsWith('123456,1')],
    ['watts of nobody', rowsWith('1e9', 'time_s,power_W', '14.4')],
    ['a product that is too much', rowsWith('900,450')],
  ])('%s: a gap that is told, and the rest is as without it', (_what, rows) => {
    const { timeS, powerW, remarks } = read(rows);
    expect(powerW).toHaveLength(199);
    expect(Math.max(...powerW)).toBeCloseTo(14.4, 9);
    expect(remarks).toMatchObject([{ code: 'overflow', count: 1, line: 102 }]);
    const { segments } = readTrace({ timeS, powerW });
    expect(segments).toHaveLength(1);
    expect(segments[0]).toMatchObject({ meanW: expect.closeTo(14.4, 6), peakW: expect.closeTo(14.4, 6) });
  });
});
