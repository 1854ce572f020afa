import { connectorName, isMount, mates, portsOf } from '../gear';
import type { Connector, Gear } from '../gear';
import { made } from './generic-parts';

/** More kinds of sockets are not tried against each other. */
const MOST_LEADS = 40;
/** A lead as people solder or order one: said in its name, since what it loses is worked out with them. */
const LENGTH_M = 0.5;
const AREA_MM2 = 0.75;

/**
 * Leads that nobody sells off the shelf, from what a kit gives to what a device takes: of each pair of sockets that nothing
 * there joins. They tell which lead is missing; whether it may be used is the judge's to say, as of any other.
 *
 * @example [...madeLeads('camera', new Map()).keys()] // []
 */
export function madeLeads(deviceId: string, gear: ReadonlyMap<string, Gear>): ReadonlyMap<string, Gear> {
  const device = gear.get(deviceId);
  if (device?.kind !== 'device') return new Map();
  const inlets = distinct(device.inputs.map(({ connector }) => connector));
  const outlets = distinct([...gear.values()].flatMap((one) => portsOf(one).outputs.map(({ connector }) => connector)));
  const leads = inlets.flatMap((load) => outlets.filter((source) => mates(source, load) === 'no').map((source) => leadOf(source, load)));
  return new Map(leads.slice(0, MOST_LEADS).map((lead, place) => [made(place), lead]));
}

function leadOf(source: Connector, load: Connector): Gear {
  const name = `Lead of ${LENGTH_M} m, ${AREA_MM2} mm², ${connectorName(source)} to ${connectorName(load)}`;
  return { kind: 'cable', name, ends: { source: end(source), load: end(load) }, lengthM: LENGTH_M, areaMm2: AREA_MM2 };
}

/** What goes into it: the other gender where the socket says which it is. */
function end({ gender, ...connector }: Connector): Connector {
  return gender === undefined ? connector : { ...connector, gender: gender === 'plug' ? 'socket' : 'plug' };
}

/** Each form once; what is put on without a lead is left out. */
function distinct(connectors: readonly Connector[]): readonly Connector[] {
  return [...new Map(connectors.filter((one) => !isMount(one)).map((one) => [connectorName(one), one])).values()];
}
