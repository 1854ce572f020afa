import fc from 'fast-check';
import { dayOfRigs, HOUSE, pack } from '../../../testing/day';
import { planFigures } from '../run/plan-figures';
import type { PlanFigures } from '../run/plan-figures';
import type { DaySimulation } from '../run/simulate';
import type { Block, Cards, Day } from '../shape/day';
import { compareCost, costOf } from './judge/plan-cost';
import { planCards } from './plan-cards';
import { planDay } from './plan-day';

const CARDS: Cards = { id: 'a', rigId: 'R', deviceId: 'R-camera', count: 4, minutes: 60 };
type Blocks = readonly (Pick<Block, 'fromMin' | 'toMin'> & Partial<Block>)[];

function dayWith(cards: Partial<Cards>, blocks: Blocks, day: Partial<Day> = {}, wh = 500, packs = 1): DaySimulation {
  return dayOfRigs({
    rigs: { R: [20, 'p0'] },
    gear: Object.fromEntries(Array.from({ length: packs }, (_, index) => [`p${index}`, pack(wh)])),
    blocks: blocks.map((block) => ({ rigId: 'R', placeId: 'house', ...block })),
    day: { places: [HOUSE], cards: [{ ...CARDS, ...cards }], ...day },
  });
}
const figuresWith = (simulation: DaySimulation, minutes: readonly number[]): PlanFigures =>
  planFigures(simulation, { swaps: [], charges: [], cardChanges: minutes.map((atMin) => ({ cardsId: 'a', atMin })) });
const at = (simulation: DaySimulation): readonly number[] => planCards(simulation, []).map(({ atMin }) => atMin);

describe('changes of card in a plan', () => {
  it('lie in pauses, as late as they may wait', () => {
    const blocks = [{ fromMin: 600, toMin: 630 }, { fromMin: 640, toMin: 665 }, { fromMin: 680, toMin: 735 }]; // prettier-ignore
    const [only, ...more] = at(dayWith({}, blocks));
    expect(more).toEqual([]);
    expect(only).toBeGreaterThanOrEqual(665);
    expect(only).toBeLessThanOrEqual(680);
  });

  it('never interrupt what must not be, where a change before it helps', () => {
    const blocks = [{ fromMin: 600, toMin: 640 }, { fromMin: 650, toMin: 700, uninterrupted: true }]; // prettier-ignore
    const simulation = dayWith({}, blocks);
    const changes = at(simulation);
    expect(changes).toHaveLength(1);
    expect(figuresWith(simulation, changes)).toMatchObject({ interruptions: 0, unrecordedMin: 0 });
  });

  it('are one visit with a battery that is changed in the same pause', () => {
    // the battery lasts two blocks, the card three: both go in the second pause
    const blocks = [0, 1, 2, 3].map((turn) => ({ fromMin: 600 + 60 * turn, toMin: 650 + 60 * turn }));
    const simulation = dayWith({ minutes: 155, count: 2 }, blocks, {}, 42, 2);
    const plan = planDay(simulation);
    expect(plan.cost).toMatchObject({ interruptions: 0, swaps: 1, unrecordedMin: 0 });
    expect(plan.figures).toMatchObject({ changes: 1, cardChanges: 1, cardVisits: 0 });
  });

  it('draw a battery into the pause of a card, where it can wait or go sooner', () => {
    // the card must go in the second pause; the battery would last into the third
    const blocks = [0, 1, 2, 3].map((turn) => ({ fromMin: 600 + 60 * turn, toMin: 650 + 60 * turn }));
    const simulation = dayWith({ minutes: 110, count: 2 }, blocks, {}, 62, 2);
    const plan = planDay(simulation);
    expect(plan.figures).toMatchObject({ gapMin: 0, unrecordedMin: 0, changes: 1, cardChanges: 1, cardVisits: 0 });
  });

  it('stay where a person locked them, or where they have happened', () => {
    const blocks = [{ fromMin: 600, toMin: 720 }];
    const locked = { cardsId: 'a', atMin: 630, locked: true };
    expect(planCards(dayWith({}, blocks, { cardChanges: [locked] }), [])).toContain(locked);
    const past = { cardsId: 'a', atMin: 610 };
    expect(planCards(dayWith({}, blocks, { cardChanges: [past] }), [], 615)).toContain(past);
    expect(planCards(dayWith({}, blocks, { cardChanges: [past] }), [])).not.toContain(past);
  });

  it('are as good as the best of all that can be made of a small day', () => {
    const small = fc.record({
      minutes: fc.constantFrom(35, 50, 80),
      count: fc.integer({ min: 1, max: 3 }),
      slots: fc.integer({ min: 1, max: 2 }),
      copyMin: fc.constantFrom(undefined, 15, 60),
      lengths: fc.array(fc.tuple(fc.constantFrom(30, 45, 70), fc.constantFrom(0, 10, 30), fc.boolean()), { minLength: 2, maxLength: 3 }),
    });
    fc.assert(
      fc.property(small, ({ lengths, copyMin, ...cards }) => {
        let from = 600;
        const blocks = lengths.map(([long, rest, uninterrupted]) => {
          const block = { fromMin: from, toMin: from + long, uninterrupted };
          from += long + rest;
          return block;
        });
        const simulation = dayWith({ ...cards, ...(copyMin !== undefined && { copyMin }) }, blocks);
        const found = figuresWith(simulation, at(simulation));
        const moments = [...new Set(blocks.flatMap(({ fromMin, toMin }) => [fromMin - 1, fromMin, toMin, fromMin + 15]))].filter(
          (minute) => minute >= 600 && minute < from,
        );
        const tries = [[], ...moments.flatMap((a, place) => [[a], ...moments.slice(place).flatMap((b) => [[a, b]])])];
        for (const minutes of tries) {
          const other = figuresWith(simulation, minutes);
          expect(compareCost(costOf(found, 0), costOf(other, 0))).toBeLessThanOrEqual(0);
        }
      }),
      { numRuns: 60, seed: 7 },
    );
  });
});
