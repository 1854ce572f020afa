import { assess } from '../../answer/assess';
import { LOW_WATER } from '../../demo/low-water';
import { LOW_WATER_LOG, lowWaterRecording } from '../../demo/low-water-log';
import type { Device, Gear } from '../../gear/gear';
import type { Rig } from '../../rig/drawn/rig';
import { batteriesOf } from '../../rig/drawn/rig-batteries';
import { tellAnswer } from '../../words/en/answer/tell-answer';
import type { Log } from '../feed-loss/log';
import type { Observation } from '../log/observation';
import type { Recording } from '../log/recording';
import { atDevice, drawOfSegment, knownModes, learnedDraws } from './log-draws';
import type { DrawRow } from './log-draws';

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
const { entry: RECORDING } = lowWaterRecording();
const demo: Log = { observations: LOW_WATER_LOG, recordings: [RECORDING], gear, rigs };
const idOf = (name: string) => [...gear].find(([, body]) => body.name === name)![0];
const rigOf = (name: string) => [...rigs].find(([, body]) => body.name === name)![0];
const [CAMERA, STILLS] = [idOf('Skuadon 60'), idOf('Plovera R')];
const row = (rows: readonly DrawRow[], name: string) => rows.find(({ device }) => device === name)!;
const only = (...bodies: Observation[]): Log => ({
  ...demo,
  recordings: [],
  observations: bodies.map((body, index) => ({ id: `o${index}`, body })),
});
const runDown = (changes: Partial<Extract<Observation, { kind: 'run-down' }>> = {}): Observation => ({
  kind: 'run-down',
  at: '2026-01-03',
  deviceId: CAMERA,
  batteryId: idOf('Holmvik 95'),
  temperatureC: 25,
  minutes: 310,
  ...changes,
});

