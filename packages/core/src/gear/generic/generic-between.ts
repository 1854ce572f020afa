import type { Adapter, Cable, Hub } from '..';
import { BARREL, bay, DTAP, onMount, TERMINALS, USB_A, USB_C } from './generic-connectors';
export const ADAPTERS: readonly Adapter[] = [
  {
    kind: 'adapter',
    name: 'Switching regulator, 12 V in, 8 V out',
    input: { connector: TERMINALS, minV: 9, maxV: 24 },
    output: { connector: BARREL, voltageV: 8, maxA: 3 },
    ratedW: 24,
    works: 'down',
    gauge: 'none',
    note: 'Set and measure its output before anything is connected.',
    from: { voltageV: 'guess' },
  },
  {
    kind: 'adapter',
    name: 'Linear regulator, 12 V in, 7.5 V out',
    input: { connector: TERMINALS, minV: 9.5, maxV: 20 },
    output: { connector: BARREL, voltageV: 7.5, maxA: 1.5 },
    ratedW: 11,
    linear: true,
    gauge: 'none',
    note: 'What is too much becomes heat: it wants a heat sink.',
    from: { voltageV: 'guess' },
  },
  {
    kind: 'adapter',
    name: 'Battery-shaped adapter, from USB-C Power Delivery',
    input: { connector: USB_C, triggerV: 9 },
    output: { connector: { type: 'bay' }, voltageV: 8 },
    ratedW: 24,
    gauge: 'always-full',
    from: { voltageV: 'guess' },
  },
  {
    kind: 'adapter',
    name: 'Battery-shaped adapter, from a barrel, 8 V in',
    input: { connector: BARREL, minV: 6.5, maxV: 8.6 },
    output: { connector: { type: 'bay' }, passThrough: true },
    gauge: 'none',
  },
  {
    kind: 'adapter',
    name: 'Step-up regulator, 12 V in, 19 V out',
    input: { connector: TERMINALS, minV: 10, maxV: 16, startV: 10.5 },
    output: { connector: BARREL, voltageV: 19, maxA: 3 },
    ratedW: 57,
    works: 'up',
    gauge: 'none',
    from: { voltageV: 'guess' },
  },
];

export const HUBS: readonly Hub[] = [
  {
    kind: 'hub',
    name: 'V-mount plate with an 8 V regulator',
    form: 'plate',
    inputs: [onMount],
    outputs: [
      { gives: 'pack', id: 'd-tap', name: 'D-tap', connector: DTAP, maxA: 5 },
      { gives: 'fixed', id: 'regulated', name: '8 V out', connector: BARREL, voltageV: 8, maxA: 3, works: 'down' },
      { gives: 'fixed', id: 'usb-a', name: 'USB-A', connector: USB_A, voltageV: 5, maxA: 2 },
    ],
  },
  {
    kind: 'hub',
    name: 'Step-up plate, V-mount to 26 V',
    form: 'plate',
    inputs: [{ ...onMount, minV: 12.4, startV: 15.2 }],
    outputs: [{ gives: 'fixed', id: 'dc', name: '26 V out', connector: { type: 'circular2' }, voltageV: 26, maxA: 5, works: 'up' }],
  },
  {
    kind: 'hub',
    name: 'Two-battery V-mount plate, hot swap',
    form: 'plate',
    bufferS: 30,
    isolates: true,
    inputs: [
      { ...onMount, id: 'left', name: 'Left mount' },
      { ...onMount, id: 'right', name: 'Right mount' },
    ],
    inputOrder: 'one-by-one',
    outputs: [1, 2].map((place) => ({ gives: 'pack', id: `d-tap-${place}`, name: `D-tap ${place}`, connector: DTAP, maxA: 6 })),
  },
  {
    kind: 'hub',
    name: 'Field case for two 12 V batteries',
    form: 'box',
    fuseA: 10,
    isolates: true,
    inputs: [
      { takes: 'window', id: 'one', name: 'Battery 1', connector: TERMINALS, minV: 10.5, maxV: 15 },
      { takes: 'window', id: 'two', name: 'Battery 2', connector: TERMINALS, minV: 10.5, maxV: 15 },
    ],
    inputOrder: 'together',
    outputs: [
      { gives: 'pack', id: 'd-tap-1', name: 'D-tap 1', connector: DTAP, maxA: 5 },
      { gives: 'pack', id: 'd-tap-2', name: 'D-tap 2', connector: DTAP, maxA: 5 },
      { gives: 'fixed', id: 'usb-a', name: 'USB-A', connector: USB_A, voltageV: 5, maxA: 2 },
    ],
  },
  {
    kind: 'hub',
    name: 'PoE splitter, 12 V out',
    form: 'box',
    inputs: [{ takes: 'window', id: 'poe', name: 'Network', connector: { type: 'poe' }, minV: 37, maxV: 57, poeClass: 'at' }],
    outputs: [{ gives: 'fixed', id: 'dc', name: '12 V out', connector: BARREL, voltageV: 12, maxA: 2, works: 'down', lead: true }],
  },
  {
    kind: 'hub',
    name: 'Stabiliser that feeds a camera',
    form: 'box',
    inputs: [{ takes: 'window', id: 'battery', name: 'Battery', connector: bay('stabiliser'), minV: 12, maxV: 17 }],
    outputs: [
      { gives: 'fixed', id: 'camera', name: 'Camera out', connector: BARREL, voltageV: 8, maxA: 2 },
      { gives: 'pack', id: 'motor', name: 'Accessory out', connector: DTAP, maxA: 2 },
    ],
    standbyW: 6,
    note: 'Its motors draw from the same battery: the own draw here is theirs, held still; moving takes more.',
  },
];

export const CABLES: readonly Cable[] = [
  {
    kind: 'cable',
    name: 'Two-pin lead, 0.6 m',
    ends: { source: { type: 'circular2' }, load: { type: 'circular2' } },
    lengthM: 0.6,
    areaMm2: 1,
  },
  {
    kind: 'cable',
    name: 'Network cable, 5 m',
    ends: { source: { type: 'poe' }, load: { type: 'poe' } },
    lengthM: 5,
    areaMm2: 0.2,
  },
  {
    kind: 'cable',
    name: 'Lead from terminals to barrel 5.5 × 2.1, fused',
    ends: { source: TERMINALS, load: BARREL },
    lengthM: 1,
    areaMm2: 0.75,
    fuseA: 5,
    fuseAt: 'source',
  },
];
