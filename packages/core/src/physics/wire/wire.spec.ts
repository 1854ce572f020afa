import fc from 'fast-check';
import { FUSE_SIZES_A } from '../../tables/conductors';
import { ampacity, areaOfAwg, fuseFor, leadOhm } from './wire';

describe('wire', () => {
  it.each([
    [10, 5.26],
    [18, 0.823],
    [20, 0.518],
    [24, 0.205],
    [28, 0.081],
  ])('AWG %d is %f mm²', (gauge, areaMm2) => expect(areaOfAwg(gauge)).toBeCloseTo(areaMm2, 2));

  it('a metre of 0.5 mm² there and back is 69 mΩ and its contacts', () => {
    expect(leadOhm(1, 0.5)).toBeCloseTo(0.06896 + 0.02, 6);
    expect(leadOhm(2, 0.5) - leadOhm(1, 0.5)).toBeCloseTo(0.06896, 6);
  });

  it('copper warms by 0.39 % a degree', () => {
    expect((leadOhm(1, 0.5, { temperatureC: 40 }) - 0.02) / (leadOhm(1, 0.5) - 0.02)).toBeCloseTo(1.078, 9);
  });

  it('carries what the table says, straight between its points, and never more for thinner wire', () => {
    expect(ampacity(0.5)).toBe(6);
    expect(ampacity(0.625)).toBeCloseTo(7.5, 9);
    expect(ampacity(0.025)).toBeCloseTo(0.35, 9);
    // beyond the table no more is promised
    expect([ampacity(6), ampacity(10), ampacity(50), ampacity(95)]).toEqual([36, 50, 123, 123]);
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 60, noNaN: true }), fc.double({ min: 0, max: 20, noNaN: true }), (areaMm2, more) => {
        expect(ampacity(areaMm2 + more)).toBeGreaterThanOrEqual(ampacity(areaMm2) - 1e-9);
      }),
      { seed: 2 },
    );
  });

  it.each([
    [0.5, 1],
    [1.6, 2],
    [4, 5],
    [4.01, 7.5],
    [16, 20],
    [16.1, undefined],
  ])('a fuse for %f A continuous is %p A', (amps, size) => {
    expect(fuseFor(amps)).toBe(size);
    if (size !== undefined) expect(FUSE_SIZES_A).toContain(size);
  });
});
