import type { Battery, Cable, Device, Gear, GearOf, Supply } from '../gear/gear';
import type { Input, Output } from '../gear/port';
import { portsOf } from '../gear/ports-of';
import type { Ports } from '../gear/ports-of';
import type { Rig } from '../gear/rig';
import { finding } from './finding';
import type { Finding, Role } from './finding';

/** A piece of gear as it stands in a rig. */
export interface Part<G extends Gear = Gear> extends Ports {
  readonly id: string;
  readonly gear: G;
}
export type Source = Part<Battery> | Part<Supply>;

/** One link of the rig with its parts and ports found. */
export interface Joint {
  /** Names its feed in the network: the part and port it leads to. */
  readonly id: string;
  readonly from: Part;
  readonly output: Output;
  readonly cable: Part<Cable> | undefined;
  readonly to: Part;
  readonly input: Input;
}

/** A rig with everything it names found: which joint leads where. */
export interface RigGraph {
  readonly rig: Rig;
  readonly parts: ReadonlyMap<string, Part>;
  readonly devices: readonly DeviceUse[];
  readonly joints: readonly Joint[];
  readonly sources: readonly Source[];
  /** What keeps the rig from being looked at as drawn. Sound parts of it are in the graph all the same. */
  readonly findings: readonly Finding[];
}

/** A device in the mode that the rig gives it. */
export interface DeviceUse {
  readonly part: Part<Device>;
  readonly modeId: string | undefined;
  readonly scale: number;
  readonly busyPorts: readonly string[];
}

export function isA<K extends Gear['kind']>(part: Part, kind: K): part is Part<GearOf<K>> {
  return part.gear.kind === kind;
}

export function roleOf({ gear }: Part): Role {
  return gear.kind === 'charger' ? 'rig' : gear.kind;
}

export function jointsFrom({ joints }: RigGraph, part: Part): readonly Joint[] {
  return joints.filter(({ from }) => from.id === part.id);
}

export function jointsTo({ joints }: RigGraph, part: Part): readonly Joint[] {
  return joints.filter(({ to }) => to.id === part.id);
}

/** Whether something else carries the device when this joint does not: a battery in its bay, built in, or another feed. */
export function hasCushion(graph: RigGraph, to: Part, jointId: string): boolean {
  return (isA(to, 'device') && to.gear.builtIn !== undefined) || jointsTo(graph, to).some(({ id }) => id !== jointId);
}

/**
 * Finds what a rig names, and what is wrong with how it is drawn: parts or ports that are not there, a port or cable
 * used twice, a device that nothing feeds, power that runs in a circle.
 */
export function rigGraph(rig: Rig, gear: ReadonlyMap<string, Gear>): RigGraph {
  const found: Finding[] = [];
  const parts = new Map<string, Part>();
  const partOf = (id: string, kind?: Gear['kind']): Part | undefined => {
    const known = parts.get(id);
    const body = gear.get(id);
    if (known) return known;
    if (!body || (kind !== undefined && body.kind !== kind)) {
      const what = kind ?? 'part';
      if (!found.some(({ gearId }) => gearId === id))
        found.push(lost(what, id, `The rig names a ${what} that is not in the kit any more.`));
      return undefined;
    }
    const part = { id, gear: body, ...portsOf(body) };
    parts.set(id, part);
    return part;
  };

  const devices = rig.devices.flatMap(({ gearId, modeId, scale = 1, busyPorts = [] }): DeviceUse[] => {
    const part = partOf(gearId, 'device');
    if (!part || !isA(part, 'device')) return [];
    if (modeId !== undefined && !part.gear.modes?.some(({ id }) => id === modeId)) {
      found.push(lost('device', gearId, `${part.gear.name} has no mode “${modeId}” any more.`));
    }
    return [{ part, modeId, scale, busyPorts }];
  });
  for (const { gearId, mode } of (rig.phases ?? []).flatMap((phase) => phase.devices)) {
    const use = devices.find(({ part }) => part.id === gearId);
    const sentence = !use
      ? 'A phase names a device that is not in the rig.'
      : mode !== 'off' && mode !== 'usual' && !use.part.gear.modes?.some(({ id }) => id === mode)
        ? `A phase puts ${use.part.gear.name} into a mode “${mode}” that it does not have.`
        : undefined;
    if (sentence !== undefined && !found.some((one) => one.sentence === sentence)) found.push(lost('device', gearId, sentence));
  }
  const joints = rig.links.flatMap((link): Joint[] => {
    const from = partOf(link.from.gearId);
    const to = partOf(link.to.gearId);
    const cable = link.cableId === undefined ? undefined : partOf(link.cableId, 'cable');
    if (!from || !to || (link.cableId !== undefined && !cable)) return [];
    const output = from.outputs.find(({ id }) => id === link.from.portId);
    const input = to.inputs.find(({ id }) => id === link.to.portId);
    if (!output) found.push(lost(roleOf(from), from.id, `${from.gear.name} has no output “${link.from.portId}”.`));
    if (!input) found.push(lost(roleOf(to), to.id, `${to.gear.name} has no input “${link.to.portId}”.`));
    return output && input ? [{ id: `${to.id}/${input.id}`, from, output, cable: cable as Part<Cable> | undefined, to, input }] : [];
  });
  for (const { gearId, spareIds = [] } of rig.batteries ?? []) for (const id of [gearId, ...spareIds]) partOf(id, 'battery');
  found.push(...usedTwice(joints));
  const sound = withoutRepeats(joints);
  const loop = partInLoop(sound);
  if (loop) {
    found.push(
      finding({
        code: 'loop',
        verdict: 'stop',
        aspect: 'connector',
        role: roleOf(loop),
        gearId: loop.id,
        part: loop.gear.name,
        numbers: [],
        sentence: `Power comes back to ${loop.gear.name} in a circle: it would feed itself.`,
        remedy: 'Take out one of the links of the circle.',
      }),
    );
  }
  const usable = loop ? [] : sound;
  for (const { part } of devices) {
    // a link of which a part is gone is told as that, not once more as no link
    if (rig.links.some(({ to }) => to.gearId === part.id) || part.gear.builtIn) continue;
    found.push(
      finding({
        code: 'not-fed',
        verdict: 'stop',
        aspect: 'connector',
        role: 'device',
        gearId: part.id,
        part: part.gear.name,
        numbers: [],
        sentence: `Nothing feeds ${part.gear.name}.`,
        remedy: 'Choose a feed for it.',
      }),
    );
  }
  const sources = [...new Map(usable.map(({ from }) => [from.id, from])).values()].filter(
    (part): part is Source => isA(part, 'battery') || isA(part, 'supply'),
  );
  found.push(...deadEnds(rig, usable));
  return { rig, parts, devices, joints: usable, sources, findings: found };
}

