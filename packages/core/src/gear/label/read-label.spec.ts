import { readFileSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import { sayLabel } from '../../words/en/gear/read-label-words';
import { cellsMeant, readLabel } from './read-label';

/** One label a line: what it says, what is read of it, what is asked. */
const LABELS = readFileSync(path.join(__dirname, '../../../testing/labels.tsv'), 'utf8')
  .split('\n')
  .filter((line) => line !== '' && !line.startsWith('#'))
  .map((line) => line.split('\t') as [text: string, reads: string, asks?: string]);

describe('a label', () => {
  it('is known in more than 300 ways', () => expect(LABELS.length).toBeGreaterThan(300));

  it.each(LABELS)('“%s”', (text, reads, asks = '') => {
    const label = readLabel(text);
    if (reads.startsWith('refused')) {
      const [, code, , at] = reads.split(' ');
      expect(label).toMatchObject({ reads: {}, asks: [], refused: { code, path: `/${at}` } });
      return;
    }
    expect(label.refused).toBeUndefined();
    expect(label.reads).toEqual(JSON.parse(reads));
    expect(label.asks.join(' ')).toBe(asks);
    expect(sayLabel(label)).not.toBe('');
  });

  it('is read the same however its numbers are written', () => {
    // 5 V beside mAh are a port's, not the cells'
    const tenths = fc.integer({ min: 30, max: 480 }).filter((tenthsV) => tenthsV !== 50);
    const figures = fc.record({ tenthsV: tenths, mAh: fc.integer({ min: 100, max: 99_999 }) });
    const habits: readonly ((thousands: string, tenths: string) => readonly [mAh: string, volts: string])[] = [
      (mAh, volts) => [grouped(mAh, ','), volts],
      (mAh, volts) => [grouped(mAh, '.'), volts.replace('.', ',')],
      (mAh, volts) => [grouped(mAh, '\u202f'), volts.replace('.', ',')],
      (mAh, volts) => [grouped(mAh, ' '), volts.replace('.', ',')],
      (mAh, volts) => [grouped(mAh, '’'), volts],
      (mAh, volts) => [mAh, volts],
    ];
    fc.assert(
      fc.property(figures, fc.constantFrom(...habits), fc.boolean(), ({ tenthsV, mAh }, habit, isGlued) => {
        const [capacity, volts] = habit(String(mAh), (tenthsV / 10).toFixed(1));
        const gap = isGlued ? '' : ' ';
        const { reads } = readLabel(`${volts}${gap}V ${capacity}${gap}mAh`);
        expect(reads).toEqual({ voltageV: tenthsV / 10, capacityAh: mAh / 1000 });
      }),
    );
  });

  it('is never read otherwise than it is refused: nothing is thrown, whatever stands in it', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60, unit: 'grapheme' }), (text) => {
        const { reads, refused } = readLabel(text);
        if (refused) expect(reads).toEqual({});
      }),
    );
  });
});

function grouped(digits: string, by: string): string {
  return digits.replace(/\B(?=(\d{3})+$)/g, by);
}

describe('cells that volts mean', () => {
  it.each([
    ['li-ion', 14.4, 4],
    ['li-ion', 14.8, 4],
    ['li-ion', 26, 7],
    ['li-ion', 25.2, undefined],
    ['li-ion', 12, undefined],
    ['agm', 12, 6],
    ['agm', 6, 3],
    ['nimh', 9.6, 8],
    ['nimh', 14.4, 12],
    ['lifepo4', 12.8, 4],
    ['alkaline', 6, 4],
  ] as const)('%s, %d V: %s', (chemistry, voltageV, cells) => expect(cellsMeant(chemistry, voltageV)).toBe(cells));
});
