import type { Finding } from '../findings';
import { gearTitle, mates, meetsDirectly, portsOf } from '../gear';
import type { Battery, Gear } from '../gear';
import { energyNow, isReady } from '../gear/kit';
import { gearIdsOf, linksTo, withFeed, withoutFeed, withPartReplaced } from '../rig/drawn';
import type { Link, Rig } from '../rig/drawn';
import { findFeeds } from './find-feeds';
import type { RemedyAct } from './remedy-act';

/** Of several tries of one `group` the first that helps is offered: the brightest, the fewest spares. */
export interface Try {
  readonly act: RemedyAct;
  readonly rig: Rig;
  readonly group?: string;
}

/** What may be changed against a finding. */
export type Means = 'port' | 'cable' | 'battery' | 'adapter' | 'dim' | 'mode' | 'charge' | 'spare' | 'feed';

/** Brightness is turned down in steps that can be set by hand, and not to where nothing is seen. */
const DIM_STEP = 0.05;
const DIMMEST = 0.3;
/** A battery known to hold less comes after those that hold more, or of which it is not known. */
const WELL_CHARGED = 0.8;

/** The changes to a rig that one means against a finding comes down to; none of them has been tried yet. */
export function triesBy(
  means: Exclude<Means, 'feed'>,
  rig: Rig,
  gear: ReadonlyMap<string, Gear>,
  found: Finding,
  exclude: ReadonlySet<string>,
): readonly Try[] {
  switch (means) {
    case 'port':
      return concerned(rig, found).flatMap((link) => otherPorts(rig, gear, link));
    case 'cable':
      return concerned(rig, found).flatMap((link) => otherCables(rig, gear, link, exclude));
    case 'battery':
      return batteriesOf(rig, gear, found).flatMap((id) => others(rig, gear, id, exclude, likePlugged));
    case 'adapter':
      return partsOf(rig, gear, found, 'adapter').flatMap((id) => others(rig, gear, id, exclude, likeAdapter));
    case 'dim':
      return devicesOf(rig, found).flatMap((id) => dimmed(rig, gear, id));
    case 'mode':
      return devicesOf(rig, found).flatMap((id) => otherModes(rig, gear, id));
    case 'charge':
      return charged(rig, gear, found);
    case 'spare':
      return batteriesOf(rig, gear, found).flatMap((id) => spares(rig, gear, id, exclude));
  }
}

/** The links that a finding is about: the connection named, else those at its part, else all. */
function concerned(rig: Rig, { connectionId, gearId }: Finding): readonly Link[] {
  const named = rig.links.filter(({ to }) => `${to.gearId}/${to.portId}` === connectionId);
  if (named.length > 0) return named;
  return rig.links.filter(({ from, to, cableId }) => [from.gearId, to.gearId, cableId].includes(gearId));
}

/** Devices behind what a finding is about, or all where it is about the rig. */
export function devicesOf(rig: Rig, { gearId, connectionId }: Finding): readonly string[] {
  const ids = rig.devices.map((use) => use.gearId);
  if (gearId !== undefined && ids.includes(gearId)) return [gearId];
  const at = connectionId?.slice(0, connectionId.lastIndexOf('/'));
  const behind = ids.filter((id) => {
    const way = linksTo(rig, id);
    return way.some(({ from, to, cableId }) => [at ?? gearId].some((one) => one === from.gearId || one === to.gearId || one === cableId));
  });
  return behind.length > 0 ? behind : ids;
}

function partsOf(rig: Rig, gear: ReadonlyMap<string, Gear>, found: Finding, kind: Gear['kind']): readonly string[] {
  const ways = devicesOf(rig, found).flatMap((id) => linksTo(rig, id));
  const near = [...concerned(rig, found), ...ways].flatMap(({ from, to }) => [from.gearId, to.gearId]);
  return [...new Set(near)].filter((id) => gear.get(id)?.kind === kind);
}

function batteriesOf(rig: Rig, gear: ReadonlyMap<string, Gear>, found: Finding): readonly string[] {
  return partsOf(rig, gear, found, 'battery');
}

function withLink(rig: Rig, before: Link, after: Link): Rig {
  return { ...rig, links: rig.links.map((link) => (link === before ? after : link)) };
}

