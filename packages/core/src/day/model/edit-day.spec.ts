import fc from 'fast-check';
import { LOW_WATER_DAY } from '../../demo/low-water-day';
import { missingFields } from '../../shape/missing-fields';
import { dayShape } from '../shape/day';
import type { Day } from '../shape/day';
import {
  STEP_MIN,
  withBattery,
  withBlock,
  withBlocksShifted,
  withCharger,
  withHands,
  withKind,
  withNewBlock,
  withNewHands,
  withNewPlace,
  withNewSwap,
  withoutBlocks,
  withoutHands,
  withoutKind,
  withoutPlace,
  withoutRig,
  withPlace,
  withRig,
  withSwap,
} from './edit-day';

const DAY = LOW_WATER_DAY.body;
const BLOCK = DAY.blocks[0]!;
const RIG = DAY.rigIds[0]!;
const place = DAY.places![0]!.id;
const SWAP = { rigId: RIG, seatId: 'v1', batteryId: 'v2', atMin: 600 };
const OWN = { id: 'k', name: 'Ceremony', like: 'record' } as const;

describe('a block', () => {
  it('is changed by itself, and a figure is taken out', () => {
    const changed = withBlock({ ...DAY, blocks: [{ ...BLOCK, name: 'Slip' }, DAY.blocks[1]!] }, BLOCK.id, { name: undefined, kind: 'off' });
    expect(changed.blocks[0]).toMatchObject({ id: BLOCK.id, kind: 'off' });
    expect(changed.blocks[0]).not.toHaveProperty('name');
    expect(changed.blocks[1]).toBe(DAY.blocks[1]);
  });

  it('comes after the last of its rig, at the same place, and at nine where there is none', () => {
    const own = DAY.blocks.filter(({ rigId }) => rigId === RIG);
    const last = own.reduce((latest, block) => (block.toMin > latest.toMin ? block : latest));
    expect(withNewBlock(DAY, RIG, 'new').blocks.at(-1)).toMatchObject({ id: 'new', fromMin: last.toMin, toMin: last.toMin + 60 });
    expect(withNewBlock(DAY, RIG, 'new').blocks.at(-1)!.placeId).toBe(last.placeId);
    expect(withNewBlock({ ...DAY, blocks: [] }, RIG, 'new').blocks).toEqual([{ id: 'new', rigId: RIG, kind: 'record', fromMin: 540, toMin: 600 }]); // prettier-ignore
  });

  it('law: however it is shifted, it stays in the plan and lasts a step at least', () => {
    const all = new Set(DAY.blocks.map(({ id }) => id));
    const by = fc.integer({ min: -3000, max: 3000 });
    fc.assert(
      fc.property(by, by, (fromBy, toBy) => {
        for (const { fromMin, toMin } of withBlocksShifted(DAY, all, fromBy, toBy).blocks) {
          expect(fromMin).toBeGreaterThanOrEqual(0);
          expect(toMin).toBeLessThanOrEqual(DAY.days * 1440);
          expect(toMin - fromMin).toBeGreaterThanOrEqual(STEP_MIN);
        }
      }),
    );
    expect(withBlocksShifted(DAY, new Set(), 60, 60).blocks).toEqual(DAY.blocks);
  });

  it('that is deleted is gone', () => {
    expect(withoutBlocks(DAY, new Set([BLOCK.id])).blocks).toHaveLength(DAY.blocks.length - 1);
  });
});

describe('a swap', () => {
  it('is added in the middle of the first block of its rig, changed, and taken out', () => {
    const own = DAY.blocks.filter(({ rigId }) => rigId === RIG).sort((a, b) => a.fromMin - b.fromMin)[0]!;
    const day = withNewSwap({ ...DAY, swaps: [] }, SWAP);
    expect(day.swaps).toEqual([{ ...SWAP, atMin: Math.round((own.fromMin + own.toMin) / 2) }]);
    const locked = withSwap(day, day.swaps![0]!, { locked: true });
    expect(locked.swaps![0]).toMatchObject({ locked: true });
    expect(withSwap(locked, locked.swaps![0]!, { locked: false }).swaps![0]).not.toHaveProperty('locked');
    expect(withSwap(locked, locked.swaps![0]!, undefined).swaps).toEqual([]);
  });
});

