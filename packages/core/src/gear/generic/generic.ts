import type { Adapter, Battery, Cable, Connector, Device, Gear, Hub, Supply } from '..';

/**
 * Neutral gear by class, to start from when nothing is known but the kind of thing. The figures are typical, and marked
 * as guesses, until somebody types what the label says or measures.
 */
const bay = (family: string) => ({ type: 'bay', family }) as const;
const DTAP = { type: 'd-tap' } as const;
const USB_A = { type: 'usb-a' } as const;
const USB_C = { type: 'usb-c' } as const;

const guessed = { draw: 'guess', minV: 'guess', maxV: 'guess' } as const;

export const GENERIC_DEVICES: readonly Device[] = [
  {
    kind: 'device',
    name: 'Small mirrorless camera, 4K',
    draw: { basis: 'maker', powerW: 7 },
    inputs: [
      { takes: 'window', id: 'bay', name: 'Battery bay', connector: bay('S'), minV: 6, maxV: 8.6 },
      { takes: 'pd', id: 'usb-c', name: 'USB-C', connector: USB_C, minV: 5, maxV: 9, needW: 15, sink: 'needs-battery' },
    ],
    from: guessed,
  },
  {
    kind: 'device',
    name: 'Mid-size camera, 4K at high frame rate',
    draw: { basis: 'maker', powerW: 14 },
    inputs: [
      { takes: 'window', id: 'bay', name: 'Battery bay', connector: bay('M'), minV: 6.2, maxV: 8.6 },
      { takes: 'pd', id: 'usb-c', name: 'USB-C', connector: USB_C, minV: 9, maxV: 15, needW: 27, sink: 'runs' },
    ],
    from: guessed,
  },
  {
    kind: 'device',
    name: 'Stills camera, video now and then',
    draw: { basis: 'maker', powerW: 5 },
    inputs: [
      { takes: 'window', id: 'bay', name: 'Battery bay', connector: bay('M'), minV: 6.2, maxV: 8.6 },
      { takes: 'pd', id: 'usb-c', name: 'USB-C', connector: USB_C, minV: 5, maxV: 9, needW: 15, sink: 'charges-when-off' },
    ],
    from: guessed,
  },
  {
    kind: 'device',
    name: 'Five-inch monitor',
    draw: { basis: 'maker', powerW: 9 },
    inputs: [{ takes: 'window', id: 'bay', name: 'Battery plate', connector: bay('L'), minV: 6.5, maxV: 8.6 }],
    from: guessed,
  },
];

const cameraBattery = (name: string, family: string, energyWh: number, nominalV: number, maxA: number): Battery => ({
  kind: 'battery',
  name,
  form: 'camera',
  chemistry: 'li-ion',
  cellsInSeries: 2,
  energyWh,
  nominalV,
  outputs: [{ gives: 'pack', id: 'contacts', name: 'Contacts', connector: bay(family), maxA }],
  from: { energyWh: 'guess', maxA: 'guess' },
});

const vMount = (energyWh: number, portA: number): Battery => ({
  kind: 'battery',
  name: `V-mount battery, ${energyWh} Wh`,
  form: 'v-mount',
  chemistry: 'li-ion',
  cellsInSeries: 4,
  energyWh,
  nominalV: 14.4,
  outputs: [
    { gives: 'pack', id: 'd-tap', name: 'D-tap', connector: DTAP, maxA: portA },
    { gives: 'pack', id: 'mount', name: 'Mount', connector: { type: 'v-mount' }, maxA: 10 },
  ],
  from: { energyWh: 'guess', maxA: 'guess' },
});

const bank = (name: string, energyWh: number, ratingW: number | undefined): Battery => ({
  kind: 'battery',
  name,
  form: 'bank',
  chemistry: 'li-ion',
  cellsInSeries: 1,
  energyWh,
  nominalV: 3.6,
  outputs: [
    ...(ratingW === undefined ? [] : [{ gives: 'pd', id: 'usb-c', name: 'USB-C', connector: USB_C, ratingW } as const]),
    { gives: 'fixed', id: 'usb-a', name: 'USB-A', connector: USB_A, voltageV: 5, maxA: 2.4 },
  ],
  from: { energyWh: 'guess' },
});

