import { batteryFigures } from '../gear';
import { packFrom } from '../physics/cell';
import type { Feed, Network } from '../physics/circuit';
import { DEFAULT_RESERVE, DEFAULT_SWAP_MIN, inOwnBay, isKind } from '../rig/drawn';
import type { Rig } from '../rig/drawn';
import { connectionTo, Evidence, isBehindJoint, resolvedPack, spareTrouble, treesFeeding } from '../rig/resolved';
import type { Connection, ResolvedRig, RigDraws, SourceTree } from '../rig/resolved';
import type { Discharge } from './discharge';
import { stoppingPeak } from './first-stop';
import { networkOf } from './network-of';
import type { LoadFeed, System, SystemLoad, SystemPhase, SystemSource } from './system';

/** Beyond 400 days nothing is timed. */
export const HORIZON_MIN = 400 * 24 * 60;
/** Phases over and over are followed for so many of them at the most. */
const MOST_PHASES = 5000;

/**
 * The rig as a system of sources and loads over time: internal batteries, several sources, swaps, phases. Undefined
 * while a figure is missing.
 */
export function rigSystem(
  resolved: ResolvedRig,
  draws: RigDraws | undefined,
  runs: ReadonlyMap<SourceTree, Discharge | undefined>,
): System | undefined {
  if (!draws) return undefined;
  const { rig, devices, trees } = resolved;
  const sources: SystemSource[] = [];
  for (const tree of trees) {
    const network = networkOf(tree, draws.usual);
    if (!network) return undefined;
    const run = runs.get(tree);
    const peak = run && stoppingPeak(run);
    sources.push({
      id: tree.source.id,
      network,
      ...swapsOf(resolved, tree),
      ...(peak && { peak: { loadId: peak.loadId, soc: peak.fromSoc, cause: peak.cause } }),
    });
  }
  const loads = devices.map(({ part }): SystemLoad => {
    const feeds = treesFeeding(trees, part).map((tree) => loadFeed(tree, connectionTo(tree, part)));
    const { builtIn } = part.gear;
    if (!builtIn) return { id: part.id, feeds };
    const id = builtInId(part.id);
    sources.push({ id, network: builtInNetwork(part.id, builtIn, draws), spares: [], swapMin: 0, swapAtSoc: 0 });
    return { id: part.id, feeds: [...feeds, { sourceId: id, own: true }] };
  });
  if (sources.length === 0) return undefined;
  const phases = draws.phases.map(({ minutes, watts }): SystemPhase => ({
    minutes: Math.min(minutes, HORIZON_MIN),
    loadW: Object.fromEntries(watts),
  }));
  const repeatPhases = rig.repeatPhases === 'again';
  const meanMin = phases.reduce((sum, { minutes }) => sum + minutes, 0) / phases.length;
  return { sources, loads, phases, repeatPhases, horizonMin: repeatPhases ? Math.min(HORIZON_MIN, MOST_PHASES * meanMin) : HORIZON_MIN };
}

/** The name that a battery built into a device has as a source. */
export const builtInId = (deviceId: string): string => `${deviceId}!built-in`;

function builtInNetwork(
  deviceId: string,
  { energyWh, cellsInSeries }: { readonly energyWh: number; readonly cellsInSeries: number },
  draws: RigDraws,
): Network {
  const powerW = draws.usual.get(deviceId)?.powerW ?? 0;
  const feed: Feed = { id: `${deviceId}!contacts`, resistanceOhm: 0, load: { id: deviceId, powerW } };
  return { pack: packFrom({ chemistry: 'li-ion', cellsInSeries, energyWh }), feeds: [feed] };
}

function loadFeed(tree: SourceTree, connection: Connection): LoadFeed {
  const { source, shared } = tree;
  const { input, contract, mixedW } = connection;
  const own = inOwnBay(connection);
  return {
    sourceId: source.id,
    ...(own && { own }),
    ...(shared && isBehindJoint(tree, connection) && { share: shared.share }),
    ...(contract && { maxW: mixedW ?? contract.powerW }),
    ...(input.takes === 'pd' && input.sink === 'charges-when-off' && { onlyCharges: true }),
    ...(input.takes === 'pd' && input.chargeW !== undefined && { chargeW: input.chargeW }),
  };
}

/** Minutes that a change of battery takes. */
export function swapMinutes({ swapMin = DEFAULT_SWAP_MIN }: Rig): number {
  return swapMin;
}

/** Minutes of a change that no buffer behind the battery bridges. */
export function unbridgedMinutes({ rig, ends }: Pick<ResolvedRig, 'rig' | 'ends'>, sourceId: string): number {
  const buffers = ends.map(({ from, to }) => (from.id === sourceId && isKind(to, 'hub') ? (to.gear.bufferS ?? 0) : 0));
  return Math.max(0, swapMinutes(rig) - Math.max(0, ...buffers) / 60);
}

/** The batteries that take a source's place, how long a change takes, and at which charge it is made. */
function swapsOf(resolved: ResolvedRig, { source }: SourceTree): Omit<SystemSource, 'id' | 'network'> {
  const { rig, parts } = resolved;
  if (!isKind(source, 'battery')) return { spares: [], swapMin: 0, swapAtSoc: 0 };
  const ids = rig.batteries?.find(({ gearId }) => gearId === source.id)?.spareIds ?? [];
  const spares = ids.flatMap((id) => {
    const part = parts.get(id);
    if (!part || !isKind(part, 'battery')) return [];
    const known = resolvedPack(rig, part, batteryFigures(part.gear), new Evidence());
    return known && spareTrouble(resolved, part, source) === undefined ? [{ id, pack: known.pack }] : [];
  });
  return {
    spares,
    swapMin: unbridgedMinutes(resolved, source.id),
    swapAtSoc: spares.length > 0 ? (rig.reserve ?? DEFAULT_RESERVE) : 0,
  };
}
