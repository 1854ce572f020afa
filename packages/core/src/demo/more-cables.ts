import type { Cable, Gear } from '../gear';
import { BARE, barrel, bay, DTAP, USB_A, USB_C, V_MOUNT } from './connectors';

const cable = (name: string, source: Cable['ends']['source'], load: Cable['ends']['load'], changes: Partial<Cable> = {}): Cable => ({
  kind: 'cable',
  name,
  massG: 40,
  price: 12,
  ends: { source, load },
  ...changes,
});

/** Leads, one of them of the wrong polarity. */
export const CABLES = {
  usbC5A: cable('USB-C lead, 5 A', USB_C, USB_C, { marked5A: true, lengthM: 1, areaMm2: 0.5 }),
  usbC3A2m: cable('USB-C lead, 2 m', USB_C, USB_C, { lengthM: 2, areaMm2: 0.33 }),
  usbCSpare: cable('USB-C lead, spare', USB_C, USB_C, { lengthM: 1, areaMm2: 0.5 }),
  aToC: cable('USB-A to C lead', USB_A, USB_C, { lengthM: 1, areaMm2: 0.33 }),
  dTap1: cable('D-tap lead, 0.6 m', DTAP, DTAP, { lengthM: 0.6, areaMm2: 0.75, maxA: 5 }),
  dTap2: cable('D-tap lead, 0.6 m', DTAP, DTAP, { tag: 'spare', lengthM: 0.6, areaMm2: 0.75, maxA: 5 }),
  dTapThin: cable('D-tap lead, 2 m, thin', DTAP, DTAP, { lengthM: 2, awg: 24, maxA: 3 }),
  barrelRight: cable('Barrel lead', barrel('centre-positive'), barrel('centre-positive'), { lengthM: 0.5, areaMm2: 0.5, maxA: 3 }),
  barrelWrong: cable('Barrel lead, red ring', barrel('centre-positive'), barrel('centre-negative'), {
    lengthM: 0.5,
    areaMm2: 0.5,
    maxA: 3,
  }),
  twoPin: cable('Two-pin lead', { type: 'circular2' }, { type: 'circular2' }, { lengthM: 0.5, areaMm2: 1.5, maxA: 8 }),
  leadLead: cable('Terminal lead with fuse', BARE, BARE, { lengthM: 1.5, areaMm2: 0.75, maxA: 6, fuseA: 3 }),
} satisfies Record<string, Cable>;

/** What fills the batteries again. */
export const CHARGERS = {
  chargerV1: {
    kind: 'charger',
    name: 'V-mount charger, one slot',
    massG: 420,
    price: 90,
    slots: 1,
    order: 'together',
    powerW: 50,
    connector: V_MOUNT,
  },
  chargerV2: {
    kind: 'charger',
    name: 'V-mount charger, two slots',
    massG: 980,
    price: 240,
    slots: 2,
    order: 'one-by-one',
    totalW: 60,
    connector: V_MOUNT,
  },
  chargerM4: {
    kind: 'charger',
    name: 'Charger M, four slots',
    massG: 350,
    price: 110,
    slots: 4,
    order: 'one-by-one',
    totalW: 24,
    connector: bay('M'),
  },
  chargerS2: {
    kind: 'charger',
    name: 'Charger S, two slots',
    massG: 90,
    price: 30,
    slots: 2,
    order: 'together',
    powerW: 6,
    connector: bay('S'),
  },
  chargerL1: {
    kind: 'charger',
    name: 'Charger L, one slot',
    massG: 110,
    price: 25,
    slots: 1,
    order: 'together',
    powerW: 10,
    connector: bay('L'),
  },
} satisfies Record<string, Gear>;
