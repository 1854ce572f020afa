import type { Battery, Connector, Device, Gear, GearOf, Supply } from '..';
import { ADAPTERS, CABLES, HUBS } from './generic-between';
import { BARREL, bay, DTAP, TERMINALS, USB_A, USB_C, V_MOUNT } from './generic-connectors';

/**
 * Generic gear that brings its ports with it: packs of every make-up, regulators, couplers, panels, what hands power on.
 * Typical figures, marked as guesses where they decide, until somebody types what the label says or measures.
 */
const guessed = { energyWh: 'guess', maxA: 'guess' } as const;

const vMountWithUsb: Battery = {
  kind: 'battery',
  name: 'V-mount battery with D-tap and USB, 98 Wh',
  form: 'v-mount',
  chemistry: 'li-ion',
  cellsInSeries: 4,
  energyWh: 98,
  nominalV: 14.4,
  outputs: [
    { gives: 'pack', id: 'd-tap', name: 'D-tap', connector: DTAP, maxA: 8 },
    { gives: 'pack', id: 'mount', name: 'Mount', connector: V_MOUNT, maxA: 10 },
    { gives: 'pd', id: 'usb-c', name: 'USB-C', connector: USB_C, ratingW: 65 },
    { gives: 'fixed', id: 'usb-a', name: 'USB-A', connector: USB_A, voltageV: 5, maxA: 2.4 },
  ],
  from: guessed,
};

const twoPortBank: Battery = {
  kind: 'battery',
  name: 'USB bank, USB-C and USB-A, 20 000 mAh',
  form: 'bank',
  chemistry: 'li-ion',
  cellsInSeries: 1,
  energyWh: 74,
  nominalV: 3.7,
  outputs: [
    { gives: 'pd', id: 'usb-c', name: 'USB-C', connector: USB_C, ratingW: 65, budget: 'all' },
    { gives: 'fixed', id: 'usb-a', name: 'USB-A', connector: USB_A, voltageV: 5, maxA: 2.4, budget: 'all' },
  ],
  budgets: [{ id: 'all', name: 'All ports together', maxW: 65 }],
  from: { energyWh: 'guess' },
};

const pack = (
  name: string,
  changes: Pick<Battery, 'chemistry' | 'cellsInSeries' | 'energyWh' | 'nominalV'> & Partial<Battery>,
  connector: Connector,
  maxA: number,
): Battery => ({
  kind: 'battery',
  name,
  form: 'pack',
  outputs: [{ gives: 'pack', id: 'out', name: connector.type === 'bare' ? 'Terminals' : 'Lead', connector, maxA, lead: true }],
  from: guessed,
  ...changes,
});

const PACKS: readonly Battery[] = [
  vMountWithUsb,
  twoPortBank,
  pack('Lead-acid battery, 12 V 7 Ah', { chemistry: 'agm', cellsInSeries: 6, energyWh: 84, nominalV: 12 }, TERMINALS, 15),
  pack('Lead-acid battery, 12 V 33 Ah', { chemistry: 'agm', cellsInSeries: 6, energyWh: 396, nominalV: 12 }, TERMINALS, 30),
  pack('LiFePO4 battery, 12.8 V 12 Ah', { chemistry: 'lifepo4', cellsInSeries: 4, energyWh: 153.6, nominalV: 12.8 }, TERMINALS, 12),
  pack(
    'Holder of 8 AA, alkaline',
    { chemistry: 'alkaline', cellsInSeries: 8, energyWh: 30, nominalV: 12, protection: 'none' },
    BARREL,
    0.5,
  ),
  pack(
    'Holder of 8 AA, NiMH 1900 mAh',
    { chemistry: 'nimh', cellsInSeries: 8, energyWh: 18.2, nominalV: 9.6, protection: 'none' },
    BARREL,
    3.8,
  ),
  pack(
    'Holder of two 18650 cells, 2600 mAh',
    {
      chemistry: 'li-ion',
      cellsInSeries: 2,
      energyWh: 18.7,
      nominalV: 7.2,
      protection: 'none',
      cell: { capacityAh: 2.6, maxA: 5 },
    },
    BARREL,
    5,
  ),
  pack(
    'Holder of four 21700 cells, 4000 mAh',
    {
      chemistry: 'li-ion',
      cellsInSeries: 4,
      energyWh: 57.6,
      nominalV: 14.4,
      protection: 'none',
      cell: { capacityAh: 4, maxA: 8 },
    },
    BARREL,
    8,
  ),
  pack(
    'Pack of one’s own cells, 4S2P with a board',
    {
      chemistry: 'li-ion',
      cellsInSeries: 4,
      cellsInParallel: 2,
      energyWh: 86.4,
      nominalV: 14.4,
      protection: 'board',
      cell: { capacityAh: 3, maxA: 8 },
      note: 'Protection board, balance lead and a fuse at plus; charge it on a balancing charger, watched.',
    },
    { type: 'xt60' },
    16,
  ),
];