function lost(role: Role | 'part' | Gear['kind'], gearId: string, sentence: string): Finding {
  return finding({
    code: 'part-missing',
    verdict: 'unknown',
    aspect: 'connector',
    role: role === 'part' || role === 'charger' ? 'rig' : role,
    gearId,
    part: role,
    numbers: [],
    sentence,
    remedy: 'Choose another.',
  });
}

function usedTwice(joints: readonly Joint[]): Finding[] {
  const seen = new Map<string, string>();
  return joints.flatMap(({ from, output, to, input, cable }) => {
    const places = [
      { key: `out ${from.id} ${output.id}`, part: from, what: `${output.name} of ${from.gear.name}` },
      { key: `in ${to.id} ${input.id}`, part: to, what: `${input.name} of ${to.gear.name}` },
      ...(cable ? [{ key: `cable ${cable.id}`, part: cable as Part, what: cable.gear.name }] : []),
    ];
    return places.flatMap(({ key, part, what }) => {
      const first = seen.has(key);
      seen.set(key, what);
      if (!first) return [];
      return [
        finding({
          code: 'used-twice',
          verdict: 'stop',
          aspect: 'connector',
          role: roleOf(part),
          gearId: part.id,
          part: part.gear.name,
          numbers: [],
          sentence: `${what} is used twice; it serves one thing only.`,
          remedy: 'Use another port or cable, or a splitter.',
        }),
      ];
    });
  });
}

/** Each input is fed once, each output feeds once: the first link counts. */
function withoutRepeats(joints: readonly Joint[]): readonly Joint[] {
  const taken = new Set<string>();
  return joints.filter(({ id, from, output }) => {
    const keys = [`in ${id}`, `out ${from.id}/${output.id}`];
    if (keys.some((key) => taken.has(key))) return false;
    for (const key of keys) taken.add(key);
    return true;
  });
}

/** A part that power reaches again after leaving it. Cost: each joint is followed once. */
function partInLoop(joints: readonly Joint[]): Part | undefined {
  const state = new Map<string, 'open' | 'done'>();
  const next = new Map<string, Joint[]>();
  for (const joint of joints) next.set(joint.from.id, [...(next.get(joint.from.id) ?? []), joint]);
  const visit = (part: Part): Part | undefined => {
    if (state.get(part.id) === 'open') return part;
    if (state.get(part.id) === 'done') return undefined;
    state.set(part.id, 'open');
    for (const { to } of next.get(part.id) ?? []) {
      const back = visit(to);
      if (back) return back;
    }
    state.set(part.id, 'done');
    return undefined;
  };
  for (const { from } of joints) {
    const back = visit(from);
    if (back) return back;
  }
  return undefined;
}

/** Adapters and hubs that hand on power which nothing gives them. */
function deadEnds(rig: Rig, joints: readonly Joint[]): Finding[] {
  const fed = new Set(rig.links.map(({ to }) => to.gearId));
  const dead = new Map<string, Part>();
  for (const { from } of joints) {
    if (!fed.has(from.id) && !isA(from, 'battery') && !isA(from, 'supply') && !(isA(from, 'device') && from.gear.builtIn))
      dead.set(from.id, from);
  }
  return [...dead.values()].map((part) =>
    finding({
      code: 'not-fed',
      verdict: 'stop',
      aspect: 'connector',
      role: roleOf(part),
      gearId: part.id,
      part: part.gear.name,
      numbers: [],
      sentence: `${part.gear.name} is to hand power on, but nothing feeds it.`,
      remedy: 'Link a battery or a supply to it.',
    }),
  );
}
