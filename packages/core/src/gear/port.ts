import { choice, flag, list, number, object, optional, tagged } from '../shape';
import type { Infer } from '../shape';
import { connectorShape } from './connector';
import { amps, efficiency, localId, name, outletVolts, standby, volts, watts } from './fields';

const position = optional(
  choice('Where on the body', { top: 'top', bottom: 'bottom', left: 'left', right: 'right', front: 'front', back: 'back' }),
);
/** It looks like a way in for power and is none. */
const dataOnly = optional(flag('Takes no power: data or control only'));
const duty = optional(choice('Also used for', { control: 'control cable', data: 'data' }));
const profile = object('Profile', { voltageV: volts('Profile'), currentA: amps('Current') });
const programmable = object('Programmable supply', { minV: volts('Lowest'), maxV: volts('Highest'), currentA: amps('Current') });
const fuse = optional(amps('Fuse'));
/** A plug on a lead of its own; otherwise a socket, which needs a cable where the other end is one too. */
const lead = optional(flag('On a lead of its own'));
/** Ports that name the same budget share one limit, told in the part's `budgets`. */
const budget = optional(localId('Shared budget'));

/** What a battery or what stands in for one has on its contacts beside plus and minus. */
export const pinsShape = (title: string) =>
  optional(object(title, { thermistor: optional(flag('Thermistor')), data: optional(flag('Data')) }));
/**
 * Which way a converter works; both ways where nobody says, and listed as assumed. One that only steps down never raises
 * a voltage; one that only steps up hands a higher one on.
 */
export const worksShape = optional(choice('Works', { down: 'stepping down only', up: 'stepping up only', both: 'both ways' }));
/** Power over a network cable, by class of the standard (IEEE 802.3); what is negotiated is the lower class's. */
export const poeClassShape = optional(
  choice('PoE', { af: 'up to 12.95 W', at: 'up to 25.5 W', 'bt-51': 'up to 51 W', 'bt-71': 'up to 71.3 W' }),
);
export type PoeClass = Infer<typeof poeClassShape.of>;

/** What a port gives: the voltage of what feeds it, one fixed voltage, or USB Power Delivery's choice of several. */
export const outputShape = tagged('Output', 'gives', {
  pack: {
    id: localId('Port'),
    name,
    connector: connectorShape,
    maxA: optional(amps('Most current')),
    maxW: optional(watts('Most power')),
    fuseA: fuse,
    pins: pinsShape('Beside plus and minus'),
    budget,
    position,
    lead,
  },
  fixed: {
    id: localId('Port'),
    name,
    connector: connectorShape,
    /** Nothing behind it can be judged while this is not known. */
    voltageV: optional(outletVolts('Output')),
    /** Where it does not stand still: a vehicle's outlet, a panel, a bare transformer. */
    minV: optional(outletVolts('At the lowest')),
    maxV: optional(outletVolts('At the highest')),
    maxA: optional(amps('Most current')),
    fuseA: fuse,
    works: worksShape,
    poeClass: poeClassShape,
    efficiency: optional(efficiency),
    standbyW: optional(standby),
    pins: pinsShape('Beside plus and minus'),
    budget,
    position,
    lead,
  },
  pd: {
    id: localId('Port'),
    name,
    connector: connectorShape,
    ratingW: optional(number('Rating', 'W', { above: 0, max: 240 })),
    profiles: optional(list('Profiles', profile, { min: 1, max: 12 })),
    programmable: optional(programmable),
    /** The rating that is left when another port of the same budget is in use. */
    sharedRatingW: optional(number('Rating beside a neighbour', 'W', { above: 0, max: 240 })),
    /** Or the list that is then left. */
    sharedProfiles: optional(list('PD profiles beside a neighbour', profile, { min: 1, max: 12 })),
    efficiency: optional(efficiency),
    standbyW: optional(standby),
    budget,
    position,
    lead,
  },
});
export type Output = Infer<typeof outputShape>;

/** What is taken at an input: any voltage in a window, or a Power Delivery contract. */
export const inputShape = tagged('Input', 'takes', {
  window: {
    id: localId('Port'),
    name,
    connector: connectorShape,
    minV: optional(outletVolts('Lowest voltage')),
    maxV: optional(outletVolts('Highest voltage')),
    /** Switches on only at this or more, though it then runs lower. */
    startV: optional(outletVolts('Starts at')),
    maxA: optional(amps('Most current')),
    poeClass: poeClassShape,
    /** Without them it refuses the battery. */
    insistsOn: pinsShape('Needs the pins'),
    noPower: dataOnly,
    position,
    lead,
    duty,
  },
  pd: {
    id: localId('Port'),
    name,
    connector: connectorShape,
    minV: optional(volts('Least volts over USB-C')),
    maxV: optional(volts('Most volts over USB-C')),
    needW: optional(number('Least watts agreed over USB-C', 'W', { above: 0, max: 240 })),
    programmable: optional(flag('Takes a programmable supply')),
    sink: choice('While plugged in', {
      runs: 'runs from it',
      'needs-battery': 'runs only with its own battery in',
      mixes: 'takes what is missing from its own battery',
      'charges-when-off': 'only charges its battery when off',
      unknown: 'not known',
    }),
    /** Watts with which it fills its own battery from what the contract leaves over. */
    chargeW: optional(watts('Charges its battery with')),
    noPower: dataOnly,
    position,
    lead,
    duty,
  },
});
export type Input = Infer<typeof inputShape>;

/** One limit that several ports of a part keep together. */
export const budgetsShape = list(
  'Shared budgets',
  object('Shared budget', {
    id: localId('Shared budget'),
    name,
    maxA: optional(amps('Most current')),
    maxW: optional(watts('Most power')),
  }),
  { max: 6 },
);
