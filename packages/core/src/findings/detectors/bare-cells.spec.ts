import { build, camera, judge, pack } from '../../../testing/rig-builder';
import type { Built } from '../../../testing/rig-builder';
import type { Battery } from '../../gear/gear';
import { CHEMISTRIES } from '../../tables/chemistries';
import type { FindingLevel } from '../verdict';

const PERCENT = 1.01;
/** A pack with no board, and what its load does without. */
const on = (battery: Partial<Battery>, minV: number | undefined, powerW = 5): Built => {
  const { cutoffV: _cutoffV, ...own } = pack(battery);
  return build({ pack: { ...own, ...battery }, camera: camera({}, powerW, { maxV: 30, minV: minV as number }) }, [
    ['pack.out', 'camera.in'],
  ]);
};
const found = (built: Built): FindingLevel | undefined => judge(built).findings.find(({ code }) => code === 'nothing-cuts-off')?.verdict;

describe.each([
  ['li-ion', 4],
  ['lifepo4', 4],
  ['agm', 6],
  ['nimh', 10],
] as const)('a %s pack that nothing cuts off', (chemistry, cellsInSeries) => {
  const bare: Partial<Battery> = { chemistry, cellsInSeries, protection: 'none', resistanceOhm: 0.01 };
  const { floorCellV, ocvPerCell } = CHEMISTRIES[chemistry];
  const floorV = cellsInSeries * floorCellV;
  const emptyV = cellsInSeries * ocvPerCell[0]![1];

  it('is harmed where its load never stops, or stops below the floor of its cells', () => {
    expect(found(on(bare, floorV / PERCENT))).toBe('stop');
    expect(judge(on(bare, floorV / PERCENT)).verdict).toBe('stop');
  });

  it('is left alone by a load that stops above it: to be known', () => {
    // at the floor itself, and well above it
    expect([found(on(bare, floorV)), found(on(bare, floorV * PERCENT))]).toEqual(['note', 'note']);
    const { findings } = judge(on(bare, emptyV * PERCENT));
    const told = findings.find(({ code }) => code === 'nothing-cuts-off')!;
    expect(told.remedy).toContain('set an alarm at');
    expect(told.numbers.find(({ name }) => name === 'ends at')!.value).toBeGreaterThanOrEqual(floorV);
  });

  it('runs on to where its load really stops, and not to a cut-off that it has not', () => {
    const [board, none] = [on({ ...bare, protection: 'board' }, emptyV * 0.9), on(bare, emptyV * 0.9)].map(judge);
    expect(none!.run!.cause).toBe('empty');
    expect(none!.firstStopMin!).toBeGreaterThanOrEqual(board!.firstStopMin!);
  });

  it('says nothing of one with a board, and of one that is stopped at volts that nobody knows', () => {
    expect(found(on({ ...bare, protection: 'board' }, floorV / PERCENT))).toBeUndefined();
    expect(found(on(bare, undefined))).toBeUndefined();
  });
});

describe('a cut-off of its own', () => {
  it('counts where the battery has a board or says so, not where it says that it has none', () => {
    const typed: Partial<Battery> = { chemistry: 'agm', cellsInSeries: 6, cutoffV: 10.8 };
    expect(found(on(typed, 6))).toBeUndefined();
    expect(found(on({ ...typed, protection: 'none' }, 6))).toBe('stop');
  });

  it('of alkaline cells is missed with a caution: they leak, and are thrown away', () => {
    expect(found(on({ chemistry: 'alkaline', cellsInSeries: 8, energyWh: 28 }, 3, 0.5))).toBe('caution');
  });
});
