import type { Cable, Device, Gear } from '../../src/gear/gear';
import type { Rig } from '../../src/rig/drawn/rig';
import {
  bay,
  behind,
  beside,
  byLead,
  byUsb,
  charged,
  converter,
  direct,
  fedBank,
  leadAcid,
  onSupply,
  PERCENT,
  poe,
  sleepy,
  supply,
  triggered,
} from '../hazard-rigs';
import { bank, build, camera, DTAP, dummy, inCamera, pack, plainBank, splitter, stepUp, usbCamera, usbWire, wire } from '../rig-builder';
import type { Built } from '../rig-builder';
import type { Trial } from './trial';

const FULL = 16.8;
const A_TO_C = usbWire({ ends: { source: { type: 'usb-a' }, load: { type: 'usb-c' } } });
const barrel = (changes: object = {}) => ({
  type: 'barrel' as const,
  outerMm: 5.5,
  innerMm: 2.1,
  polarity: 'centre-positive' as const,
  ...changes,
});
const meeting = (one: object, other: object): Built =>
  build(
    {
      pack: { ...pack(), outputs: [{ gives: 'pack', id: 'out', name: 'Out', connector: one, maxA: 8, lead: true }] } as Gear,
      camera: camera({}, 10, { connector: other as never }),
    },
    [['pack.out', 'camera.in']],
  );
const { energyWh: _energyWh, resistanceOhm: _ohm, ...unlabelled } = pack();
const made = (cell: object, powerW: number, input: object = {}): Built =>
  direct({ ...unlabelled, cell: { capacityAh: 3.3, ...cell }, cellsInParallel: 2 }, camera({}, powerW, input));
const port = (changes: object, powerW = 10): Built => direct(pack({}, changes), camera({}, powerW));
const given = (changes: object, input: object = {}, powerW = 10): Built =>
  onSupply(supply('mains', changes), { minV: 10, maxV: 16, ...input }, powerW);
const budgeted = (budget: object): Built =>
  build(
    {
      pack: pack(),
      hub: splitter(2, { budgets: [{ id: 'all', name: 'All', ...budget }], resistanceOhm: 0 }, { budget: 'all' }),
      a: camera({}, 15),
      b: camera({ name: 'B' }, 15),
    },
    [
      ['pack.out', 'hub.in'],
      ['hub.p1', 'a.in'],
      ['hub.p2', 'b.in'],
    ],
  );
const profiled = (voltageV: number, currentA: number): Built =>
  byUsb(bank({ ratingW: undefined, profiles: [{ voltageV, currentA }] }), usbCamera(20, { minV: 8, maxV: 15 }));
const shared = (changes: { sharedRatingW?: number }): Built => {
  const one = (id: string) => ({ gives: 'pd', id, name: id, connector: { type: 'usb-c' }, ratingW: 65, budget: 'b', ...changes }) as const;
  return build(
    {
      bank: bank({}, { budgets: [{ id: 'b', name: 'its power' }], outputs: [one('one'), one('two')] }),
      c1: usbWire(),
      c2: usbWire(),
      camera: usbCamera(20, { minV: 9 }),
      second: usbCamera(5, {}, { name: 'Second' }),
    },
    [
      ['bank.one', 'camera.usb', 'c1'],
      ['bank.two', 'second.usb', 'c2'],
    ],
  );
};
const programmed = (changes: object): Built => {
  const { rig, gear } = triggered(true);
  return { rig, gear: new Map(gear).set('bank', bank({ ratingW: 30, programmable: { minV: 3.3, maxV: 11, currentA: 3, ...changes } })) };
};
const trigger = (triggerV: number): Built => {
  const { rig, gear } = triggered(true);
  return {
    rig,
    gear: new Map(gear).set('trigger', {
      ...(gear.get('trigger') as Extract<Gear, { kind: 'adapter' }>),
      input: { connector: { type: 'usb-c' }, triggerV, programmable: true },
    }),
  };
};
const input = (changes: object, powerW = 10, rig: Partial<Rig> = {}): Built => direct(pack(), camera({}, powerW, changes), rig);
const peaking = (changes: Partial<Device>, lead: Partial<Cable> = { maxA: 1.2 }): Built =>
  byLead(wire({ resistanceOhm: 0.01, ...lead }), pack(), camera(changes, 10));