function otherPorts(rig: Rig, gear: ReadonlyMap<string, Gear>, link: Link): Try[] {
  const input = portsOf(gear.get(link.to.gearId)!).inputs.find(({ id }) => id === link.to.portId);
  const cable = link.cableId === undefined ? undefined : gear.get(link.cableId);
  const inUse = new Set(rig.links.map(({ from }) => `${from.gearId}/${from.portId}`));
  const parts = [...new Set(rig.links.map(({ from }) => from.gearId))].sort((a) => (a === link.from.gearId ? -1 : 1));
  return parts.flatMap((gearId) => {
    const body = gear.get(gearId);
    if (!body || !input) return [];
    return portsOf(body)
      .outputs.filter(
        (output) =>
          !inUse.has(`${gearId}/${output.id}`) &&
          (cable?.kind === 'cable'
            ? mates(output.connector, cable.ends.source) !== 'no'
            : mates(output.connector, input.connector) !== 'no' && meetsDirectly(output, input)),
      )
      .map((output) => ({
        act: { act: 'use-output', output: output.name, part: gearTitle(body) },
        rig: withLink(rig, link, { ...link, from: { gearId, portId: output.id } }),
      }));
  });
}

function otherCables(rig: Rig, gear: ReadonlyMap<string, Gear>, link: Link, exclude: ReadonlySet<string>): Try[] {
  const output = portsOf(gear.get(link.from.gearId)!).outputs.find(({ id }) => id === link.from.portId);
  const input = portsOf(gear.get(link.to.gearId)!).inputs.find(({ id }) => id === link.to.portId);
  if (!output || !input) return [];
  const used = new Set(gearIdsOf(rig));
  return [...gear].flatMap(([id, body]): Try[] => {
    if (body.kind !== 'cable' || used.has(id) || exclude.has(id) || !isReady(body)) return [];
    if (mates(output.connector, body.ends.source) !== 'yes' || mates(body.ends.load, input.connector) !== 'yes') return [];
    return [{ act: { act: 'use-cable', cable: gearTitle(body) }, rig: withLink(rig, link, { ...link, cableId: id }) }];
  });
}

function likePlugged(one: Gear, other: Gear): boolean {
  if (one.kind !== 'battery' || other.kind !== 'battery') return false;
  return one.outputs.every(({ id, connector, gives }) =>
    other.outputs.some((port) => port.id === id && port.gives === gives && mates(port.connector, connector) === 'yes'),
  );
}

function likeAdapter(one: Gear, other: Gear): boolean {
  return (
    one.kind === 'adapter' &&
    other.kind === 'adapter' &&
    mates(one.input.connector, other.input.connector) === 'yes' &&
    mates(one.output.connector, other.output.connector) === 'yes'
  );
}

/** The rig with another piece of the kit in the place of one: of those alike, the first. */
function others(
  rig: Rig,
  gear: ReadonlyMap<string, Gear>,
  gearId: string,
  exclude: ReadonlySet<string>,
  alike: (one: Gear, other: Gear) => boolean,
): Try[] {
  const body = gear.get(gearId)!;
  const used = new Set(gearIdsOf(rig));
  const inUse = usedPorts(rig, gearId, body);
  return distinct(
    [...gear].filter(([id, other]) => !used.has(id) && !exclude.has(id) && isReady(other) && alike(inUse, other)),
    body,
  ).map(([id, other]) => ({
    // another of the same make is no other remedy
    group: `use ${likeness(other)}`,
    act: { act: 'use-part', part: gearTitle(other) },
    rig: withPartReplaced(rig, gearId, id),
  }));
}

/** Of many that differ only in their tag two stand for all. Batteries: the smallest that holds as much comes first. */
function distinct(pieces: readonly (readonly [string, Gear])[], own: Gear): readonly (readonly [string, Gear])[] {
  const seen = new Map<string, number>();
  const holds = (body: Gear): number => (body.kind === 'battery' ? (energyNow(body) ?? 0) : 0);
  const atLeast = holds(own);
  const step = (body: Gear): number => (holds(body) >= atLeast ? holds(body) - atLeast : 1e6 - holds(body));
  // what is half empty now helps only once it has been on a charger
  const isLow = (body: Gear): number => Number(body.kind === 'battery' && body.charge !== undefined && body.charge < WELL_CHARGED);
  return [...pieces]
    .sort(([, a], [, b]) => isLow(a) - isLow(b) || step(a) - step(b))
    .filter(([, body]) => {
      const alike = likeness(body);
      seen.set(alike, (seen.get(alike) ?? 0) + 1);
      return seen.get(alike)! <= 2;
    });
}

/** What pieces of one make have in common, whatever their tags and where they lie. */
function likeness(body: Gear): string {
  return JSON.stringify({ ...body, tag: undefined, where: undefined, charge: undefined, note: undefined });
}

