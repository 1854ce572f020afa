import { choice, flag, list, number, object, optional, tagged, text } from '../shape';
import type { Infer } from '../shape';
import { CHEMISTRIES } from '../tables';
import type { ChemistryId } from '../tables';
import { connectorShape } from './connector';
import { drawShape } from './draw-shape';
import { amps, common, efficiency, from, idShape, localId, moment, name, ohms, outletVolts, standby, volts, watts } from './fields';
import { carriesShape, coveredShape } from './mount-shape';
import { budgetsShape, inputShape, outputShape, pinsShape, worksShape } from './port';

const chemistryShape = choice(
  'Chemistry',
  Object.fromEntries(Object.entries(CHEMISTRIES).map(([id, { name: says }]) => [id, says])) as Record<ChemistryId, string>,
);

/** What a mode or a feature asks of its feed. */
const needsShape = object('What it needs', {
  minV: optional(volts('At least')),
  contractW: optional(watts('Watts agreed over USB-C')),
  recognised: optional(flag('A battery the device recognises')),
});
export type Needs = Infer<typeof needsShape>;

/** What ends a recording in a mode, whatever feeds it: the longest take, and heat. */
const limitsShape = object('What ends a recording', {
  takeMin: optional(number('Longest take', 'min', { above: 0, max: 1440 })),
  /** At any temperature when none is said. */
  hotMin: optional(number('Shuts off from heat after', 'min', { above: 0, max: 1440 })),
  hotFromC: optional(number('When it is at least', 'C', { min: -40, max: 60 })),
  coolMin: optional(number('Then cools for', 'min', { above: 0, max: 1440 })),
});
export type RecordingLimits = Infer<typeof limitsShape>;

/** Whether the device knows it for one of its own: some modes ask for that. */
const recognised = optional(flag('Recognised by the device'));

