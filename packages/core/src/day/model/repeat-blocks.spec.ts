import fc from 'fast-check';
import type { Block, Day } from '../shape/day';
import { clockAt } from './clock';
import { repeatBlocks } from './repeat-blocks';

const RIG = '0d0c0000-0000-4000-8000-000000000901';
let ids = 0;
const newId = (): string => `0d0c0000-0000-4000-8000-${String(++ids).padStart(12, '0')}`;
const block = (fromMin: number, toMin: number): Block => ({ id: newId(), rigId: RIG, kind: 'record', fromMin, toMin });
const dayWith = (blocks: readonly Block[], more: Partial<Day> = {}): Day => ({
  name: 'Quay',
  date: '2026-01-12',
  days: 1,
  rigIds: [RIG],
  blocks,
  ...more,
});

describe('blocks repeated', () => {
  it('stand on every following day at the same clock times, and the plan becomes as long as that', () => {
    const day = dayWith([block(540, 600)]);
    const { day: longer, added } = repeatBlocks(day, new Set([day.blocks[0]!.id]), 4, newId);
    expect(longer.days).toBe(5);
    expect(added.map(({ fromMin }) => clockAt(longer, fromMin))).toMatchObject([1, 2, 3, 4].map((at) => ({ day: at, time: '09:00' })));
  });

  it('keep their clock times over a night on which the clocks change', () => {
    const day = dayWith([block(540, 600)], { date: '2026-03-28', zone: 'Europe/Berlin' });
    const { day: longer, added } = repeatBlocks(day, new Set([day.blocks[0]!.id]), 2, newId);
    expect(added.map(({ fromMin }) => clockAt(longer, fromMin).time)).toEqual(['09:00', '09:00']);
    expect(added[0]!.fromMin).toBe(540 + 23 * 60);
  });

  it('are left out where the rig is in another block, and told', () => {
    const day = dayWith([block(540, 600), block(1440 + 570, 1440 + 630)], { days: 2 });
    expect(repeatBlocks(day, new Set([day.blocks[0]!.id]), 2, newId)).toMatchObject({ leftOut: 1, added: [{ fromMin: 540 + 2880 }] });
  });

  it('end with the 31st day', () => {
    const day = dayWith([block(540, 600)]);
    const { day: longer, leftOut } = repeatBlocks(day, new Set([day.blocks[0]!.id]), 40, newId);
    expect([longer.days, leftOut]).toEqual([31, 10]);
  });

  it('never overlap a block of their rig', () => {
    const time = fc.tuple(fc.integer({ min: 0, max: 3000 }), fc.integer({ min: 10, max: 1600 }));
    fc.assert(
      fc.property(fc.array(time, { minLength: 1, maxLength: 6 }), fc.integer({ min: 1, max: 5 }), (times, count) => {
        const apart = times.reduce<Block[]>((kept, [from, length]) => {
          const one = block(from, from + length);
          return kept.some((other) => other.fromMin < one.toMin && one.fromMin < other.toMin) ? kept : [...kept, one];
        }, []);
        const day = dayWith(apart, { days: 4 });
        const { day: longer } = repeatBlocks(day, new Set(apart.map(({ id }) => id)), count, newId);
        const sorted = [...longer.blocks].sort((a, b) => a.fromMin - b.fromMin);
        sorted.slice(1).forEach(({ fromMin }, index) => expect(fromMin).toBeGreaterThanOrEqual(sorted[index]!.toMin));
      }),
      { numRuns: 60, seed: 4 },
    );
  });
});
