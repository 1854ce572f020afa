import type { Gear } from '../gear';
import { barrel, bay, DTAP, USB_A } from './connectors';

/** What lies in the drawer of the bench, with the troubles that a meter finds: not one of them shows by looking. */
export const BENCH = {
  blueBoard: {
    kind: 'adapter',
    name: 'Step-down module, blue board',
    note: 'Set to 8 V by hand, its sticker says.',
    massG: 30,
    price: 9,
    input: { connector: barrel('centre-positive'), minV: 9.5, maxV: 32 },
    output: { connector: bay('M'), voltageV: 8 },
    ratedW: 24,
    efficiency: 0.9,
    standbyW: 0.1,
    works: 'down',
    gauge: 'always-full',
  },
  dTapBarrel: {
    kind: 'cable',
    name: 'D-tap to barrel lead',
    massG: 40,
    price: 12,
    ends: { source: DTAP, load: barrel('centre-positive') },
    lengthM: 0.5,
    areaMm2: 0.5,
    maxA: 3,
  },
  drawerLead: {
    kind: 'cable',
    name: 'D-tap lead, from the drawer',
    note: 'Mended by somebody; nobody knows who.',
    massG: 40,
    ends: { source: DTAP, load: DTAP },
    lengthM: 0.5,
    areaMm2: 0.5,
    maxA: 3,
  },
  adapterThird: {
    kind: 'adapter',
    name: 'Adapter S from 5 V, second hand',
    massG: 55,
    price: 10,
    input: { connector: USB_A, minV: 4.5, maxV: 5.5, maxA: 2 },
    output: { connector: bay('S'), voltageV: 8 },
    ratedW: 12,
    efficiency: 0.88,
    standbyW: 0.1,
    gauge: 'always-full',
  },
} satisfies Record<string, Gear>;
