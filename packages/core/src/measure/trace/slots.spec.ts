import fc from 'fast-check';
import { slotsFromBytes, slotsToBytes } from './slots-bytes';
import { coarser, KEPT_SLOTS, keptSlots, slotsView } from './slots-view';
import { inSlots } from './trace';
import type { Trace } from './trace';

const trace = (seconds: number, hz: number, watts: (index: number) => number): Trace => {
  const timeS = Float64Array.from({ length: Math.round(seconds * hz) }, (_, index) => index / hz);
  return { timeS, powerW: timeS.map((_, index) => watts(index)) };
};

describe('kept slots', () => {
  it('are as fine as the samples of a short recording', () => {
    const slots = keptSlots(trace(100, 5, (index) => index));
    expect([slots.slotS, slots.meanW.length]).toEqual([0.2, 500]);
    expect(slots.meanW[7]).toBe(7);
  });

  it('are no more than a picture needs of a long one', () => {
    const slots = keptSlots(trace(6000, 100, () => 5));
    expect(slots.meanW.length).toBeLessThanOrEqual(KEPT_SLOTS);
    expect(slots.samples.reduce((sum, count) => sum + count, 0)).toBe(600_000);
  });

  it('have no holes where samples only come unevenly, and a gap where there is one', () => {
    const uneven = trace(60, 10, () => 4);
    const timeS = uneven.timeS.map((second, index) => second * 1.013 + (index % 3) * 0.02 + (index > 300 ? 20 : 0));
    const slots = keptSlots({ timeS, powerW: uneven.powerW });
    const empty = [...slots.samples].filter((count) => count === 0).length * slots.slotS;
    expect(Math.abs(empty - 20)).toBeLessThan(1);
  });

  it('of nothing are none', () => expect(keptSlots({ timeS: new Float64Array(), powerW: new Float64Array() }).meanW).toHaveLength(0));
});

describe('a window of slots', () => {
  const slots = inSlots(trace(1000, 2, (index) => (index === 777 ? 90 : 10)), 0.5); // prettier-ignore

  it('loses no spike, however wide it is', () => {
    for (const most of [10, 100, 400]) {
      const { columns } = slotsView(slots, 0, 1000, most);
      expect(columns.length).toBeLessThanOrEqual(most);
      expect(Math.max(...columns.map(({ highestW }) => highestW!))).toBe(90);
    }
  });

  it('shows a gap as one', () => {
    const gapped = inSlots({ timeS: Float64Array.of(0, 1, 50, 51), powerW: Float64Array.of(5, 5, 7, 7) }, 1);
    expect(slotsView(gapped, 0, 52, 52).columns[20]).toEqual({ timeS: 20.5, meanW: null, lowestW: null, highestW: null });
  });

  it('law: means of coarser slots are those of the finer ones, and lows and highs hold', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 50, noNaN: true }), { minLength: 1, maxLength: 200 }),
        fc.integer({ min: 1, max: 9 }),
        (watts, factor) => {
          const fine = inSlots(trace(watts.length, 1, (index) => watts[index]!), 1); // prettier-ignore
          const rough = coarser(fine, factor);
          const mean = (one: typeof fine) => one.meanW.reduce((sum, value, at) => sum + value * one.samples[at]!, 0) / watts.length; // one sample a slot
          expect(mean(rough)).toBeCloseTo(mean(fine), 9);
          expect(Math.max(...rough.highestW)).toBe(Math.max(...watts));
          expect(Math.min(...rough.lowestW)).toBe(Math.min(...watts));
        },
      ),
    );
  });
});

describe('slots as bytes', () => {
  it('come back as they were, to seven digits', () => {
    const slots = inSlots(trace(50, 4, (index) => 10 + Math.sin(index)), 0.5); // prettier-ignore
    const back = slotsFromBytes(slotsToBytes(slots))!;
    expect([back.slotS, back.samples]).toEqual([0.5, slots.samples]);
    back.meanW.forEach((watts, at) => expect(Math.abs(watts / slots.meanW[at]! - 1)).toBeLessThan(1e-6));
    expect([...back.highestW]).toEqual([...slots.highestW].map(Math.fround));
  });

  it('of another kind, or cut short, are none', () => {
    const bytes = slotsToBytes(inSlots(trace(5, 1, () => 1), 1)); // prettier-ignore
    expect(slotsFromBytes(bytes.slice(0, -1))).toBeUndefined();
    expect(slotsFromBytes(new Uint8Array(5))).toBeUndefined();
    expect(slotsFromBytes(new TextEncoder().encode('time,watts\n1,2\n3,4\n5,6\n'))).toBeUndefined();
  });
});
