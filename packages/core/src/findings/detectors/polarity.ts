import { connectorName, handedOnPlus, isContactToContact, mates, plusMeets, plusOn } from '../../gear';
import type { Connector, Plus } from '../../gear';
import { isKind, roleOf } from '../../rig/drawn';
import type { Part } from '../../rig/drawn';
import type { Connection } from '../../rig/resolved';
import type { Finding } from '../facts';
import { finding } from '../finding';

/** Where plus comes out at the end of a connection, and what was told on the way there from the output before it. */
interface Followed {
  readonly plus: Plus | undefined;
  readonly told: readonly Finding[];
}

interface End {
  readonly part: Part;
  readonly connector: Connector;
}

/**
 * Plus followed contact by contact from what gives it to what takes it: through leads plain and crossed, and through
 * splitters, couplers and pass-throughs that hand on what they are given. What is wrong is told once, where it is first met.
 */
export function polarityFindings(connection: Connection): readonly Finding[] {
  return follow(connection).told;
}

function follow(connection: Connection): Followed {
  const { from, output, cable, to, input } = connection;
  const given = plusGiven(connection);
  const source: End = { part: from, connector: output.connector };
  const load: End = { part: to, connector: input.connector };
  if (!cable) return meet(connection, source, load, given);
  const { ends, crossed } = cable.gear;
  const near: End = { part: cable, connector: ends.source };
  const said = ends.source.polarity !== undefined || !isContactToContact(ends.source);
  const { told } = said ? meet(connection, source, near, given) : { told: [] };
  // what is told of the near end is not told again of the far one
  const entered = told.length > 0 ? plusOn(ends.source) : given;
  if (entered === undefined && told.length > 0) return { plus: plusOn(input.connector), told };
  const far: End = { part: cable, connector: ends.load };
  const arrived = meet(connection, far, load, handedOnPlus(entered, { near: ends.source, far: ends.load, crossed }), crossed);
  return { ...arrived, told: [...told, ...arrived.told] };
}

/** What an output gives: its own, or what was handed to a part that is nothing but wire there. */
function plusGiven({ output, before }: Connection): Plus | undefined {
  if (output.gives !== 'pack' || !before) return plusOn(output.connector);
  const { plus, told } = follow(before);
  // what was told before is not told again: from there on as it ought to be
  const near = before.input.connector;
  return handedOnPlus(told.length > 0 ? plusOn(near) : plus, { near, far: output.connector });
}

/** Two ends that meet, plus standing at `given` on the first; one that takes it either way hands it on as it is. */
function meet(connection: Connection, one: End, other: End, given: Plus | undefined, crossed = false): Followed {
  const nominal: Followed = { plus: plusOn(other.connector), told: [] };
  if (mates(one.connector, other.connector) === 'no') return nominal;
  if (other.part.id === connection.to.id && isOnlyWire(connection)) return { plus: given, told: [] };
  const takes = nominal.plus;
  const met = plusMeets(given, takes);
  if (met === 'same') return nominal;
  const [from, to] = [one.part.title, other.part.title];
  const place = {
    aspect: 'connector',
    role: roleOf(other.part),
    gearId: other.part.id,
    connectionId: connection.id,
    part: to,
  } as const;
  if (met === 'unknown' || given === undefined || takes === undefined) {
    const facts = { from, to, connector: connectorName(other.connector) };
    return { ...nominal, told: [finding('polarity-unknown', 'unknown', place, facts)] };
  }
  const facts = { from, to, device: connection.to.title, crossed, connector: other.connector.type, comes: given, takes };
  return { ...nominal, told: [finding('polarity-reversed', 'stop', place, facts)] };
}

/** A splitter or coupler of one kind of plug, that says nothing of plus: what comes in goes out. */
function isOnlyWire({ to, input }: Connection): boolean {
  const { connector } = input;
  const passes = isKind(to, 'hub') || (isKind(to, 'adapter') && to.gear.output.passThrough === true);
  return (
    passes &&
    connector.polarity === undefined &&
    isContactToContact(connector) &&
    to.outputs.every(({ gives, connector: { type } }) => gives === 'pack' && type === connector.type)
  );
}
