import { packFrom } from '../cell/pack';
import type { Discharge } from '../discharge/discharge';
import type { System, SystemLoad, SystemPhase, SystemSource, Way } from '../discharge/system';
import { isMount } from '../gear/connector';
import { DEFAULT_RESERVE, DEFAULT_SWAP_MIN } from '../gear/rig';
import { deviceDraw } from './draw';
import type { DeviceDraw } from './draw';
import { Evidence } from './figure';
import { stoppingPeak } from './first-stop';
import { packSpecOf } from './pack-spec';
import type { Passage } from './passage';
import { isA } from './rig-graph';
import type { DeviceUse, Joint, Part, RigGraph } from './rig-graph';
import type { SourceTree } from './source-tree';
import { spareTrouble } from './spares';
import type { Feed, Network } from '../circuit/network';

/** Beyond 400 days nothing is timed. */
export const HORIZON_MIN = 400 * 24 * 60;
/** Phases over and over are followed for so many of them at the most. */
const MOST_PHASES = 5000;

/** Which draw each device has in each phase of the rig; the usual ones when the rig has no phases. */
export interface RigDraws {
  readonly usual: ReadonlyMap<string, DeviceDraw>;
  readonly phases: readonly { readonly minutes: number; readonly watts: ReadonlyMap<string, number> }[];
}

/** Every device's draw, in the mode it is in and in those its phases name; undefined where one is not known. */
export function rigDraws(graph: RigGraph, trees: readonly SourceTree[], evidence: Evidence): RigDraws | undefined {
  const usual = new Map<string, DeviceDraw>();
  const memo = new Map<string, DeviceDraw | undefined>();
  const drawOf = (use: DeviceUse, modeId: string | undefined): DeviceDraw | undefined => {
    const key = `${use.part.id} ${modeId ?? ''}`;
    if (!memo.has(key)) memo.set(key, deviceDraw(use, modeId, treeFeeding(trees, use.part), evidence));
    return memo.get(key);
  };
  for (const use of graph.devices) {
    const draw = drawOf(use, use.modeId);
    if (draw) usual.set(use.part.id, draw);
  }
  if (usual.size < graph.devices.length) return undefined;
  const phases: { readonly minutes: number; readonly watts: ReadonlyMap<string, number> }[] = [];
  for (const { minutes, devices } of graph.rig.phases ?? []) {
    const watts = new Map([...usual].map(([id, { powerW }]) => [id, powerW]));
    for (const { gearId, mode, scale = 1 } of devices) {
      const use = graph.devices.find(({ part }) => part.id === gearId);
      if (!use) continue; // told by the graph
      const powerW = mode === 'off' ? 0 : drawOf(use, mode === 'usual' ? undefined : mode)?.powerW;
      if (powerW === undefined) return undefined;
      watts.set(gearId, powerW * scale);
    }
    phases.push({ minutes, watts });
  }
  return {
    usual,
    phases: phases.length > 0 ? phases : [{ minutes: HORIZON_MIN, watts: new Map([...usual].map(([id, { powerW }]) => [id, powerW])) }],
  };
}

/** The tree of the way that a device is fed by first. */
export function treeFeeding(trees: readonly SourceTree[], device: Part): SourceTree | undefined {
  const feeding = trees.filter(({ passages }) => passages.some(({ joint }) => joint.to.id === device.id));
  return feeding.sort((a, b) => preference(passageTo(a, device)) - preference(passageTo(b, device)))[0];
}

export function passageTo({ passages }: SourceTree, part: Part): Passage {
  return passages.find(({ joint }) => joint.to.id === part.id)!;
}

/** Outside feeds come before the battery in the bay; then the order in which inputs are listed, all the way up. */
function preference(passage: Passage): number {
  let rank = 0;
  let weight = 1000;
  for (let step: Passage | undefined = passage; step; step = step.before, weight /= 10) {
    const { joint } = step;
    const place = joint.to.inputs.findIndex(({ id }) => id === joint.input.id);
    rank += weight * (place + (isA(joint.to, 'device') && isOwn(joint) ? 50 : 0));
  }
  return rank;
}

/** A battery sitting in the device's own bay. */
export function isOwn({ from, output }: Joint): boolean {
  return isA(from, 'battery') && isMount(output.connector) && output.connector.type === 'bay';
}

/**
 * The rig as a system of sources and loads over time: internal batteries, several sources, swaps, phases. Undefined
 * while a figure is missing.
 */
