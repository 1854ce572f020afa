import type { NamedOutput, Probes, StepPlace } from '../../../bench/joints';
import { connectorName } from '../../../gear';
import type { Connector } from '../../../gear';

/**
 * Where a step is measured: `the end of D-tap lead, from Plate V, with a lamp on it`.
 *
 * @example sayPlace({ is: 'contacts', of: 'Adapter M' }) // 'the contacts of Adapter M'
 */
export function sayPlace(place: StepPlace): string {
  return `${sayJoint(place)}${place.withLamp ? ', with a lamp on it' : ''}${place.fedBy === undefined ? '' : `, fed by ${place.fedBy}`}`;
}

function sayJoint(place: StepPlace): string {
  switch (place.is) {
    case 'conductor':
      return `${place.lead}, unplugged: ${CONDUCTORS[place.conductor]}`;
    case 'lead-end':
      return `the end of ${place.lead}, from ${sayOutput(place.from)}`;
    case 'contacts':
      return `the contacts of ${place.of}`;
    case 'output':
      return sayOutput(place.from);
    case 'between':
      return `${place.one} against ${place.other}, before both are on ${place.hub}`;
  }
}

const CONDUCTORS = { both: 'plus to minus', plus: 'plus, end to end', minus: 'minus, end to end' } as const;

function sayOutput({ port, part }: NamedOutput): string {
  return port === undefined ? part : `${port} of ${part}`;
}

/**
 * Where red and black go.
 *
 * @example sayProbes({ with: 'one-end' }) // 'plus to minus of one end: no connection'
 */
export function sayProbes(probes: Probes): string {
  switch (probes.with) {
    case 'meter-between':
      return `an inline USB meter between ${probes.lead ?? sayOutput(probes.from)} and ${probes.to}`;
    case 'conductor': {
      const { sign, source, load, to } = probes;
      return `${sign} of the ${connectorName(source)} end to ${sign} of the ${connectorName(load)} end, for ${to}`;
    }
    case 'one-end':
      return 'plus to minus of one end: no connection';
    case 'two-batteries':
      return `red on plus of ${probes.one}, black on plus of ${probes.other}, minus of both held together; or measure each by itself and take one from the other`;
    case 'contacts':
      return probesOn(probes.connector);
  }
}

/** Which contact is plus, seen from the front of the plug. */
function probesOn(connector: Connector): string {
  const { type } = connector;
  if (type === 'barrel') {
    if (connector.polarity === 'centre-positive') return 'red inside the barrel, black on its outside';
    if (connector.polarity === 'centre-negative') return 'red on the outside of the barrel, black inside';
    return 'inside and outside of the barrel; which is plus is not entered: the sign on the meter says it';
  }
  if (type === 'usb-a' || type === 'usb-c') return 'an inline USB meter in the port, nothing behind it';
  if (type === 'bare') return 'red on the plus end, black on the other';
  return `red on plus, black on minus of the ${connectorName(connector)}, as marked`;
}