const dummyOn = (changes: Parameters<typeof dummy>[0], device: Device = usbCamera(10), battery = pack()): Built =>
  build({ pack: battery, adapter: dummy({ leadOhm: 0.01, ...changes }), camera: device }, [
    ['pack.out', 'adapter.in'],
    ['adapter.out', 'camera.bay'],
  ]);
const fiveVolt = (changes: object): Built =>
  build(
    {
      bank: plainBank(2),
      adapter: dummy({
        input: { connector: { type: 'usb-a' }, minV: 4.5, maxV: 5.5, ...changes },
        output: { connector: { type: 'bay', family: 'S' }, voltageV: 8 },
      }),
      camera: usbCamera(6),
    },
    [
      ['bank.out', 'adapter.in'],
      ['adapter.out', 'camera.bay'],
    ],
  );
const hubbed = (changes: object, powerW = 10, cameraInput: object = {}): Built =>
  build({ pack: pack(), hub: splitter(1, changes), camera: camera({}, powerW, cameraInput) }, [
    ['pack.out', 'hub.in'],
    ['hub.p1', 'camera.in'],
  ]);
const joined = (changes: object): Built =>
  build(
    {
      one: pack(),
      two: pack({ name: 'Other', cellsInSeries: 3, cutoffV: 9 }),
      hub: splitter(1, {
        inputOrder: 'one-by-one',
        inputs: [1, 2].map((place) => ({ takes: 'window', id: `in${place}`, name: `Input ${place}`, connector: DTAP, minV: 5, maxV: 30 })),
        ...changes,
      }),
      camera: camera({}, 10, { maxV: 30 }),
    },
    [
      ['one.out', 'hub.in1'],
      ['two.out', 'hub.in2'],
      ['hub.p1', 'camera.in'],
    ],
  );
const bare = (fuse: Partial<Cable>): Built =>
  byLead(
    wire({ ends: { source: { type: 'bare', polarity: 'as-marked' }, load: DTAP }, fuseA: 3, ...fuse }),
    pack({ maxA: 30 }, { connector: { type: 'bare', polarity: 'as-marked' } }),
  );
const gripped = (form: 'grip' | 'box'): Built =>
  build(
    {
      pack: pack(),
      adapter: dummy(),
      grip: splitter(1, {
        form,
        standbyW: 0,
        inputs: [{ takes: 'window', id: 'in', name: 'Slot', connector: { type: 'bay', family: 'S' }, minV: 6, maxV: 9 }],
        outputs: [{ gives: 'pack', id: 'p1', name: 'Out', connector: { type: 'bay', family: 'S' }, maxA: 5 }],
      }),
      camera: usbCamera(8),
    },
    [
      ['pack.out', 'adapter.in'],
      ['adapter.out', 'grip.in'],
      ['grip.p1', 'camera.bay'],
    ],
  );

