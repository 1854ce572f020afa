import type { Adapter, Battery, Device, Gear, Hub, Supply } from '../src/gear/gear';
import { cellVoltage } from '../src/physics/cell/ocv';
import type { Rig } from '../src/rig/drawn/rig';
import { CHEMISTRIES } from '../src/tables/chemistries';
import { bank, build, camera, DTAP, dummy, inCamera, pack, plainBank, splitter, usbCamera, usbWire, wire } from './rig-builder';
import type { Built } from './rig-builder';

export const PERCENT = 1.01;
const LI = CHEMISTRIES['li-ion'].ocvPerCell;

export const direct = (battery: Battery = pack(), device: Device = camera(), changes: Partial<Rig> = {}): Built =>
  build({ pack: battery, camera: device }, [['pack.out', 'camera.in']], changes);
export const byLead = (lead = wire(), battery = pack(), device: Device = camera()): Built =>
  build({ pack: battery, lead, camera: device }, [['pack.out', 'camera.in', 'lead']]);
export const byUsb = (source: Gear, device: Device, cable: Gear = usbWire(), own?: Gear): Built =>
  build({ bank: source, cable, camera: device, ...(own && { own }) }, [
    ['bank.out', 'camera.usb', 'cable'],
    ...(own ? [['own.out', 'camera.bay'] as const] : []),
  ]);

// packs joined
export const joiner = (changes: Partial<Hub> = {}): Hub =>
  splitter(1, {
    name: 'Joining plate',
    inputOrder: 'together',
    inputs: [1, 2].map((place) => ({ takes: 'window', id: `in${place}`, name: `Input ${place}`, connector: DTAP, minV: 5, maxV: 30 })),
    ...changes,
  });
export const together = (second: Battery, charges: readonly [number, number] = [1, 1], hub = joiner()): Built =>
  build(
    {
      one: pack(),
      two: { ...second, name: 'Other pack' },
      lead1: wire({ resistanceOhm: 0.01 }),
      lead2: wire({ resistanceOhm: 0.01 }),
      hub,
      camera: camera({}, 10, { maxV: 30 }),
    },
    [
      ['one.out', 'hub.in1', 'lead1'],
      ['two.out', 'hub.in2', 'lead2'],
      ['hub.p1', 'camera.in'],
    ],
    {
      batteries: [
        { gearId: 'one', startCharge: charges[0] },
        { gearId: 'two', startCharge: charges[1] },
      ],
    },
  );
/** 95 Wh at 14.4 V: 6.6 Ah may be charged with half of that; both packs and their leads, 200 mΩ. */
export const FLOWS_V = (95 / 14.4) * 0.5 * 0.2;
export const chargeWith = (belowFullV: number): number => {
  const volts = cellVoltage(LI, 1) - belowFullV / 4;
  const place = LI.findIndex(([, at]) => at >= volts);
  const [[soc0, volts0], [soc1, volts1]] = [LI[place - 1]!, LI[place]!];
  return soc0 + ((volts - volts0) / (volts1 - volts0)) * (soc1 - soc0);
};

// supplies
export const supply = (form: Supply['form'], port: Partial<Extract<Supply['outputs'][number], { gives: 'fixed' }>> = {}): Supply => ({
  kind: 'supply',
  name: 'Supply',
  form,
  outputs: [{ gives: 'fixed', id: 'out', name: 'Output', connector: DTAP, voltageV: 12, maxA: 10, ...port }],
});
export const onSupply = (source: Supply, input: Parameters<typeof camera>[2] = {}, powerW = 10): Built =>
  build({ supply: source, camera: camera({}, powerW, input) }, [['supply.out', 'camera.in']]);

// converters
export const converter = (changes: Partial<Adapter>): Adapter =>
  dummy({
    name: 'Converter',
    input: { connector: DTAP, minV: 5, maxV: 30 },
    output: { connector: DTAP, voltageV: 12 },
    ratedW: 60,
    leadOhm: 0.01,
    ...changes,
  });
export const behind = (adapter: Adapter, battery: Battery = pack(), input: Parameters<typeof camera>[2] = { minV: 10, maxV: 13 }): Built =>
  build({ pack: battery, adapter, camera: camera({}, 10, input) }, [
    ['pack.out', 'adapter.in'],
    ['adapter.out', 'camera.in'],
  ]);
