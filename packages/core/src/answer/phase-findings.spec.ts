import fc from 'fast-check';
import { bank, build, camera, dummy, judge, pack, stepUp, usbCamera, usbWire, wire } from '../../testing/rig-builder';
import type { Built } from '../../testing/rig-builder';
import type { Device } from '../gear/gear';
import type { Rig } from '../rig/drawn/rig';
import { assess } from './assess';

const heavy = (powerW: number): Partial<Device> => ({ modes: [{ id: 'heavy', name: 'heavy', draw: { basis: 'maker', powerW } }] });
/** Usual for a quarter of an hour, then the heavy mode. */
const PHASES: Rig['phases'] = [
  { minutes: 15, devices: [] },
  { minutes: 20, name: 'burst', devices: [{ gearId: 'camera', mode: 'heavy' }] },
];
const byLead = (powerW: number, lead = wire(), battery = pack()): Built =>
  build({ pack: battery, lead, camera: camera(heavy(powerW)) }, [['pack.out', 'camera.in', 'lead']], { phases: PHASES, wantedMin: 60 });
const byUsb = (powerW: number, ratingW: number): Built =>
  build({ bank: bank({ ratingW }), cable: usbWire(), camera: usbCamera(5, {}, heavy(powerW)) }, [['bank.out', 'camera.usb', 'cable']], {
    phases: PHASES,
  });
const byDummy = (powerW: number, ratedW: number): Built =>
  build(
    { pack: pack(), adapter: dummy({ ratedW }), camera: usbCamera(5, {}, heavy(powerW)) },
    [['pack.out', 'adapter.in'], ['adapter.out', 'camera.bay']],
    { phases: PHASES },
  ); // prettier-ignore
const codes = (built: Built, verdict = 'stop') =>
  judge(built).findings.filter((one) => one.verdict === verdict && one.phase).map(({ code }) => code); // prettier-ignore

/** Every limit, a phase within it and one beyond it; the usual draw is far below all of them. */
describe('a phase is judged by every limit', () => {
  it.each([
    ['a port of 2 A', (watts: number) => byLead(watts, wire(), pack({}, { maxA: 2 })), 28, 60, 'over-current', 'stop'],
    ['a thin lead of 1 A', (watts: number) => byLead(watts, wire({ maxA: 1 })), 11, 60, 'over-current', 'stop'],
    ['a fuse of 1 A', (watts: number) => byLead(watts, wire({ fuseA: 1 })), 11, 60, 'over-current', 'stop'],
    ['a battery of 3 A', (watts: number) => byLead(watts, wire(), pack({ maxA: 3 })), 40, 70, 'over-current', 'stop'],
    ['a long lead', (watts: number) => byLead(watts, wire({ resistanceOhm: 0.2 })), 20, 60, 'wire-drop', 'caution'],
    ['a lead that nothing comes through', (watts: number) => byLead(watts, wire({ resistanceOhm: 1.2 })), 5, 90, 'collapse', 'stop'],
    ['an adapter of 12 W', (watts: number) => byDummy(watts, 12), 11, 20, 'adapter-overloaded', 'stop'],
    ['a contract of 15 W', (watts: number) => byUsb(watts, 15), 14, 25, 'contract-short', 'stop'],
  ] as const)('%s', (_name, rigOf, within, beyond, code, verdict) => {
    expect(codes(rigOf(within), verdict)).not.toContain(code);
    expect(codes(rigOf(beyond), verdict)).toContain(code);
  });

  it('by the window of the device, under that load', () => {
    const window = (powerW: number): Built =>
      build({ pack: pack(), lead: wire({ resistanceOhm: 0.3 }), camera: camera(heavy(powerW), 5, { minV: 14 }) }, [['pack.out', 'camera.in', 'lead']], { phases: PHASES }); // prettier-ignore
    expect(codes(window(8))).toEqual([]);
    expect(codes(window(110))).toContain('under-voltage');
  });

  it('by what a mode asks for', () => {
    const asking = (contractW: number): Built =>
      build({ bank: bank({ ratingW: 30 }), cable: usbWire(), camera: usbCamera(5, {}, { modes: [{ id: 'heavy', name: 'heavy', draw: { basis: 'maker', powerW: 8 }, needs: { contractW } }] }) }, [['bank.out', 'camera.usb', 'cable']], { phases: PHASES }); // prettier-ignore
    expect(codes(asking(20))).toEqual([]);
    expect(codes(asking(60))).toContain('mode-lost');
  });

  it('and says in which, and from when on', () => {
    const [found] = judge(byLead(60, wire(), pack({}, { maxA: 2 }))).findings;
    expect(found).toMatchObject({ code: 'over-current', phase: { number: 2, name: 'burst', fromMin: 15 } });
    expect(found!.sentence).toMatch(/^In “burst”, from 15 min on: /);
  });

  it('a mode that is off draws nothing, and its peak counts for nothing', () => {
    const off: Rig['phases'] = [{ minutes: 10, devices: [{ gearId: 'camera', mode: 'off' }] }];
    const built = build({ pack: pack({}, { maxA: 2 }), lead: wire(), camera: camera({}, 10) }, [['pack.out', 'camera.in', 'lead']], { phases: off }); // prettier-ignore
    expect(codes(built)).toEqual([]);
  });

  it('a phase that comes again under another number is told where it ends the run', () => {
    const burst = { minutes: 60, devices: [{ gearId: 'camera', mode: 'heavy' }] };
    const rest = { minutes: 30, devices: [] };
    const built = build({ pack: pack(), lead: wire({ resistanceOhm: 0.6 }), camera: camera(heavy(40), 2, { minV: 12.3 }) }, [['pack.out', 'camera.in', 'lead']], { phases: [burst, rest, burst, rest] }); // prettier-ignore
    const { findings, verdict } = judge(built);
    expect(verdict).toBe('caution');
    expect(findings.filter(({ code, phase }) => code === 'charge-stranded' && phase?.number === 1)).toHaveLength(1);
  });

  it('a wire that gets hot only at the end of the last burst is told with the burst in which it does', () => {
    const burst = { name: 'burst', minutes: 20, devices: [{ gearId: 'camera', mode: 'heavy' }] };
    const rest = { name: 'rest', minutes: 40, devices: [] };
    // 2.5 A and no more through 0.2 mm²: 36 W are 2.2 A at 16.7 V and 2.6 A at 14 V
    const built = build({ pack: pack({}, { maxA: 20 }), lead: wire({ areaMm2: 0.2, maxA: undefined }), camera: camera(heavy(36), 5) }, [['pack.out', 'camera.in', 'lead']], { phases: [burst, rest], repeatPhases: 'again' }); // prettier-ignore
    const [hot] = judge(built).findings.filter(({ code, phase }) => code === 'wire-hot' && phase);
    expect(hot).toMatchObject({ verdict: 'stop', phase: { name: 'burst' } });
    expect(hot!.phase!.fromMin).toBeGreaterThan(60);
    expect(hot!.phase!.fromMin % 60).toBeCloseTo(0, 6);
    const light = build({ pack: pack({}, { maxA: 20 }), lead: wire({ areaMm2: 0.2, maxA: undefined }), camera: camera(heavy(28), 5) }, [['pack.out', 'camera.in', 'lead']], { phases: [burst, rest], repeatPhases: 'again' }); // prettier-ignore
    expect(codes(light)).not.toContain('wire-hot');
  });

  it('a plate that runs on below its start voltage runs on when the next phase begins; after a rest it does not start', () => {
    const plate = stepUp({ startV: 15.5 });
    const own = camera(heavy(12), 10, { connector: { type: 'xlr4' }, minV: 20, maxV: 33 });
    const after = (mode: string) =>
      judge(build({ pack: pack(), plate, camera: own }, [['pack.out', 'plate.in'], ['plate.out', 'camera.in']], { phases: [{ minutes: 250, devices: [] }, { minutes: 10, devices: [{ gearId: 'camera', mode }] }, { minutes: 30, devices: [] }] })); // prettier-ignore
    expect(after('heavy').findings.map(({ code, verdict }) => `${code} ${verdict}`)).not.toContain('will-not-start stop');
    expect(after('heavy').findings.map(({ code }) => code)).toContain('will-not-restart');
    expect(after('heavy').firstStopMin).toBeGreaterThan(300);
    expect(after('off').firstStopMin).toBeCloseTo(260, 6);
  });

  it('what is wrong in the usual mode already is told once', () => {
    const built = byLead(60, wire({ maxA: 0.5 }));
    expect(judge(built).findings.filter(({ code }) => code === 'over-current')).toHaveLength(1);
  });
});

