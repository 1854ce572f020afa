import { camera, charger, dayOfRigs, HOUSE, pack } from '../../../../testing/day';
import { chance } from '../../../run/random';
import { FlatDay } from '../judge/flat-day';
import type { FlatSwap } from '../judge/quick-moves';
import { PlanChanges } from './plan-changes';
import { momentsOf } from './plan-moments';
import { byTime } from './plan-order';
import { PlanWays } from './plan-ways';

const FROM_MIN = 0;

/** Two rigs on V-mounts beside a battery that fits neither. */
function world(seed: number) {
  const other = pack(40, { outputs: [{ gives: 'pack', id: 'm', name: 'Bay', connector: { type: 'bay', family: 'S' }, maxA: 4 }] });
  const simulation = dayOfRigs({
    rigs: { one: [20, 'a'], two: [25, 'b'] },
    gear: { a: pack(98), b: pack(98), c: pack(98), d: pack(140), other, charger: charger(60, 2), unused: camera(5) },
    blocks: [
      { rigId: 'one', fromMin: 480, toMin: 720 },
      { rigId: 'one', fromMin: 780, toMin: 1000 },
      { rigId: 'two', fromMin: 500, toMin: 900 },
    ],
    day: { places: [HOUSE] },
  });
  const flat = new FlatDay(simulation);
  const random = chance(seed);
  const moments = flat.rigs.map((rig) => momentsOf(flat, rig, FROM_MIN));
  const ways = new PlanWays(flat, random, moments, FROM_MIN);
  return { flat, ways, changes: new PlanChanges(flat, random, moments, ways, FROM_MIN) };
}

const CHANGES = ['withoutOne', 'otherBattery', 'otherMoment', 'exchanged', 'withOneMore'] as const;

describe('small changes of a plan', () => {
  it('a seat takes what sits on its mount, and nothing else', () => {
    const { flat, ways } = world(1);
    const fitting = ways.fitting(0).map((battery) => flat.batteries[battery]!.id);
    expect(fitting).toEqual(expect.arrayContaining(['a', 'b', 'c', 'd']));
    expect(fitting).not.toContain('other');
  });

  it.each(CHANGES)('law: %s leaves what is kept, fits every seat, keeps the order of time, and is another plan', (kind) => {
    const { flat, ways, changes } = world(28);
    let changed = 0;
    for (let turn = 0; turn < 200; turn++) {
      const kept: FlatSwap = { seat: 0, battery: ways.fitting(0)[2]!, atMin: 600, kept: true };
      const plan: readonly FlatSwap[] = [
        kept,
        { seat: 1, battery: ways.fitting(1)[3]!, atMin: 640 },
        { seat: 0, battery: ways.fitting(0)[0]!, atMin: 730 },
      ];
      const next = changes[kind](plan);
      if (!next) continue;
      changed++;
      expect(next).toContain(kept);
      expect([...next].sort(byTime)).toEqual(next);
      for (const { seat, battery } of next) expect(ways.fits(seat, battery)).toBe(true);
      for (const { seat, atMin } of next) expect(atMin).toBeLessThanOrEqual(flat.rigs[flat.seats[seat]!.rig]!.toMin);
      expect(next.length - plan.length).toBe(kind === 'withoutOne' ? -1 : kind === 'withOneMore' ? 1 : 0);
    }
    expect(changed).toBeGreaterThan(10);
  });

  it('of a plan without changes there is nothing to take away, move or exchange', () => {
    const { changes } = world(3);
    for (const kind of ['withoutOne', 'otherBattery', 'otherMoment', 'exchanged'] as const) expect(changes[kind]([])).toBeUndefined();
    // nor a day before where there is but one
    expect(changes.asTheDayBefore([])).toBeUndefined();
  });

  it('helps a rig after its last change and before it wants for power', () => {
    const { flat, ways } = world(5);
    const found = ways.waysFor([{ seat: 0, battery: ways.fitting(0)[1]!, atMin: 500 }], 0, 700);
    expect(found.length).toBeGreaterThan(0);
    for (const { seat, atMin } of found) {
      expect(flat.seats[seat]!.rig).toBe(0);
      expect(atMin).toBeGreaterThan(500);
    }
  });
});