const DEVICES: readonly Device[] = [
  {
    kind: 'device',
    name: 'Monitor that passes its power on',
    draw: { basis: 'maker', powerW: 12 },
    dimmable: true,
    inputs: [
      { takes: 'window', id: 'plate', name: 'Battery plate', connector: bay('L'), minV: 6.5, maxV: 8.6 },
      { takes: 'window', id: 'dc', name: 'D-tap lead', connector: DTAP, minV: 7, maxV: 17, lead: true },
    ],
    outputs: [{ gives: 'fixed', id: 'out', name: '8 V out', connector: BARREL, voltageV: 8, maxA: 2.5 }],
    from: { draw: 'guess', minV: 'guess', maxV: 'guess' },
  },
  {
    kind: 'device',
    name: 'Time-lapse camera with a controller',
    draw: { basis: 'frames', awakeW: 5, awakeS: 6, sleepW: 0.12, everyS: 60 },
    inputs: [{ takes: 'window', id: 'dc', name: 'Barrel input', connector: BARREL, minV: 7, maxV: 8.6 }],
    from: { draw: 'guess', minV: 'guess', maxV: 'guess' },
  },
];

const SUPPLIES: readonly Supply[] = [
  {
    kind: 'supply',
    name: 'Mains coupler for a battery bay, 8 V 3 A',
    form: 'mains',
    outputs: [{ gives: 'fixed', id: 'coupler', name: 'Battery shape', connector: { type: 'bay' }, voltageV: 8, maxA: 3, lead: true }],
  },
  {
    kind: 'supply',
    name: 'Solar panel 20 W with a controller, 12 V',
    form: 'solar',
    outputs: [{ gives: 'fixed', id: 'out', name: 'Controller out', connector: TERMINALS, voltageV: 12, minV: 11, maxV: 14.6, maxA: 1.5 }],
  },
  {
    kind: 'supply',
    name: 'PoE switch port, 30 W',
    form: 'poe',
    outputs: [{ gives: 'fixed', id: 'port', name: 'Port', connector: { type: 'poe' }, voltageV: 50, maxA: 0.6, poeClass: 'at' }],
  },
  {
    kind: 'supply',
    name: 'Vehicle outlet, 12 V 10 A',
    form: 'vehicle',
    outputs: [{ gives: 'fixed', id: 'outlet', name: 'Outlet', connector: { type: 'vehicle' }, voltageV: 12, maxA: 10, fuseA: 10 }],
  },
];

const CHARGERS: readonly GearOf<'charger'>[] = [
  {
    kind: 'charger',
    name: 'Grip as a charger, two slots over USB-C',
    slots: 2,
    order: 'one-by-one',
    powerW: 8,
    connector: bay('M'),
    note: 'The grip with its batteries in it, while the camera is off.',
  },
  {
    kind: 'charger',
    name: 'USB-C charger for a bank, 65 W',
    slots: 1,
    order: 'together',
    powerW: 60,
    connector: USB_C,
  },
  {
    kind: 'charger',
    name: 'Balancing charger, one pack',
    slots: 1,
    order: 'together',
    powerW: 50,
    connector: { type: 'xt60' },
  },
];

export const GENERIC_POWER: readonly Gear[] = [...DEVICES, ...PACKS, ...ADAPTERS, ...CABLES, ...HUBS, ...SUPPLIES, ...CHARGERS];
