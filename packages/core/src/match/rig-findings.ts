import type { Discharge } from '../discharge/discharge';
import type { SystemRun } from '../discharge/system';
import type { Adapter, Device, Needs } from '../gear/gear';
import { isOwn, passageTo, treeFeeding } from './rig-system';
import { say } from './figure';
import { finding } from './finding';
import type { Finding } from './finding';
import type { Passage } from './passage';
import { resilience } from './resilience';
import { hasCushion, isA, jointsTo, roleOf } from './rig-graph';
import type { DeviceUse, Part, RigGraph } from './rig-graph';
import type { SourceTree } from './source-tree';
import { spareFindings } from './spares';
import { feedPoint, list } from './voltage-findings';

/** What a device loses on its feed: the mode chosen, other modes, features. */
export function capabilityFindings(
  graph: RigGraph,
  trees: readonly SourceTree[],
  runs: ReadonlyMap<SourceTree, Discharge | undefined>,
): Finding[] {
  return graph.devices.flatMap((use) => {
    const tree = treeFeeding(trees, use.part);
    if (!tree) return [];
    const passage = passageTo(tree, use.part);
    const own = jointsTo(graph, use.part).find(isOwn)?.from;
    const feed: Feed = { use, passage, run: runs.get(tree), own };
    const device = use.part.gear;
    const mode = device.modes?.find(({ id }) => id === use.modeId);
    const needs = mode ? mode.needs : device.needs;
    return [
      ...modeFindings(feed, mode?.name ?? 'its usual mode', needs),
      ...(device.modes ?? [])
        .filter(({ id, needs: others }) => id !== use.modeId && others !== undefined && lacking(feed, others)?.what !== undefined)
        .map(({ name, needs: others }) => {
          const lack = lacking(feed, others!)!;
          const whether = lack.unknown
            ? `Whether ${name} of ${device.name} works on this feed is not known`
            : `${name} of ${device.name} does not work on this feed`;
          return note(feed, 'mode-closed', 'caution', lack, `${whether}: ${lack.what}.`);
        }),
      ...(device.features ?? []).flatMap(({ name, needs: asked, silently }) => {
        const lack = lacking(feed, asked);
        if (!lack) return [];
        const how = silently ? 'goes off without telling' : 'is off';
        return [
          note(
            feed,
            'feature-lost',
            lack.unknown ? 'unknown' : 'caution',
            lack,
            `${name} of ${device.name} ${how} on this feed: ${lack.what}.`,
          ),
        ];
      }),
    ];
  });
}

interface Feed {
  readonly use: DeviceUse;
  readonly passage: Passage;
  readonly run: Discharge | undefined;
  /** The battery in the device's own bay, whatever feeds it. */
  readonly own: Part | undefined;
}

interface Lack {
  readonly what: string;
  readonly unknown: boolean;
  /** Met at the start, lost on the way. */
  readonly late: boolean;
  readonly numbers: Finding['numbers'];
}

function note(feed: Feed, code: Finding['code'], verdict: Finding['verdict'], lack: Lack, sentence: string): Finding {
  const { part } = feed.use;
  return finding({
    code: verdict === 'unknown' ? 'figure-missing' : code,
    verdict,
    aspect: 'modes',
    role: 'device',
    gearId: part.id,
    jointId: feed.passage.joint.id,
    part: part.gear.name,
    numbers: lack.numbers,
    sentence,
    remedy: 'Feed it from a source that gives what it needs, or do without.',
  });
}

function modeFindings(feed: Feed, mode: string, needs: Needs | undefined): Finding[] {
  const lack = needs && lacking(feed, needs);
  if (!lack) return [];
  const { name } = feed.use.part.gear;
  if (lack.unknown)
    return [note(feed, 'figure-missing', 'unknown', lack, `Whether ${mode} of ${name} works here is not known: ${lack.what}.`)];
  if (lack.late)
    return [note(feed, 'mode-lost-late', 'caution', lack, `${mode} of ${name} stops working as the battery empties: ${lack.what}.`)];
  return [note(feed, 'mode-lost', 'stop', lack, `${mode} of ${name} does not work on this feed: ${lack.what}.`)];
}

