import { adapter, battery, BY_DTAP, BY_PD, CONTACTS, device, IN_CAMERA, rigOf } from '../../testing/rig-parts';
import type { Parts } from '../../testing/rig-parts';
import type { Draw } from '../gear/draw-shape';
import type { Device } from '../gear/gear';
import { shotsDraw } from '../rig/resolved/draws/draw';
import { settledTests, testedHere, withTestsSettled } from '../rig/resolved/draws/test-feed';
import { assess } from './assess';

const TEST: Draw = { basis: 'run-down', energyWh: 50, minutes: 150 };
const FEEDS: Readonly<Record<string, Parts>> = {
  'the bay': { ...IN_CAMERA, battery: battery(CONTACTS, 2, 50) },
  'D-tap and adapter': BY_DTAP,
  'a poor adapter': { ...BY_DTAP, adapter: adapter({ efficiency: 0.75 }) },
  'Power Delivery': BY_PD,
};

function watts(parts: Parts, draw: Draw, modeId?: string): number {
  const body: Device = { ...parts.device, ...(modeId === undefined && { draw }) };
  const { rig, gear } = rigOf({ ...parts, device: body });
  return assess(rig, gear).figures.find(({ basis }) => basis.of === 'draw')!.value;
}

describe('how a test was fed', () => {
  it('is listed as assumed while nobody says it', () => {
    const { rig, gear } = rigOf({ ...BY_DTAP, device: { ...device(), draw: TEST } });
    const told = assess(rig, gear).figures.find(({ basis }) => basis.of === 'test-feed');
    expect(told).toMatchObject({ from: 'assumed', part: 'Camera' });
    expect(told!.value).toBeGreaterThan(0.09);
  });

  it.each(Object.keys(FEEDS))('said as through %s, it is the same watts on every feed, and the test comes out to the minute', (name) => {
    const { rig, gear } = rigOf({ ...FEEDS[name]!, device: { ...FEEDS[name]!.device, draw: TEST } });
    const draw = testedHere(rig, gear, rig.devices[0]!.gearId, TEST)!;
    expect(draw).toMatchObject({ basis: 'run-down', energyWh: 50, minutes: 150 });
    const all = Object.values(FEEDS).map((parts) => watts(parts, draw));
    for (const one of all) expect(one).toBeCloseTo(all[0]!, 9);
    const again = rigOf({ ...FEEDS[name]!, device: { ...FEEDS[name]!.device, draw } });
    expect(Math.round(assess(again.rig, again.gear).run!.minutes)).toBe(150);
  });

  it('straight from the battery, in that battery’s own bay, comes out to the minute too', () => {
    const { rig, gear } = rigOf({ ...FEEDS['the bay']!, device: { ...device(), draw: { ...TEST, lostShare: 0 } } });
    expect(Math.round(assess(rig, gear).run!.minutes)).toBe(150);
  });

  it.each(Object.keys(FEEDS))('is read through %s as it was then, however cold or low the battery in the rig is now', (name) => {
    const { rig, gear } = rigOf({ ...FEEDS[name]!, device: { ...FEEDS[name]!.device, draw: TEST } });
    const id = rig.devices[0]!.gearId;
    const then = testedHere(rig, gear, id, TEST) as { lostShare: number };
    for (const now of [{ temperatureC: -10 }, { temperatureC: 40 }, { startCharge: 0.4 }]) {
      const told = testedHere({ ...rig, ...now }, gear, id, TEST) as { lostShare: number };
      expect(told.lostShare).toBeCloseTo(then.lostShare, 3);
    }
  });

  it('is settled for every mode of a rig’s devices before another feed is tried, and only there', () => {
    const meter: Draw = { basis: 'meter', voltageV: 15, currentA: 1, at: 'battery' };
    const body: Device = {
      ...device(),
      modes: [
        { id: 'top', name: 'Top', draw: TEST },
        { id: 'low', name: 'Low', draw: meter },
      ],
    };
    const { rig, gear } = rigOf({ ...BY_DTAP, device: body });
    const [settled] = settledTests(rig, gear);
    expect(settled!.body.draw).toBe(body.draw);
    for (const { draw } of settled!.body.modes!) expect('lostShare' in draw && draw.lostShare).toBeGreaterThan(0.08);
    expect(settledTests(rig, withTestsSettled(rig, gear))).toEqual([]);
    expect(withTestsSettled({ ...rig, links: [] }, gear)).toBe(gear);
  });
});

describe('shots a charge', () => {
  const counted = { basis: 'shots-a-charge', shots: 385, energyWh: 14.7, shotsPerHour: 60 } as const;

  it('at the pace they were counted at use the battery up in as many hours', () => {
    for (const standbyW of [0, 0.5, 1]) expect(shotsDraw({ ...counted, standbyW }).meanW).toBeCloseTo((14.7 * 60) / 385, 9);
  });

  it('cost more each at a slower pace, and nothing less than the standby', () => {
    const slow = shotsDraw({ ...counted, standbyW: 1, countedPerHour: 120 });
    expect(slow.shotJ).toBeCloseTo((14.7 * 3600) / 385 - 30, 9);
    expect(slow.meanW).toBeGreaterThan((14.7 * 60) / 385);
    expect(shotsDraw({ ...counted, standbyW: 50 })).toEqual({ shotJ: 0, meanW: 50 });
  });
});