describe('draws learnt from a log', () => {
  it('come from all that was observed of a device in a mode, each by how sure it is', () => {
    const camera = row(learnedDraws(demo), 'Skuadon 60');
    expect(camera.learnt!.meanW).toBeCloseTo(16.8, 0);
    expect(camera.evidence.map(({ kind }) => kind)).toEqual(['run-down', 'part', 'two-point', 'segment', 'segment']);
    // a gauge of four bars says next to nothing beside a meter
    expect(camera.evidence[1]!.share).toBeLessThan(0.02);
    expect(camera.evidence[3]!.share).toBeGreaterThan(0.3);
    expect(camera.evidence.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
  });

  it('question the one that disagrees, and only that one, and count it until a person sets it aside', () => {
    const stills = row(learnedDraws(demo), 'Plovera R');
    expect(stills.evidence.map(({ doubtful }) => doubtful)).toEqual([false, false, true]);
    expect(stills.evidence[2]!.share).toBeGreaterThan(0);
    expect(stills.evidence[2]!.share).toBeLessThan(0.1);
    expect(stills.learnt!.without!.meanW).toBeLessThan(4.3);
    const observations = LOW_WATER_LOG.map((one) =>
      one.id === stills.evidence[2]!.id ? { ...one, body: { ...one.body, setAside: true } } : one,
    );
    const without = row(learnedDraws({ ...demo, observations }), 'Plovera R');
    expect(without.learnt!.meanW).toBeLessThan(4.2);
    expect(without.evidence[2]).toMatchObject({ setAside: true, share: 0, doubtful: false });
    expect(without.now).toMatchObject({ value: 5.2, from: 'printed', learnt: false });
  });

  it('take what the rig’s feed lost off, as a measured loss would', () => {
    const [byRig] = learnedDraws(only(runDown({ rigId: rigOf('Wheelhouse') })));
    expect(byRig!.evidence[0]!.estimate).toMatchObject({ at: 'device', formula: expect.stringContaining('as the rig has it') });
    expect(byRig!.learnt!.meanW).toBeCloseTo((95 / (310 / 60)) * (1 - 0.09), 0);
    const [measured] = learnedDraws(only(runDown({ lostShare: 0.2 })));
    expect(measured!.learnt!.meanW).toBeCloseTo((95 / (310 / 60)) * 0.8, 1);
  });

  it('go by the way in the mode of the test, not in the one the rig is left in', () => {
    const whole = rigOf('Wheelhouse, everything on one V-mount');
    const rig = rigs.get(whole)!;
    const monitor = idOf('Lysning 7 monitor-recorder');
    const batteryId = batteriesOf(rig, gear)[0]!;
    const test = (modeId?: string) =>
      runDown({ deviceId: monitor, rigId: whole, batteryId, minutes: 100, ...(modeId !== undefined && { modeId }) });
    const left = (modeId: string) => ({ ...rig, devices: rig.devices.map((use) => (use.gearId === monitor ? { ...use, modeId } : use)) });
    const dim = (withRig: Rig) => learnedDraws({ ...only(test('dim')), rigs: new Map(rigs).set(whole, withRig) })[0]!.learnt!.meanW;
    expect(dim(left('dim'))).toBe(dim(rig));
    expect(learnedDraws(only(test('dim')))[0]!.mode).toBe('dimmed to a third');
  });

  it('take what other devices drew off: the same camera on a battery that feeds four', () => {
    const whole = rigOf('Wheelhouse, everything on one V-mount');
    const minutes = 120;
    const batteryId = batteriesOf(rigs.get(whole)!, gear)[0]!;
    const holds = (gear.get(batteryId) as { energyWh: number }).energyWh;
    const [alone] = learnedDraws(only(runDown({ rigId: whole, batteryId, minutes })));
    const { estimate } = alone!.evidence[0]!;
    expect(estimate!.formula).toContain('of the other devices on it');
    expect(estimate!.meanW).toBeLessThan(holds / (minutes / 60) - 20);
  });

  it('do not count a test whose way is not known, and say what is missing', () => {
    const [untold] = learnedDraws(only(runDown()));
    expect(untold!.learnt).toBeUndefined();
    expect(untold!.use).toBeUndefined();
    expect(untold!.evidence[0]!.lacks).toBe('the feed it was made with: name the rig, or what was lost');
  });

  it('learn the joules of a shot beside the standby between shots', () => {
    const second = idOf('Plovera R, second body');
    const [shots] = learnedDraws(
      only({ kind: 'shots', at: '2026-01-05', deviceId: second, batteryId: idOf('Plovera cell M'), minutes: 120, count: 700, from: 1, to: 0.4, step: 0.01, lostShare: 0, temperatureC: 25 }), // prettier-ignore
    );
    const standby = (gear.get(second) as Device).draw as { standbyW: number };
    const holds = shots!.evidence[0]!.estimate!.formula;
    expect(holds).toContain('standby');
    expect(shots).toMatchObject({ of: 'shot', now: { value: 9 } });
    // 60 % of 14.7 Wh, less two hours of standby, in joules a shot
    const expected = ((14.7 * 0.6 - standby.standbyW * 2) * 3600) / 700;
    expect(Math.abs(shots!.learnt!.meanW / expected - 1)).toBeLessThan(0.05);
    expect((shots!.use as Device).draw).toMatchObject({ basis: 'shots', shotsPerHour: 240 });
  });

  it('learn shots and the standby between them apart from tests at two paces', () => {
    const second = idOf('Plovera R, second body');
    const [shotJ, standbyW] = [11, 1.4];
    const taken = (day: number, count: number, minutes: number): Observation => {
      const used = (count * shotJ) / 3600 + (standbyW * minutes) / 60;
      return { kind: 'shots', at: `2026-01-0${day}`, deviceId: second, batteryId: idOf('Plovera cell M'), minutes, count, from: 1, to: 1 - used / 14.7, step: 0.01, gauge: 'rounds', lostShare: 0, temperatureC: 25 }; // prettier-ignore
    };
    const [slow, quick] = [taken(5, 60, 400), taken(6, 1500, 130)];
    expect(learnedDraws(only(slow))[0]!.standby).toBeUndefined();
    expect(learnedDraws(only(quick, { ...quick, at: '2026-01-07' }))[0]!.standby).toBeUndefined();
    const [both] = learnedDraws(only(slow, quick));
    expect(both!.standby!.powerW).toBeCloseTo(standbyW, 0);
    expect(Math.abs(both!.standby!.powerW - standbyW)).toBeLessThan(2 * both!.standby!.sigmaW);
    expect(Math.abs(both!.learnt!.meanW - shotJ)).toBeLessThan(2 * both!.learnt!.sigmaW);
    expect((both!.use as Device).draw).toMatchObject({ basis: 'shots', standbyW: Number(both!.standby!.powerW.toPrecision(6)) });
  });

  it('learn what a frame takes beyond the sleep between frames', () => {
    const timeLapse = idOf('Ternlet T');
    const device = gear.get(timeLapse) as Device;
    const draw = device.draw as { basis: 'frames'; awakeW: number; awakeS: number; sleepW: number };
    expect(draw.basis).toBe('frames');
    const count = 900;
    const minutes = 300;
    const cell = gear.get(idOf('Ternlet cell S')) as { energyWh: number };
    const usedWh = ((draw.awakeW * 1.2 - draw.sleepW) * draw.awakeS * count) / 3600 + (draw.sleepW * minutes) / 60;
    const [frames] = learnedDraws(
      only({ kind: 'shots', at: '2026-01-05', deviceId: timeLapse, batteryId: idOf('Ternlet cell S'), minutes, count, from: 1, to: 1 - usedWh / cell.energyWh, step: 0.01, gauge: 'rounds', lostShare: 0, temperatureC: 25 }), // prettier-ignore
    );
    expect(frames!.of).toBe('frame');
    expect((frames!.use as Device).draw).toMatchObject({ basis: 'frames', awakeS: draw.awakeS, sleepW: draw.sleepW });
    expect(((frames!.use as Device).draw as typeof draw).awakeW / draw.awakeW).toBeCloseTo(1.2, 1);
  });

  it('offer no mean in place of what draws by the shot or frame', () => {
    const timeLapse = idOf('Ternlet T');
    const [mean] = learnedDraws(only(runDown({ deviceId: timeLapse, lostShare: 0, batteryId: idOf('Ternlet cell S'), minutes: 600 })));
    expect(mean!.learnt!.meanW).toBeCloseTo(0.76, 1);
    expect(mean!.use).toBeUndefined();
  });

  it('of ten thousand observations question the twenty wild ones, and no other', () => {
    const many = Array.from({ length: 10_000 }, (_, index) =>
      runDown({ lostShare: 0.09, minutes: 300 + (index % 20) + (index % 500 === 0 ? 900 : 0) }),
    );
    const [row] = learnedDraws(only(...many));
    expect(row!.evidence).toHaveLength(10_000);
    expect(row!.evidence.filter(({ doubtful }) => doubtful)).toHaveLength(20);
  });

  it('“use it” changes the figure everywhere with where it is from, and a higher peak that a meter saw', () => {
    const camera = row(learnedDraws(demo), 'Skuadon 60');
    const device = camera.use!;
    expect(device.draw).toMatchObject({
      basis: 'learnt',
      how: expect.stringMatching(/^learnt from 5 observations .* the newest of 2026-01-04/),
    });
    expect(device.from?.draw).toBe('measured');
    // the peak was seen at the battery: at the device it is less
    expect(device.peakW!).toBeLessThan(RECORDING.body.segments[1]!.peakW);
    expect(device.peakW!).toBeGreaterThan(19);
    const answer = assess(rigs.get(rigOf('Wheelhouse'))!, new Map<string, Gear>(gear).set(CAMERA, device));
    expect(tellAnswer(answer).figures.find(({ name }) => name === 'Draw')).toMatchObject({
      from: 'measured',
      formula: expect.stringContaining('learnt from 5'),
    });
  });

  it('leave a peak alone that is known to be higher', () => {
    const high = new Map<string, Gear>(gear).set(CAMERA, { ...(gear.get(CAMERA) as Device), peakW: 40 });
    expect(row(learnedDraws({ ...demo, gear: high }), 'Skuadon 60').use!.peakW).toBe(40);
  });

  it('are unknown for a device of which nothing was observed', () => {
    expect(learnedDraws({ ...demo, observations: [], recordings: [] })).toEqual([]);
    expect(STILLS).toBeDefined();
  });
});

describe('a recording at the battery', () => {
  const body: Recording = RECORDING.body;

  it('is told at the device by its rig, by a measured loss, or not at all', () => {
    expect(atDevice(body, demo)!(18.4)).toBeCloseTo(16.75, 1);
    expect(atDevice({ ...body, lostShare: 0.5 }, demo)!(18)).toBe(9);
    expect(atDevice({ ...body, meterAt: 'device' }, demo)!(18)).toBe(18);
    const { rigId: _rig, ...untold } = body;
    expect(atDevice(untold, demo)).toBeUndefined();
    expect(drawOfSegment(untold, body.segments[1]!, demo)).toBeUndefined();
  });

  it('gives a new mode its draw', () => {
    const draw = drawOfSegment(body, body.segments[1]!, demo);
    expect(draw).toMatchObject({ basis: 'learnt', how: 'learnt from a segment of “V1 to Wheelhouse, bench”, 2026-01-03' });
  });
});

describe('known modes', () => {
  it('are those with a draw, each with how surely it is known', () => {
    const monitor = gear.get(idOf('Lysning 7 monitor-recorder')) as Device;
    expect(knownModes(monitor).map(({ modeId, powerW, spread }) => [modeId, Number(powerW.toFixed(2)), spread])).toEqual([
      ['usual', 14.89, 0.025],
      ['dim', 9, 0.075],
    ]);
  });
});
