import { readMeter } from '../bench/joints/read-meter';
import { parseQuantity } from './parse-quantity';

describe('a prefix', () => {
  it.each([
    ['2 MΩ', 2_000_000],
    ['2 Mohm', 2_000_000],
    ['2 mΩ', 0.002],
    ['2 mohm', 0.002],
    ['2 kΩ', 2000],
    ['2 KΩ', 2000],
    ['10k', 10_000],
    ['80 m', 0.08],
    ['2M', 2_000_000],
  ])('of ohms is never folded: %s', (text, value) => expect(parseQuantity(text, 'ohm')).toEqual({ ok: true, value }));

  it('of volts is milli in small, and nothing in capitals', () => {
    expect(parseQuantity('230 mV', 'V')).toEqual({ ok: true, value: 0.23 });
    expect(parseQuantity('230 MV', 'V').ok).toBe(false);
  });

  it('of a label in capitals is what labels mean: nobody prints mega-amp-hours', () => {
    expect(parseQuantity('6600 MAH', 'Ah')).toEqual({ ok: true, value: 6.6 });
  });
});

describe('a meter', () => {
  it.each(['OL', '0L', 'O.L', '1.', '1 .', '∞'])('over its range: %s', (text) => {
    expect(readMeter(text, { is: 'lead' })).toEqual({ ok: true, reading: 'OL' });
  });

  it.each(['--8.1', '-−8.1', '-+8.1', '- -8.1'])('with two signs is asked again: %s', (text) => {
    expect(readMeter(text, { is: 'open' })).toMatchObject({ ok: false, issue: { code: 'bad-reading' } });
  });

  it('in megohms across a lead is an open one, not a short', () => {
    expect(readMeter('2 MΩ', { is: 'across' })).toEqual({ ok: true, reading: 2_000_000 });
  });
});
