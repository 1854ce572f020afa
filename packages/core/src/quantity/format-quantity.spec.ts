import fc from 'fast-check';
import { formatDuration, formatNumber, formatQuantity } from './format-quantity';
import { parseQuantity } from './parse-quantity';
import { UNITS } from './unit';
import type { Unit } from './unit';

describe('formatQuantity', () => {
  it.each<[number, Unit, string]>([
    [95, 'Wh', '95 Wh'],
    [14.688, 'Wh', '14.7 Wh'],
    [14.4, 'V', '14.4 V'],
    [8.214, 'V', '8.21 V'],
    [0.1, 'fraction', '10 %'],
    [-5, 'C', '-5 °C'],
    [-0.2, 'C', '0 °C'],
    [4, 'count', '4'],
    [26800, 'Wh', '26\u202f800 Wh'],
    [5000, 'Wh', '5000 Wh'],
    [0.08, 'ohm', '0.08 Ω'],
    [80, 'min', '1 h 20 min'],
    [0.02, 'W', '0.02 W'],
    [0.0000001, 'W', '0 W'],
  ])('%d %s', (value, unit, expected) => expect(formatQuantity(value, unit)).toBe(expected));

  it.each([
    [0, '0 min'],
    [45, '45 min'],
    [59.99, '59 min'],
    [60, '1 h'],
    [310, '5 h 10 min'],
    [2879, '47 h 59 min'],
    [5468, '3 d 19 h'],
    [-90, '-1 h 30 min'],
    [239.9999999999, '4 h'], // the last bits of a computed four hours
  ])('%d minutes, never promising one that is not there', (minutes, expected) => expect(formatDuration(minutes)).toBe(expected));

  it('prints nothing that it could not read again, to the digits shown', () => {
    const units = Object.keys(UNITS) as Unit[];
    fc.assert(
      fc.property(fc.constantFrom(...units), fc.double({ min: 0, max: 9999, noNaN: true }), (unit, value) => {
        if (unit === 'min') return;
        const parsed = parseQuantity(formatNumber(value, unit), unit);
        const scale = unit === 'fraction' ? 100 : 1;
        expect(parsed.ok && Math.abs(parsed.value - value) * scale).toBeLessThanOrEqual(0.5 * 10 ** -UNITS[unit].digits + 1e-9);
      }),
      { seed: 11 },
    );
  });
});
