import { bank, build, camera, dummy, inCamera, judge, pack, splitter, stepUp, usbCamera, usbWire } from '../../testing/rig-builder';
import { LOW_WATER } from '../demo/low-water';
import type { Supply } from '../gear/gear';
import { resilience } from '../rig/resolved/resilience';
import { resolveRig } from '../rig/resolved/resolve-rig';
import { discharge } from '../run/discharge';
import { networkOf } from '../run/network-of';
import { tellAnswer } from '../words/en/answer/tell-answer';
import { assess } from './assess';
import { rigModel } from './rig-model';

const KIT = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const demo = (name: string) => tellAnswer(assess(LOW_WATER.rigs.find(({ body }) => body.name === name)!.body, KIT));
const mains: Supply = {
  kind: 'supply',
  name: 'Mains',
  form: 'mains',
  outputs: [{ gives: 'fixed', id: 'out', name: 'Lead', connector: { type: 'd-tap' }, voltageV: 15, maxA: 5 }],
};
const hotBox = (changes: object = {}) =>
  splitter(2, {
    form: 'box',
    inputs: ['first', 'second'].map((id) => ({
      takes: 'window' as const,
      id,
      name: id,
      connector: { type: 'd-tap' as const },
      minV: 9,
      maxV: 20,
    })),
    inputOrder: 'one-by-one',
    ...changes,
  });

describe('several sources', () => {
  it('mains goes on for ever, and the battery behind it is not spent', () => {
    const answer = judge(build({ mains, pack: pack(), box: hotBox(), camera: camera() }, [['mains.out', 'box.first'], ['pack.out', 'box.second'], ['box.p1', 'camera.in']])); // prettier-ignore
    expect(answer.unlimited).toBe(true);
    expect([answer.firstStopMin, answer.plannedMin]).toEqual([undefined, undefined]);
    expect(answer.timeline!.sources.find(({ id }) => id === 'pack')!.endSoc).toBe(1);
    expect(answer.sources.find(({ sourceId }) => sourceId === 'mains')!.stop).toBe('Mains goes on for as long as it is supplied.');
  });

  it('two batteries on one plate: the second takes over without a gap', () => {
    const one = judge(build({ pack: pack(), box: hotBox(), camera: camera() }, [['pack.out', 'box.first'], ['box.p1', 'camera.in']])); // prettier-ignore
    const two = judge(build({ a: pack(), b: pack({ name: 'Other' }), box: hotBox(), camera: camera() }, [['a.out', 'box.first'], ['b.out', 'box.second'], ['box.p1', 'camera.in']])); // prettier-ignore
    expect(two.firstStopMin! / one.firstStopMin!).toBeCloseTo(2, 3);
    expect(two.timeline!.events.find(({ kind }) => kind === 'fallback')).toMatchObject({ id: 'camera', by: 'b' });
  });

  it('each device its own: the first to stop decides, the others go on', () => {
    const answer = judge(build({ big: pack(), small: pack({ name: 'Small', energyWh: 30 }), camera: camera(), monitor: camera({ name: 'Monitor' }) }, [['big.out', 'camera.in'], ['small.out', 'monitor.in']])); // prettier-ignore
    const [first, second] = answer.timeline!.loads.map(({ firstGapMin }) => firstGapMin!);
    expect(second!).toBeLessThan(first! / 2);
    expect(answer.firstStopMin).toBe(second);
    expect(answer.stop).toContain('Small');
    expect(answer.tracks.map(({ device, sourceId }) => [device, sourceId])).toEqual([['Camera', 'big'], ['Monitor', 'small']]); // prettier-ignore
  });

  it('the bank before the battery in the bay, however the inputs are listed', () => {
    const device = usbCamera(10, { sink: 'mixes' });
    const turned = { ...device, inputs: [...device.inputs].reverse() };
    for (const one of [device, turned]) {
      const parts = { own: inCamera(), bank: bank(), cable: usbWire(), camera: one };
      const { timeline } = judge(build(parts, [['own.out', 'camera.bay'], ['bank.out', 'camera.usb', 'cable']])); // prettier-ignore
      expect(timeline!.events.map(({ kind, id }) => `${kind} ${id}`).slice(0, 2)).toEqual(['source-out bank', 'fallback camera']);
    }
  });
});

