import {
  bank,
  build,
  camera,
  dummy,
  inCamera,
  judge,
  pack,
  plainBank,
  splitter,
  stepUp,
  usbCamera,
  usbWire,
  wire,
} from '../../../testing/rig-builder';
import type { Built } from '../../../testing/rig-builder';
import type { Connector } from '../../gear/connector';
import type { Device, Gear } from '../../gear/gear';
import { cellVoltage } from '../../physics/cell/ocv';
import { CHEMISTRIES } from '../../tables/chemistries';
import type { FindingCode } from '../facts';
import type { FindingLevel } from '../verdict';

const PERCENT = 1.01;
const barrel = (polarity?: Connector['polarity'], innerMm = 2.1): Connector => ({
  type: 'barrel',
  outerMm: 5.5,
  innerMm,
  ...(polarity && { polarity }),
});
const AC = 'centre-positive';
const REVERSED = 'centre-negative';

/** A pack with a barrel port, a lead with ends of its own, a camera with a barrel input. */
const byBarrel = (port: Connector, ends: readonly [Connector, Connector], input: Connector, crossed = false): Built =>
  build(
    {
      pack: pack({}, { connector: port }),
      lead: wire({ ends: { source: ends[0], load: ends[1] }, crossed }),
      camera: camera({}, 10, { connector: input }),
    },
    [['pack.out', 'camera.in', 'lead']],
  );
const direct = (battery = pack(), device: Device = camera()): Built =>
  build({ pack: battery, camera: device }, [['pack.out', 'camera.in']]);
const byLead = (lead = wire(), battery = pack(), device: Device = camera()): Built =>
  build({ pack: battery, lead, camera: device }, [['pack.out', 'camera.in', 'lead']]);
const twoOnSplitter = (hub = splitter(), watts = [20, 20], battery = pack()): Built =>
  build(
    { pack: battery, hub, camera: camera({}, watts[0]), monitor: camera({ name: 'Monitor' }, watts[1]) },
    [['pack.out', 'hub.in'], ['hub.p1', 'camera.in'], ['hub.p2', 'monitor.in']],
  ); // prettier-ignore
const byUsb = (source: Gear, device: Device, cable: Gear = usbWire(), own?: Gear): Built =>
  build({ bank: source, cable, camera: device, ...(own && { own }) }, [
    ['bank.out', 'camera.usb', 'cable'],
    ...(own ? [['own.out', 'camera.bay'] as const] : []),
  ]);
const onBay = (changes: Partial<Device>, battery = inCamera()): Built =>
  build({ own: battery, camera: usbCamera(8, {}, changes) }, [['own.out', 'camera.bay']]);
const bySplitBudget = (budget: { maxA?: number; maxW?: number }, watts: number): Built =>
  twoOnSplitter({ ...splitter(2, { budgets: [{ id: 'all', name: 'all ports', ...budget }] }, { budget: 'all' }), resistanceOhm: 0 }, [
    watts / 2,
    watts / 2,
  ]);
const byStepUp = (startCharge: number, input: Parameters<typeof stepUp>[0]): Built =>
  build(
    { pack: pack(), plate: stepUp(input), camera: camera({}, 10, { connector: { type: 'xlr4' }, minV: 20, maxV: 33 }) },
    [['pack.out', 'plate.in'], ['plate.out', 'camera.in']],
    { startCharge },
  ); // prettier-ignore
const linear = (outV: number): Built =>
  build(
    { pack: pack(), regulator: dummy({ linear: true, output: { connector: { type: 'bay', family: 'S' }, voltageV: outV } }), camera: usbCamera(8) },
    [['pack.out', 'regulator.in'], ['regulator.out', 'camera.bay']],
  ); // prettier-ignore
/** Full without load: 4 × 4.19 V on the curve. */
const openV = (charge: number): number => 4 * cellVoltage(CHEMISTRIES['li-ion'].ocvPerCell, charge);
/** Amps that a power draws behind the pack's 90 mΩ and the contacts' 10 mΩ, full: the low root of V I − R I² = P. */
const fullA = (powerW: number, ohm = 0.1): number => (openV(1) - Math.sqrt(openV(1) ** 2 - 4 * ohm * powerW)) / (2 * ohm);
/** The same at the cut-off: the terminals stand at 12 V, so the load gets 12 V less the lead's drop. */
const lastA = (powerW: number, leadOhm: number): number => (12 - Math.sqrt(144 - 4 * leadOhm * powerW)) / (2 * leadOhm);