/** What a feed lacks of what is asked; undefined when it gives all of it over the whole discharge. */
function lacking({ passage, run, own }: Feed, { minV, contractW, recognised }: Needs): Lack | undefined {
  const { joint, contract, supply } = passage;
  if (contractW !== undefined && joint.input.takes === 'pd') {
    const given = contract?.powerW;
    if (given === undefined) return { what: 'what the port agrees to is not known', unknown: true, late: false, numbers: [] };
    if (given < contractW) {
      const numbers = [
        { name: 'contract', value: given, unit: 'W' },
        { name: 'needed', value: contractW, unit: 'W' },
      ] as const;
      return { what: `it needs a contract of ${say(contractW, 'W')}, it gets ${say(given, 'W')}`, unknown: false, late: false, numbers };
    }
  } else if (minV !== undefined) {
    const start = feedPoint(run?.start, joint.id)?.loadV ?? loadVolts(run?.start, joint.to) ?? supply?.startV;
    const end = feedPoint(run?.end, joint.id)?.loadV ?? loadVolts(run?.end, joint.to) ?? supply?.lowV;
    if (start === undefined || end === undefined)
      return { what: 'the voltage that arrives is not known', unknown: true, late: false, numbers: [] };
    const numbers = [
      { name: 'at the start', value: start, unit: 'V' },
      { name: 'at the end', value: end, unit: 'V' },
      { name: 'needed', value: minV, unit: 'V' },
    ] as const;
    if (start < minV) return { what: `it needs ${say(minV, 'V')}, it gets ${say(start, 'V')}`, unknown: false, late: false, numbers };
    if (end < minV) return { what: `it needs ${say(minV, 'V')}, at the end it gets ${say(end, 'V')}`, unknown: false, late: true, numbers };
  } else if (contractW !== undefined) {
    return {
      what: `it needs a USB contract of ${say(contractW, 'W')}, and this feed is none`,
      unknown: false,
      late: false,
      numbers: [{ name: 'needed', value: contractW, unit: 'W' }],
    };
  }
  if (recognised) {
    // USB feeds beside the bay: what sits there is what the device knows
    const from = joint.input.takes === 'pd' ? own : joint.from;
    if (!from) return { what: 'no battery that it recognises is in its bay', unknown: false, late: false, numbers: [] };
    const known = isA(from, 'battery') || isA(from, 'adapter') || isA(from, 'hub') ? from.gear.recognised : false;
    if (known === undefined)
      return { what: `whether it recognises ${from.gear.name} is not said`, unknown: true, late: false, numbers: [] };
    if (!known) return { what: `it does not recognise ${from.gear.name}`, unknown: false, late: false, numbers: [] };
  }
  return undefined;
}

function loadVolts(point: Discharge['start'], device: Part): number | undefined {
  return point?.feeds.find(({ id, loadV }) => loadV !== undefined && id.startsWith(device.id))?.loadV;
}

/** What each device's own gauge says meanwhile. */
export function gaugeFindings(graph: RigGraph, plannedMin: number | undefined): Finding[] {
  return graph.joints.flatMap(({ id, from: nearest, to }) => {
    const from = isA(to, 'device') ? adapterBefore(graph, nearest) : undefined;
    if (!from || from.gear.gauge === 'true') return [];
    const shows = from.gear.gauge === 'always-full' ? 'shows a full battery until it stops dead' : 'shows nothing of what is left';
    const planned = plannedMin !== undefined && plannedMin > 0 ? plannedMin : undefined;
    return [
      finding({
        aspect: 'gauge',
        role: 'adapter',
        gearId: from.id,
        jointId: id,
        part: from.gear.name,
        code: 'gauge-blind',
        verdict: 'caution',
        numbers: planned === undefined ? [] : [{ name: 'swap at', value: planned, unit: 'min' }],
        sentence: `On ${from.gear.name}, ${to.gear.name} ${shows}.`,
        remedy:
          planned === undefined
            ? 'Watch the battery’s own gauge.'
            : `Swap by the clock, at ${say(planned, 'min')}, or watch the battery’s own gauge.`,
      }),
    ];
  });
}

/** The adapter that stands in for a device's battery: straight in its bay, or in the grip there. */
function adapterBefore(graph: RigGraph, part: Part): Part<Adapter> | undefined {
  if (isA(part, 'adapter')) return part;
  const behind = isA(part, 'hub') && part.gear.form === 'grip' ? jointsTo(graph, part)[0] : undefined;
  return behind && adapterBefore(graph, behind.from);
}

/** Whether it lasts as long as asked. */
export function lastsFindings(graph: RigGraph, firstStopMin: number | undefined, plannedMin: number | undefined): Finding[] {
  const { rig, sources } = graph;
  if (firstStopMin === undefined || plannedMin === undefined || rig.wantedMin === undefined) return [];
  const base = {
    aspect: 'run',
    role: 'rig',
    part: sources.map(({ gear }) => gear.name).join(', '),
    numbers: [
      { name: 'asked for', value: rig.wantedMin, unit: 'min' },
      { name: 'with the reserve kept', value: plannedMin, unit: 'min' },
      { name: 'until it stops', value: firstStopMin, unit: 'min' },
    ],
  } as const;
  const asked = say(rig.wantedMin, 'min');
  if (plannedMin >= rig.wantedMin) {
    return [
      finding({
        ...base,
        code: 'lasts',
        verdict: 'good',
        sentence: `Asked for ${asked}; it runs ${say(plannedMin, 'min')} with the reserve kept.`,
      }),
    ];
  }
  const packs = plannedMin > 0 ? Math.ceil(rig.wantedMin / plannedMin) : 0;
  const swap = `Plan a swap at ${say(plannedMin, 'min')}: ${packs} charged batteries of this kind last ${asked}.`;
  if (firstStopMin >= rig.wantedMin) {
    const sentence = `Asked for ${asked}; it runs ${say(firstStopMin, 'min')}, but only by spending the reserve.`;
    return [finding({ ...base, code: 'lasts-into-reserve', verdict: 'caution', sentence, remedy: swap })];
  }
  const sentence = `Asked for ${asked}; it stops after ${say(firstStopMin, 'min')}.`;
  return [finding({ ...base, code: 'too-short', verdict: 'caution', sentence, remedy: packs > 0 ? swap : 'Mend what stops it first.' })];
}