describe('a limit that is just kept at a point of the cell’s table', () => {
  it('ends the run there, and nothing is thrown', () => {
    const modes = [{ id: 'm', name: 'm', draw: { basis: 'maker', powerW: 1 } as const }];
    const { rig, gear } = build(
      { pack: pack(), lead: wire({ maxA: 0.5, resistanceOhm: 0.005 }), camera: camera({ modes }, 0.5, { minV: 14.713543363576521 }) },
      [['pack.out', 'camera.in', 'lead']],
      { phases: [{ minutes: 10, devices: [{ gearId: 'camera', mode: 'm' }] }] },
    );
    const { timeline, firstStopMin } = assess(rig, gear);
    expect(timeline!.trace.at(-1)!.soc['pack']).toBeCloseTo(0.4, 3);
    expect(firstStopMin).toBeGreaterThan(60);
  });
});

describe('law: a verdict and its run say the same', () => {
  it('a rig that stops in a phase with charge left is not good, and what stops it is told', () => {
    const watts = fc.double({ min: 1, max: 120, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(watts, { minLength: 1, maxLength: 4 }),
        fc.double({ min: 0.5, max: 8, noNaN: true }),
        fc.double({ min: 0.005, max: 0.6, noNaN: true }),
        fc.double({ min: 6, max: 15, noNaN: true }),
        (draws, maxA, resistanceOhm, minV) => {
          const modes = draws.map((powerW, index) => ({ id: `m${index}`, name: `m${index}`, draw: { basis: 'maker', powerW } as const }));
          const phases = modes.map(({ id }) => ({ minutes: 10, devices: [{ gearId: 'camera', mode: id }] }));
          const { rig, gear } = build(
            { pack: pack(), lead: wire({ maxA, resistanceOhm }), camera: camera({ modes }, 0.5, { minV }) },
            [['pack.out', 'camera.in', 'lead']],
            { phases },
          );
          const answer = assess(rig, gear);
          const gap = answer.firstStopMin;
          const left = answer.timeline?.trace.findLast(({ minute }) => minute <= (gap ?? 0))?.soc['pack'] ?? 0;
          if (gap === undefined || left < 0.25) return;
          expect(answer.verdict).not.toBe('good');
          const told = answer.findings.filter(
            ({ verdict, aspect }) => verdict !== 'good' && (aspect === 'voltage' || aspect === 'current'),
          );
          expect(told).not.toEqual([]);
          const trips = answer.timeline!.events.some(
            ({ cause, minute }) => minute <= gap + 1e-6 && (cause === 'over-current' || cause === 'collapse'),
          );
          if (trips) expect(['stop', 'unknown']).toContain(answer.verdict);
        },
      ),
      { numRuns: 100, endOnFailure: true },
    );
  });
});