export function rigSystem(
  graph: RigGraph,
  trees: readonly SourceTree[],
  draws: RigDraws | undefined,
  runs: ReadonlyMap<SourceTree, Discharge | undefined>,
): System | undefined {
  if (!draws) return undefined;
  const sources: SystemSource[] = [];
  for (const tree of trees) {
    const network = tree.network(draws.usual);
    if (!network) return undefined;
    const run = runs.get(tree);
    const peak = run && stoppingPeak(run);
    sources.push({
      id: tree.source.id,
      network,
      ...swapsOf(graph, tree),
      ...(peak && { peak: { loadId: peak.loadId, soc: peak.fromSoc, cause: peak.cause } }),
    });
  }
  const loads = graph.devices.map(({ part }): SystemLoad => {
    const ways = trees
      .filter(({ passages }) => passages.some(({ joint }) => joint.to.id === part.id))
      .map((tree) => ({ tree, passage: passageTo(tree, part) }))
      .sort((a, b) => preference(a.passage) - preference(b.passage))
      .map(({ tree, passage }) => wayOf(tree, passage));
    const { builtIn } = part.gear;
    if (!builtIn) return { id: part.id, ways };
    const id = builtInId(part.id);
    sources.push({ id, network: builtInNetwork(part.id, builtIn, draws), spares: [], swapMin: 0, swapAtSoc: 0 });
    return { id: part.id, ways: [...ways, { sourceId: id, own: true }] };
  });
  const phases = draws.phases.map(({ minutes, watts }): SystemPhase => ({ minutes, loadW: Object.fromEntries(watts) }));
  const repeatPhases = graph.rig.repeatPhases === 'again';
  const meanMin = phases.reduce((sum, { minutes }) => sum + minutes, 0) / phases.length;
  if (sources.length === 0) return undefined;
  return { sources, loads, phases, repeatPhases, horizonMin: repeatPhases ? Math.min(HORIZON_MIN, MOST_PHASES * meanMin) : HORIZON_MIN };
}

/** The name that a battery built into a device has as a source. */
export const builtInId = (deviceId: string): string => `${deviceId}!built-in`;

function builtInNetwork(
  deviceId: string,
  { energyWh, cellsInSeries }: { energyWh: number; cellsInSeries: number },
  draws: RigDraws,
): Network {
  const feed: Feed = {
    id: `${deviceId}!contacts`,
    resistanceOhm: 0,
    load: { id: deviceId, powerW: draws.usual.get(deviceId)?.powerW ?? 0 },
  };
  return { pack: packFrom({ chemistry: 'li-ion', cellsInSeries, energyWh }), feeds: [feed] };
}

function wayOf(tree: SourceTree, { joint, contract, mixedW, before }: Passage): Way {
  const { input } = joint;
  const own = isOwn(joint);
  const together = (function shared(passage: Passage | undefined): boolean {
    return (
      passage !== undefined && ((isA(passage.joint.to, 'hub') && passage.joint.to.gear.inputOrder === 'together') || shared(passage.before))
    );
  })(before);
  return {
    sourceId: tree.source.id,
    ...(own && { own }),
    ...(together && { together }),
    ...(contract && { maxW: mixedW ?? contract.powerW }),
    ...(input.takes === 'pd' && input.sink === 'charges-when-off' && { onlyCharges: true }),
    ...(input.takes === 'pd' && input.chargeW !== undefined && { chargeW: input.chargeW }),
  };
}

/** The batteries that take a source's place, how long a change takes, and at which charge it is made. */
function swapsOf(graph: RigGraph, { source }: SourceTree): Omit<SystemSource, 'id' | 'network'> {
  const { rig, parts, joints } = graph;
  if (!isA(source, 'battery')) return { spares: [], swapMin: 0, swapAtSoc: 0 };
  const ids = rig.batteries?.find(({ gearId }) => gearId === source.id)?.spareIds ?? [];
  const spares = ids.flatMap((id) => {
    const part = parts.get(id);
    if (!part || !isA(part, 'battery')) return [];
    const spec = packSpecOf(rig, part, new Evidence());
    return spec && spareTrouble(graph, part, source) === undefined ? [{ id, pack: packFrom(spec) }] : [];
  });
  const hot = joints.some(({ from, to }) => from.id === source.id && isA(to, 'hub') && (to.gear.bufferS ?? 0) >= 20);
  return {
    spares,
    swapMin: hot ? 0 : (rig.swapMin ?? DEFAULT_SWAP_MIN),
    swapAtSoc: spares.length > 0 ? (rig.reserve ?? DEFAULT_RESERVE) : 0,
  };
}
