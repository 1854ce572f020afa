import type { Gear } from '../gear';
import { oneFeed } from '../rig/drawn';
import type { Rig } from '../rig/drawn';
import { demoId, GEAR } from './demo-id';
import { MORE_GEAR, moreId } from './more-gear';
import type { MoreGear } from './more-gear';
import { moreRigs } from './more-rigs';

/** Gear and rigs with their identifiers: a part of a plan. */
export interface PlanPart {
  readonly gear: readonly { readonly id: string; readonly body: Gear }[];
  readonly rigs: readonly { readonly id: string; readonly body: Rig }[];
}

const bay = (family: string) => ({ type: 'bay', family }) as const;
const DTAP = { type: 'd-tap' } as const;
const USB_A = { type: 'usb-a' } as const;
const USB_C = { type: 'usb-c' } as const;

const gear: Record<keyof typeof GEAR, Gear> = {
  deckCamera: {
    kind: 'device',
    name: 'Ternlet 2',
    massG: 430,
    draw: { basis: 'meter', voltageV: 7.9, currentA: 0.86, at: 'device' },
    peakW: 9.5,
    peakMs: 250,
    inputs: [
      { takes: 'window', id: 'bay', name: 'Battery bay', connector: bay('S'), minV: 6.1, maxV: 8.5 },
      { takes: 'pd', id: 'usb-c', name: 'USB-C', connector: USB_C, minV: 5, maxV: 9, needW: 15, sink: 'needs-battery' },
    ],
  },
  wheelhouseCamera: {
    kind: 'device',
    name: 'Skuadon 60',
    massG: 780,
    draw: { basis: 'run-down', energyWh: 95, minutes: 310, lostShare: 0.09 },
    peakW: 19,
    peakMs: 400,
    covered: [
      { place: 'under', what: 'thread' },
      { place: 'behind', what: 'screen' },
      { place: 'behind', what: 'port', portId: 'usb-c' },
    ],
    carries: [{ place: 'top', maxG: 600 }],
    inputs: [
      { takes: 'window', id: 'bay', name: 'Battery bay', connector: bay('M'), minV: 6.3, maxV: 8.6 },
      { takes: 'pd', id: 'usb-c', name: 'USB-C', connector: USB_C, minV: 9, maxV: 15, needW: 27, sink: 'runs' },
    ],
  },
  stillsCamera: {
    kind: 'device',
    name: 'Plovera R',
    massG: 650,
    draw: { basis: 'maker', powerW: 5.2 },
    inputs: [{ takes: 'window', id: 'bay', name: 'Battery bay', connector: bay('M'), minV: 6.3, maxV: 8.6 }],
  },
  v1: {
    kind: 'battery',
    name: 'Holmvik 95',
    massG: 640,
    price: 190,
    tag: 'V1',
    where: 'case 1',
    charge: 1,
    form: 'v-mount',
    chemistry: 'li-ion',
    cellsInSeries: 4,
    energyWh: 95,
    nominalV: 14.4,
    outputs: [{ gives: 'pack', id: 'd-tap', name: 'D-tap', connector: DTAP, maxA: 8 }],
  },
  v4: {
    kind: 'battery',
    name: 'Holmvik 49',
    massG: 420,
    price: 120,
    tag: 'V4',
    form: 'v-mount',
    chemistry: 'li-ion',
    cellsInSeries: 4,
    energyWh: 49,
    nominalV: 14.4,
    years: 4,
    cycles: 310,
    outputs: [{ gives: 'pack', id: 'd-tap', name: 'D-tap', connector: DTAP, maxA: 1.5 }],
  },
  s1: {
    kind: 'battery',
    name: 'Ternlet cell S',
    massG: 48,
    price: 45,
    tag: 'S1',
    form: 'camera',
    chemistry: 'li-ion',
    cellsInSeries: 2,
    energyWh: 7.6,
    nominalV: 7.2,
    outputs: [{ gives: 'pack', id: 'contacts', name: 'Contacts', connector: bay('S'), maxA: 3 }],
  },
  k3: {
    kind: 'battery',
    name: 'Plovera cell M',
    massG: 80,
    price: 70,
    tag: 'K3',
    form: 'camera',
    chemistry: 'li-ion',
    cellsInSeries: 2,
    energyWh: 14.7,
    nominalV: 7.2,
    outputs: [{ gives: 'pack', id: 'contacts', name: 'Contacts', connector: bay('M'), maxA: 5 }],
  },
  bank5V: {
    kind: 'battery',
    name: 'Grynna 10',
    massG: 210,
    price: 25,
    tag: 'B1',
    form: 'bank',
    chemistry: 'li-ion',
    cellsInSeries: 1,
    energyWh: 37,
    nominalV: 3.7,
    outputs: [{ gives: 'fixed', id: 'usb-a', name: 'USB-A', connector: USB_A, voltageV: 5, maxA: 2.4, efficiency: 0.86 }],
  },
  bank18: {
    kind: 'battery',
    name: 'Grynna 20 PD',
    massG: 390,
    price: 45,
    tag: 'B2',
    form: 'bank',
    chemistry: 'li-ion',
    cellsInSeries: 1,
    energyWh: 74,
    nominalV: 3.7,
    outputs: [
      { gives: 'pd', id: 'usb-c', name: 'USB-C', connector: USB_C, ratingW: 18 },
      { gives: 'fixed', id: 'usb-a', name: 'USB-A', connector: USB_A, voltageV: 5, maxA: 2.4 },
    ],
  },
  bank45: {
    kind: 'battery',
    name: 'Grynna 25 PD',
    massG: 480,
    price: 75,
    tag: 'B3',
    form: 'bank',
    chemistry: 'li-ion',
    cellsInSeries: 1,
    energyWh: 92,
    nominalV: 3.7,
    outputs: [
      { gives: 'pd', id: 'usb-c', name: 'USB-C', connector: USB_C, ratingW: 45 },
      { gives: 'fixed', id: 'usb-a', name: 'USB-A', connector: USB_A, voltageV: 5, maxA: 2.4 },
    ],
  },
  dTapAdapter: {
    kind: 'adapter',
    name: 'Adapter M from D-tap',
    massG: 75,
    price: 65,
    input: { connector: DTAP, minV: 11.5, maxV: 17 },
    output: { connector: bay('M'), voltageV: 8 },
    ratedW: 30,
    efficiency: 0.92,
    standbyW: 0.15,
    gauge: 'always-full',
  },
  usbAdapter: {
    kind: 'adapter',
    name: 'Adapter S from 5 V',
    massG: 60,
    price: 35,
    input: { connector: USB_A, minV: 4.4, maxV: 5.5 },
    output: { connector: bay('S'), voltageV: 8 },
    ratedW: 12,
    efficiency: 0.88,
    standbyW: 0.1,
    gauge: 'always-full',
  },
  cable3A: { kind: 'cable', name: 'USB-C lead, 1 m', massG: 40, price: 12, ends: { source: USB_C, load: USB_C }, lengthM: 1, areaMm2: 0.5 },
};

