import { PERCENT } from '../../../testing/hazard-rigs';
import { build, camera, DTAP, judge, pack, splitter, wire } from '../../../testing/rig-builder';
import type { Built } from '../../../testing/rig-builder';
import type { Battery, Gear, Hub } from '../../gear/gear';
import type { Rig } from '../drawn/rig';

const LEAD_OHM = 0.02;
const joiner = (count: number, resistanceOhm: number): Hub =>
  splitter(1, {
    name: 'Joining plate',
    inputOrder: 'together',
    resistanceOhm,
    inputs: Array.from({ length: count }, (_, place) => ({ takes: 'window', id: `in${place}`, name: `Input ${place}`, connector: DTAP, minV: 5, maxV: 30 })),
    outputs: [{ gives: 'pack', id: 'p1', name: 'Out', connector: DTAP, maxA: 30 }],
  }); // prettier-ignore

/** Batteries side by side through leads of their own, what they carry together behind one resistance. */
function sideBySide(
  batteries: readonly Battery[],
  { powerW, sharedOhm = 0, minV = 9, changes = {} }: { powerW: number; sharedOhm?: number; minV?: number; changes?: Partial<Rig> },
): Built {
  const parts: Readonly<Record<string, Gear>> = Object.fromEntries<Gear>(batteries.flatMap((battery, at) => [[`b${at}`, { ...battery, name: `Pack ${at}` }], [`l${at}`, wire({ resistanceOhm: LEAD_OHM, maxA: 20 })]])); // prettier-ignore
  return build(
    { ...parts, hub: joiner(batteries.length, sharedOhm), out: wire({ resistanceOhm: 0, maxA: 40 }), camera: camera({}, powerW, { minV, maxV: 30 }) },
    [...batteries.map((_one, at) => [`b${at}.out`, `hub.in${at}`, `l${at}`] as const), ['hub.p1', 'camera.in', 'out']],
    changes,
  ); // prettier-ignore
}

/** One battery that holds and resists what they all do, through one lead that resists what theirs do. */
const asOne = (battery: Battery, leads: number, options: { powerW: number; sharedOhm?: number; minV?: number }): Built => {
  const { rig, gear } = sideBySide([battery], options);
  return { rig, gear: new Map(gear).set('l0', wire({ resistanceOhm: LEAD_OHM / leads, maxA: 40 })).set('hub', { ...joiner(1, options.sharedOhm ?? 0), inputOrder: 'one-by-one' }) };
}; // prettier-ignore

const strong = (changes: Partial<Battery> = {}): Battery => pack({ outputs: [{ gives: 'pack', id: 'out', name: 'D-tap', connector: DTAP, maxA: 20 }], ...changes }); // prettier-ignore
const minutes = (built: Built): number => judge(built).firstStopMin!;
const codes = (built: Built): readonly string[] => judge(built).findings.flatMap(({ code, verdict }) => (verdict === 'stop' ? [code] : []));
const leadAcid = (energyWh: number, resistanceOhm: number): Battery =>
  strong({ chemistry: 'agm', cellsInSeries: 6, energyWh, resistanceOhm, cutoffV: 10.8, maxA: 40 });