export const GENERIC_BATTERIES: readonly Battery[] = [
  cameraBattery('Small camera battery, 7.2 V 1050 mAh', 'S', 7.56, 7.2, 3),
  cameraBattery('Camera battery, 7.2 V 2040 mAh', 'M', 14.69, 7.2, 5),
  cameraBattery('Monitor battery, 7.2 V 5200 mAh', 'L', 37.4, 7.2, 6),
  vMount(49, 5),
  vMount(95, 8),
  vMount(147, 8),
  bank('5 V bank, 10 000 mAh', 36, undefined),
  bank('27 W Power Delivery bank, 10 000 mAh', 36, 27),
  bank('45 W Power Delivery bank, 20 000 mAh', 72, 45),
  bank('100 W Power Delivery bank, 26 000 mAh', 94, 100),
];

/** Their bay is named when they are picked: an adapter is bought for one camera. */
export const GENERIC_ADAPTERS: readonly Adapter[] = [
  {
    kind: 'adapter',
    name: 'Battery-shaped adapter, from D-tap',
    input: { connector: DTAP, minV: 11, maxV: 17 },
    output: { connector: { type: 'bay' }, voltageV: 8 },
    ratedW: 24,
    gauge: 'always-full',
    from: { voltageV: 'guess' },
  },
  {
    kind: 'adapter',
    name: 'Battery-shaped adapter, from 5 V USB-A',
    input: { connector: USB_A, minV: 4.4, maxV: 5.5 },
    output: { connector: { type: 'bay' }, voltageV: 8 },
    ratedW: 12,
    gauge: 'always-full',
    from: { voltageV: 'guess' },
  },
];

export const GENERIC_CABLES: readonly Cable[] = [
  { kind: 'cable', name: 'USB-C cable, 3 A, 1 m', ends: { source: USB_C, load: USB_C } },
  { kind: 'cable', name: 'USB-C cable, 5 A, 1 m', ends: { source: USB_C, load: USB_C }, marked5A: true },
];

export const GENERIC_HUBS: readonly Hub[] = [
  {
    kind: 'hub',
    name: 'V-mount plate with two D-taps',
    form: 'plate',
    inputs: [{ takes: 'window', id: 'mount', name: 'Mount', connector: { type: 'v-mount' }, minV: 11, maxV: 17 }],
    outputs: [1, 2].map((place) => ({ gives: 'pack', id: `d-tap-${place}`, name: `D-tap ${place}`, connector: DTAP, maxA: 5 })),
  },
  {
    kind: 'hub',
    name: 'D-tap splitter, four ports',
    form: 'splitter',
    inputs: [{ takes: 'window', id: 'in', name: 'D-tap', connector: DTAP, minV: 9, maxV: 20, maxA: 8 }],
    outputs: [1, 2, 3, 4].map((place) => ({ gives: 'pack', id: `d-tap-${place}`, name: `D-tap ${place}`, connector: DTAP, maxA: 4 })),
  },
];

/** A grip is made for one camera: its bays and its own battery shape are of that bay's form. */
export function genericGrip(family: string): Hub {
  const slot = (id: string, name: string) => ({ takes: 'window', id, name, connector: bay(family), minV: 6, maxV: 9 }) as const;
  return {
    kind: 'hub',
    name: `Battery grip for bay ${family}`,
    form: 'grip',
    inputs: [slot('left', 'Left slot'), slot('right', 'Right slot')],
    inputOrder: 'one-by-one',
    outputs: [{ gives: 'pack', id: 'bay', name: 'Contacts', connector: bay(family), maxA: 5 }],
    recognised: true,
    fitNote: 'Takes the bay and the bottom screw: no adapter and no plate below it.',
  };
}

export const GENERIC_SUPPLIES: readonly Supply[] = [
  {
    kind: 'supply',
    name: 'USB-C mains supply, 65 W',
    form: 'mains',
    outputs: [{ gives: 'pd', id: 'usb-c', name: 'USB-C', connector: USB_C, ratingW: 65 }],
  },
  {
    kind: 'supply',
    name: 'Mains supply with D-tap, 15 V 6 A',
    form: 'mains',
    outputs: [{ gives: 'fixed', id: 'd-tap', name: 'D-tap', connector: DTAP, voltageV: 15, maxA: 6 }],
  },
];

