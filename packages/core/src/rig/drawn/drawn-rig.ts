import { gearTitle, portsOf } from '../../gear';
import type { Cable, Device, Gear, Input, Output } from '../../gear';
import { isKind } from './part';
import type { Part, Source } from './part';
import { gearIdsOf } from './rig';
import type { Link, Rig } from './rig';
import { seriesStrings, withStringStates } from './series';
import type { SeriesString } from './series';

/** What meets where: the parts and ports of one link. */
export interface Ends {
  /** Names its feed in the network: the part and port it leads to. */
  readonly id: string;
  readonly from: Part;
  readonly output: Output;
  readonly cable: Part<Cable> | undefined;
  readonly to: Part;
  readonly input: Input;
}

/** A device in the mode that the rig gives it. */
export interface DeviceUse {
  readonly part: Part<Device>;
  readonly modeId: string | undefined;
  readonly scale: number;
  readonly busyPorts: readonly string[];
}

/** What keeps a rig from being looked at as drawn. */
export type RigFault =
  | { readonly fault: 'part-gone'; readonly gearId: string; readonly kind: Gear['kind'] | undefined }
  | { readonly fault: 'mode-gone'; readonly part: Part<Device>; readonly modeId: string }
  | { readonly fault: 'phase-device-gone'; readonly gearId: string }
  | { readonly fault: 'phase-mode-gone'; readonly part: Part<Device>; readonly modeId: string }
  | { readonly fault: 'port-gone'; readonly part: Part; readonly side: 'output' | 'input'; readonly portId: string }
  | { readonly fault: 'used-twice'; readonly part: Part; readonly port: string | undefined }
  | { readonly fault: 'loop'; readonly part: Part }
  | { readonly fault: 'device-not-fed'; readonly part: Part<Device> }
  | { readonly fault: 'part-not-fed'; readonly part: Part };

/** A rig with everything it names found. Sound parts of it are here also where others are at fault. */
export interface DrawnRig {
  readonly rig: Rig;
  readonly parts: ReadonlyMap<string, Part>;
  readonly devices: readonly DeviceUse[];
  /** Each input fed once, each output feeding once: the first link counts. Empty where power would run in a circle. */
  readonly ends: readonly Ends[];
  readonly sources: readonly Source[];
  /** Batteries in series, each string one source. */
  readonly strings: readonly SeriesString[];
  readonly faults: readonly RigFault[];
}

/**
 * Finds what a rig names, and what is wrong with how it is drawn: parts or ports that are not there, a port or cable
 * used twice, a device that nothing feeds, power that runs in a circle.
 */
export function drawnRig(asDrawn: Rig, gear: ReadonlyMap<string, Gear>): DrawnRig {
  const strings = seriesStrings(asDrawn, gear);
  const rig = withStringStates(asDrawn, strings);
  // the first of a string stands for all of it
  const shelf = new Shelf(
    new Map([...gear, ...strings.map(({ batteryIds, as }) => [batteryIds[0]!, as] as const)]),
    namesShared(rig, gear),
  );
  const within = new Set(strings.flatMap(({ hubId, batteryIds }) => batteryIds.slice(1).map((id) => `${id} ${hubId}`)));
  // a monitor that only passes power on draws its own all the same
  const devices = [...rig.devices, ...passedThrough(rig, gear)].flatMap((use) => deviceUse(use, shelf));
  phaseFaults(rig, devices, shelf);
  const drawn = rig.links.filter(({ from, to }) => !within.has(`${from.gearId} ${to.gearId}`)).flatMap((link) => endsOf(link, shelf));
  for (const { batteryIds } of strings) for (const id of batteryIds) shelf.part(id, 'battery');
  for (const { gearId, spareIds = [] } of rig.batteries ?? []) for (const id of [gearId, ...spareIds]) shelf.part(id, 'battery');
  shelf.faults.push(...usedTwice(drawn));
  const sound = withoutRepeats(drawn);
  const loop = partInLoop(sound);
  if (loop) shelf.faults.push({ fault: 'loop', part: loop });
  const ends = loop ? [] : sound;
  for (const { part } of devices) {
    // a link of which a part is gone is told as that, not once more as no link
    if (!part.gear.builtIn && !rig.links.some(({ to }) => to.gearId === part.id)) shelf.faults.push({ fault: 'device-not-fed', part });
  }
  shelf.faults.push(...deadEnds(rig, ends));
  return { rig, parts: shelf.parts, devices, ends, sources: sourcesOf(ends), strings, faults: shelf.faults };
}

/** The parts of a rig as they are asked for, and what was asked for in vain. */
class Shelf {
  readonly parts = new Map<string, Part>();
  readonly faults: RigFault[] = [];

  /** `alike`: names that several parts of the rig bear. */
  constructor(
    private readonly gear: ReadonlyMap<string, Gear>,
    private readonly alike: ReadonlySet<string>,
  ) {}

  part(id: string, kind?: Gear['kind']): Part | undefined {
    const known = this.parts.get(id);
    if (known) return known;
    const body = this.gear.get(id);
    if (!body || (kind !== undefined && body.kind !== kind)) {
      if (!this.faults.some((one) => 'gearId' in one && one.gearId === id)) this.faults.push({ fault: 'part-gone', gearId: id, kind });
      return undefined;
    }
    const part = { id, gear: body, title: this.alike.has(body.name) ? gearTitle(body) : body.name, ...portsOf(body) };
    this.parts.set(id, part);
    return part;
  }
}