type Case = readonly [what: string, built: Built, code: FindingCode, verdict: FindingLevel | undefined];

/**
 * Written from the rules of the field, not from what the program said; where a limit is a number, both its sides are
 * looked at, one per cent apart from it. `undefined`: the code must not appear at all.
 */
const CASES: readonly Case[] = [
  // M1 plugs and polarity
  ['barrels of the same size and polarity', byBarrel(barrel(AC), [barrel(AC), barrel(AC)], barrel(AC)), 'polarity-reversed', undefined],
  ['a lead that ends centre-negative', byBarrel(barrel(AC), [barrel(AC), barrel(REVERSED)], barrel(AC)), 'polarity-reversed', 'stop'],
  ['a device that wants centre-negative', byBarrel(barrel(AC), [barrel(AC), barrel(AC)], barrel(REVERSED)), 'polarity-reversed', 'stop'],
  ['a lead crossed inside', byBarrel(barrel(AC), [barrel(AC), barrel(AC)], barrel(AC), true), 'polarity-reversed', 'stop'],
  ['a crossed lead whose far end says so', byBarrel(barrel(AC), [barrel(AC), barrel(REVERSED)], barrel(AC), true), 'polarity-reversed', 'stop'],
  ['into the device that it was made for', byBarrel(barrel(AC), [barrel(AC), barrel(REVERSED)], barrel(REVERSED), true), 'polarity-reversed', undefined],
  ['a barrel whose polarity nobody gave', byBarrel(barrel(AC), [barrel(AC), barrel()], barrel(AC)), 'polarity-unknown', 'unknown'],
  ['bare ends that do not say which is plus', byBarrel({ type: 'bare' }, [{ type: 'bare' }, barrel(AC)], barrel(AC)), 'polarity-unknown', 'unknown'],
  ['a pin of 2.5 mm on a socket of 2.1 mm', byBarrel(barrel(AC), [barrel(AC), barrel(AC, 2.5)], barrel(AC)), 'connector-mismatch', 'stop'],
  ['a barrel whose size nobody gave', byBarrel(barrel(AC), [barrel(AC), { type: 'barrel', polarity: AC }], barrel(AC)), 'connector-unknown', 'unknown'],
  ['two USB-C sockets without a cable', build({ bank: bank(), camera: usbCamera() }, [['bank.out', 'camera.usb']]), 'cable-missing', 'stop'],
  ['the same with one', byUsb(bank(), usbCamera()), 'cable-missing', undefined],
  ['V-mount on a three-stud plate', direct(pack({}, { connector: { type: 'three-stud' } }), camera({}, 10, { connector: { type: 'v-mount' } })), 'connector-mismatch', 'stop'],
  ['one port for two devices', build({ pack: pack(), camera: camera(), monitor: camera({ name: 'Monitor' }) }, [['pack.out', 'camera.in'], ['pack.out', 'monitor.in']]), 'used-twice', 'stop'],
  ['a circle of splitters', build({ a: splitter(), b: splitter(), camera: camera() }, [['a.p1', 'b.in'], ['b.p1', 'a.in'], ['b.p2', 'camera.in']]), 'loop', 'stop'],
  ['a device without a feed', build({ pack: pack(), camera: camera(), monitor: camera({ name: 'Monitor' }) }, [['pack.out', 'camera.in']]), 'not-fed', 'stop'],
  // M2 the whole range against the whole window
  ['a splitter whose window ends 1 % below full', twoOnSplitter(splitter(2, { inputs: [{ ...splitter().inputs[0]!, maxV: 16.8 / PERCENT }] })), 'over-voltage', 'stop'],
  ['the same 1 % above', twoOnSplitter(splitter(2, { inputs: [{ ...splitter().inputs[0]!, maxV: 16.8 * PERCENT }] })), 'over-voltage', undefined],
  ['a device behind a splitter, full charge 1 % over', build({ pack: pack(), hub: splitter(), camera: camera({}, 10, { maxV: 16.8 / PERCENT }) }, [['pack.out', 'hub.in'], ['hub.p1', 'camera.in']]), 'over-voltage', 'stop'],
  ['charged in place 1 % over the window', direct(pack({ chargeV: 20 * PERCENT })), 'over-voltage-charging', 'stop'],
  ['charged in place 1 % under', direct(pack({ chargeV: 20 / PERCENT })), 'over-voltage-charging', undefined],
  ['charged in place behind a regulator: the device does not see it', build({ pack: pack({ chargeV: 16.9 }), adapter: dummy({ input: { connector: { type: 'd-tap' }, minV: 11, maxV: 17 } }), camera: usbCamera() }, [['pack.out', 'adapter.in'], ['adapter.out', 'camera.bay']]), 'over-voltage-charging', undefined],
  ['a window whose top nobody gave', direct(pack(), camera({}, 10, { maxV: undefined })), 'figure-missing', 'unknown'],
  ['a lead that takes 1 % more than a twentieth', byLead(wire({ resistanceOhm: ((openV(1) / 20) * PERCENT) / lastA(10, (openV(1) / 20 / 0.9)) }), pack(), camera()), 'wire-drop', 'caution'],
  ['a short lead', byLead(wire({ resistanceOhm: 0.02 })), 'wire-drop', undefined],
  // M3 currents, budgets, fuses, wire, heat
  ['a port 1 % under the first draw', direct(pack({}, { maxA: fullA(40) / PERCENT }), camera({}, 40)), 'over-current', 'stop'],
  ['a port 1 % over the first draw trips within minutes, the pack nearly full', direct(pack({}, { maxA: fullA(40) * PERCENT }), camera({}, 40)), 'over-current-late', 'stop'],
  ['a port 15 % over it trips late', direct(pack({}, { maxA: fullA(40) * 1.15 }), camera({}, 40)), 'over-current-late', 'caution'],
  ['a port 1 % over the last draw', direct(pack({}, { maxA: lastA(40, 0.01) * PERCENT }), camera({}, 40)), 'over-current-late', undefined],
  ['a port 1 % under the last draw', direct(pack({}, { maxA: lastA(40, 0.01) / PERCENT }), camera({}, 40)), 'over-current-late', 'caution'],
  ['ports that share 1 % less than both draw at first', bySplitBudget({ maxA: fullA(40) / PERCENT }, 40), 'budget-passed', 'stop'],
  ['ports that share more than both draw at the end', bySplitBudget({ maxA: 4 }, 40), 'budget-passed', undefined],
  ['ports that share 1 % less watts than drawn', bySplitBudget({ maxW: 40 / PERCENT }, 40), 'budget-passed', 'stop'],
  ['ports that share 1 % more', bySplitBudget({ maxW: 40 * PERCENT }, 40), 'budget-passed', undefined],
  ['a fuse 1 % under 1.25 × the highest current', byLead(wire({ fuseA: (1.25 * lastA(40, 0.02)) / PERCENT }), pack(), camera({}, 40)), 'fuse-small', 'caution'],
  ['a fuse 1 % over it', byLead(wire({ fuseA: 1.25 * lastA(40, 0.02) * PERCENT }), pack(), camera({}, 40)), 'fuse-small', undefined],
  ['a fuse 1 % larger than the lead carries', byLead(wire({ maxA: 6, fuseA: 6 * PERCENT })), 'fuse-large', 'stop'],
  ['a fuse 1 % smaller', byLead(wire({ maxA: 6, fuseA: 6 / PERCENT })), 'fuse-large', undefined],
  ['a fuse larger than the wire of 0.5 mm² (6 A) carries', byLead(wire({ areaMm2: 0.5, lengthM: 0.5, resistanceOhm: undefined, fuseA: 6 * PERCENT })), 'fuse-large', 'stop'],
  ['a strong pack on bare leads without a fuse', byLead(wire({ ends: { source: { type: 'bare', polarity: 'as-marked' }, load: { type: 'd-tap' } } }), pack({ maxA: 30 }, { connector: { type: 'bare', polarity: 'as-marked' } })), 'fuse-none', 'caution'],
  ['the same with one', byLead(wire({ fuseA: 3, ends: { source: { type: 'bare', polarity: 'as-marked' }, load: { type: 'd-tap' } } }), pack({ maxA: 30 }, { connector: { type: 'bare', polarity: 'as-marked' } })), 'fuse-none', undefined],
  ['a wire of 0.2 mm² (2.5 A) for 1 % more', byLead(wire({ areaMm2: 0.2 }), pack(), camera({}, 12 * 2.5 * PERCENT * (1 - (2.5 * PERCENT * 0.02) / 12))), 'wire-hot', 'stop'],
  ['the same for 1 % less', byLead(wire({ areaMm2: 0.2 }), pack(), camera({}, (12 * 2.5) / PERCENT * (1 - (2.5 * 0.02) / 12))), 'wire-hot', undefined],
  ['a linear regulator dropping 8 V at an amp', linear(8), 'regulator-hot', 'caution'],
  ['an adapter’s output 1 % under the draw', build({ pack: pack(), adapter: dummy({ output: { connector: { type: 'bay', family: 'S' }, voltageV: 8, maxA: 1.25 / PERCENT }, ratedW: 30 }), camera: usbCamera(10) }, [['pack.out', 'adapter.in'], ['adapter.out', 'camera.bay']]), 'over-current', 'stop'],
  ['an adapter rated 1 % under the draw', build({ pack: pack(), adapter: dummy({ ratedW: 10 / PERCENT }), camera: usbCamera(10) }, [['pack.out', 'adapter.in'], ['adapter.out', 'camera.bay']]), 'adapter-overloaded', 'stop'],
  ['an adapter rated 1 % over it', build({ pack: pack(), adapter: dummy({ ratedW: 10 * PERCENT }), camera: usbCamera(10) }, [['pack.out', 'adapter.in'], ['adapter.out', 'camera.bay']]), 'adapter-overloaded', undefined],
  // M4 USB
  ['a plain port 1 % under the draw', byUsb(plainBank(2), usbCamera(10 * PERCENT), usbWire({ ends: { source: { type: 'usb-a' }, load: { type: 'usb-c' } } })), 'legacy-short', 'stop'],
  ['a plain port 1 % over it', byUsb(plainBank(2), usbCamera(10 / PERCENT), usbWire({ ends: { source: { type: 'usb-a' }, load: { type: 'usb-c' } } })), 'legacy-short', undefined],
  ['a plain port for a device from 9 V', byUsb(plainBank(3), usbCamera(10, { minV: 9 }), usbWire({ ends: { source: { type: 'usb-a' }, load: { type: 'usb-c' } } })), 'contract-none', 'stop'],
  ['100 W through a 3 A lead, 1 % too much asked', byUsb(bank({ ratingW: 100 }), usbCamera(60 * PERCENT, { maxV: 20 })), 'contract-short', 'stop'],
  ['the same through a lead marked 5 A', byUsb(bank({ ratingW: 100 }), usbCamera(60 * PERCENT, { maxV: 20 }), usbWire({ marked5A: true })), 'contract-short', undefined],
  ['a contract 1 % under what the device asks for', byUsb(bank({ ratingW: 27 }), usbCamera(10, { needW: 27 * PERCENT })), 'contract-short', 'stop'],
  ['a contract 1 % over', byUsb(bank({ ratingW: 27 }), usbCamera(10, { needW: 27 / PERCENT })), 'contract-short', undefined],
  ['a short contract filled up from the battery in the bay', byUsb(bank({ ratingW: 15 }), usbCamera(18, { sink: 'mixes' }), usbWire(), inCamera()), 'contract-short', 'caution'],
  ['that battery empties though plugged in', byUsb(bank({ ratingW: 15 }), usbCamera(18, { sink: 'mixes' }), usbWire(), inCamera()), 'battery-drains', 'caution'],
  ['with enough contract it does not', byUsb(bank({ ratingW: 27 }), usbCamera(18, { sink: 'mixes' }), usbWire(), inCamera()), 'battery-drains', undefined],
  ['a camera that needs its battery in, without it', byUsb(bank(), usbCamera(10, { sink: 'needs-battery' })), 'sink-needs-battery', 'stop'],
  ['the same with it', byUsb(bank(), usbCamera(10, { sink: 'needs-battery' }), usbWire(), inCamera()), 'sink-needs-battery', undefined],
  ['a camera that only charges', byUsb(bank(), usbCamera(10, { sink: 'charges-when-off' })), 'sink-only-charges', 'stop'],
  ['a neighbour on the same budget', build(
    { bank: bank({}, { budgets: [{ id: 'b', name: 'its power' }], outputs: [
      { gives: 'pd', id: 'one', name: 'C1', connector: { type: 'usb-c' }, ratingW: 65, sharedRatingW: 45, budget: 'b' },
      { gives: 'pd', id: 'two', name: 'C2', connector: { type: 'usb-c' }, ratingW: 65, sharedRatingW: 20, budget: 'b' },
    ] }), c1: usbWire(), c2: usbWire(), camera: usbCamera(), second: usbCamera(10, {}, { name: 'Second' }) },
    [['bank.one', 'camera.usb', 'c1'], ['bank.two', 'second.usb', 'c2']],
  ), 'budget-shared', 'caution'],
  ['what is left beside it nobody gave', build(
    { bank: bank({}, { outputs: ['one', 'two'].map((id) => ({ gives: 'pd' as const, id, name: id, connector: { type: 'usb-c' as const }, ratingW: 65, budget: 'b' })) }), c1: usbWire(), c2: usbWire(), camera: usbCamera(), second: usbCamera(10, {}, { name: 'Second' }) },
    [['bank.one', 'camera.usb', 'c1'], ['bank.two', 'second.usb', 'c2']],
  ), 'figure-missing', 'unknown'],
  // M5 battery-shaped adapters
  ['an adapter that always shows full', build({ pack: pack(), adapter: dummy({ gauge: 'always-full' }), camera: usbCamera() }, [['pack.out', 'adapter.in'], ['adapter.out', 'camera.bay']]), 'gauge-blind', 'note'],
  ['one that lets the camera estimate', build({ pack: pack(), adapter: dummy() , camera: usbCamera() }, [['pack.out', 'adapter.in'], ['adapter.out', 'camera.bay']]), 'gauge-blind', undefined],
  ['an adapter this camera refuses', build({ pack: pack(), adapter: dummy({ refusedBy: ['Camera'] }), camera: usbCamera() }, [['pack.out', 'adapter.in'], ['adapter.out', 'camera.bay']]), 'refused', 'stop'],
  ['an adapter without a rating', build({ pack: pack(), adapter: dummy({ ratedW: undefined }), camera: usbCamera() }, [['pack.out', 'adapter.in'], ['adapter.out', 'camera.bay']]), 'figure-missing', 'unknown'],
  ['a door that must close over the lead', build({ pack: pack(), adapter: dummy({ fitNote: 'The door stays open.' }), camera: usbCamera() }, [['pack.out', 'adapter.in'], ['adapter.out', 'camera.bay']]), 'fit-note', 'caution'],
  // M6 modes and features
  ['a mode that needs 1 % more volts than a full battery gives', onBay({ needs: { minV: 8.38 * PERCENT } }), 'mode-lost', 'stop'],
  ['a mode that is lost on the way down', onBay({ needs: { minV: 7.2 } }), 'mode-lost-late', 'caution'],
  ['a mode that 1 % less than the cut-off is enough for', onBay({ needs: { minV: 6 / PERCENT - 0.05 } }), 'mode-lost-late', undefined],
  ['a mode that asks for a recognised battery, on one that is not', onBay({ needs: { recognised: true } }, inCamera({ recognised: false })), 'mode-lost', 'stop'],
  ['on one that is', onBay({ needs: { recognised: true } }, inCamera({ recognised: true })), 'mode-lost', undefined],
  ['on one of which nobody knows', onBay({ needs: { recognised: true } }), 'figure-missing', 'unknown'],
  ['a mode that asks for a recognised battery, on USB with none in the bay', byUsb(bank(), usbCamera(10, {}, { needs: { recognised: true } })), 'mode-lost', 'stop'],
  ['the same with one in the bay', byUsb(bank(), usbCamera(10, { sink: 'mixes' }, { needs: { recognised: true } }), usbWire(), inCamera({ recognised: true })), 'mode-lost', undefined],
  ['a mode that needs 1 % more than the contract', byUsb(bank({ ratingW: 27 }), usbCamera(10, {}, { needs: { contractW: 27 * PERCENT } })), 'mode-lost', 'stop'],
  ['a mode that needs 1 % less', byUsb(bank({ ratingW: 27 }), usbCamera(10, {}, { needs: { contractW: 27 / PERCENT } })), 'mode-lost', undefined],
  ['a feature that goes off without telling', byUsb(plainBank(3), usbCamera(5, {}, { features: [{ name: 'phantom power', needs: { minV: 9 }, silently: true }] }), usbWire({ ends: { source: { type: 'usb-a' }, load: { type: 'usb-c' } } })), 'feature-lost', 'caution'],
  ['the same on 9 V', byUsb(bank(), usbCamera(5, {}, { features: [{ name: 'phantom power', needs: { minV: 8.9 }, silently: true }] })), 'feature-lost', undefined],
  ['another mode that this feed closes', onBay({ modes: [{ id: 'top', name: 'Top', draw: { basis: 'maker', powerW: 9 }, needs: { minV: 8.5 } }] }), 'mode-closed', 'note'],
  // M7 one port, two jobs
  ['the port that the control cable takes', { ...byUsb(bank(), usbCamera(10, { duty: 'control' })), rig: { ...byUsb(bank(), usbCamera()).rig, devices: [{ gearId: 'camera', busyPorts: ['usb'] }] } }, 'port-taken', 'stop'],
  ['a port that could be, but is free', byUsb(bank(), usbCamera(10, { duty: 'control' })), 'port-taken', undefined],
  // M8 start and running thresholds
  ['a plate that starts 1 % above what half a charge gives', byStepUp(0.5, { startV: openV(0.5) * PERCENT }), 'will-not-start', 'stop'],
  ['a plate that starts 1 % below', byStepUp(0.5, { startV: openV(0.5) / PERCENT }), 'will-not-start', undefined],
  ['a plate that drops out at 13 V strands charge', byStepUp(1, { minV: 13.8 }), 'charge-stranded', 'caution'],
  ['a plate that needs 1 % more than full', byStepUp(1, { minV: openV(1) * PERCENT }), 'under-voltage', 'stop'],
  // the rig as a whole
  ['two devices on one battery', twoOnSplitter(), 'stops-together', 'note'],
  ['one device on one battery', direct(), 'stops-together', undefined],
  ['two devices behind one lead of several', build({ pack: pack({ outputs: [1, 2].map((place) => ({ gives: 'pack' as const, id: `o${place}`, name: `D-tap ${place}`, connector: { type: 'd-tap' as const }, maxA: 8 })) }), hub: splitter(), a: camera({ name: 'A' }), b: camera({ name: 'B' }), c: camera({ name: 'C' }) }, [['pack.o1', 'hub.in'], ['hub.p1', 'a.in'], ['hub.p2', 'b.in'], ['pack.o2', 'c.in']]), 'single-point', 'note'],
  ['a swap that nothing carries', { ...direct(), rig: { ...direct().rig, wantedMin: 6000 } }, 'no-cushion', 'note'],
  ['a swap that the battery in the bay carries', { ...byUsb(bank(), usbCamera(10, { sink: 'mixes' }), usbWire(), inCamera()), rig: { ...byUsb(bank(), usbCamera(), usbWire(), inCamera()).rig, wantedMin: 6000 } }, 'no-cushion', undefined],
]; // prettier-ignore

