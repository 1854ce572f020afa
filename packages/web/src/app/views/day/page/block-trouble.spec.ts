import { DaySimulation } from '@viaggio/core/day';
import type { Block, DayRun } from '@viaggio/core/day';
import { LOW_WATER, LOW_WATER_DAY } from '@viaggio/core/demo';
import { troubleOf } from './block-trouble';

const day = LOW_WATER_DAY.body;
const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
const run = new DaySimulation(day, gear, rigs).run();
const quiet: DayRun = { ...run, blocks: [], gaps: [], cards: { ...run.cards, stops: [], takeEnds: [] } };
const block: Block = { ...day.blocks[0]!, uninterrupted: true };
const known = { day, run: quiet, device: () => 'Skuadon 60', chance: undefined, wanted: 0.95 };
const ofBlock = { blockId: block.id, gapMin: 0, changeMin: 0, interruptions: 0, unrecordedMin: 0 } as DayRun['blocks'][number];

describe('what keeps a block from going as it should', () => {
  it('is nothing where it has power, records and is sure enough', () => {
    expect(troubleOf(block, known)).toBeUndefined();
    expect(troubleOf(block, { ...known, chance: 0.95 })).toBeUndefined();
  });

  it('is no power before all else, with the minute from which it lacks', () => {
    const gap = run.gaps.find(({ why }) => why !== 'change')!;
    const dark = {
      ...quiet,
      gaps: [{ ...gap, blockId: block.id }],
      blocks: [{ ...ofBlock, gapMin: 12.2, interruptions: 1, changeMin: 2 }],
    };
    expect(troubleOf(block, { ...known, run: dark, chance: 0.1 })).toMatchObject({
      is: 'stop',
      cause: 'has no power',
      says: expect.stringContaining('13 min in all'),
    });
  });

  it('is a change of battery in a block that must not be interrupted', () => {
    const changed = { ...quiet, blocks: [{ ...ofBlock, interruptions: 1, changeMin: 1.5 }] };
    expect(troubleOf(block, { ...known, run: changed })).toMatchObject({ is: 'stop', says: 'off for 2 min while a battery is changed.' });
  });

  it('is a card that is full: a stop where the block is protected, else a caution', () => {
    const stop = {
      blockId: block.id,
      deviceId: 'camera',
      why: 'full',
      fromMin: block.fromMin,
      toMin: block.toMin,
    } as unknown as DayRun['cards']['stops'][number];
    const full = { ...quiet, cards: { ...quiet.cards, stops: [stop] }, blocks: [{ ...ofBlock, unrecordedMin: 7 }] };
    expect(troubleOf(block, { ...known, run: full })).toMatchObject({
      is: 'stop',
      says: expect.stringContaining('7 min not recorded in all'),
    });
    expect(troubleOf({ ...block, uninterrupted: false }, { ...known, run: full })).toMatchObject({ is: 'caution' });
  });

  it('is a take that ends, only where it must not be interrupted', () => {
    const end = { blockId: block.id, deviceId: 'camera', atMin: block.fromMin + 30 } as unknown as DayRun['cards']['takeEnds'][number];
    const ends = { ...quiet, cards: { ...quiet.cards, takeEnds: [end] } };
    expect(troubleOf(block, { ...known, run: ends })?.cause).toMatch(/longest take/);
    expect(troubleOf({ ...block, uninterrupted: false }, { ...known, run: ends })).toBeUndefined();
  });

  it('is a chance below the one asked for', () => {
    expect(troubleOf(block, { ...known, chance: 0.8 })).toMatchObject({
      is: 'caution',
      says: expect.stringMatching(/^lasts in 80.% of runs/),
    });
  });
});
