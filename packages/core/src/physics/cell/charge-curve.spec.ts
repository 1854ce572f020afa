import fc from 'fast-check';
import { chargeAfter, chargeMinutes, tooCold } from './charge-curve';

const PACK = { chemistry: 'li-ion', energyWh: 95 } as const;
const LEAD = { chemistry: 'agm', energyWh: 216 } as const;

describe('charging', () => {
  it('takes 0.8 E/P + 0.2 E/(0.45 P) from empty', () => {
    expect(chargeMinutes(PACK, 0, 1, 50)).toBeCloseTo(60 * ((0.8 * 95) / 50 + (0.2 * 95) / (0.45 * 50)), 9);
  });

  it('fills lead-acid in 8 to 14 hours, whatever the charger could give', () => {
    const hours = chargeMinutes(LEAD, 0, 1, 500) / 60;
    expect(hours).toBeGreaterThanOrEqual(8);
    expect(hours).toBeLessThanOrEqual(14);
  });

  it('without power never ends, and changes nothing', () => {
    expect(chargeMinutes(PACK, 0.2, 1, 0)).toBe(Infinity);
    expect(chargeAfter(PACK, 0.2, 0, 500)).toBe(0.2);
  });

  it('of lithium stops below freezing; a room that nobody measured is a room', () => {
    expect([tooCold(PACK, -1), tooCold(PACK, 0), tooCold(PACK, undefined), tooCold(LEAD, -10)]).toEqual([true, false, false, false]);
  });

  it('law: the minutes to a charge lead to that charge, and two halves are a whole', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(share, share, fc.double({ min: 1, max: 200, noNaN: true }), fc.constantFrom(PACK, LEAD), (one, other, watts, battery) => {
        const [from, to] = [Math.min(one, other), Math.max(one, other)];
        const minutes = chargeMinutes(battery, from, to, watts);
        expect(chargeAfter(battery, from, watts, minutes)).toBeCloseTo(to, 9);
        const half = chargeAfter(battery, from, watts, minutes / 2);
        expect(chargeAfter(battery, half, watts, minutes / 2)).toBeCloseTo(to, 9);
      }),
    );
  });
});
