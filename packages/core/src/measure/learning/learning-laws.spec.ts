import { rigModel } from '../../answer/rig-model';
import { LOW_WATER } from '../../demo/low-water';
import type { Battery, Device, Gear } from '../../gear/gear';
import type { Rig } from '../../rig/drawn/rig';
import { batteriesOf } from '../../rig/drawn/rig-batteries';
import { feedLossTo, rigInMode, rigOnBattery, runOn, through } from '../feed-loss/feed-loss';
import type { Log } from '../feed-loss/log';
import type { Observation } from '../log/observation';
import { playedRig, rigSignal } from '../meter/rig-signal';
import { readTrace } from '../trace/read-trace';
import { healthHistory } from './health-history';
import { learnedDraws } from './log-draws';
import { planAgainstDay } from './plan-against-day';

/**
 * The world of the demo plays its own rigs, and the log is to learn from that what they were played with: whatever is
 * taken off on the way to a figure must have been put on by the simulation.
 */
const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
const WARM = 25;

interface Case {
  readonly name: string;
  readonly rigId: string;
  readonly rig: Rig;
  readonly deviceId: string;
  readonly batteryId: string;
  /** What the rig's own figures say the device draws. */
  readonly drawW: number;
}

/** Every device of the demo that a battery feeds in a rig that runs, warm and full, so that its label is what it gives. */
const cases: readonly Case[] = [...rigs].flatMap(([rigId, original]) => {
  const { batteries: _states, startCharge: _charge, phases: _phases, ...bare } = original;
  const rig: Rig = { ...bare, temperatureC: WARM };
  const model = rigModel(rig, gear);
  if (!model.system) return [];
  return batteriesOf(rig, gear).flatMap((batteryId) => {
    const run = runOn(model, batteryId);
    return rig.devices.flatMap(({ gearId }) => {
      const drawW = model.draws?.usual.get(gearId)?.powerW;
      const fed = run?.loads.some(({ id, energyWh }) => id === gearId && energyWh > 0);
      return fed && drawW !== undefined
        ? [{ name: `${rig.name}: ${gear.get(gearId)!.name}`, rigId, rig, deviceId: gearId, batteryId, drawW }]
        : [];
    });
  });
});
const log = (observations: readonly Observation[], rigId: string, rig: Rig, kit: ReadonlyMap<string, Gear> = gear): Log => ({
  observations: observations.map((body, index) => ({ id: `o${index}`, body })),
  recordings: [],
  gear: kit,
  rigs: new Map(rigs).set(rigId, rig),
});

describe('the demo', () => {
  it('has enough rigs to learn from', () => expect(cases.length).toBeGreaterThanOrEqual(10));
});

describe.each(cases)('$name', ({ rigId, rig, deviceId, batteryId, drawW }) => {
  const battery = gear.get(batteryId) as Battery;
  const run = runOn(rigModel(rig, gear), batteryId)!;
  const mode = rig.devices.find(({ gearId }) => gearId === deviceId)!.modeId;
  const ofMode = mode === undefined ? {} : { modeId: mode };

  it('watts at its battery, through the way of its rig, are its own draw', () => {
    const loss = feedLossTo(deviceId, batteryId, rig, gear)!;
    expect(loss.lostShare).toBeGreaterThanOrEqual(0);
    expect(loss.lostShare).toBeLessThan(0.6);
    const meanW = run.packWh / (run.minutes / 60);
    expect(Math.abs(through(meanW, loss) / drawW - 1)).toBeLessThan(0.02);
  });

  it('a meter at its battery that plays it tells its draw within what it says of itself', () => {
    const parts = [{ modeId: mode ?? 'usual', seconds: 600 }];
    const { voltageV, currentA, stepS } = rigSignal(rig, gear, { deviceId, batteryId, parts, mostS: 600 })!;
    const { segments } = readTrace({
      timeS: voltageV.map((_, at) => at * stepS),
      powerW: voltageV.map((volts, at) => volts * currentA[at]!),
    });
    expect(segments).toHaveLength(1);
    const seen: Observation = { kind: 'segment', at: '2026-01-07', deviceId, rigId, ...ofMode, batteryId, atBattery: true, meanW: segments[0]!.meanW, spreadW: segments[0]!.spreadW, seconds: 600 }; // prettier-ignore
    const [row] = learnedDraws(log([seen], rigId, rig));
    expect(Math.abs(row!.learnt!.meanW - drawW)).toBeLessThan(3 * row!.learnt!.sigmaW);
  });

  it('a run-down as the plan has it gives the draw back, and says how sure it is', () => {
    const usable = run.packWh;
    const kit = new Map<string, Gear>(gear).set(batteryId, {
      ...battery,
      energyWh: usable,
      from: { ...battery.from, energyWh: 'measured' },
    });
    const down: Observation = {
      kind: 'run-down',
      at: '2026-01-07',
      deviceId,
      ...ofMode,
      batteryId,
      rigId,
      minutes: run.minutes,
      temperatureC: WARM,
    };
    const [row] = learnedDraws(log([down], rigId, rig, kit));
    const { meanW, sigmaW } = row!.learnt!;
    expect(Math.abs(meanW - drawW)).toBeLessThan(3 * sigmaW);
    expect(sigmaW / meanW).toBeGreaterThan(0.01);
  });

  it('a longer run-down is never a greater draw', () => {
    const learnt = (minutes: number) => {
      const down: Observation = { kind: 'run-down', at: '2026-01-07', deviceId, ...ofMode, batteryId, rigId, minutes, temperatureC: WARM };
      return learnedDraws(log([down], rigId, rig))[0]!.evidence[0]!.estimate?.meanW ?? -Infinity;
    };
    expect(learnt(run.minutes * 1.2)).toBeLessThanOrEqual(learnt(run.minutes));
  });
});