describe('what goes takes with it what hung on it', () => {
  it('a rig its blocks and swaps', () => {
    const without = withoutRig({ ...DAY, swaps: [SWAP] }, RIG);
    expect(without.rigIds).not.toContain(RIG);
    expect(without.blocks.some(({ rigId }) => rigId === RIG)).toBe(false);
    expect(without.swaps).toEqual([]);
    expect(withRig(without, RIG).rigIds).toContain(RIG);
  });

  it('a place its chargers, hands and the say of blocks', () => {
    const day: Day = { ...DAY, hands: [{ from: 0, to: 60, placeId: place }], chargers: [{ gearId: 'c', placeId: place }] };
    const without = withoutPlace(withBlock(day, BLOCK.id, { placeId: place }), place);
    expect(without.places!.some(({ id }) => id === place)).toBe(false);
    expect(without.blocks.some(({ placeId }) => placeId === place)).toBe(false);
    expect([without.chargers, without.hands]).toEqual([[], []]);
  });

  it('a charger its charges', () => {
    const day: Day = {
      ...DAY,
      chargers: [],
      charges: [{ batteryId: 'b', chargerId: 'c', fromMin: 0 }] as unknown as Day['charges'] & object,
    };
    expect(withCharger(day, 'c', 'quay')).toMatchObject({ chargers: [{ gearId: 'c', placeId: 'quay' }], charges: [{ chargerId: 'c' }] });
    expect(withCharger(day, 'c', undefined)).toMatchObject({ chargers: [], charges: [] });
  });

  it('a kind of one’s own only its name: blocks stay what it was like', () => {
    const day = withBlock({ ...DAY, kinds: [OWN] }, BLOCK.id, { ownKindId: 'k' });
    expect(withKind(day, 'k', { like: 'off' }).blocks[0]).toMatchObject({ kind: 'off', ownKindId: 'k' });
    const without = withoutKind(day, 'k');
    expect(without).not.toHaveProperty('kinds');
    expect(without.blocks[0]).not.toHaveProperty('ownKindId');
  });
});

describe('places, batteries and hands', () => {
  it('a new place has a name that is free; a figure of one is taken out', () => {
    const day = withNewPlace(withNewPlace({ ...DAY, places: [] }));
    expect(day.places!.map(({ id }) => id)).toEqual(['place-1', 'place-2']);
    const left = withoutPlace(day, 'place-1');
    expect(withNewPlace(left).places!.map(({ id }) => id)).toEqual(['place-2', 'place-3']);
    expect(withPlace(withPlace(day, 'place-1', { outletW: 200 }), 'place-1', { outletW: undefined }).places).toEqual(day.places);
  });

  it('a battery says what is said of it, and nothing when that is taken back', () => {
    const bare: Day = { ...DAY, batteries: [] };
    const said = withBattery(withBattery(bare, 'b', { startCharge: 0.5 }), 'b', { apart: true });
    expect(said.batteries).toEqual([{ gearId: 'b', startCharge: 0.5, apart: true }]);
    expect(withBattery(said, 'b', { apart: false }).batteries).toEqual([{ gearId: 'b', startCharge: 0.5 }]);
    expect(withBattery(said, 'b', undefined).batteries).toEqual([]);
  });

  it('hands by their place in the list', () => {
    const day = withNewHands({ ...DAY, hands: [] });
    expect(withHands(day, 0, { from: 500 }).hands).toEqual([{ from: 500, to: 1320 }]);
    expect(withoutHands(day, 0).hands).toEqual([]);
  });

  it('every edit leaves a sound day', () => {
    for (const day of [
      withNewPlace(DAY),
      withNewHands(DAY),
      withNewBlock(DAY, RIG, BLOCK.id),
      withNewSwap(DAY, { rigId: RIG, seatId: RIG, batteryId: RIG }),
    ])
      expect(missingFields(dayShape, day)).toEqual([]);
  });
});