export const gearShape = tagged('Gear', 'kind', {
  battery: {
    ...common,
    form: choice('Form', {
      camera: 'camera battery',
      'v-mount': 'V-mount battery',
      'three-stud': 'three-stud battery',
      'l-series': 'L-series battery',
      bank: 'USB bank',
      pack: 'other pack',
    }),
    chemistry: chemistryShape,
    /** Its volts follow from them: nothing it feeds can be judged while they are not known. */
    cellsInSeries: optional(number('Cells in series', 'count', { min: 1, max: 20, integer: true })),
    cellsInParallel: optional(number('Cells in parallel', 'count', { min: 1, max: 50, integer: true })),
    energyWh: optional(number('Energy', 'Wh', { above: 0, max: 5000 })),
    /** Of a pack of one's own making; the pack's figures follow from it where they are not given. */
    cell: optional(
      object('One cell', {
        capacityAh: number('Capacity', 'Ah', { above: 0, max: 500 }),
        maxA: optional(amps('Most current')),
        resistanceOhm: optional(ohms('Resistance')),
      }),
    ),
    /** How surely a measured energy is known, where that was worked out. */
    energySpread: optional(number('Spread of the energy', 'fraction', { max: 1 })),
    /** What is printed on it, where a measured energy has taken its place above. */
    labelWh: optional(number('Energy on the label', 'Wh', { above: 0, max: 5000 })),
    nominalV: optional(volts('Nominal voltage')),
    /** As it lies there now. A rig is planned with charged batteries unless the rig says otherwise. */
    charge: optional(number('Charge now', 'fraction', { max: 1 })),
    /** Since when it sits on a charger, and on which. */
    plugged: optional(object('On a charger', { since: moment('Since'), chargerId: optional(idShape) })),
    years: optional(number('Age', 'years', { max: 30 })),
    cycles: optional(number('Charge cycles', 'count', { max: 10_000, integer: true })),
    resistanceOhm: optional(ohms('Resistance')),
    cutoffV: optional(volts('Cut-off')),
    maxA: optional(amps('Most current')),
    /** What happens past that: a board cuts off, bare cells heat up. */
    protection: optional(choice('Past that', { board: 'its own board cuts off', none: 'nothing: bare cells' })),
    /** A bank that takes a small draw for nobody there; 0 for one that stays on. */
    leastA: optional(number('Switches itself off below', 'A', { max: 5 })),
    chargesWhileFeeding: optional(flag('Can be charged while it feeds')),
    recognised,
    gauge: optional(
      object('Its own gauge', {
        reads: choice('Gauge reads', { charge: 'the charge', voltage: 'the voltage', none: 'nothing' }),
        steps: optional(number('Steps', 'count', { min: 2, max: 100, integer: true })),
      }),
    ),
    /** The voltage on its port while its charger is connected, where it is charged in place. */
    chargeV: optional(volts('Charging voltage')),
    outputs: list('Outputs', outputShape, { min: 1, max: 8 }),
    budgets: optional(budgetsShape),
    from: from('energyWh', 'resistanceOhm', 'cutoffV', 'maxA'),
  },
  device: {
    ...common,
    /** In the usual mode. */
    draw: optional(drawShape),
    peakW: optional(watts('Peak')),
    peakMs: optional(number('Length of peak', 'ms', { above: 0, max: 60_000 })),
    /** A light or a screen, whose draw follows its brightness. */
    dimmable: optional(flag('Can be turned down')),
    /** What its usual mode asks of a feed. */
    needs: optional(needsShape),
    /** What ends a recording in its usual mode. */
    limits: optional(limitsShape),
    modes: optional(
      list(
        'Other modes',
        object('Mode', {
          id: localId('Mode'),
          name,
          draw: drawShape,
          peakW: optional(watts('Peak')),
          needs: optional(needsShape),
          limits: optional(limitsShape),
        }),
        { max: 20 },
      ),
    ),
    features: optional(
      list(
        'Features that a weak feed takes away',
        object('Feature', { name, needs: needsShape, silently: optional(flag('Without telling')) }),
        { max: 20 },
      ),
    ),
    /** What a part under, behind or on top of it covers, and what it carries there. */
    covered: optional(coveredShape),
    carries: optional(carriesShape),
    /** A battery that cannot be taken out; one in a bay is linked there. */
    builtIn: optional(
      object('Built-in battery', {
        energyWh: number('Energy', 'Wh', { above: 0, max: 500 }),
        cellsInSeries: number('Cells in series', 'count', { min: 1, max: 8, integer: true }),
      }),
    ),
    inputs: list('Inputs', inputShape, { min: 1, max: 8 }),
    /** Power it passes on: a monitor that feeds the camera. */
    outputs: optional(list('Outputs', outputShape, { max: 8 })),
    budgets: optional(budgetsShape),
    from: from('draw', 'minV', 'maxV'),
  },
  adapter: {
    ...common,
    input: object('Input', {
      connector: connectorShape,
      minV: optional(outletVolts('Lowest input')),
      maxV: optional(outletVolts('Highest input')),
      startV: optional(outletVolts('Starts at')),
      maxA: optional(amps('Most input current')),
      /** It starts, or stays up, only on a port that gives as much. */
      leastA: optional(amps('Wants a port of at least')),
      /** One with two plugs draws from two ports of the same source at once. */
      plugs: optional(number('Plugs', 'count', { min: 1, max: 2, integer: true })),
      /** A trigger cable asks a Power Delivery port for this voltage. */
      triggerV: optional(volts('Asks for')),
      programmable: optional(flag('Asks a programmable supply')),
    }),
    output: object('Output', {
      connector: connectorShape,
      voltageV: optional(volts('Output')),
      maxA: optional(amps('Most output current')),
      /** Hands on whatever voltage comes in. */
      passThrough: optional(flag('Pass-through')),
      pins: pinsShape('Beside plus and minus'),
    }),
    ratedW: optional(watts('Rated power')),
    efficiency: optional(efficiency),
    /** Steps down by turning what is too much into heat. */
    linear: optional(flag('Linear regulator')),
    works: worksShape,
    standbyW: optional(standby),
    leadOhm: optional(ohms('Lead resistance')),
    gauge: choice('What the gauge then shows', { true: 'the truth', 'always-full': 'always full', none: 'nothing' }),
    recognised,
    /** Names of devices that are known to refuse it. */
    refusedBy: optional(list('Refused by', text('Device', 120), { max: 20 })),
    from: from('efficiency', 'voltageV'),
  },
  cable: {
    ...common,
    ends: object('Ends', { source: connectorShape, load: connectorShape }),
    /** Crossed inside: plus at one end is minus at the other. */
    crossed: optional(flag('Crossed inside')),
    resistanceOhm: optional(ohms('Resistance')),
    lengthM: optional(number('Length', 'm', { above: 0, max: 50 })),
    areaMm2: optional(number('Wire', 'mm2', { above: 0, max: 50 })),
    awg: optional(number('Wire gauge (AWG)', 'count', { min: 0, max: 40, integer: true })),
    maxA: optional(amps('Rated current')),
    fuseA: optional(amps('Fuse')),
    /** A fuse protects what lies behind it; at the load's end the lead itself is bare. */
    fuseAt: optional(choice('The fuse sits', { source: 'at the source’s end', load: 'at the load’s end' })),
    marked5A: optional(flag('Marked for 5 A')),
    extendedRange: optional(flag('Marked for extended range')),
  },
  hub: {
    ...common,
    form: choice('Form', { plate: 'plate', splitter: 'splitter', grip: 'battery grip', box: 'power box' }),
    /** In the order of preference. */
    inputs: list('Inputs', inputShape, { min: 1, max: 4 }),
    inputOrder: optional(choice('Several inputs', { 'one-by-one': 'the first that is live', together: 'together', series: 'in series' })),
    /** Diodes, or a plate that lets no battery charge another. */
    isolates: optional(flag('Isolates its batteries')),
    outputs: list('Outputs', outputShape, { min: 1, max: 12 }),
    budgets: optional(budgetsShape),
    fuseA: optional(amps('Fuse')),
    resistanceOhm: optional(ohms('Resistance')),
    standbyW: optional(standby),
    /** Seconds that it carries its loads while a battery is changed. */
    bufferS: optional(number('Bridges a swap for', 's', { above: 0, max: 3600 })),
    recognised,
  },
  supply: {
    ...common,
    form: choice('Form', {
      mains: 'mains supply',
      transformer: 'mains supply, unregulated',
      poe: 'PoE supply',
      vehicle: 'vehicle outlet',
      solar: 'solar panel',
    }),
    outputs: list('Outputs', outputShape, { min: 1, max: 8 }),
    budgets: optional(budgetsShape),
  },
  charger: {
    ...common,
    slots: number('Slots', 'count', { min: 1, max: 24, integer: true }),
    order: choice('Slots are filled', { together: 'together', 'one-by-one': 'one after the other' }),
    powerW: optional(watts('Power of a slot')),
    totalW: optional(watts('Power of all')),
    connector: connectorShape,
  },
});
export type Gear = Infer<typeof gearShape>;
export type GearKind = Gear['kind'];
export type GearOf<K extends GearKind> = Extract<Gear, { kind: K }>;
export type Battery = GearOf<'battery'>;
export type Device = GearOf<'device'>;
export type Adapter = GearOf<'adapter'>;
export type Cable = GearOf<'cable'>;
export type Hub = GearOf<'hub'>;
export type Supply = GearOf<'supply'>;
export type Mode = NonNullable<Device['modes']>[number];
export type Budget = Infer<typeof budgetsShape>[number];

/**
 * `V1: Holmvik 95`, or the name alone.
 *
 * @example gearTitle({ ...battery, tag: 'V7', name: 'Holmvik 95' }) // 'V7: Holmvik 95'
 */
export function gearTitle({ name: called, tag }: Gear): string {
  return tag === undefined ? called : `${tag}: ${called}`;
}
