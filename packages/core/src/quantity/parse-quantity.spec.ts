import { parseQuantity } from './parse-quantity';
import { UNITS } from './unit';
import type { Unit } from './unit';

const read = (text: string, unit: Unit) => {
  const parsed = parseQuantity(text, unit);
  return parsed.ok ? parsed.value : parsed.issue.code;
};

describe('parseQuantity', () => {
  it.each<[string, Unit, number]>([
    ['14.4v', 'V', 14.4],
    ['14,4V', 'V', 14.4],
    ['7200 mV', 'V', 7.2],
    ['95Wh', 'Wh', 95],
    ['1.2 kWh', 'Wh', 1200],
    ['2.5 Ah', 'Ah', 2.5],
    ['2040mAh', 'Ah', 2.04],
    ['20,000 mAh', 'Ah', 20],
    ['20 000 MAH', 'Ah', 20],
    ['950 mA', 'A', 0.95],
    ['18', 'W', 18],
    ['80 mΩ', 'ohm', 0.08],
    ['80 mohm', 'ohm', 0.08],
    ['10 %', 'fraction', 0.1],
    ['10', 'fraction', 0.1],
    ['-5 C', 'C', -5],
    ['23 F', 'C', -5],
    ['14 °F', 'C', -10],
    ['60 cm', 'm', 0.6],
    ['4', 'count', 4],
    ['1 s', 'ms', 1000],
    ['180', 'price', 180],
    ['€180', 'price', 180],
    ['180 EUR', 'price', 180],
    ['1 200,50 kr', 'price', 1200.5],
    ['1,200', 'price', 1200],
    ['$ 1,200.50', 'price', 1200.5],
    ['CHF 95', 'price', 95],
  ])('“%s” in %s', (text, unit, expected) => expect(read(text, unit)).toBeCloseTo(expected, 12));

  it.each([
    ['1h20', 80],
    ['1 h 20', 80],
    ['1 h 20 min', 80],
    ['1:20', 80],
    ['5 h 10', 310],
    ['90 min', 90],
    ['90', 90],
    ['2.5 h', 150],
    ['2,5h', 150],
    ['0:45', 45],
    ['30 s', 0.5],
  ])('a duration “%s”', (text, minutes) => expect(read(text, 'min')).toBe(minutes));

  it.each<[string, Unit, string]>([
    ['', 'V', 'empty'],
    ['   ', 'W', 'empty'],
    ['plenty', 'Wh', 'not-a-number'],
    ['14.4 Wh', 'V', 'wrong-unit'],
    ['3 apples', 'A', 'wrong-unit'],
    ['1,234 V', 'V', 'ambiguous'],
    ['1h75', 'min', 'not-a-number'],
    ['4 cells', 'count', 'wrong-unit'],
  ])('refuses “%s” for %s: %s', (text, unit, code) => expect(read(text, unit)).toBe(code));

  it('says what it expected and what came', () => {
    const parsed = parseQuantity('abc', 'V');
    expect(!parsed.ok && parsed.issue).toMatchObject({ expected: 'a number of volts, such as 14.4 V', received: '“abc”' });
    const ambiguous = parseQuantity('1,234 V', 'V');
    expect(!ambiguous.ok && ambiguous.issue.expected).toContain('1234 or 1.234');
  });

  it('reads the example of every unit', () => {
    for (const [unit, { example }] of Object.entries(UNITS)) {
      expect(typeof read(example.split(' or ')[0]!, unit as Unit)).toBe('number');
    }
  });
});