describe('a meter at one of several batteries', () => {
  const several = cases.find(({ deviceId, rigId }) => cases.filter((one) => one.rigId === rigId && one.deviceId === deviceId).length > 1)!;
  const { rigId, rig, deviceId, batteryId } = several;
  const seen: Observation = { kind: 'segment', at: '2026-01-07', deviceId, rigId, atBattery: true, meanW: 20, spreadW: 0.2, seconds: 600 };

  it('tells nothing of the device until it is said which', () => {
    const [row] = learnedDraws(log([seen], rigId, rig));
    expect(row!.learnt).toBeUndefined();
    expect(row!.evidence[0]!.lacks).toContain('which of its batteries');
    expect(learnedDraws(log([{ ...seen, batteryId }], rigId, rig))[0]!.learnt).toBeDefined();
  });
});

describe('a run as planned', () => {
  const [first] = cases;

  it('is within its own range, and no bias is found', () => {
    const { rigId, rig, batteryId } = first!;
    const { minutes } = runOn(rigModel(rig, gear), batteryId)!;
    const body: Observation = { kind: 'set-run', at: '2026-01-07', rigId, batteryId, minutes, ended: 'died', temperatureC: WARM };
    const [told] = planAgainstDay(log([body], rigId, rig));
    expect(told!.runs[0]!.fit).toBe('within');
    expect(told!.says.code).toBe('plan-right');
  });

  it('tells the capacity that it was played with, at a draw that a meter told', () => {
    const { rigId, rig, batteryId, deviceId } = first!;
    const camera = gear.get(deviceId) as Device;
    const kit = new Map<string, Gear>(gear).set(deviceId, {
      ...camera,
      draw: { basis: 'meter', voltageV: 8, currentA: first!.drawW / 8, at: 'device' },
    });
    const run = runOn(rigModel(rig, kit), batteryId)!;
    const down: Observation = { kind: 'run-down', at: '2026-01-07', deviceId, batteryId, rigId, minutes: run.minutes, temperatureC: WARM };
    const { now } = healthHistory(batteryId, gear.get(batteryId) as Battery, log([down], rigId, rig, kit), '2026-01-10');
    expect(Math.abs(now!.energyWh / run.packWh - 1)).toBeLessThan(0.02);
    expect(now!.lowWh).toBeLessThan(run.packWh);
    expect(now!.highWh).toBeGreaterThan(run.packWh);
  });
});

describe('a rig in a mode', () => {
  const [, rig] = [...rigs].find(([, { name }]) => name === 'Wheelhouse, everything on one V-mount')!;
  const monitor = [...gear].find(([, { name }]) => name === 'Lysning 7 monitor-recorder')![0];

  it('is the same but for that device, and `usual` is no mode of its own', () => {
    const dim = rigInMode(rig, monitor, 'dim');
    expect(dim.devices.find(({ gearId }) => gearId === monitor)).toMatchObject({ modeId: 'dim' });
    expect(dim.devices.filter(({ gearId }) => gearId !== monitor)).toEqual(rig.devices.filter(({ gearId }) => gearId !== monitor));
    expect(rigInMode(dim, monitor, 'usual')).toEqual(rigInMode(rig, monitor, 'usual'));
    expect(rigInMode(dim, monitor, 'usual').devices.find(({ gearId }) => gearId === monitor)).not.toHaveProperty('modeId');
  });

  it('is played through all of its modes, off before them', () => {
    const played = playedRig(rig, gear, { secondsEach: 30, deviceId: monitor, mostS: 90 })!;
    const watts = [15, 45, 75].map((second) => played.voltageV[second]! * played.currentA[second]!);
    expect(watts[1]! - watts[0]!).toBeGreaterThan(14); // its usual 14.9 W, and what is lost for them
    expect(watts[2]! - watts[0]!).toBeGreaterThan(8.9);
    expect(watts[2]!).toBeLessThan(watts[1]!);
    expect(playedRig({ ...rig, links: [] }, gear, { secondsEach: 30 })).toBeUndefined();
  });

  it('on a battery of another form is no rig', () => {
    const cell = [...gear].find(([, body]) => body.kind === 'battery' && body.form === 'camera')![0];
    expect(rigOnBattery(rig, cell, gear)).toBeUndefined();
  });
});