describe('swaps and phases', () => {
  const day = (changes: object) => build({ pack: pack(), next: pack({ name: 'Next', tag: 'V2' }), camera: camera({ modes: [{ id: 'idle', name: 'Idle', draw: { basis: 'maker', powerW: 2 } }] }, 20) }, [['pack.out', 'camera.in']], changes); // prettier-ignore

  it('a spare carries the rig on; its reserve is kept, the first one’s is spent in time', () => {
    const alone = judge(day({}));
    const spared = judge(day({ batteries: [{ gearId: 'pack', spareIds: ['next'] }] }));
    expect(spared.firstStopMin!).toBeGreaterThan(alone.firstStopMin! * 1.85);
    const swap = spared.timeline!.events.find(({ kind }) => kind === 'swap')!;
    expect(swap).toMatchObject({ by: 'next' });
    expect(swap.minute).toBeLessThan(alone.firstStopMin! * 0.95); // changed at the reserve
    expect(spared.plannedMin!).toBeCloseTo(spared.firstStopMin! - 0.1 * (spared.firstStopMin! - swap.minute), 6);
    expect(spared.stop).toMatch(/^After one change of battery Next, put in at/);
  });

  it.each<[string, Parameters<typeof pack>, string]>([
    ['of fewer cells', [{ cellsInSeries: 3 }], 'other cells'],
    ['of a chemistry that stands higher when full', [{ chemistry: 'li-ion-hv' }], 'other cells'],
    ['with a weaker port', [{}, { maxA: 7.9 }], 'no port that stands in'],
    ['with another plug', [{}, { connector: { type: 'xt60' } }], 'no port that stands in'],
    ['that may give less', [{ maxA: 5 }], 'less current'],
    ['whose energy nobody gave', [{ energyWh: undefined }], 'its energy is not known'],
  ])('a spare %s is told and not counted on', (_what, spare, why) => {
    const { rig, gear } = day({ batteries: [{ gearId: 'pack', spareIds: ['next'] }] });
    const { timeline, findings } = tellAnswer(assess(rig, new Map([...gear, ['next', pack(...spare)]])));
    expect(timeline!.events.some(({ kind }) => kind === 'swap')).toBe(false);
    expect(findings.find(({ code }) => code === 'spare-unfit')!.sentence).toContain(why);
  });

  it('phases draw what their mode says, off is off, and a scale turns it down', () => {
    const phases = (devices: object) => judge(day({ phases: [{ minutes: 5, devices: [] }, { minutes: 5, devices: [devices] }], repeatPhases: 'again' })).firstStopMin!; // prettier-ignore
    const [usual, idle, off, half] = [
      phases({ gearId: 'camera', mode: 'usual' }),
      phases({ gearId: 'camera', mode: 'idle' }),
      phases({ gearId: 'camera', mode: 'off' }),
      phases({ gearId: 'camera', mode: 'usual', scale: 0.5 }),
    ];
    expect(usual / judge(day({})).firstStopMin!).toBeCloseTo(1, 4);
    expect(half / usual).toBeCloseTo(2 / 1.5, 1);
    expect(idle / usual).toBeCloseTo(2 / 1.1, 1);
    expect(off / usual).toBeCloseTo(2, 1);
  });

  it('a phase that names a mode or device which is not there is told, never run as the usual one', () => {
    for (const device of [
      { gearId: 'camera', mode: 'zebra' },
      { gearId: 'nobody', mode: 'off' },
    ]) {
      const { verdict, findings } = judge(day({ phases: [{ minutes: 60, devices: [device] }] }));
      expect(verdict).toBe('unknown');
      expect(findings[0]).toMatchObject({ code: 'part-missing', verdict: 'unknown' });
      expect(findings[0]!.sentence).toMatch(/^A phase/);
    }
  });

  it('a battery has a charge and a temperature of its own', () => {
    const state = (batteries: object) => judge(day({ batteries: [{ gearId: 'pack', ...batteries }] })).firstStopMin!;
    expect(state({ startCharge: 0.5 }) / state({})).toBeLessThan(0.52);
    expect(state({ temperatureC: -10 }) / state({})).toBeLessThan(0.85);
  });
});

