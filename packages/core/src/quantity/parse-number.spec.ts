import fc from 'fast-check';
import { parseNumber } from './parse-number';

const value = (text: string, thousands = false) => {
  const parsed = parseNumber(text, thousands);
  return parsed.ok ? parsed.value : parsed.reason;
};

describe('parseNumber', () => {
  it.each([
    ['14.4', 14.4],
    ['14,4', 14.4],
    [' 95 ', 95],
    ['-5', -5],
    ['−5', -5], // the minus sign of typesetters
    ['+3', 3],
    ['.5', 0.5],
    [',5', 0.5],
    ['14.', 14],
    ['10 000', 10000],
    ['10\u202f000', 10000],
    ["10'000", 10000],
    ['1,234.5', 1234.5],
    ['1.234,5', 1234.5],
    ['1 234,5', 1234.5],
    ['0,125', 0.125],
    ['1.234', 1.234],
  ])('reads “%s”', (text, expected) => expect(value(text)).toBe(expected));

  it('reads a mark before three digits as thousands only where figures come in thousands', () => {
    expect(value('20,000', true)).toBe(20000);
    expect(value('20.000', true)).toBe(20000);
    expect(value('20,000')).toBe('ambiguous');
  });

  it.each(['', 'abc', '1,2,3', '1.2.3', '--1', '1e5', '0x10', 'Infinity', 'NaN', '1 2', '½'])('refuses “%s”', (text) =>
    expect(value(text)).toBe('not-a-number'),
  );

  it('reads back every number it is given, with a point or a comma', () => {
    fc.assert(
      fc.property(fc.integer({ min: -999_999, max: 999_999 }), fc.integer({ min: 0, max: 99 }), (whole, cents) => {
        const text = `${whole}.${String(cents).padStart(2, '0')}`;
        expect(value(text)).toBe(Number(text));
        expect(value(text.replace('.', ','))).toBe(Number(text));
      }),
      { seed: 7 },
    );
  });
});