export const twoCells = (): Battery => pack({ name: 'Two cells', cellsInSeries: 2, energyWh: 50, cutoffV: 6 });

// packs in series
export const inSeries = (
  one: Battery,
  two: Battery,
  changes: Partial<Rig> = {},
  input: Parameters<typeof camera>[2] = { minV: 11, maxV: 17 },
): Built =>
  build(
    { one, two: { ...two, name: 'Second' }, hub: joiner({ name: 'Holder', inputOrder: 'series' }), camera: camera({}, 10, input) },
    [
      ['one.out', 'hub.in1'],
      ['two.out', 'hub.in2'],
      ['hub.p1', 'camera.in'],
    ],
    changes,
  );

// lead-acid
export const leadAcid = (changes: Partial<Battery> = {}): Battery =>
  pack({
    name: 'Lead-acid',
    form: 'pack',
    chemistry: 'agm',
    cellsInSeries: 6,
    energyWh: 216,
    cutoffV: 10.8,
    maxA: 10,
    resistanceOhm: 0.06,
    ...changes,
  });
export const charged = (battery: Battery, input: Parameters<typeof camera>[2], changes: Partial<Rig> = {}): Built =>
  direct(battery, camera({}, 5, { minV: 9, ...input }), { batteries: [{ gearId: 'pack', charging: true }], ...changes });
export const PANEL: Partial<Rig> = { unattended: { panelW: 20 } };

// a plain 5 V adapter on a USB port
const fiveVolt = (): Adapter =>
  dummy({
    input: { connector: { type: 'usb-c' }, minV: 4.5, maxV: 5.5 },
    output: { connector: { type: 'bay', family: 'S' }, voltageV: 8 },
    efficiency: 0.9,
    standbyW: 0,
    leadOhm: 0.05,
  });
export const onPort = (watts: number, port: Parameters<typeof bank>[0] = {}): Built =>
  build({ bank: bank({ standbyW: 0, ...port }), cable: usbWire({ resistanceOhm: 0.001 }), adapter: fiveVolt(), camera: usbCamera(watts) }, [
    ['bank.out', 'adapter.in', 'cable'],
    ['adapter.out', 'camera.bay'],
  ]);
/** Watts at the camera with which so many amps flow at 5 V. */
export const wattsFor = (amps: number): number => 0.9 * amps * (5 - amps * 0.051);

export const triggered = (programmable: boolean): Built =>
  build(
    {
      bank: bank({ ratingW: 30, programmable: { minV: 3.3, maxV: 11, currentA: 3 } }),
      cable: usbWire(),
      trigger: dummy({
        name: 'Trigger lead',
        input: { connector: { type: 'usb-c' }, triggerV: 8.4, programmable },
        output: { connector: { type: 'bay', family: 'S' } },
      }),
      camera: usbCamera(8),
    },
    [
      ['bank.out', 'trigger.in', 'cable'],
      ['trigger.out', 'camera.bay'],
    ],
  );
export const beside = (sharedProfiles: { voltageV: number; currentA: number }[]): Built => {
  const port = (id: string) =>
    ({ gives: 'pd', id, name: id, connector: { type: 'usb-c' }, ratingW: 65, budget: 'b', sharedProfiles }) as const;
  return build(
    {
      bank: bank({}, { budgets: [{ id: 'b', name: 'its power' }], outputs: [port('one'), port('two')] }),
      c1: usbWire(),
      c2: usbWire(),
      camera: usbCamera(10, { minV: 9 }),
      second: usbCamera(5, {}, { name: 'Second' }),
    },
    [
      ['bank.one', 'camera.usb', 'c1'],
      ['bank.two', 'second.usb', 'c2'],
    ],
  );
};
export const fedBank = (changes: Partial<Battery>): Built => {
  const { rig, gear } = byUsb({ ...bank(), ...changes }, usbCamera(10));
  return { rig: { ...rig, batteries: [{ gearId: 'bank', charging: true }] }, gear };
};

