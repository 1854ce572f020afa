import { dayOfRigs, HOUSE, pack } from '../../../testing/day';
import type { Device } from '../../gear/gear';
import type { Block, Cards, Day } from '../shape/day';
import { runCards } from './card-run';
import type { CardsRun } from './card-run';

const CARDS: Cards = { id: 'a', rigId: 'R', deviceId: 'R-camera', count: 3, minutes: 60 };

interface Case {
  readonly cards?: Partial<Cards>;
  readonly blocks: readonly (Pick<Block, 'fromMin' | 'toMin'> & Partial<Block>)[];
  readonly at?: readonly number[];
  readonly day?: Partial<Day>;
  readonly device?: Partial<Device>;
}

function run({ cards, blocks, at = [], day, device }: Case): CardsRun {
  const simulation = dayOfRigs({
    rigs: { R: [20, 'v'] },
    gear: { v: pack(500) },
    blocks: blocks.map((block) => ({ rigId: 'R', ...block })),
    day: { places: [HOUSE], cards: cards && [{ ...CARDS, ...cards }], cardChanges: at.map((atMin) => ({ cardsId: 'a', atMin })), ...day },
  });
  const gear = new Map(simulation.gear);
  gear.set('R-camera', { ...gear.get('R-camera')!, ...device } as Device);
  return runCards(simulation.day, gear, simulation.rigs, simulation.hands);
}
const spans = ({ stops }: CardsRun) => stops.map(({ why, fromMin, toMin }) => [why, fromMin, toMin]);

describe('cards', () => {
  it('fill while a block records, and stop the recording when they are full', () => {
    const found = run({ cards: {}, blocks: [{ fromMin: 600, toMin: 690 }] });
    expect(spans(found)).toEqual([['card-full', 660, 690]]);
    expect(found.stays).toMatchObject([{ card: 1, fromFull: 0, toFull: 1 }]);
  });

  it('tell how full each is over time, and in which of two the recording goes', () => {
    const { stays } = run({ cards: { slots: 2, minutes: 60 }, blocks: [{ fromMin: 600, toMin: 630 }, { fromMin: 700, toMin: 760 }] }); // prettier-ignore
    const full = (card: number, at: number): number => {
      const points = stays.find((stay) => stay.card === card)!.filling;
      const [before, after] = [points.findLast(({ minute }) => minute <= at)!, points.find(({ minute }) => minute >= at)!];
      const share = after.minute === before.minute ? 0 : (at - before.minute) / (after.minute - before.minute);
      return before.full + share * (after.full - before.full);
    };
    expect([600, 615, 650, 715, 740].map((at) => full(1, at))).toEqual([0, 0.25, 0.5, 0.75, 1]);
    expect([615, 730, 745, 760].map((at) => full(2, at))).toEqual([0, 0, 0.25, 0.5]);
    for (const { filling, toFull } of stays) expect(filling.at(-1)!.full).toBe(toFull);
  });

  it('do not fill while the rig stands by, or its recording device is off', () => {
    const found = run({
      cards: {},
      blocks: [
        { fromMin: 600, toMin: 700, kind: 'stand-by' },
        { fromMin: 700, toMin: 800, devices: [{ gearId: 'R-camera', mode: 'off' }] },
      ],
    });
    expect(found.stops).toEqual([]);
    expect(found.stays).toMatchObject([{ toFull: 0 }]);
  });

  it('hold what is said of the mode', () => {
    const modes: Device['modes'] = [{ id: 'top', name: 'top', draw: { basis: 'maker', powerW: 20 } }];
    const found = run({
      cards: { modes: [{ mode: 'top', minutes: 20 }] },
      blocks: [
        { fromMin: 600, toMin: 615, devices: [{ gearId: 'R-camera', mode: 'top' }] },
        { fromMin: 615, toMin: 645 },
      ],
      device: { modes },
    });
    // three quarters of it in the top mode, then 15 of 60 minutes
    expect(spans(found)).toEqual([['card-full', 630, 645]]);
  });

  it('are changed for an emptier one: in a pause for nothing, while it records for the minutes of a change', () => {
    const blocks = [
      { fromMin: 600, toMin: 650 },
      { fromMin: 660, toMin: 710 },
    ];
    expect(run({ cards: {}, blocks, at: [652] }).stops).toEqual([]);
    expect(spans(run({ cards: { changeMin: 2 }, blocks, at: [670] }))).toEqual([['card-change', 670, 672]]);
    expect(spans(run({ cards: {}, blocks, at: [670] }))).toEqual([['card-change', 670, 671]]);
  });

  it('stay where no emptier one is there, and that is told', () => {
    const found = run({ cards: { count: 1 }, blocks: [{ fromMin: 600, toMin: 700 }], at: [660] });
    expect(found.changes).toMatchObject([{ out: 1, card: undefined, outFull: 1 }]);
    expect(spans(found)).toEqual([['card-full', 660, 700]]);
  });

  it('go on by themselves where the device holds two, and a full one is changed while the other records', () => {
    const found = run({ cards: { slots: 2 }, blocks: [{ fromMin: 600, toMin: 780 }], at: [661] });
    expect(found.stops).toEqual([]);
    expect(found.changes).toMatchObject([{ out: 1, card: 3, takesMin: 0 }]);
    // the one that records cannot come out for nothing
    expect(spans(run({ cards: { slots: 2 }, blocks: [{ fromMin: 600, toMin: 660 }], at: [630] }))).toEqual([['card-change', 630, 631]]);
  });

  it('are copied one after the other while somebody is there, and can go in again then', () => {
    const blocks = [
      { fromMin: 600, toMin: 660, placeId: 'house' },
      { fromMin: 700, toMin: 760, placeId: 'house' },
      { fromMin: 800, toMin: 860, placeId: 'house' },
    ];
    const two = { count: 2, copyMin: 30, copyPlaceId: 'house' };
    const found = run({ cards: two, blocks, at: [660, 760] });
    expect(found.copies).toMatchObject([
      { card: 1, fromMin: 660, toMin: 690 },
      { card: 2, fromMin: 760, toMin: 790 },
      { card: 1, fromMin: 860, toMin: 890 },
    ]);
    expect(found.stops).toEqual([]);
    expect(found.lots).toMatchObject([{ cardsId: 'a', notCopied: 0 }]);
    // nobody is there before eight in the evening
    const late = run({ cards: two, blocks, at: [660, 760], day: { hands: [{ placeId: 'house', from: 1200, to: 1380 }] } });
    expect(late.changes[1]).toMatchObject({ card: undefined });
    expect(late.copies[0]!.fromMin).toBe(1200);
  });

  it('come to the place where they are copied with the rig, and go with it before its day', () => {
    const places = [HOUSE, { id: 'hill', name: 'Hill', power: 'none' as const }];
    const blocks = [
      { fromMin: 600, toMin: 660, placeId: 'hill' },
      { fromMin: 700, toMin: 760, placeId: 'hill' },
      { fromMin: 1440 + 600, toMin: 1440 + 660, placeId: 'hill' },
    ];
    const found = run({
      cards: { count: 2, copyMin: 30, copyPlaceId: 'house' },
      blocks,
      at: [660, 760, 1440 + 600],
      day: { days: 2, places },
    });
    // no card is empty at the second change; both are copied after the day, and the first goes in next morning
    expect(found.changes.map(({ card }) => card)).toEqual([2, undefined, 1]);
    expect(found.copies[0]).toMatchObject({ card: 1, fromMin: 760 });
  });

  it('that are full at the start are not put in, and wait to be copied', () => {
    const found = run({ cards: { full: 2, copyMin: 20 }, blocks: [{ fromMin: 600, toMin: 630 }] });
    expect(found.stays).toMatchObject([{ card: 3, fromFull: 0, toFull: 0.5 }]);
    expect(found.copies).toMatchObject([{ card: 1, full: 1 }, { card: 2, full: 1 }, { card: 3, full: 0.5 }]); // prettier-ignore
  });

  it('count by the block where only its minutes of media are said', () => {
    expect(spans(run({ blocks: [{ fromMin: 600, toMin: 700, mediaMin: 70 }] }))).toEqual([['card-full', 670, 700]]);
  });
});

