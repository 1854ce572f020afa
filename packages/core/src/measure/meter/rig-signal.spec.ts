import { spoken } from '../../../testing/spoken';
import { assess } from '../../answer/assess';
import { LOW_WATER } from '../../demo/low-water';
import { LOW_WATER_LOG } from '../../demo/low-water-log';
import { rigOnBattery } from '../feed-loss/feed-loss';
import { planAgainstDay } from '../learning/plan-against-day';
import { readTrace } from '../trace/read-trace';
import { rigSignal } from './rig-signal';

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
const [rigId, wheelhouse] = [...rigs].find(([, { name }]) => name === 'Wheelhouse')!;
const deviceId = wheelhouse.devices[0]!.gearId;
const batteryId = wheelhouse.links[0]!.from.gearId;
const idOf = (tag: string) => [...gear].find(([, body]) => body.tag === tag)![0];

describe('a rig played to a meter', () => {
  it('runs as long as its answer says, and draws its watts at the battery', () => {
    const signal = rigSignal(wheelhouse, gear, { deviceId, batteryId, parts: [{ modeId: 'usual', seconds: 60 }] })!;
    const answer = assess(wheelhouse, gear);
    expect(Math.abs(signal.voltageV.length / 60 / answer.run!.minutes - 1)).toBeLessThan(0.002);
    const energyWh = signal.voltageV.reduce((sum, volts, at) => sum + (volts * signal.currentA[at]!) / 3600, 0);
    expect(Math.abs(energyWh / answer.run!.packWh - 1)).toBeLessThan(0.002);
  });

  it('goes through modes that its segments show again', () => {
    const parts = [{ modeId: 'off', seconds: 120 }, { modeId: 'usual', seconds: 300 }]; // prettier-ignore
    const { voltageV, currentA, stepS } = rigSignal(wheelhouse, gear, { deviceId, batteryId, parts, mostS: 840 })!;
    const { segments } = readTrace({
      timeS: voltageV.map((_, at) => at * stepS),
      powerW: voltageV.map((volts, at) => volts * currentA[at]!),
    });
    expect(segments.map(({ fromS }) => fromS)).toEqual([0, 120, 420, 540]);
    expect(segments[0]!.meanW).toBeLessThan(0.2);
    expect(segments[1]!.meanW).toBeCloseTo(18.4, 0);
  });

  it('is not there where a figure is missing', () => {
    const { draw: _draw, ...unknown } = gear.get(deviceId) as { draw?: unknown };
    const kit = new Map(gear).set(deviceId, unknown as never);
    expect(rigSignal(wheelhouse, kit, { deviceId, batteryId, parts: [{ modeId: 'usual', seconds: 60 }] })).toBeUndefined();
  });
});

describe('a rig on another battery', () => {
  it('has it in the place of one of its form', () => {
    expect(rigOnBattery(wheelhouse, batteryId, gear)).toBe(wheelhouse);
    const on = rigOnBattery(wheelhouse, idOf('V2'), gear)!;
    expect(on.links[0]!.from.gearId).toBe(idOf('V2'));
    expect(rigOnBattery(wheelhouse, idOf('K1'), gear)).toBeUndefined();
  });
});

describe('the plan against the day', () => {
  const against = (observations: typeof LOW_WATER_LOG) => planAgainstDay({ observations, recordings: [], gear, rigs });

  it('is told rig by rig, with what to measure next', () => {
    const found = against(LOW_WATER_LOG);
    expect(found.map(({ name }) => name)).toEqual(['Wheelhouse', 'Wheelhouse on the small battery', 'Deck']);
    const [first] = found;
    expect(first!.runs.map(({ ended, fit }) => [ended, fit])).toEqual([['swapped', undefined], ['died', 'within']]); // prettier-ignore
    expect(first!.bias).toBeCloseTo(271 / first!.runs[1]!.predicted!.p50Min, 9);
    expect(first!.measureNext[0]).toMatchObject({ what: { of: 'capacity' }, gearId: batteryId });
  });

  const run = (minutes: number, changes: object = {}) => [
    {
      id: 'o',
      body: { kind: 'set-run', at: '2026-01-07', rigId, batteryId, minutes, ended: 'died', temperatureC: 4, ...changes } as const,
    },
  ];

  it('says how far and to which side', () => {
    expect(spoken(against(run(200))[0])).toMatchObject({ runs: [{ fit: 'short' }], says: expect.stringMatching(/shorter than planned/) });
    expect(spoken(against(run(400))[0])).toMatchObject({ runs: [{ fit: 'long' }], says: expect.stringMatching(/longer than planned/) });
  });

  it('goes by the charge and the cold of that run', () => {
    const planned = (changes: object) => against(run(200, changes))[0]!.runs[0]!.predicted!.p50Min;
    expect(planned({ startCharge: 0.5 })).toBeLessThan(0.55 * planned({}));
    expect(planned({ temperatureC: -15 })).toBeLessThan(planned({}));
  });

  it('takes a swap for no proof, and nothing from a run set aside', () => {
    expect(spoken(against(run(100, { ended: 'swapped' }))[0])).toMatchObject({
      bias: undefined,
      says: expect.stringContaining('swapped before it died'),
    });
    expect(against(run(200, { setAside: true }))[0]!.bias).toBeUndefined();
  });

  it('says so where the rig cannot run on that battery', () => {
    expect(against(run(100, { batteryId: idOf('K1') }))[0]!.runs[0]!.predicted).toBeUndefined();
  });
});
