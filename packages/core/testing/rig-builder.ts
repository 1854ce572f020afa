import { assess } from '../src/answer/assess';
import type { Adapter, Battery, Cable, Device, Gear, Hub } from '../src/gear/gear';
import type { Input, Output } from '../src/gear/port';
import type { Rig } from '../src/rig/drawn/rig';
import { tellAnswer } from '../src/words/en/answer/tell-answer';
import type { ToldAnswer } from '../src/words/en/answer/tell-answer';

/** `['battery.out', 'camera.in', 'cable']`: a link between ports, by the names of the parts. */
export type Joined = readonly [from: string, to: string, cable?: string];

export interface Built {
  readonly rig: Rig;
  readonly gear: ReadonlyMap<string, Gear>;
}

/** A rig of parts called by name; every device among them is in it. */
export function build(parts: Readonly<Record<string, Gear>>, joined: readonly Joined[], changes: Partial<Rig> = {}): Built {
  const end = (text: string): { gearId: string; portId: string } => {
    const [gearId = '', portId = ''] = text.split('.');
    return { gearId, portId };
  };
  const rig: Rig = {
    name: 'Rig',
    devices: Object.entries(parts).flatMap(([gearId, { kind }]) => (kind === 'device' ? [{ gearId }] : [])),
    links: joined.map(([from, to, cableId]) => ({ from: end(from), to: end(to), ...(cableId !== undefined && { cableId }) })),
    ...changes,
  };
  return { rig, gear: new Map(Object.entries(parts)) };
}

export const judge = ({ rig, gear }: Built): ToldAnswer => tellAnswer(assess(rig, gear));

type Window = Extract<Input, { takes: 'window' }>;
type UsbInput = Extract<Input, { takes: 'pd' }>;
export const DTAP = { type: 'd-tap' } as const;
export const USB_C = { type: 'usb-c' } as const;

export const camera = (changes: Partial<Device> = {}, powerW = 10, input: Partial<Window> = {}): Device => ({
  kind: 'device',
  name: 'Camera',
  draw: { basis: 'maker', powerW },
  inputs: [{ takes: 'window', id: 'in', name: 'DC', connector: DTAP, minV: 6, maxV: 20, ...input }],
  ...changes,
});

export const usbCamera = (powerW = 10, input: Partial<UsbInput> = {}, changes: Partial<Device> = {}): Device => ({
  kind: 'device',
  name: 'Camera',
  draw: { basis: 'maker', powerW },
  inputs: [
    { takes: 'pd', id: 'usb', name: 'USB-C', connector: USB_C, minV: 5, maxV: 15, sink: 'runs', ...input },
    { takes: 'window', id: 'bay', name: 'Bay', connector: { type: 'bay', family: 'S' }, minV: 6, maxV: 8.6 },
  ],
  ...changes,
});

/** Four Li-ion cells: 16.8 V full, 12 V at its cut-off; nothing about it is assumed. */
export const pack = (changes: Partial<Battery> = {}, port: Partial<Extract<Output, { gives: 'pack' }>> = {}): Battery => ({
  kind: 'battery',
  name: 'Pack',
  form: 'v-mount',
  chemistry: 'li-ion',
  cellsInSeries: 4,
  energyWh: 95,
  resistanceOhm: 0.09,
  cutoffV: 12,
  outputs: [{ gives: 'pack', id: 'out', name: 'D-tap', connector: DTAP, maxA: 8, ...port }],
  ...changes,
});

export const inCamera = (changes: Partial<Battery> = {}): Battery => ({
  kind: 'battery',
  name: 'Own battery',
  form: 'camera',
  chemistry: 'li-ion',
  cellsInSeries: 2,
  energyWh: 15,
  outputs: [{ gives: 'pack', id: 'out', name: 'Contacts', connector: { type: 'bay', family: 'S' }, maxA: 5 }],
  ...changes,
});

export const bank = (port: Partial<Extract<Output, { gives: 'pd' }>> = {}, changes: Partial<Battery> = {}): Battery => ({
  kind: 'battery',
  name: 'Bank',
  form: 'bank',
  chemistry: 'li-ion',
  cellsInSeries: 4,
  energyWh: 90,
  outputs: [{ gives: 'pd', id: 'out', name: 'USB-C', connector: USB_C, ratingW: 45, efficiency: 0.9, ...port }],
  ...changes,
});

export const plainBank = (maxA: number): Battery => ({
  ...bank(),
  outputs: [{ gives: 'fixed', id: 'out', name: 'USB-A', connector: { type: 'usb-a' }, voltageV: 5, maxA, efficiency: 0.9 }],
});

export const wire = (changes: Partial<Cable> = {}): Cable => ({
  kind: 'cable',
  name: 'Lead',
  ends: { source: DTAP, load: DTAP },
  resistanceOhm: 0.02,
  maxA: 10,
  ...changes,
});

export const usbWire = (changes: Partial<Cable> = {}): Cable => ({
  ...wire(),
  name: 'USB lead',
  ends: { source: USB_C, load: USB_C },
  maxA: undefined,
  ...changes,
});

export const splitter = (ports = 2, changes: Partial<Hub> = {}, port: Partial<Extract<Output, { gives: 'pack' }>> = {}): Hub => ({
  kind: 'hub',
  name: 'Splitter',
  form: 'splitter',
  inputs: [{ takes: 'window', id: 'in', name: 'D-tap', connector: DTAP, minV: 9, maxV: 20 }],
  outputs: Array.from({ length: ports }, (_, place) => ({
    gives: 'pack',
    id: `p${place + 1}`,
    name: `Port ${place + 1}`,
    connector: DTAP,
    maxA: 6,
    ...port,
  })),
  ...changes,
});

export const stepUp = (input: Partial<Window> = {}): Hub => ({
  kind: 'hub',
  name: 'Step-up plate',
  form: 'plate',
  inputs: [{ takes: 'window', id: 'in', name: 'D-tap', connector: DTAP, minV: 11, maxV: 17, ...input }],
  outputs: [
    { gives: 'fixed', id: 'out', name: 'Output', connector: { type: 'xlr4' }, voltageV: 26, maxA: 5, efficiency: 0.94, lead: true },
  ],
});

export const dummy = (changes: Partial<Adapter> = {}): Adapter => ({
  kind: 'adapter',
  name: 'Adapter',
  input: { connector: DTAP, minV: 11, maxV: 17 },
  output: { connector: { type: 'bay', family: 'S' }, voltageV: 8 },
  ratedW: 30,
  efficiency: 0.9,
  standbyW: 0.1,
  gauge: 'true',
  ...changes,
});