/** Everything generic that could feed devices with these bays, each once, as a kit to look into. */
export function genericKit(bayFamilies: readonly string[]): readonly Exclude<Gear, Device>[] {
  const families = [...new Set(bayFamilies)];
  const forms: readonly (Battery | Adapter)[] = [...GENERIC_BATTERIES, ...GENERIC_ADAPTERS];
  const isBayShaped = (gear: Battery | Adapter): boolean =>
    gear.kind === 'adapter' ? gear.output.connector.type === 'bay' : gear.outputs.some(({ connector }) => connector.type === 'bay');
  const shaped = forms.filter(isBayShaped).flatMap((gear): (Battery | Adapter)[] => {
    if (gear.kind === 'adapter') return families.map((family) => ({ ...forBay(gear, family), name: `${gear.name}, for bay ${family}` }));
    const own = gear.outputs[0]?.connector.family;
    return own !== undefined && families.includes(own) ? [gear] : [];
  });
  const plain = forms.filter((gear) => !isBayShaped(gear));
  return [...shaped, ...plain, ...GENERIC_CABLES, ...GENERIC_HUBS, ...families.map(genericGrip), ...GENERIC_SUPPLIES];
}

/**
 * A device of which nothing is known but its name: a bay of its own form, and USB-C.
 *
 * @example blankDevice('Camera').kind // 'device'
 */
export function blankDevice(name: string): Device {
  return {
    kind: 'device',
    name,
    inputs: [
      { takes: 'window', id: 'bay', name: 'Battery bay', connector: bay(`of ${name}`) },
      { takes: 'pd', id: 'usb-c', name: 'USB-C', connector: USB_C, sink: 'unknown' },
    ],
  };
}

/**
 * A battery of a form, its label still to be typed.
 *
 * @example blankBattery('bank', 'pd').form // 'bank'
 */
export function blankBattery(form: 'camera' | 'v-mount' | 'bank', port: 'pack' | 'fixed' | 'pd'): Battery {
  const outputs: Record<typeof port, Battery['outputs'][number]> = {
    pack: {
      gives: 'pack',
      id: 'out',
      name: form === 'camera' ? 'Contacts' : 'D-tap',
      connector: form === 'camera' ? { type: 'bay' } : DTAP,
    },
    fixed: { gives: 'fixed', id: 'out', name: 'USB-A', connector: USB_A, voltageV: 5 },
    pd: { gives: 'pd', id: 'out', name: 'USB-C', connector: USB_C },
  };
  return {
    kind: 'battery',
    name: { camera: 'My camera battery', 'v-mount': 'My V-mount battery', bank: 'My USB bank' }[form],
    form,
    chemistry: 'li-ion',
    cellsInSeries: { camera: 2, 'v-mount': 4, bank: 1 }[form],
    outputs: [outputs[port]],
  };
}

/**
 * The same gear made for one device's bay: what is bay-shaped takes that bay's form. A device keeps its own.
 *
 * @example forBay(GENERIC_BATTERIES[0], 'M').kind // 'battery'
 */
export function forBay<G extends Gear>(gear: G, family: string | undefined): G {
  if (family === undefined) return gear;
  const fit = (connector: Connector): Connector => (connector.type === 'bay' ? { ...connector, family } : connector);
  const fitted = <P extends { readonly connector: Connector }>(ports: readonly P[]): readonly P[] =>
    ports.map((port) => ({ ...port, connector: fit(port.connector) }));
  const body: Gear = gear;
  switch (body.kind) {
    case 'battery':
    case 'supply':
      return { ...body, outputs: fitted(body.outputs) } as Gear as G;
    case 'hub':
      return { ...body, inputs: fitted(body.inputs), outputs: fitted(body.outputs) } as Gear as G;
    case 'adapter':
      return { ...body, output: { ...body.output, connector: fit(body.output.connector) } } as Gear as G;
    case 'charger':
      return { ...body, connector: fit(body.connector) } as Gear as G;
    case 'device':
    case 'cable':
      return gear;
  }
}

/**
 * The bays that a piece is made for, beside the device that has one; empty where it fits no bay.
 *
 * @example baysOf(forBay(GENERIC_BATTERIES[0], 'M')).length // 1
 */
export function baysOf(gear: Gear): readonly Connector[] {
  const connectors = ((): readonly Connector[] => {
    switch (gear.kind) {
      case 'battery':
      case 'supply':
        return gear.outputs.map(({ connector }) => connector);
      case 'hub':
        return [...gear.inputs, ...gear.outputs].map(({ connector }) => connector);
      case 'adapter':
        return [gear.output.connector];
      case 'charger':
        return [gear.connector];
      case 'device':
      case 'cable':
        return [];
    }
  })();
  return connectors.filter(({ type }) => type === 'bay');
}