/** Fields that a limit, a plug or a contract hangs on: each kept, and passed by one per cent or the next size. */
export const LIMIT_TRIALS: readonly Trial[] = [
  ['connector.type', meeting({ type: 'd-tap' }, { type: 'd-tap' }), meeting({ type: 'd-tap' }, { type: 'xt60' })],
  ['connector.outerMm', meeting(barrel(), barrel()), meeting(barrel(), barrel({ outerMm: 5.0 }))],
  ['connector.innerMm', meeting(barrel(), barrel()), meeting(barrel(), barrel({ innerMm: 2.5 }))],
  ['connector.polarity', meeting(barrel(), barrel()), meeting(barrel(), barrel({ polarity: 'centre-negative' }))],
  ['connector.gender', meeting({ type: 'xt60', gender: 'plug' }, { type: 'xt60', gender: 'socket' }), meeting({ type: 'xt60', gender: 'plug' }, { type: 'xt60', gender: 'plug' })],
  ['battery.form', sleepy(0.25, { form: 'pack', leastA: undefined }), sleepy(0.25, { leastA: undefined })],
  ['battery.leastA', sleepy(0.25, { leastA: 0.04 }), sleepy(0.25, { leastA: 0.06 })],
  ['battery.chemistry', direct(pack({ chemistry: 'lifepo4', cutoffV: 10.4 }), camera({}, 10, { maxV: 15 })), direct(pack(), camera({}, 10, { maxV: 15 }))],
  ['battery.cellsInSeries', direct(pack(), camera({}, 10, { maxV: 18 })), direct(pack({ cellsInSeries: 5, cutoffV: 15 }), camera({}, 10, { maxV: 18 }))],
  ['battery.nominalV', direct({ ...pack(), cellsInSeries: undefined, nominalV: 14.4 }, camera({}, 10, { maxV: 18 })), direct({ ...pack(), cellsInSeries: undefined, nominalV: 18, cutoffV: 15 }, camera({}, 10, { maxV: 18 }))],
  ['battery.cell.maxA', made({ maxA: 0.5 * PERCENT }, 11.9), made({ maxA: 0.25 }, 11.9)],
  ['battery.cell.resistanceOhm', made({ resistanceOhm: 0.02 }, 20, { minV: 15 }), made({ resistanceOhm: 0.7 }, 20, { minV: 15 })],
  ['battery.labelWh', direct(pack({ labelWh: 95, energyWh: 104, from: { energyWh: 'measured' } })), direct(pack({ labelWh: 90, energyWh: 104, from: { energyWh: 'measured' } }))],
  ['battery.resistanceOhm', direct(pack({ resistanceOhm: 0.09 }), camera({}, 20, { minV: 11 })), direct(pack({ resistanceOhm: 1.3 }), camera({}, 20, { minV: 11 }))],
  ['battery.cutoffV', direct(pack({ cutoffV: 14.4 })), direct(pack({ cutoffV: 14.4 * PERCENT }))],
  ['battery.maxA', direct(pack({ maxA: 2 }), camera({}, 22)), direct(pack({ maxA: 1.3 }), camera({}, 22))],
  ['battery.protection', direct(pack({ chemistry: 'agm', cellsInSeries: 6, cutoffV: undefined, protection: 'board' })), direct(pack({ chemistry: 'agm', cellsInSeries: 6, cutoffV: undefined, protection: 'none' }))],
  ['battery.chargesWhileFeeding', fedBank({ chargesWhileFeeding: true }), fedBank({ chargesWhileFeeding: false })],
  ['battery.chargeV', charged(leadAcid({ chargeV: 14.4 }), { maxV: 14.5 }), charged(leadAcid({ chargeV: 14.6 }), { maxV: 14.5 })],
  ['rig.batteries.charging', direct(leadAcid(), camera({}, 5, { minV: 9, maxV: 13.5 })), charged(leadAcid({ chargeV: 14.4 }), { maxV: 13.5 })],
  ['output.pack.maxA', port({ maxA: 0.9 }), port({ maxA: 0.5 })],
  ['output.pack.maxW', port({ maxW: 10.5 }), port({ maxW: 10 / PERCENT })],
  ['output.pack.fuseA', port({ fuseA: 2 }), port({ fuseA: 1 })],
  ['output.pack.pins.thermistor', bay({ thermistor: true, data: true }, { thermistor: true }), bay({ thermistor: false, data: true }, { thermistor: true })],
  ['output.pack.pins.data', bay({ thermistor: true, data: true }, { data: true }), bay({ thermistor: true, data: false }, { data: true })],
  ['output.pack.lead', meeting(barrel(), barrel()), build({ pack: { ...pack(), outputs: [{ gives: 'pack', id: 'out', name: 'Out', connector: barrel(), maxA: 8 }] }, camera: camera({}, 10, { connector: barrel() }) }, [['pack.out', 'camera.in']])],
  ['output.fixed.voltageV', given({ voltageV: 15 }, { maxV: 16 }), given({ voltageV: 16 * PERCENT }, { maxV: 16 })],
  ['output.fixed.maxV', given({ voltageV: 12, maxV: 16 }, { maxV: 16 }), given({ voltageV: 12, maxV: 16 * PERCENT }, { maxV: 16 })],
  ['output.fixed.minV', given({ voltageV: 12, minV: 11 }, { minV: 11 }), given({ voltageV: 12, minV: 11 / PERCENT }, { minV: 11 })],
  ['output.fixed.maxA', given({ maxA: 1 }), given({ maxA: 0.8 })],
  ['output.fixed.fuseA', given({ fuseA: 2 }), given({ fuseA: 1 })],
  ['output.fixed.works', behind(converter({ output: { connector: DTAP, voltageV: 18 }, input: { connector: DTAP, minV: 5, maxV: 30 } }), pack(), { minV: 10, maxV: 20 }), build({ pack: pack(), plate: { ...stepUp({ minV: 5 }), outputs: [{ gives: 'fixed', id: 'out', name: 'Out', connector: DTAP, voltageV: 18, maxA: 5, works: 'down' }] }, camera: camera() }, [['pack.out', 'plate.in'], ['plate.out', 'camera.in']])],
  ['output.fixed.poeClass', poe(12.9, 'af', undefined), poe(13.1, 'af', undefined)],
  ['output.fixed.pins.thermistor', given({ pins: { thermistor: true } }, { insistsOn: { thermistor: true } }), given({ pins: { data: true } }, { insistsOn: { thermistor: true } })],
  ['output.fixed.pins.data', given({ pins: { data: true } }, { insistsOn: { data: true } }), given({ pins: { thermistor: true } }, { insistsOn: { data: true } })],
  ['output.fixed.lead', given({ connector: barrel(), lead: true }, { connector: barrel() }), given({ connector: barrel() }, { connector: barrel() })],
  ['output.pd.ratingW', byUsb(bank({ ratingW: 27 }), usbCamera(27 / PERCENT)), byUsb(bank({ ratingW: 27 / PERCENT }), usbCamera(27))],
  ['output.pd.profiles.voltageV', profiled(9, 3), profiled(7.9, 3)],
  ['output.pd.profiles.currentA', profiled(9, 20 / 9 * PERCENT), profiled(9, 20 / 9 / PERCENT)],
  ['output.pd.programmable.minV', programmed({ minV: 8.4 }), programmed({ minV: 8.5 })],
  ['output.pd.programmable.maxV', programmed({ maxV: 8.4 }), programmed({ maxV: 8.3 })],
  ['output.pd.programmable.currentA', programmed({ currentA: 1.1 }), programmed({ currentA: 0.8 })],
  ['output.pd.sharedRatingW', shared({ sharedRatingW: 20.2 }), shared({ sharedRatingW: 19.8 })],
  ['output.pd.sharedProfiles.voltageV', beside([{ voltageV: 9, currentA: 3 }]), beside([{ voltageV: 5, currentA: 3 }])],
  ['output.pd.sharedProfiles.currentA', beside([{ voltageV: 9, currentA: 10 / 9 * PERCENT }]), beside([{ voltageV: 9, currentA: 10 / 9 / PERCENT }])],
  ['output.pd.lead', build({ bank: bank({ lead: true }), camera: usbCamera(10) }, [['bank.out', 'camera.usb']]), build({ bank: bank(), camera: usbCamera(10) }, [['bank.out', 'camera.usb']])],
  ['budget.maxA', budgeted({ maxA: 2.8 }), budgeted({ maxA: 1.7 })],
  ['budget.maxW', budgeted({ maxW: 31 }), budgeted({ maxW: 30 / PERCENT })],
  ['input.window.minV', input({ minV: 16 }), input({ minV: 16.75 * PERCENT })],
  ['input.window.maxV', input({ maxV: FULL }), input({ maxV: FULL / PERCENT })],
  ['input.window.startV', input({ startV: 14 }, 10, { startCharge: 0.5 }), input({ startV: 16 }, 10, { startCharge: 0.5 })],
  ['input.window.maxA', input({ maxA: 0.9 }), input({ maxA: 0.5 })],
  ['input.window.poeClass', poe(12.9, undefined, 'af'), poe(13.1, undefined, 'af')],
  ['input.window.insistsOn.thermistor', bay({ data: true }, {}), bay({ data: true }, { thermistor: true })],
  ['input.window.insistsOn.data', bay({ thermistor: true }, {}), bay({ thermistor: true }, { data: true })],
  ['input.window.noPower', input({}), input({ noPower: true })],
  ['input.window.lead', given({ connector: barrel() }, { connector: barrel(), lead: true }), given({ connector: barrel() }, { connector: barrel() })],
  ['input.pd.minV', byUsb(bank({ ratingW: 15 }), usbCamera(10, { minV: 5 })), byUsb(bank({ ratingW: 15 }), usbCamera(10, { minV: 9 }))],
  ['input.pd.maxV', byUsb(bank(), usbCamera(10, { minV: 4, maxV: 5 })), byUsb(bank(), usbCamera(10, { minV: 4, maxV: 4.9 }))],
  ['input.pd.needW', byUsb(bank({ ratingW: 27 }), usbCamera(10, { needW: 27 / PERCENT })), byUsb(bank({ ratingW: 27 }), usbCamera(10, { needW: 27 * PERCENT }))],
  ['input.pd.programmable', byUsb(bank({ ratingW: 30, programmable: { minV: 3.3, maxV: 11, currentA: 3 } }), usbCamera(10, { minV: 8, maxV: 8.6, programmable: true })), byUsb(bank({ ratingW: 30, programmable: { minV: 3.3, maxV: 11, currentA: 3 } }), usbCamera(10, { minV: 8, maxV: 8.6 }))],
  ['input.pd.sink', byUsb(bank(), usbCamera(10)), byUsb(bank(), usbCamera(10, { sink: 'charges-when-off' }))],
  ['input.pd.noPower', byUsb(bank(), usbCamera(10)), byUsb(bank(), usbCamera(10, { noPower: true }))],
  ['input.pd.lead', build({ bank: bank(), camera: usbCamera(10, { lead: true }) }, [['bank.out', 'camera.usb']]), build({ bank: bank(), camera: usbCamera(10) }, [['bank.out', 'camera.usb']])],
  ['device.peakW', peaking({ peakW: 11, peakMs: 20_000 }), peaking({ peakW: 25, peakMs: 20_000 })],
  ['device.peakMs', peaking({ peakW: 45, peakMs: 1 }, { maxA: undefined, areaMm2: 1.5, fuseA: 2 }), peaking({ peakW: 45, peakMs: 50_000 }, { maxA: undefined, areaMm2: 1.5, fuseA: 2 })],
  ['device.needs.minV', byUsb(bank(), usbCamera(5, {}, { needs: { minV: 8 } })), byUsb(plainBank(3), usbCamera(5, {}, { needs: { minV: 8 } }), A_TO_C)],
  ['device.needs.contractW', byUsb(bank({ ratingW: 27 }), usbCamera(10, {}, { needs: { contractW: 27 / PERCENT } })), byUsb(bank({ ratingW: 27 }), usbCamera(10, {}, { needs: { contractW: 27 * PERCENT } }))],
  ['device.needs.recognised', build({ own: inCamera({ recognised: false }), camera: usbCamera(8) }, [['own.out', 'camera.bay']]), build({ own: inCamera({ recognised: false }), camera: usbCamera(8, {}, { needs: { recognised: true } }) }, [['own.out', 'camera.bay']])],
  ['battery.recognised', build({ own: inCamera({ recognised: true }), camera: usbCamera(8, {}, { needs: { recognised: true } }) }, [['own.out', 'camera.bay']]), build({ own: inCamera({ recognised: false }), camera: usbCamera(8, {}, { needs: { recognised: true } }) }, [['own.out', 'camera.bay']])],
  ['device.builtIn.energyWh', byUsb(bank({ ratingW: 15 }, { energyWh: 20 }), usbCamera(18, { sink: 'mixes' }, { builtIn: { energyWh: 40, cellsInSeries: 2 } })), byUsb(bank({ ratingW: 15 }, { energyWh: 20 }), usbCamera(18, { sink: 'mixes' }, { builtIn: { energyWh: 1, cellsInSeries: 2 } }))],
  ['adapter.input.minV', dummyOn({ input: { connector: DTAP, minV: 16, maxV: 20 } }), dummyOn({ input: { connector: DTAP, minV: 16.9, maxV: 20 } })],
  ['adapter.input.maxV', dummyOn({ input: { connector: DTAP, minV: 11, maxV: FULL } }), dummyOn({ input: { connector: DTAP, minV: 11, maxV: FULL / PERCENT } })],
  ['adapter.input.startV', dummyOn({ input: { connector: DTAP, minV: 11, maxV: 17, startV: 12 } }), dummyOn({ input: { connector: DTAP, minV: 11, maxV: 17, startV: 16.9 } })],
  ['adapter.input.maxA', dummyOn({ input: { connector: DTAP, minV: 11, maxV: 17, maxA: 1.2 } }), dummyOn({ input: { connector: DTAP, minV: 11, maxV: 17, maxA: 0.6 } })],
  ['adapter.input.leastA', fiveVolt({ leastA: 2 }), fiveVolt({ leastA: 2 * PERCENT })],
  ['adapter.input.plugs', fiveVolt({ plugs: 1 }), fiveVolt({ plugs: 2 })],
  ['adapter.input.triggerV', trigger(8.4), trigger(9.4)],
  ['adapter.input.programmable', triggered(true), triggered(false)],
  ['adapter.output.voltageV', dummyOn({ output: { connector: { type: 'bay', family: 'S' }, voltageV: 8.6 } }), dummyOn({ output: { connector: { type: 'bay', family: 'S' }, voltageV: 8.6 * PERCENT } })],
  ['adapter.output.maxA', dummyOn({ ratedW: undefined, output: { connector: { type: 'bay', family: 'S' }, voltageV: 8, maxA: 1.3 } }), dummyOn({ ratedW: undefined, output: { connector: { type: 'bay', family: 'S' }, voltageV: 8, maxA: 1.2 } })],
  ['adapter.output.passThrough', dummyOn({ output: { connector: { type: 'bay', family: 'S' }, voltageV: 8 } }), dummyOn({ output: { connector: { type: 'bay', family: 'S' }, voltageV: 8, passThrough: true } })],
  ['adapter.output.pins.thermistor', dummyOn({ output: { connector: { type: 'bay', family: 'S' }, voltageV: 8, pins: { thermistor: true } } }, { ...usbCamera(8), inputs: [{ takes: 'window', id: 'bay', name: 'Bay', connector: { type: 'bay', family: 'S' }, minV: 6, maxV: 8.6, insistsOn: { thermistor: true } }] }), dummyOn({ output: { connector: { type: 'bay', family: 'S' }, voltageV: 8, pins: {} } }, { ...usbCamera(8), inputs: [{ takes: 'window', id: 'bay', name: 'Bay', connector: { type: 'bay', family: 'S' }, minV: 6, maxV: 8.6, insistsOn: { thermistor: true } }] })],
  ['adapter.output.pins.data', dummyOn({ output: { connector: { type: 'bay', family: 'S' }, voltageV: 8, pins: { data: true } } }, { ...usbCamera(8), inputs: [{ takes: 'window', id: 'bay', name: 'Bay', connector: { type: 'bay', family: 'S' }, minV: 6, maxV: 8.6, insistsOn: { data: true } }] }), dummyOn({ output: { connector: { type: 'bay', family: 'S' }, voltageV: 8, pins: {} } }, { ...usbCamera(8), inputs: [{ takes: 'window', id: 'bay', name: 'Bay', connector: { type: 'bay', family: 'S' }, minV: 6, maxV: 8.6, insistsOn: { data: true } }] })],
  ['adapter.ratedW', dummyOn({ ratedW: 10 * PERCENT }), dummyOn({ ratedW: 10 / PERCENT })],
  ['adapter.linear', dummyOn({}), dummyOn({ linear: true, efficiency: undefined })],
  ['adapter.works', dummyOn({ works: 'both', output: { connector: { type: 'bay', family: 'S' }, voltageV: 8.5 }, input: { connector: { type: 'bay', family: 'S' }, minV: 5, maxV: 9 } }, usbCamera(5), inCamera()), dummyOn({ works: 'down', output: { connector: { type: 'bay', family: 'S' }, voltageV: 8.5 }, input: { connector: { type: 'bay', family: 'S' }, minV: 5, maxV: 9 } }, usbCamera(5), inCamera())],
  ['adapter.leadOhm', dummyOn({ input: { connector: DTAP, minV: 16, maxV: 17 } }), dummyOn({ leadOhm: 1, input: { connector: DTAP, minV: 16, maxV: 17 } })],
  ['adapter.gauge', dummyOn({}), dummyOn({ gauge: 'always-full' })],
  ['adapter.recognised', dummyOn({ recognised: true }, usbCamera(8, {}, { needs: { recognised: true } })), dummyOn({ recognised: false }, usbCamera(8, {}, { needs: { recognised: true } }))],
  ['cable.crossed', byLead(wire()), byLead(wire({ crossed: true, ends: { source: DTAP, load: { type: 'd-tap', polarity: 'as-marked' } } }))],
  ['cable.resistanceOhm', byLead(wire({ resistanceOhm: 0.02 }), pack(), camera({}, 10, { minV: 16 })), byLead(wire({ resistanceOhm: 1.5 }), pack(), camera({}, 10, { minV: 16 }))],
  ['cable.lengthM', byLead(wire({ resistanceOhm: undefined, lengthM: 1, areaMm2: 0.5 }), pack(), camera({}, 20)), byLead(wire({ resistanceOhm: undefined, lengthM: 10, areaMm2: 0.5 }), pack(), camera({}, 20))],
  ['cable.areaMm2', byLead(wire({ areaMm2: 0.5, maxA: undefined }), pack(), camera({}, 60)), byLead(wire({ areaMm2: 0.25, maxA: undefined }), pack(), camera({}, 60))],
  ['cable.awg', byLead(wire({ awg: 18, maxA: undefined }), pack(), camera({}, 60)), byLead(wire({ awg: 28, maxA: undefined }), pack(), camera({}, 60))],
  ['cable.maxA', byLead(wire({ maxA: 0.9 })), byLead(wire({ maxA: 0.5 }))],
  ['cable.fuseA', byLead(wire({ fuseA: 2 })), byLead(wire({ fuseA: 1 }))],
  ['cable.fuseAt', bare({ fuseAt: 'source' }), bare({ fuseAt: 'load' })],
  ['cable.marked5A', byUsb(bank({ ratingW: 100 }), usbCamera(70, { maxV: 20 }), usbWire({ marked5A: true })), byUsb(bank({ ratingW: 100 }), usbCamera(70, { maxV: 20 }))],
  ['cable.extendedRange', byUsb(bank({ ratingW: 140 }), usbCamera(20, { minV: 28, maxV: 28 }), usbWire({ extendedRange: true })), byUsb(bank({ ratingW: 140 }), usbCamera(20, { minV: 28, maxV: 28 }), usbWire({ marked5A: true }))],
  ['hub.form', gripped('box'), gripped('grip')],
  ['hub.inputOrder', joined({ inputOrder: 'one-by-one' }), joined({ inputOrder: 'together' })],
  ['hub.isolates', joined({ inputOrder: 'together', isolates: true }), joined({ inputOrder: 'together' })],
  ['hub.fuseA', hubbed({ fuseA: 2 }), hubbed({ fuseA: 0.5 })],
  ['hub.resistanceOhm', hubbed({ resistanceOhm: 0.02 }, 10, { minV: 16 }), hubbed({ resistanceOhm: 2 }, 10, { minV: 16 })],
  ['hub.recognised', build({ own: inCamera(), grip: splitter(1, { form: 'grip', recognised: true, inputs: [{ takes: 'window', id: 'in', name: 'Slot', connector: { type: 'bay', family: 'S' }, minV: 5, maxV: 9 }], outputs: [{ gives: 'pack', id: 'p1', name: 'Out', connector: { type: 'bay', family: 'S' }, maxA: 5 }] }), camera: usbCamera(8, {}, { needs: { recognised: true } }) }, [['own.out', 'grip.in'], ['grip.p1', 'camera.bay']]), build({ own: inCamera(), grip: splitter(1, { form: 'grip', recognised: false, inputs: [{ takes: 'window', id: 'in', name: 'Slot', connector: { type: 'bay', family: 'S' }, minV: 5, maxV: 9 }], outputs: [{ gives: 'pack', id: 'p1', name: 'Out', connector: { type: 'bay', family: 'S' }, maxA: 5 }] }), camera: usbCamera(8, {}, { needs: { recognised: true } }) }, [['own.out', 'grip.in'], ['grip.p1', 'camera.bay']])],
  ['supply.form', onSupply(supply('mains', { voltageV: 12 }), { minV: 11.4, maxV: 16 }), onSupply(supply('vehicle', { voltageV: 12 }), { minV: 11.4, maxV: 16 })],
]; // prettier-ignore
