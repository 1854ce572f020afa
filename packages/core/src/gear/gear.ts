import { CHEMISTRIES } from '../cell/chemistry';
import type { ChemistryId } from '../cell/chemistry';
import { choice, flag, list, number, object, optional, tagged, text } from '../shape/shape';
import type { Infer, OptionalShape, ChoiceShape } from '../shape/shape';
import { connectorShape } from './connector';

/** Where a figure is from. What nobody gave is filled from typical values and shown as `assumed`, never stored. */
export const provenanceShape = choice('Where from', { printed: 'printed', measured: 'measured', guess: 'a guess' });
export type Provenance = Infer<typeof provenanceShape>;

function from<const K extends string>(...figures: K[]) {
  const fields = Object.fromEntries(figures.map((figure) => [figure, optional(provenanceShape)]));
  return optional(object('Where figures are from', fields as Record<K, OptionalShape<ChoiceShape<Provenance>>>));
}

const volts = (title: string) => number(title, 'V', { above: 0, max: 100 });
const amps = (title: string) => number(title, 'A', { above: 0, max: 100 });
const watts = (title: string) => number(title, 'W', { above: 0, max: 2000 });
const ohms = (title: string) => number(title, 'ohm', { max: 10 });
const efficiency = number('Efficiency', 'fraction', { above: 0, max: 1 });
const standby = number('Own draw', 'W', { max: 20 });
const name = text('Name', 120);
const portId = text('Port', 40);

/** What a port gives: the pack's own voltage, one fixed voltage, or USB Power Delivery's choice of several. */
export const outputShape = tagged('Output', 'gives', {
  pack: { id: portId, name, connector: connectorShape, maxA: optional(amps('Most current')) },
  fixed: {
    id: portId,
    name,
    connector: connectorShape,
    voltageV: volts('Output'),
    maxA: optional(amps('Most current')),
    efficiency: optional(efficiency),
    standbyW: optional(standby),
  },
  pd: {
    id: portId,
    name,
    connector: connectorShape,
    ratingW: optional(number('Rating', 'W', { above: 0, max: 240 })),
    profiles: optional(list('Profiles', object('Profile', { voltageV: volts('Profile'), currentA: amps('Current') }), { min: 1, max: 12 })),
    efficiency: optional(efficiency),
    standbyW: optional(standby),
  },
});
export type Output = Infer<typeof outputShape>;

/** What a device takes at an input: any voltage in a window, or a Power Delivery contract. */
export const inputShape = tagged('Input', 'takes', {
  window: {
    id: portId,
    name,
    connector: connectorShape,
    minV: optional(volts('Lowest voltage')),
    maxV: optional(volts('Highest voltage')),
  },
  pd: {
    id: portId,
    name,
    connector: connectorShape,
    minV: optional(volts('Lowest profile')),
    maxV: optional(volts('Highest profile')),
    needW: optional(number('Smallest contract', 'W', { above: 0, max: 240 })),
    sink: choice('While plugged in', {
      runs: 'runs from it',
      'needs-battery': 'runs only with its own battery in',
      'charges-when-off': 'only charges its battery when off',
    }),
  },
});
export type Input = Infer<typeof inputShape>;

/** What the feed of a test lost between battery and device; without it, the rig's own feed is taken to be that of the test. */
const lostShare = number('Lost on the way in that test', 'fraction', { max: 0.9 });

/** How the draw is known: the maker's watts, a meter's volts and amps, or how long a pack lasted. */
export const drawShape = tagged('Draw', 'basis', {
  maker: { powerW: watts('Draw') },
  meter: {
    voltageV: volts('Meter volts'),
    currentA: amps('Meter amps'),
    at: choice('Meter sat', { device: 'at the device', battery: 'at the battery' }),
    lostShare: optional(lostShare),
  },
  'run-down': {
    lostShare: optional(lostShare),
    energyWh: number('Pack of the test', 'Wh', { above: 0, max: 5000 }),
    minutes: number('It lasted', 'min', { above: 0, max: 43_200 }),
  },
});
export type Draw = Infer<typeof drawShape>;

const chemistryShape = choice(
  'Chemistry',
  Object.fromEntries(Object.entries(CHEMISTRIES).map(([id, { name: says }]) => [id, says])) as Record<ChemistryId, string>,
);

export const gearShape = tagged('Gear', 'kind', {
  battery: {
    name,
    tag: optional(text('Label tag', 20)),
    form: choice('Form', { camera: 'camera battery', 'v-mount': 'V-mount battery', bank: 'USB bank' }),
    chemistry: chemistryShape,
    cellsInSeries: number('Cells in series', 'count', { min: 1, max: 20, integer: true }),
    energyWh: optional(number('Energy', 'Wh', { above: 0, max: 5000 })),
    nominalV: optional(volts('Nominal voltage')),
    years: optional(number('Age', 'years', { max: 30 })),
    cycles: optional(number('Charge cycles', 'count', { max: 10_000, integer: true })),
    resistanceOhm: optional(ohms('Resistance')),
    cutoffV: optional(volts('Cut-off')),
    maxA: optional(amps('Most current')),
    outputs: list('Outputs', outputShape, { min: 1, max: 8 }),
    from: from('energyWh', 'resistanceOhm', 'cutoffV', 'maxA'),
  },
  device: {
    name,
    draw: optional(drawShape),
    peakW: optional(watts('Peak')),
    peakMs: optional(number('Length of peak', 'ms', { above: 0, max: 60_000 })),
    inputs: list('Inputs', inputShape, { min: 1, max: 8 }),
    from: from('draw', 'minV', 'maxV'),
  },
  adapter: {
    name,
    input: object('Input', {
      connector: connectorShape,
      minV: optional(volts('Lowest input')),
      maxV: optional(volts('Highest input')),
      startV: optional(volts('Starts at')),
    }),
    output: object('Output', { connector: connectorShape, voltageV: optional(volts('Output')) }),
    ratedW: optional(watts('Rated power')),
    efficiency: optional(efficiency),
    standbyW: optional(standby),
    leadOhm: optional(ohms('Lead resistance')),
    gauge: choice('What the gauge then shows', { true: 'the truth', 'always-full': 'always full', none: 'nothing' }),
    from: from('efficiency', 'voltageV'),
  },
  cable: {
    name,
    ends: object('Ends', { source: connectorShape, load: connectorShape }),
    resistanceOhm: optional(ohms('Resistance')),
    lengthM: optional(number('Length', 'm', { above: 0, max: 50 })),
    areaMm2: optional(number('Wire', 'mm2', { above: 0, max: 50 })),
    maxA: optional(amps('Rated current')),
    marked5A: optional(flag('Marked for 5 A')),
    extendedRange: optional(flag('Marked for extended range')),
  },
});
export type Gear = Infer<typeof gearShape>;
export type Battery = Extract<Gear, { kind: 'battery' }>;
export type Device = Extract<Gear, { kind: 'device' }>;
export type Adapter = Extract<Gear, { kind: 'adapter' }>;
export type Cable = Extract<Gear, { kind: 'cable' }>;