describe('hazards of whole rigs', () => {
  it('are at least sixty', () => expect(CASES.length).toBeGreaterThanOrEqual(60));

  it.each(CASES)('%s', (_what, built, code, verdict) => {
    const found = judge(built).findings.filter(
      (finding) => finding.code === code && (code !== 'figure-missing' || finding.verdict === 'unknown'),
    );
    if (verdict === undefined) expect(found).toEqual([]);
    else expect(found.map((finding) => finding.verdict)).toContain(verdict);
  });

  it.each(CASES.filter(([, , , verdict]) => verdict === 'stop' || verdict === 'unknown'))(
    '%s: never good',
    (_what, built, _code, verdict) => {
      expect(verdict === 'stop' ? ['stop'] : ['stop', 'unknown']).toContain(judge(built).verdict);
    },
  );

  it('a short contract that the battery fills up is a caution, not a stop: it runs, for a time that is told', () => {
    const answer = judge(byUsb(bank({ ratingW: 15 }), usbCamera(18, { sink: 'mixes' }), usbWire(), inCamera()));
    expect(answer.verdict).toBe('caution');
    expect(answer.findings.filter(({ verdict }) => verdict !== 'good').map(({ code }) => code)).toEqual([
      'contract-short',
      'battery-drains',
    ]);
    // 15 W less 3 A × 3 A × 0.02 Ω arrive; the rest of 18 W comes out of 15 Wh
    expect(answer.firstStopMin! / ((15 / (18 - (15 - 0.18))) * 60)).toBeCloseTo(1, 1);
  });

  it('every finding that is not good has a remedy, and says its numbers where it compares', () => {
    for (const [, built] of CASES) {
      for (const { verdict, remedy, sentence } of judge(built).findings) {
        expect(sentence.endsWith('.')).toBe(true);
        expect(verdict === 'good' || remedy !== undefined).toBe(true);
      }
    }
  });
});
