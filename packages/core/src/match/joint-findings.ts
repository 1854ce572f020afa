import { connectorName, mates, polarityOf } from '../gear/connector';
import type { Connector } from '../gear/connector';
import { meetsDirectly } from '../gear/ports-of';
import { finding } from './finding';
import type { Finding } from './finding';
import { isA, roleOf } from './rig-graph';
import type { Joint, Part, RigGraph } from './rig-graph';

interface End {
  readonly part: Part;
  readonly connector: Connector;
}

/** Plugs, polarity, ports with two jobs, and what is known of one part in another: before any volt is looked at. */
export function jointFindings(graph: RigGraph): readonly Finding[] {
  return [
    ...graph.joints.flatMap((joint) => plugs(joint)),
    ...graph.joints.flatMap((joint) => [...taken(graph, joint), ...refusals(graph, joint)]),
    ...fitNotes(graph),
  ];
}

/** The two joints of a link with a cable, or its only one. */
function plugs(joint: Joint): Finding[] {
  const { from, output, cable, to, input } = joint;
  const source: End = { part: from, connector: output.connector };
  const load: End = { part: to, connector: input.connector };
  if (!cable) return [...fit(joint, source, load), ...bridge(joint), ...polarity(joint, source, load, false)];
  const { ends, crossed = false } = cable.gear;
  const near: End = { part: cable, connector: ends.source };
  const far: End = { part: cable, connector: ends.load };
  return [
    ...fit(joint, source, near),
    ...fit(joint, far, load),
    ...polarity(joint, source, near, false),
    ...polarity(joint, far, load, crossed),
  ];
}

function fit(joint: Joint, from: End, to: End): Finding[] {
  const base = {
    aspect: 'connector',
    role: roleOf(to.part),
    gearId: to.part.id,
    jointId: joint.id,
    part: to.part.gear.name,
    numbers: [],
  } as const;
  const [one, other] = [from.part.gear.name, to.part.gear.name];
  const [here, there] = [connectorName(from.connector), connectorName(to.connector)];
  switch (mates(from.connector, to.connector)) {
    case 'yes':
      return [finding({ ...base, code: 'connector-fits', verdict: 'good', sentence: `${one} and ${other} mate: ${there}.` })];
    case 'no':
      return [
        finding({
          ...base,
          code: 'connector-mismatch',
          verdict: 'stop',
          sentence: `${one} ends in ${here}, ${other} takes ${there}: they do not mate.`,
          remedy: `Use a cable or adapter from ${here} to ${there}. Never force a plug or change its ends without checking polarity.`,
        }),
      ];
    case 'unknown':
      return [
        finding({
          ...base,
          code: 'connector-unknown',
          verdict: 'unknown',
          sentence: `${one} is for ${here}, ${other} takes ${there}: whether the two are the same form is not known.`,
          remedy:
            from.connector.type === 'barrel' ? 'Measure both diameters on both sides.' : 'Name the family of the battery bay on both.',
        }),
      ];
  }
}

/** Two sockets do not meet without a cable. */
function bridge({ id, from, output, to, input }: Joint): Finding[] {
  if (mates(output.connector, input.connector) === 'no' || meetsDirectly(output, input)) return [];
  const socket = connectorName(input.connector);
  return [
    finding({
      code: 'cable-missing',
      verdict: 'stop',
      aspect: 'connector',
      role: roleOf(to),
      gearId: to.id,
      jointId: id,
      part: to.gear.name,
      numbers: [],
      sentence: `${output.name} of ${from.gear.name} and ${input.name} of ${to.gear.name} are both sockets (${socket}): a cable is missing.`,
      remedy: `Put a cable with two ${socket} ends between.`,
    }),
  ];
}

function polarity(joint: Joint, from: End, to: End, crossed: boolean): Finding[] {
  if (mates(from.connector, to.connector) === 'no') return [];
  const base = {
    aspect: 'connector',
    role: roleOf(to.part),
    gearId: to.part.id,
    jointId: joint.id,
    part: to.part.gear.name,
    numbers: [],
  } as const;
  const remedy = 'Check with a meter before anything is connected; use a lead of the right polarity.';
  const met = polarityOf(from.connector, to.connector);
  if (met === 'unknown') {
    return [
      finding({
        ...base,
        code: 'polarity-unknown',
        verdict: 'unknown',
        sentence: `${connectorName(to.connector)} between ${from.part.gear.name} and ${to.part.gear.name}: which side is plus is not said on both.`,
        remedy,
      }),
    ];
  }
  if ((met === 'reversed') === crossed) return [];
  const why = crossed
    ? `${from.part.gear.name} is crossed inside`
    : `one is ${from.connector.polarity}, the other ${to.connector.polarity}`;
  return [
    finding({
      ...base,
      code: 'polarity-reversed',
      verdict: 'stop',
      sentence: `Plus of ${from.part.gear.name} meets minus of ${to.part.gear.name}: ${why}. It can destroy ${joint.to.gear.name}.`,
      remedy,
    }),
  ];
}

function taken({ devices }: RigGraph, joint: Joint): Finding[] {
  const { to, input } = joint;
  const use = devices.find(({ part }) => part.id === to.id);
  if (!use?.busyPorts.includes(input.id)) return [];
  const duty = input.duty === 'data' ? 'a data cable' : 'the control cable';
  return [
    finding({
      code: 'port-taken',
      verdict: 'stop',
      aspect: 'connector',
      role: 'device',
      gearId: to.id,
      jointId: joint.id,
      part: to.gear.name,
      numbers: [],
      sentence: `${input.name} of ${to.gear.name} is taken by ${duty}: it carries power or control, not both.`,
      remedy: 'Feed it through its battery bay, or free the port.',
    }),
  ];
}

function refusals(graph: RigGraph, joint: Joint): Finding[] {
  const { from, to } = joint;
  const inGrip = isA(to, 'hub') && to.gear.form === 'grip';
  if (!isA(from, 'adapter') || !(inGrip || from.gear.refusedBy?.includes(to.gear.name))) return [];
  return [
    finding({
      code: 'refused',
      verdict: 'stop',
      aspect: 'connector',
      role: 'adapter',
      gearId: from.id,
      jointId: joint.id,
      part: from.gear.name,
      numbers: [],
      sentence: inGrip
        ? `${to.gear.name} takes batteries only: ${from.gear.name} has no way out for its lead.`
        : `${to.gear.name} is known to refuse ${from.gear.name}.`,
      remedy: 'Use an adapter made for this device, or its own battery.',
    }),
  ];
}

/** What is written on a part about doors, straps and plugs, once for each part in use. */
function fitNotes(graph: RigGraph): Finding[] {
  return [...graph.parts.values()].flatMap((part) => {
    const { fitNote, name } = part.gear;
    const inUse = graph.joints.some(({ from, to, cable }) => [from.id, to.id, cable?.id].includes(part.id));
    if (fitNote === undefined || !inUse) return [];
    return [
      finding({
        code: 'fit-note',
        verdict: 'caution',
        aspect: 'connector',
        role: roleOf(part),
        gearId: part.id,
        part: name,
        numbers: [],
        sentence: `${name}: ${fitNote}`,
        remedy: 'Try it once, fully closed and moving, before the day.',
      }),
    ];
  });
}
