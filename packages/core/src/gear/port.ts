import { choice, flag, list, number, object, optional, tagged } from '../shape';
import type { Infer } from '../shape';
import { connectorShape } from './connector';
import { amps, efficiency, localId, name, standby, volts, watts } from './fields';

const position = optional(
  choice('Where on the body', { top: 'top', bottom: 'bottom', left: 'left', right: 'right', front: 'front', back: 'back' }),
);
const duty = optional(choice('Second duty', { control: 'control cable', data: 'data' }));
const profile = object('Profile', { voltageV: volts('Profile'), currentA: amps('Current') });
const programmable = object('Programmable supply', { minV: volts('Lowest'), maxV: volts('Highest'), currentA: amps('Current') });
const fuse = optional(amps('Fuse'));
/** A plug on a lead of its own; otherwise a socket, which needs a cable where the other end is one too. */
const lead = optional(flag('On a lead of its own'));
/** Ports that name the same budget share one limit, told in the part's `budgets`. */
const budget = optional(localId('Shared budget'));

/** What a port gives: the voltage of what feeds it, one fixed voltage, or USB Power Delivery's choice of several. */
export const outputShape = tagged('Output', 'gives', {
  pack: {
    id: localId('Port'),
    name,
    connector: connectorShape,
    maxA: optional(amps('Most current')),
    maxW: optional(watts('Most power')),
    fuseA: fuse,
    budget,
    position,
    lead,
  },
  fixed: {
    id: localId('Port'),
    name,
    connector: connectorShape,
    voltageV: volts('Output'),
    maxA: optional(amps('Most current')),
    fuseA: fuse,
    efficiency: optional(efficiency),
    standbyW: optional(standby),
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
    minV: optional(volts('Lowest voltage')),
    maxV: optional(volts('Highest voltage')),
    /** Switches on only at this or more, though it then runs lower. */
    startV: optional(volts('Starts at')),
    maxA: optional(amps('Most current')),
    position,
    lead,
    duty,
  },
  pd: {
    id: localId('Port'),
    name,
    connector: connectorShape,
    minV: optional(volts('Lowest profile')),
    maxV: optional(volts('Highest profile')),
    needW: optional(number('Smallest contract', 'W', { above: 0, max: 240 })),
    programmable: optional(flag('Takes a programmable supply')),
    sink: choice('While plugged in', {
      runs: 'runs from it',
      'needs-battery': 'runs only with its own battery in',
      mixes: 'takes what is missing from its own battery',
      'charges-when-off': 'only charges its battery when off',
    }),
    /** Watts with which it fills its own battery from what the contract leaves over. */
    chargeW: optional(watts('Charges its battery with')),
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