const rigs: readonly Rig[] = [
  {
    name: 'Wheelhouse',
    note: 'Shoulder rig with the pilots; one V-mount behind the operator.',
    ...oneFeed({ deviceId: GEAR.wheelhouseCamera, inputId: 'bay', batteryId: GEAR.v1, outputId: 'd-tap', adapterId: GEAR.dTapAdapter }),
    wantedMin: 240,
    temperatureC: 4,
  },
  {
    name: 'Wheelhouse on the small battery',
    note: 'The worn V4 when V1 is on the charger: its port is for 1.5 A.',
    ...oneFeed({ deviceId: GEAR.wheelhouseCamera, inputId: 'bay', batteryId: GEAR.v4, outputId: 'd-tap', adapterId: GEAR.dTapAdapter }),
    wantedMin: 90,
    temperatureC: -9,
  },
  {
    name: 'Deck',
    note: 'On the stabiliser; USB-C is taken by its control cable.',
    style: 'stabiliser',
    ...oneFeed({ deviceId: GEAR.deckCamera, inputId: 'bay', batteryId: GEAR.bank5V, outputId: 'usb-a', adapterId: GEAR.usbAdapter }),
    wantedMin: 150,
    temperatureC: -5,
    balance: {
      support: 'stabiliser',
      payloadG: 1200,
      places: [
        { gearId: GEAR.deckCamera, alongMm: 4, heightMm: 45 },
        { gearId: GEAR.usbAdapter, alongMm: -12, heightMm: 30 },
        { gearId: GEAR.bank5V, elsewhere: true },
      ],
    },
  },
  {
    name: 'Galley interviews',
    note: 'Locked off, long takes; bank on the tripod leg.',
    ...oneFeed({ deviceId: GEAR.wheelhouseCamera, inputId: 'usb-c', batteryId: GEAR.bank45, outputId: 'usb-c', cableId: GEAR.cable3A }),
    wantedMin: 180,
    temperatureC: 18,
  },
  {
    name: 'Galley on the old bank',
    note: 'B2 says “PD” too. Try it here first.',
    ...oneFeed({ deviceId: GEAR.wheelhouseCamera, inputId: 'usb-c', batteryId: GEAR.bank18, outputId: 'usb-c', cableId: GEAR.cable3A }),
    wantedMin: 180,
    temperatureC: 18,
  },
  {
    name: 'Stills',
    note: 'Two bodies, pocket spares.',
    ...oneFeed({ deviceId: GEAR.stillsCamera, inputId: 'bay', batteryId: GEAR.k3, outputId: 'contacts' }),
    wantedMin: 120,
    temperatureC: 0,
  },
];

/** “Low Water”: the made-up crew that the application ships with. */
export const LOW_WATER: PlanPart = {
  gear: [
    ...Object.entries(GEAR).map(([key, gearId]) => ({ id: gearId, body: gear[key as keyof typeof GEAR] })),
    ...Object.entries(MORE_GEAR).map(([key, body]) => ({ id: moreId(key as MoreGear), body })),
  ],
  rigs: [...rigs, ...moreRigs()].map((body, index) => ({ id: demoId(101 + index), body })),
};