// banks that go to sleep
export const sleepy = (watts: number, changes: Partial<Battery> = {}): Built =>
  byUsb(
    { ...plainBank(2), standbyW: 0, ...changes } as Battery,
    usbCamera(watts),
    usbWire({ ends: { source: { type: 'usb-a' }, load: { type: 'usb-c' } } }),
  );

export const peaking = (peaks: readonly number[], maxA: number): Built =>
  build(
    {
      pack: pack({}, { maxA: 30 }),
      lead: wire({ maxA, resistanceOhm: 0.001 }),
      hub: splitter(peaks.length, { resistanceOhm: 0 }, { maxA: 20 }),
      ...Object.fromEntries(peaks.map((peakW, place) => [`d${place + 1}`, camera({ name: `Device ${place + 1}`, peakW, peakMs: 300 }, 5)])),
    },
    [['pack.out', 'hub.in', 'lead'], ...peaks.map((_, place) => [`hub.p${place + 1}`, `d${place + 1}.in`] as const)],
  );

export const bay = (pins: object | undefined, insistsOn: object): Built =>
  build(
    {
      own: inCamera({
        outputs: [{ gives: 'pack', id: 'out', name: 'Contacts', connector: { type: 'bay', family: 'S' }, maxA: 5, ...(pins && { pins }) }],
      }),
      camera: usbCamera(
        5,
        {},
        { inputs: [{ takes: 'window', id: 'bay', name: 'Bay', connector: { type: 'bay', family: 'S' }, minV: 6, maxV: 8.6, insistsOn }] },
      ),
    },
    [['own.out', 'camera.bay']],
  );

export const poe = (watts: number, sourceClass: 'af' | 'at' | undefined, ownClass: 'af' | 'at' | undefined): Built =>
  build(
    {
      supply: supply('poe', { connector: { type: 'poe' }, voltageV: 48, maxA: 2, ...(sourceClass && { poeClass: sourceClass }) }),
      cable: wire({ ends: { source: { type: 'poe' }, load: { type: 'poe' } } }),
      camera: camera({}, watts, { connector: { type: 'poe' }, minV: 36, maxV: 57, ...(ownClass && { poeClass: ownClass }) }),
    },
    [['supply.out', 'camera.in', 'cable']],
  );

/** A port that says its class, a splitter that says nothing of one, two devices on what it gives. */
export const poeSplit = (watts: number): Built =>
  build(
    {
      supply: supply('poe', { connector: { type: 'poe' }, voltageV: 50, maxA: 2, poeClass: 'at' }),
      cable: wire({ ends: { source: { type: 'poe' }, load: { type: 'poe' } }, resistanceOhm: 0.001 }),
      hub: {
        ...splitter(),
        inputs: [{ takes: 'window', id: 'in', name: 'Network', connector: { type: 'poe' }, minV: 37, maxV: 57 }],
        outputs: [1, 2].map((place) => ({
          gives: 'fixed' as const, id: `p${place}`, name: `12 V ${place}`, connector: DTAP, voltageV: 12, maxA: 3, efficiency: 0.95, standbyW: 0,
        })),
      },
      one: camera({}, watts / 2, { minV: 10, maxV: 14 }),
      two: camera({ name: 'Other' }, watts / 2, { minV: 10, maxV: 14 }),
    },
    [
      ['supply.out', 'hub.in', 'cable'],
      ['hub.p1', 'one.in'],
      ['hub.p2', 'two.in'],
    ],
  ); // prettier-ignore

export const swapped = (bufferS: number | undefined, swapMin: number, spares: readonly string[] = ['spare']): Built =>
  build(
    {
      pack: pack(),
      spare: pack({ name: 'Spare' }),
      plate: splitter(1, { form: 'plate', standbyW: 0, ...(bufferS !== undefined && { bufferS }) }),
      camera: camera({}, 20),
    },
    [
      ['pack.out', 'plate.in'],
      ['plate.p1', 'camera.in'],
    ],
    { wantedMin: 400, swapMin, batteries: [{ gearId: 'pack', spareIds: [...spares] }] },
  );

/** Ohms of a lead behind which 10 W arrive at so many volts, from a full pack of 90 mΩ. */
export const ohmFor = (arrivesV: number): number => (4 * cellVoltage(LI, 1) - arrivesV) / (10 / arrivesV) - 0.09;