describe('batteries that feed one node are one circuit', () => {
  it.each([2, 3, 4])('%i alike last as one that is so many times as large, the shared lead carrying the sum', (count) => {
    for (const [powerW, sharedOhm] of [[30, 0], [60, 0.1], [60, 0.4], [90, 0.3]] as const) {
      const all = sideBySide(Array.from({ length: count }, () => strong()), { powerW, sharedOhm });
      const one = asOne(strong({ energyWh: 95 * count, resistanceOhm: 0.09 / count }), count, { powerW, sharedOhm });
      expect(minutes(all) / minutes(one)).toBeCloseTo(1, 3);
    }
  }); // prettier-ignore

  it('behind 0.4 ohm that is far less than twice one by itself', () => {
    const options = { powerW: 90, sharedOhm: 0.4, minV: 9 };
    // the drop of the sum: 90 W at 12 V are 7.5 A, and 3 V of it are lost in the lead
    const [two, ideal] = [sideBySide([strong(), strong()], options), sideBySide([strong(), strong()], { ...options, sharedOhm: 0 })];
    expect(minutes(two)).toBeLessThan(0.85 * minutes(ideal));
  });

  it('that are all empty run for no minute, and are judged as one that is empty', () => {
    const options = { powerW: 30, changes: { startCharge: 0 } };
    const [two, one] = [judge(sideBySide([strong(), strong()], options)), judge(sideBySide([strong()], options))];
    expect([two.firstStopMin, two.verdict]).toEqual([0, one.verdict]);
    const currents = two.sources.flatMap(({ run }) => (run.start ? [run.start.packA] : []));
    for (const amps of currents) expect(Number.isFinite(amps)).toBe(true);
  });

  it('lead-acid is hurried by its own share, not by the whole', () => {
    // 2 × 33 Ah at 51 W: 4.3 A, 2.1 A each; the label is the pace of 1.65 A
    const two = minutes(sideBySide([leadAcid(396, 0.03), leadAcid(396, 0.03)], { powerW: 51, minV: 10 }));
    const one = minutes(asOne(leadAcid(792, 0.015), 2, { powerW: 51, minV: 10 }));
    expect(two / one).toBeCloseTo(1, 3);
    const hurried = minutes(asOne(leadAcid(396, 0.03), 1, { powerW: 51, minV: 10 }));
    // Peukert: twice the amp-hours at half the pace are 2 × 2^0.12 as long
    expect(two / hurried).toBeGreaterThan(2 * 2 ** 0.1);
  });

  it('limits are judged on what flows in each: two of 8 A carry what neither could', () => {
    const limited = (): Battery => strong({ maxA: 8 });
    expect(codes(sideBySide([limited(), limited()], { powerW: 130 }))).toEqual([]);
    expect(codes(sideBySide([limited()], { powerW: 130 }))).toContain('over-current');
    expect(codes(sideBySide([limited(), limited()], { powerW: 260 }))).toContain('over-current');
  });

  it('each is shown with its own current, what hangs behind with all of it', () => {
    const { findings } = judge(sideBySide([strong(), strong()], { powerW: 60 }));
    const flow = (to: string): number => findings.find(({ code, part, connectionId }) => code === 'current-fits' && part === to && connectionId !== undefined)!.numbers.find(({ name }) => /start|full/.test(name))!.value; // prettier-ignore
    const [each, all] = [flow('Pack 0'), flow('Joining plate')];
    expect(all / each).toBeCloseTo(2, 2);
  });

  it('unequal ones give as they hold, and are empty together', () => {
    const [large, small] = [strong(), strong({ energyWh: 47.5, resistanceOhm: 0.18 })];
    const one = asOne(strong({ energyWh: 142.5, resistanceOhm: 0.06 }), 1, { powerW: 60 });
    expect(minutes(sideBySide([large, small], { powerW: 60 })) / minutes(one)).toBeCloseTo(1, 1);
    const half = { batteries: [{ gearId: 'b0', startCharge: 1 }, { gearId: 'b1', startCharge: 0.9 }] }; // prettier-ignore
    expect(minutes(sideBySide([strong(), strong()], { powerW: 60, changes: half }))).toBeLessThan(minutes(sideBySide([strong(), strong()], { powerW: 60 }))); // prettier-ignore
  });

  it('a device that is 1 % over what they give together stops, and under it does not', () => {
    const limited = (): Battery => strong({ maxA: 8, resistanceOhm: 0 });
    const at = (powerW: number): Built => sideBySide([limited(), limited()], { powerW });
    // each 8 A from 16.76 V through 20 mΩ
    const mostW = 2 * 8 * (4 * 4.19 - 8 * LEAD_OHM);
    expect(codes(at(mostW / PERCENT)).filter((code) => code === 'over-current')).toEqual([]);
    expect(codes(at(mostW * PERCENT))).toContain('over-current');
  });
});