/** Names that more than one of a rig's parts bear. */
function namesShared(rig: Rig, gear: ReadonlyMap<string, Gear>): ReadonlySet<string> {
  const names = gearIdsOf(rig).map((id) => gear.get(id)?.name);
  return new Set(names.filter((name, place): name is string => name !== undefined && names.indexOf(name) !== place));
}

/** Devices that power goes through and that the rig does not list. */
function passedThrough({ devices, links }: Rig, gear: ReadonlyMap<string, Gear>): readonly { readonly gearId: string }[] {
  const listed = new Set(devices.map(({ gearId }) => gearId));
  const met = new Set(links.map(({ to }) => to.gearId));
  return [...met].filter((id) => !listed.has(id) && gear.get(id)?.kind === 'device').map((gearId) => ({ gearId }));
}

function deviceUse({ gearId, modeId, scale = 1, busyPorts = [] }: Rig['devices'][number], shelf: Shelf): DeviceUse[] {
  const part = shelf.part(gearId, 'device');
  if (!part || !isKind(part, 'device')) return [];
  if (modeId !== undefined && !hasMode(part, modeId)) shelf.faults.push({ fault: 'mode-gone', part, modeId });
  return [{ part, modeId, scale, busyPorts }];
}

function hasMode({ gear }: Part<Device>, modeId: string): boolean {
  return gear.modes?.some(({ id }) => id === modeId) ?? false;
}

function phaseFaults(rig: Rig, devices: readonly DeviceUse[], shelf: Shelf): void {
  const told = new Set<string>();
  for (const { gearId, mode } of (rig.phases ?? []).flatMap((phase) => phase.devices)) {
    const use = devices.find(({ part }) => part.id === gearId);
    const key = use ? `${gearId} ${mode}` : 'gone';
    if (told.has(key)) continue;
    if (!use) shelf.faults.push({ fault: 'phase-device-gone', gearId });
    else if (mode !== 'off' && mode !== 'usual' && !hasMode(use.part, mode))
      shelf.faults.push({ fault: 'phase-mode-gone', part: use.part, modeId: mode });
    else continue;
    told.add(key);
  }
}

function endsOf(link: Link, shelf: Shelf): Ends[] {
  const from = shelf.part(link.from.gearId);
  const to = shelf.part(link.to.gearId);
  const cable = link.cableId === undefined ? undefined : shelf.part(link.cableId, 'cable');
  if (!from || !to || (link.cableId !== undefined && !cable)) return [];
  const output = from.outputs.find(({ id }) => id === link.from.portId);
  const input = to.inputs.find(({ id }) => id === link.to.portId);
  if (!output) shelf.faults.push({ fault: 'port-gone', part: from, side: 'output', portId: link.from.portId });
  if (!input) shelf.faults.push({ fault: 'port-gone', part: to, side: 'input', portId: link.to.portId });
  return output && input ? [{ id: `${to.id}/${input.id}`, from, output, cable: cable as Part<Cable> | undefined, to, input }] : [];
}

/** Each source once, in the order in which links leave them. */
function sourcesOf(ends: readonly Ends[]): readonly Source[] {
  const sources = new Map<string, Source>();
  for (const { from } of ends) if (isKind(from, 'battery') || isKind(from, 'supply')) sources.set(from.id, from);
  return [...sources.values()];
}

function usedTwice(ends: readonly Ends[]): RigFault[] {
  const seen = new Set<string>();
  return ends.flatMap(({ from, output, to, input, cable }) => {
    const places: { readonly key: string; readonly part: Part; readonly port: string | undefined }[] = [
      { key: `out ${from.id} ${output.id}`, part: from, port: output.name },
      { key: `in ${to.id} ${input.id}`, part: to, port: input.name },
      ...(cable ? [{ key: `cable ${cable.id}`, part: cable as Part, port: undefined }] : []),
    ];
    return places.flatMap(({ key, part, port }): RigFault[] => {
      const again = seen.has(key);
      seen.add(key);
      return again ? [{ fault: 'used-twice', part, port }] : [];
    });
  });
}

function withoutRepeats(all: readonly Ends[]): readonly Ends[] {
  const taken = new Set<string>();
  return all.filter(({ id, from, output }) => {
    const keys = [`in ${id}`, `out ${from.id}/${output.id}`];
    if (keys.some((key) => taken.has(key))) return false;
    for (const key of keys) taken.add(key);
    return true;
  });
}

/** A part that power reaches again after leaving it. Cost: each link is followed once. */
function partInLoop(ends: readonly Ends[]): Part | undefined {
  const state = new Map<string, 'open' | 'done'>();
  const next = new Map<string, Ends[]>();
  for (const one of ends) next.set(one.from.id, [...(next.get(one.from.id) ?? []), one]);
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
  for (const { from } of ends) {
    const back = visit(from);
    if (back) return back;
  }
  return undefined;
}

/** Adapters and hubs that hand on power which nothing gives them. */
function deadEnds(rig: Rig, ends: readonly Ends[]): RigFault[] {
  const fed = new Set(rig.links.map(({ to }) => to.gearId));
  const givesItself = (part: Part): boolean =>
    isKind(part, 'battery') || isKind(part, 'supply') || (isKind(part, 'device') && part.gear.builtIn !== undefined);
  const dead = new Map<string, Part>();
  for (const { from } of ends) if (!fed.has(from.id) && !givesItself(from)) dead.set(from.id, from);
  return [...dead.values()].map((part) => ({ fault: 'part-not-fed', part }));
}