describe('what is told', () => {
  it('of several devices: each draw, each with where it is from', () => {
    const { figures } = demo('Wheelhouse, everything on one V-mount');
    expect(figures.filter(({ name }) => name === 'Draw').map(({ part, from }) => [part, from])).toEqual([
      ['Skuadon 60', 'measured'],
      ['Lysning 7 monitor-recorder', 'measured'],
      ['Tern Link transmitter', 'printed'],
      ['Skjaer follow focus', 'printed'],
    ]);
    const planned = figures.find(({ name }) => name === 'To plan with')!;
    expect(planned).toMatchObject({ from: 'computed', role: 'rig' });
    expect(planned.formula).toMatch(/less the reserve of 10 % since the last change at/);
  });

  it('shots and frames instead of minutes, for what counts so', () => {
    const { counts, firstStopMin } = demo('Stills with the grip');
    expect(counts).toEqual([
      { deviceId: expect.any(String) as string, device: 'Plovera R, second body', what: 'shots', count: Math.floor(firstStopMin! * 4) },
    ]);
    expect(demo('Breakwater').counts[0]!.count).toBe(Math.floor(demo('Breakwater').firstStopMin!)); // a frame a minute
  });

  it('what stops when each part fails', () => {
    const { failures } = demo('Galley, two cameras on mains');
    const of = (part: string) => failures.find((failure) => failure.part === part)!.stops;
    expect(of('Quay mains supply 15 V')).toEqual([]); // the V-mount stands behind it
    expect(of('Galley power box')).toEqual(['Skuadon 60']);
    expect(of('Grynna 27 PD')).toEqual(['Murre 6 audio recorder']); // the second camera has its own battery in
    const rig = resolveRig(...(Object.values(build({ a: pack(), lead: usbWire(), camera: camera() }, [['a.out', 'camera.in']])) as [never, never])); // prettier-ignore
    expect(resilience(rig).map(({ part, stops }) => [part.id, stops.length])).toEqual([['a', 1]]);
  });

  it('the tracks of a voltage profile: every station of the path, with volts that fall', () => {
    const { tracks } = demo('Wheelhouse, everything on one V-mount');
    for (const { stations } of tracks) {
      expect(stations[0]!.kind).toBe('battery');
      expect(stations.at(-1)!.kind).toBe('device');
      const volts = stations.filter(({ kind }) => kind !== 'converter').map(({ start }) => start!.voltageV);
      volts.slice(1).forEach((voltageV, place) => expect(voltageV).toBeLessThanOrEqual(volts[place]! + 1e-9));
    }
    expect(tracks[1]!.stations.map(({ name }) => name)).toContain('Splitter, four D-taps');
  });

  it('cautions once each, for what is really there', () => {
    const said = demo('Galley, two cameras on mains').cautions;
    expect(said.filter((caution) => caution.includes('Mains wiring'))).toHaveLength(1);
    expect(demo('Breakwater').cautions.some((caution) => caution.includes('lead-acid'))).toBe(true);
    expect(demo('Stills').cautions.some((caution) => caution.includes('lead-acid') || caution.includes('Mains'))).toBe(false);
  });
});

describe('a plate that steps up', () => {
  it('is the converter at the end of its lead, with its thresholds', () => {
    const { rig, gear } = build({ pack: pack(), plate: stepUp({ startV: 14 }), camera: camera({}, 30, { connector: { type: 'xlr4' }, minV: 20, maxV: 33 }) }, [['pack.out', 'plate.in'], ['plate.out', 'camera.in']]); // prettier-ignore
    const { resolved, draws } = rigModel(rig, gear);
    const network = networkOf(resolved.trees[0]!, draws!.usual)!;
    expect(network.feeds[0]).toMatchObject({
      id: 'plate/in',
      maxA: 8,
      converter: { outputV: 26, minInputV: 11, startInputV: 14, efficiency: 0.94 },
    });
    expect(discharge(network).start!.feeds.find(({ id }) => id === 'camera/in')!.loadV).toBeCloseTo(26 - 0.01 * (30 / 26), 3);
  });

  it('a linear regulator passes its current on: half the volts, half the energy lost', () => {
    const { rig, gear } = build({ pack: pack(), regulator: dummy({ linear: true, standbyW: 0 }), camera: usbCamera(8) }, [['pack.out', 'regulator.in'], ['regulator.out', 'camera.bay']]); // prettier-ignore
    const { resolved, draws } = rigModel(rig, gear);
    const run = discharge(networkOf(resolved.trees[0]!, draws!.usual)!);
    expect(run.start!.packA).toBeCloseTo(1, 2);
    expect(run.loadsWh / run.packWh).toBeLessThan(0.6);
  });
});
