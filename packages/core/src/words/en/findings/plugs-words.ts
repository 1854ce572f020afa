import type { Connector, Plus } from '../../../gear';
import { say, sayList } from '../say';
import { shown } from './wording';
import type { Wordings } from './wording';

/** Where plus sits: `the centre`, `pin 4`, `the contact marked plus`. */
function sayPlus(plus: Plus, connector: Connector['type']): string {
  if (plus === 'marked') return 'the contact marked plus';
  if (plus === 'against-marks') return 'the contact marked minus';
  if (connector === 'barrel') return plus === 'first' ? 'the centre' : 'the outside';
  return plus === 'first' ? 'pin 1' : connector === 'xlr4' ? 'pin 4' : 'pin 2';
}

/** Plugs, polarity, ports with two jobs. */
export const PLUGS: Wordings<
  | 'connector-fits'
  | 'connector-mismatch'
  | 'cable-missing'
  | 'connector-unknown'
  | 'polarity-reversed'
  | 'polarity-unknown'
  | 'port-taken'
  | 'takes-no-power'
  | 'pins-missing'
  | 'fit-note'
  | 'refused'
  | 'port-weak'
  | 'two-plugs'
> = {
  'connector-fits': { means: 'Two connectors mate.', says: ({ from, to, connector }) => `${from} and ${to} mate: ${connector}.` },
  'connector-mismatch': {
    means: 'Two connectors do not mate.',
    says: ({ from, to, has, takes }) => `${from} ends in ${has}, ${to} takes ${takes}: they do not mate.`,
    remedy: ({ has, takes }) =>
      `Use a cable or adapter from ${has} to ${takes}. Never force a plug or change its ends without checking polarity.`,
  },
  'cable-missing': {
    means: 'Two sockets are to be joined without a cable.',
    says: ({ from, to, socket }) => `${from} and ${to} are both sockets (${socket}): a cable is missing.`,
    remedy: ({ socket }) => `Put a cable with two ${socket} ends between.`,
  },
  'connector-unknown': {
    means: 'The family or size of a connector is not known on one side.',
    says: ({ from, to, has, takes }) => `${from} is for ${has}, ${to} takes ${takes}: whether the two are the same form is not known.`,
    remedy: ({ barrel }) => (barrel ? 'Measure both diameters on both sides.' : 'Name the family of the battery bay on both.'),
  },
  'polarity-reversed': {
    means: 'Plus would meet minus.',
    says: ({ from, to, device, crossed, connector, comes, takes }) => {
      const why = `it comes on ${sayPlus(comes, connector)} and is taken on ${sayPlus(takes, connector)}`;
      return `Plus of ${from} meets minus of ${to}: ${crossed ? `${from} is crossed inside, so ` : ''}${why}. It can destroy ${device}.`;
    },
    remedy: checkPolarity,
  },
  'polarity-unknown': {
    means: 'A plug that can be of either polarity, and one side does not say.',
    says: ({ from, to, connector }) => `${connector} between ${from} and ${to}: which side is plus is not entered on both.`,
    remedy: checkPolarity,
  },
  'port-taken': {
    means: 'A control or data cable is in the port that is to feed the device.',
    says: ({ port, device, duty }) =>
      `${port} of ${device} is taken by ${duty === 'data' ? 'a data cable' : 'the control cable'}: it carries power or control, not both.`,
    remedy: () => 'Feed it through its battery bay, or free the port.',
  },
  'takes-no-power': {
    means: 'The input is for data or control and takes no power.',
    says: ({ port, device }) => `${port} of ${device} takes no power: it is for data or control only.`,
    remedy: () => 'Feed it through another input.',
  },
  'pins-missing': {
    means: 'The device needs contacts beside plus and minus that the other side does not have.',
    says: ({ device, port, source, missing }) =>
      `${port} of ${device} needs ${sayList(missing.map((pin) => `a ${pin} contact`))}; ${source} has none. It refuses, or shows an error.`,
    remedy: () => 'Use a battery or an adapter that has these contacts.',
  },
  'fit-note': {
    means: 'A door, strap or plug needs attention where this part is used.',
    says: ({ of, note }) => `${of}: ${note}`,
    remedy: () => 'Try it once, fully closed and moving, before the day.',
  },
  refused: {
    means: 'The device, or grip, is known to refuse this adapter.',
    says: ({ by, adapter, grip }) =>
      grip ? `${by} takes batteries only: ${adapter} has no way out for its lead.` : `${by} is known to refuse ${adapter}.`,
    remedy: () => 'Use an adapter made for this device, or its own battery.',
  },
  'port-weak': {
    means: 'A port gives less than the adapter wants to start on.',
    says: ({ adapter, port, of, portA, leastA }) =>
      `${adapter} wants a port of ${say(leastA, 'A')} or more; ${port} of ${of} gives ${say(portA, 'A')}: it may light up and die.`,
    remedy: ({ leastA }) => `Use a port of ${say(leastA, 'A')} or more.`,
    shows: ({ portA, leastA }) => [shown('port', portA, 'A'), shown('wanted', leastA, 'A')],
  },
  'two-plugs': {
    means: 'An adapter with two plugs draws from two ports at once.',
    says: ({ adapter, port, of, second }) =>
      second === undefined
        ? `${adapter} has two plugs, and ${of} has no free port like ${port} for the second: one port carries it all.`
        : `${adapter} draws from ${port} and ${second} of ${of} at once; with one of them out it dies.`,
    remedy: () => 'Use an adapter of one plug on one port that gives enough.',
  },
};

function checkPolarity(): string {
  return 'Check with a meter before anything is connected; use a lead of the right polarity.';
}
