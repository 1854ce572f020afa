import type { Cable, Device, Gear, GearOf } from '..';
import {
  GENERIC_ADAPTERS,
  GENERIC_BATTERIES,
  GENERIC_CABLES,
  GENERIC_DEVICES,
  GENERIC_HUBS,
  GENERIC_SUPPLIES,
  genericGrip,
} from './generic';
import { GENERIC_POWER } from './generic-power';

/**
 * The rest of what a kit holds, by class: what stands beside a camera, leads, chargers. Typical figures, marked as
 * guesses where they decide, until somebody types what the label says or measures.
 */
const DTAP = { type: 'd-tap' } as const;
const USB_A = { type: 'usb-a' } as const;
const USB_C = { type: 'usb-c' } as const;
const barrel = (polarity: 'centre-positive' | 'centre-negative') => ({ type: 'barrel', outerMm: 5.5, innerMm: 2.1, polarity }) as const;
const bay = (family: string) => ({ type: 'bay', family }) as const;
const guessed = { draw: 'guess', minV: 'guess', maxV: 'guess' } as const;
const onDTap = { takes: 'window', id: 'dc', name: 'D-tap lead', connector: DTAP, minV: 7, maxV: 17, lead: true } as const;

const DEVICES: readonly Device[] = [
  {
    kind: 'device',
    name: 'Mirrorless camera, 4K 25p, 7.2 V bay',
    draw: { basis: 'maker', powerW: 6 },
    inputs: [
      { takes: 'window', id: 'bay', name: 'Battery bay', connector: bay('M'), minV: 6.2, maxV: 8.6 },
      { takes: 'pd', id: 'usb-c', name: 'USB-C', connector: USB_C, minV: 5, maxV: 9, needW: 15, sink: 'needs-battery' },
    ],
    from: guessed,
  },
  {
    kind: 'device',
    name: 'Cinema camera, 14.4 V',
    draw: { basis: 'maker', powerW: 45 },
    inputs: [{ takes: 'window', id: 'dc', name: '4-pin XLR input', connector: { type: 'xlr4' }, minV: 11, maxV: 17 }],
    from: guessed,
  },
  {
    kind: 'device',
    name: 'Stills body, by the shot',
    draw: { basis: 'shots', shotJ: 9, standbyW: 1, shotsPerHour: 200 },
    inputs: [{ takes: 'window', id: 'bay', name: 'Battery bay', connector: bay('M'), minV: 6.2, maxV: 8.6 }],
    from: guessed,
  },
  {
    kind: 'device',
    name: 'Seven-inch monitor-recorder',
    draw: { basis: 'maker', powerW: 18 },
    dimmable: true,
    inputs: [onDTap, { takes: 'window', id: 'bay', name: 'Battery plate', connector: bay('L'), minV: 6.5, maxV: 8.6 }],
    from: guessed,
  },
  {
    kind: 'device',
    name: 'Wireless video transmitter',
    draw: { basis: 'maker', powerW: 8 },
    inputs: [onDTap],
    from: guessed,
  },
  {
    kind: 'device',
    name: 'Follow focus motor and receiver',
    draw: { basis: 'maker', powerW: 4 },
    peakW: 20,
    peakMs: 120,
    inputs: [onDTap],
    from: guessed,
  },
  {
    kind: 'device',
    name: 'Audio recorder, six tracks',
    draw: { basis: 'maker', powerW: 5 },
    inputs: [{ takes: 'window', id: 'dc', name: 'Barrel input', connector: barrel('centre-positive'), minV: 6, maxV: 16 }],
    from: guessed,
  },
  {
    kind: 'device',
    name: 'Small LED light, 20 W',
    draw: { basis: 'maker', powerW: 20 },
    dimmable: true,
    inputs: [onDTap],
    from: guessed,
  },
];

const CABLES: readonly Cable[] = [
  { kind: 'cable', name: 'D-tap lead, 0.6 m', ends: { source: DTAP, load: DTAP }, lengthM: 0.6, areaMm2: 0.75 },
  { kind: 'cable', name: 'USB-A to C cable, 1 m', ends: { source: USB_A, load: USB_C }, lengthM: 1 },
  {
    kind: 'cable',
    name: 'D-tap to barrel 5.5 × 2.1, centre positive',
    ends: { source: DTAP, load: barrel('centre-positive') },
    lengthM: 0.6,
    areaMm2: 0.5,
  },
  {
    kind: 'cable',
    name: 'D-tap to 4-pin XLR, 0.6 m',
    ends: { source: DTAP, load: { type: 'xlr4' } },
    lengthM: 0.6,
    areaMm2: 1,
  },
];

const CHARGERS: readonly GearOf<'charger'>[] = [
  {
    kind: 'charger',
    name: 'V-mount charger, two slots',
    slots: 2,
    order: 'together',
    powerW: 35,
    connector: { type: 'v-mount' },
  },
  {
    kind: 'charger',
    name: 'Camera battery charger, two slots',
    slots: 2,
    order: 'together',
    powerW: 9,
    connector: bay('M'),
  },
  {
    kind: 'charger',
    name: 'Camera battery charger, four slots',
    slots: 4,
    order: 'one-by-one',
    totalW: 24,
    connector: bay('M'),
  },
];

/** Everything generic, of every kind, to start one's own kit from. */
export const GENERIC_TRUNK: readonly Gear[] = [
  ...DEVICES,
  ...GENERIC_DEVICES,
  ...GENERIC_BATTERIES,
  ...GENERIC_ADAPTERS,
  ...GENERIC_CABLES,
  ...CABLES,
  ...GENERIC_HUBS,
  genericGrip('M'),
  ...GENERIC_SUPPLIES,
  ...CHARGERS,
  ...GENERIC_POWER,
];