/** What fails together, what nothing carries over a swap, and batteries that empty while plugged in. */
export function wholeRigFindings(graph: RigGraph, timeline: SystemRun | undefined, plannedMin: number | undefined): Finding[] {
  return [...togetherFindings(graph), ...cushionFindings(graph, plannedMin), ...drainFindings(graph, timeline), ...spareFindings(graph)];
}

function togetherFindings(graph: RigGraph): Finding[] {
  if (graph.devices.length < 2 || graph.joints.length === 0) return [];
  const sets = new Map<string, { parts: Part[]; stops: readonly Part<Device>[] }>();
  for (const { part, stops } of resilience(graph)) {
    if (stops.length < 2) continue;
    const key = stops.map(({ id }) => id).join();
    const set = sets.get(key) ?? { parts: [], stops };
    set.parts.push(part);
    sets.set(key, set);
  }
  return [...sets.values()].map(({ parts, stops }) => {
    const all = stops.length === graph.devices.length && parts.some((part) => graph.sources.some(({ id }) => id === part.id));
    return finding({
      code: all ? 'stops-together' : 'single-point',
      verdict: 'caution',
      aspect: 'run',
      role: roleOf(parts[0]!),
      gearId: parts[0]!.id,
      part: parts[0]!.gear.name,
      numbers: [
        { name: 'devices that stop', value: stops.length, unit: 'count' },
        { name: 'of', value: graph.devices.length, unit: 'count' },
      ],
      sentence: `When ${list(
        parts.map(({ gear }) => gear.name),
        'or',
      )} fails, ${list(stops.map(({ gear }) => gear.name))} stop together.`,
      remedy: 'Keep a spare of it within reach, or give one of the devices a feed of its own.',
    });
  });
}

function cushionFindings(graph: RigGraph, plannedMin: number | undefined): Finding[] {
  const { rig, devices } = graph;
  if (rig.wantedMin === undefined || plannedMin === undefined || plannedMin >= rig.wantedMin) return [];
  const cut = devices.filter(({ part }) => {
    const [first, ...others] = jointsTo(graph, part);
    if (!first || others.length > 0 || hasCushion(graph, part, first.id)) return false;
    return !bridged(graph, first.from);
  });
  if (cut.length === 0) return [];
  const names = list(cut.map(({ part }) => part.gear.name));
  return [
    finding({
      code: 'no-cushion',
      verdict: 'caution',
      aspect: 'run',
      role: 'rig',
      part: rig.name,
      numbers: [
        { name: 'asked for', value: rig.wantedMin, unit: 'min' },
        { name: 'first swap', value: plannedMin, unit: 'min' },
      ],
      sentence: `A swap is needed, and it cuts ${names} off: nothing carries ${cut.length === 1 ? 'it' : 'them'} meanwhile.`,
      remedy: 'Swap between takes, or use a plate with a buffer, a grip, or a feed that leaves the battery in the bay.',
    }),
  ];
}

/** Whether a change of battery behind this part is carried: by a buffer, a second input, or a supply that is never changed. */
function bridged(graph: RigGraph, part: Part): boolean {
  if (isA(part, 'supply')) return true;
  if (isA(part, 'hub') && ((part.gear.bufferS ?? 0) > 0 || jointsTo(graph, part).length > 1)) return true;
  return jointsTo(graph, part).some(({ from }) => bridged(graph, from));
}

function drainFindings(graph: RigGraph, timeline: SystemRun | undefined): Finding[] {
  if (!timeline) return [];
  return graph.devices.flatMap(({ part }) => {
    const own = jointsTo(graph, part).find(isOwn);
    const usb = jointsTo(graph, part).find(({ input }) => input.takes === 'pd');
    const flat = timeline.events.find(
      ({ kind, id }) => kind === 'own-battery-flat' && (id === own?.from.id || id === `${part.id}!built-in`),
    );
    const gone = timeline.events.find(({ kind, id }) => kind === 'source-out' && id === usb?.from.id);
    // drained beside a feed that still stood, not after it
    if (!flat || !usb || (gone && gone.minute <= flat.minute)) return [];
    return [
      finding({
        code: 'battery-drains',
        verdict: 'caution',
        aspect: 'run',
        role: 'device',
        gearId: part.id,
        part: part.gear.name,
        numbers: [{ name: 'flat after', value: flat.minute, unit: 'min' }],
        sentence: `${part.gear.name} takes what its feed lacks from its own battery, which is flat after ${say(flat.minute, 'min')} although it is plugged in.`,
        remedy: 'Use a stronger port or cable, or plan a change of its own battery before.',
      }),
    ];
  });
}
