import fc from 'fast-check';
import { combineDraws } from './combine-draws';

/** An estimate with an error of its own, and some that others share. */
const estimate = (meanW: number, own: number, shared: Readonly<Record<string, number>> = {}) => ({
  meanW,
  errors: { own, shared: Object.entries(shared).map(([source, sigma]) => ({ source, sigma })) },
});

describe('several observations', () => {
  it('count by how sure they are', () => {
    const { shares, meanW } = combineDraws([estimate(10, 1), estimate(12, 3)])!;
    expect(shares[0]).toBeGreaterThan(0.75);
    expect(shares[0]! + shares[1]!).toBeCloseTo(1, 9);
    expect(meanW).toBeCloseTo(shares[0]! * 10 + shares[1]! * 12, 9);
  });

  it('do not make surer what they share', () => {
    const twelve = combineDraws(Array.from({ length: 12 }, (_, day) => ({ ...estimate(18 + 0.1 * (day % 3), 0.1, { battery: 0.72 }), at: `2026-01-${String(day + 10)}` })))!; // prettier-ignore
    const one = combineDraws([estimate(18, 0.1, { battery: 0.72 })])!;
    expect(twelve.sigmaW).toBeGreaterThan(0.72);
    expect(twelve.sigmaW).toBeLessThan(one.sigmaW);
  });

  it('learn how much a draw differs from day to day', () => {
    const days = (by: number) => combineDraws([-1, 1, -1, 1, 0, 1, -1, 0].map((off, day) => ({ ...estimate(18 * (1 + by * off), 0.05), at: `2026-01-1${day}` })))!.dayShare; // prettier-ignore
    expect(days(0.002)).toBeLessThan(0.025);
    expect(days(0.06)).toBeGreaterThan(0.04);
    const sameDay = combineDraws(Array.from({ length: 8 }, () => ({ ...estimate(18, 0.05), at: '2026-01-10' })))!;
    expect(sameDay.sigmaW).toBeGreaterThan(0.03 * 18);
  });

  it('count half as much after a year', () => {
    const { shares } = combineDraws([{ ...estimate(10, 1), at: '2025-01-07' }, { ...estimate(10, 1), at: '2026-01-07' }])!; // prettier-ignore
    expect(shares[1]! / shares[0]!).toBeCloseTo(2, 1);
  });

  it('question one that disagrees, count it less, and leave out what a person set aside', () => {
    const estimates = [10, 10.2, 9.9, 16].map((watts) => estimate(watts, 0.3));
    const learnt = combineDraws(estimates)!;
    expect(learnt.doubtful).toEqual([3]);
    expect(learnt.shares[3]).toBeGreaterThan(0);
    expect(learnt.shares[3]).toBeLessThan(0.05);
    expect(learnt.without!.meanW).toBeCloseTo(10.03, 1);
    const decided = combineDraws(estimates.map((one, index) => ({ ...one, setAside: index === 3 })))!;
    expect([decided.doubtful, decided.without, decided.shares[3]]).toEqual([[], undefined, 0]);
    expect(decided.meanW).toBeCloseTo(10.03, 1);
  });

  it('question both of two that disagree, and are as unsure as they are apart', () => {
    const learnt = combineDraws([estimate(10, 0.2), estimate(16, 0.2)])!;
    expect(learnt.doubtful).toEqual([0, 1]);
    expect(learnt.without).toBeUndefined();
    expect(2 * learnt.sigmaW).toBeGreaterThan(3);
  });

  const arbitrary = fc.record({
    meanW: fc.double({ min: 1, max: 30, noNaN: true }),
    own: fc.double({ min: 0.01, max: 3, noNaN: true }),
    battery: fc.constantFrom('battery a', 'battery b'),
    sigma: fc.double({ min: 0, max: 2, noNaN: true }),
  });
  const learntOf = (some: readonly { meanW: number; own: number; battery: string; sigma: number }[]) =>
    combineDraws(some.map(({ meanW, own, battery, sigma }) => estimate(meanW, own, { [battery]: sigma })))!;

  it('law: lie between the least and the most, whatever their order', () => {
    fc.assert(
      fc.property(fc.array(arbitrary, { minLength: 1, maxLength: 8 }), (some) => {
        const learnt = learntOf(some);
        const means = some.map(({ meanW }) => meanW);
        expect(learnt.meanW).toBeGreaterThanOrEqual(Math.min(...means) - 1e-9);
        expect(learnt.meanW).toBeLessThanOrEqual(Math.max(...means) + 1e-9);
        const back = learntOf([...some].reverse());
        expect(back.meanW / learnt.meanW).toBeCloseTo(1, 6);
        expect(back.doubtful).toEqual(learnt.doubtful.map((place) => some.length - 1 - place).sort((a, b) => a - b));
      }),
    );
  });

  it('law: twice the watts are twice the watts', () => {
    fc.assert(
      fc.property(fc.array(arbitrary, { minLength: 1, maxLength: 6 }), (some) => {
        const double = learntOf(some.map((one) => ({ ...one, meanW: 2 * one.meanW, own: 2 * one.own, sigma: 2 * one.sigma })));
        expect(double.meanW / learntOf(some).meanW).toBeCloseTo(2, 6);
        expect(double.sigmaW / learntOf(some).sigmaW).toBeCloseTo(2, 6);
      }),
      { numRuns: 50 },
    );
  });

  it('of none is nothing', () => {
    expect(combineDraws([])).toBeUndefined();
    expect(combineDraws([{ ...estimate(1, 1), setAside: true }])).toBeUndefined();
  });
});
