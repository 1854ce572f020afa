import { connectorName, mates, meetsDirectly } from '../../gear';
import type { Connector } from '../../gear';
import { isKind, roleOf } from '../../rig/drawn';
import type { Part } from '../../rig/drawn';
import type { Connection, ResolvedRig } from '../../rig/resolved';
import type { Finding, FindingPlace } from '../facts';
import { finding } from '../finding';
import { adapterInputFindings } from './adapter-input';
import { lacking } from './lacking';
import { polarityFindings } from './polarity';

interface End {
  readonly part: Part;
  readonly connector: Connector;
}

/** Plugs, polarity, ports with two jobs, and what is known of one part in another: before any volt is looked at. */
export function plugFindings(rig: ResolvedRig): readonly Finding[] {
  return [
    ...rig.connections.flatMap((connection) => plugs(connection)),
    ...rig.connections.flatMap((connection) => [
      ...taken(rig, connection),
      ...refusals(connection),
      ...contacts(connection),
      ...adapterInputFindings(connection),
    ]),
    ...fitNotes(rig),
  ];
}

/** The two joints of a connection with a cable, or its only one. */
function plugs(connection: Connection): Finding[] {
  const { from, output, cable, to, input } = connection;
  const source: End = { part: from, connector: output.connector };
  const load: End = { part: to, connector: input.connector };
  const plus = polarityFindings(connection);
  if (!cable) return [...fit(connection, source, load), ...bridge(connection), ...plus];
  const { ends } = cable.gear;
  const near: End = { part: cable, connector: ends.source };
  const far: End = { part: cable, connector: ends.load };
  return [...fit(connection, source, near), ...fit(connection, far, load), ...plus];
}

function at({ id }: Connection, part: Part): FindingPlace {
  return { aspect: 'connector', role: roleOf(part), gearId: part.id, connectionId: id, part: part.title };
}

function fit(connection: Connection, one: End, other: End): Finding[] {
  const place = at(connection, other.part);
  const [from, to] = [one.part.title, other.part.title];
  const [has, takes] = [connectorName(one.connector), connectorName(other.connector)];
  switch (mates(one.connector, other.connector)) {
    case 'yes':
      return [finding('connector-fits', 'good', place, { from, to, connector: takes })];
    case 'no':
      return [finding('connector-mismatch', 'stop', place, { from, to, has, takes })];
    case 'unknown':
      return [finding('connector-unknown', 'unknown', place, { from, to, has, takes, barrel: one.connector.type === 'barrel' })];
  }
}

/** Two sockets do not meet without a cable. */
function bridge(connection: Connection): Finding[] {
  const { from, output, to, input } = connection;
  if (mates(output.connector, input.connector) === 'no' || meetsDirectly(output, input)) return [];
  const facts = {
    from: `${output.name} of ${from.title}`,
    to: `${input.name} of ${to.title}`,
    socket: connectorName(input.connector),
  };
  return [finding('cable-missing', 'stop', at(connection, to), facts)];
}

function taken({ devices }: ResolvedRig, connection: Connection): Finding[] {
  const { to, input } = connection;
  const use = devices.find(({ part }) => part.id === to.id);
  if (!use?.busyPorts.includes(input.id)) return [];
  return [finding('port-taken', 'stop', at(connection, to), { port: input.name, device: to.title, duty: input.duty })];
}

function refusals(connection: Connection): Finding[] {
  const { from, to } = connection;
  const grip = isKind(to, 'hub') && to.gear.form === 'grip';
  if (!isKind(from, 'adapter') || !(grip || from.gear.refusedBy?.includes(to.gear.name))) return [];
  return [finding('refused', 'stop', at(connection, from), { by: to.title, adapter: from.title, grip })];
}

/** An input that takes no power at all; contacts beside plus and minus that a device needs. */
function contacts(connection: Connection): Finding[] {
  const { from, output, to, input } = connection;
  const facts = { device: to.title, port: input.name, source: from.title };
  if (input.noPower) return [finding('takes-no-power', 'stop', at(connection, to), facts)];
  const insistsOn = input.takes === 'window' ? input.insistsOn : undefined;
  const wanted = (['thermistor', 'data'] as const).filter((pin) => insistsOn?.[pin]);
  if (wanted.length === 0) return [];
  const has = output.gives === 'pd' ? {} : output.pins;
  if (has === undefined) return [lacking('pins', from, connection.id)];
  const missing = wanted.filter((pin) => !has[pin]);
  return missing.length === 0 ? [] : [finding('pins-missing', 'stop', at(connection, from), { ...facts, missing })];
}

/** What is written on a part about doors, straps and plugs, once for each part in use. */
function fitNotes({ parts, connections }: ResolvedRig): Finding[] {
  return [...parts.values()].flatMap((part) => {
    const {
      title: name,
      gear: { fitNote: note },
    } = part;
    const inUse = connections.some(({ from, to, cable }) => [from.id, to.id, cable?.id].includes(part.id));
    if (note === undefined || !inUse) return [];
    return [finding('fit-note', 'caution', { aspect: 'connector', role: roleOf(part), gearId: part.id, part: name }, { of: name, note })];
  });
}