/** A battery is replaced at the ports in use only. */
function usedPorts(rig: Rig, gearId: string, body: Gear): Gear {
  if (body.kind !== 'battery') return body;
  const ports = new Set(rig.links.filter(({ from }) => from.gearId === gearId).map(({ from }) => from.portId));
  return { ...body, outputs: body.outputs.filter(({ id }) => ports.has(id)) };
}

function dimmed(rig: Rig, gear: ReadonlyMap<string, Gear>, gearId: string): Try[] {
  const body = gear.get(gearId);
  const use = rig.devices.find((device) => device.gearId === gearId);
  if (body?.kind !== 'device' || !body.dimmable || !use) return [];
  const shares: number[] = [];
  for (let share = (use.scale ?? 1) - DIM_STEP; share >= DIMMEST - 1e-9; share -= DIM_STEP) shares.push(Math.round(share * 100) / 100);
  return shares.map((scale) => ({
    group: `dim ${gearId}`,
    act: { act: 'turn-down', device: gearTitle(body), scale },
    rig: { ...rig, devices: rig.devices.map((device) => (device === use ? { ...device, scale } : device)) },
  }));
}

function otherModes(rig: Rig, gear: ReadonlyMap<string, Gear>, gearId: string): Try[] {
  const body = gear.get(gearId);
  const use = rig.devices.find((device) => device.gearId === gearId);
  if (body?.kind !== 'device' || !use) return [];
  const modes = [undefined, ...(body.modes ?? []).map(({ id }) => id)].filter((id) => id !== use.modeId);
  return modes.map((modeId) => {
    const { modeId: _before, ...rest } = use;
    const mode = body.modes?.find(({ id }) => id === modeId)?.name;
    return {
      act: { act: 'change-mode', device: gearTitle(body), mode },
      rig: {
        ...rig,
        devices: rig.devices.map((device) => (device === use ? { ...rest, ...(modeId !== undefined && { modeId }) } : device)),
      },
    };
  });
}

function charged(rig: Rig, gear: ReadonlyMap<string, Gear>, found: Finding): Try[] {
  return batteriesOf(rig, gear, found).map((gearId) => {
    const state = rig.batteries?.find((one) => one.gearId === gearId) ?? { gearId };
    const batteries = [...(rig.batteries ?? []).filter((one) => one.gearId !== gearId), { ...state, startCharge: 1 }];
    return { act: { act: 'charge', battery: gearTitle(gear.get(gearId)!) }, rig: { ...rig, batteries } };
  });
}

function spares(rig: Rig, gear: ReadonlyMap<string, Gear>, gearId: string, exclude: ReadonlySet<string>): Try[] {
  const used = new Set(gearIdsOf(rig));
  const body = gear.get(gearId) as Battery;
  const alike = [...gear].filter(
    ([id, other]) => !used.has(id) && !exclude.has(id) && isReady(other) && likePlugged(usedPorts(rig, gearId, body), other),
  );
  const state = rig.batteries?.find((one) => one.gearId === gearId) ?? { gearId };
  const withSpares = (ids: readonly string[]): Rig => ({
    ...rig,
    batteries: [
      ...(rig.batteries ?? []).filter((one) => one.gearId !== gearId),
      { ...state, spareIds: [...(state.spareIds ?? []), ...ids] },
    ],
  });
  const group = `spare ${gearId}`;
  const single = alike.map(([id, other]) => ({
    group,
    act: { act: 'carry' as const, spares: [gearTitle(other)] },
    rig: withSpares([id]),
  }));
  const pairs = alike.slice(1).map(([id, other]) => ({
    group,
    act: { act: 'carry' as const, spares: [gearTitle(alike[0]![1]), gearTitle(other)] },
    rig: withSpares([alike[0]![0], id]),
  }));
  return [...single, ...pairs];
}

export function otherFeeds(rig: Rig, gear: ReadonlyMap<string, Gear>, deviceId: string, exclude: ReadonlySet<string>): Try[] {
  const { feeds } = findFeeds(rig, deviceId, gear, { exclude, beside: withoutFeed(rig, deviceId).links, mostFeeds: 40 });
  const name = gear.get(deviceId)?.name ?? 'it';
  // a flat battery is no help now
  const ready = feeds.filter(({ flat }) => flat.length === 0);
  return ready.slice(0, 6).map(({ title, links }) => ({
    // another cable of the same way is no other remedy
    group: links.map(({ from }) => `${from.gearId}/${from.portId}`).join(' '),
    act: { act: 'feed', device: name, feed: title },
    rig: withFeed(rig, deviceId, links),
  }));
}
