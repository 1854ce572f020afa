import { chance } from './random';

describe('chance', () => {
  it('is the same for the same seed on every machine: written down once', () => {
    const { uniform, normal } = chance(7);
    expect([uniform(), uniform(), normal()].map((value) => value.toFixed(12))).toMatchInlineSnapshot(`
     [
       "0.999999998254",
       "0.972534129047",
       "-1.546854689717",
     ]
    `);
  });

  it('is uniform between 0 and 1, and normal with mean 0 and deviation 1', () => {
    const { uniform, normal } = chance(3);
    const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
    const flat = Array.from({ length: 20_000 }, uniform);
    expect(Math.min(...flat)).toBeGreaterThan(0);
    expect(Math.max(...flat)).toBeLessThan(1);
    expect(mean(flat)).toBeCloseTo(0.5, 2);
    const bell = Array.from({ length: 20_000 }, normal);
    expect(mean(bell)).toBeCloseTo(0, 1);
    expect(Math.sqrt(mean(bell.map((value) => value * value)))).toBeCloseTo(1, 1);
    const within = (sigmas: number) => bell.filter((value) => Math.abs(value) < sigmas).length / bell.length;
    expect(within(1)).toBeCloseTo(0.683, 1.7);
    expect(within(2)).toBeCloseTo(0.954, 1.7);
  });
});