describe('longest takes and heat', () => {
  it('end a take at its longest; the next is started at once by who is there', () => {
    const found = run({ blocks: [{ fromMin: 600, toMin: 670 }], device: { limits: { takeMin: 30 } } });
    expect(found.stops).toEqual([]);
    expect(found.takeEnds.map(({ atMin }) => atMin)).toEqual([630, 660]);
  });

  it('begin anew with a changed card', () => {
    const found = run({ cards: {}, at: [620], blocks: [{ fromMin: 600, toMin: 660 }], device: { limits: { takeMin: 30 } } });
    expect(found.takeEnds.map(({ atMin }) => atMin)).toEqual([650]);
  });

  it('stop the recording where nobody is there to go on', () => {
    const hands = [{ from: 0, to: 620 }];
    const found = run({ blocks: [{ fromMin: 600, toMin: 670 }], day: { hands }, device: { limits: { takeMin: 30 } } });
    expect(spans(found)).toEqual([['take-over', 630, 670]]);
  });

  it('shut a device off in the warm, until it has cooled', () => {
    const limits = { hotMin: 40, hotFromC: 30, coolMin: 20 };
    const blocks = [{ fromMin: 600, toMin: 700 }];
    expect(spans(run({ blocks, device: { limits }, day: { temperatureC: 35 } }))).toEqual([['too-hot', 640, 660]]);
    expect(spans(run({ blocks, device: { limits }, day: { temperatureC: 20 } }))).toEqual([]);
  });

  it('let a pause cool it', () => {
    const limits = { hotMin: 40, coolMin: 40 };
    const blocks = [
      { fromMin: 600, toMin: 630 },
      { fromMin: 640, toMin: 665 },
    ];
    // 30 of 40 minutes of heat, 10 cooled away: 20 more
    expect(spans(run({ blocks, device: { limits } }))).toEqual([['too-hot', 660, 665]]);
  });

  it('count in the mode that they are said of', () => {
    const modes: Device['modes'] = [{ id: 'top', name: 'top', draw: { basis: 'maker', powerW: 20 }, limits: { takeMin: 20 } }];
    const block = { fromMin: 600, toMin: 650 };
    expect(run({ blocks: [block], device: { modes } }).takeEnds).toEqual([]);
    expect(run({ blocks: [{ ...block, devices: [{ gearId: 'R-camera', mode: 'top' }] }], device: { modes } }).takeEnds).toHaveLength(2);
  });
});
