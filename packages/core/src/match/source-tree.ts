import { CHEMISTRIES } from '../cell/chemistry';
import { packFrom } from '../cell/pack';
import type { Pack, PackSpec } from '../cell/pack';
import type { Feed, Network } from '../circuit/network';
import { discharge } from '../discharge/discharge';
import type { Device } from '../gear/gear';
import type { Evidence } from './figure';
import { packSpecOf } from './pack-spec';
import { passagesOf } from './passage';
import type { Passage } from './passage';
import { isA } from './rig-graph';
import type { Part, RigGraph, Source } from './rig-graph';

/** What a device draws behind one of its joints. */
export interface LoadDraw {
  readonly powerW: number;
  readonly peakW?: number | undefined;
  readonly peakMs?: number | undefined;
}

/** Everything that hangs on one source. */
export interface SourceTree {
  readonly source: Source;
  readonly passages: readonly Passage[];
  readonly spec: PackSpec | undefined;
  /** A supply goes on for ever; a battery does not. */
  readonly unlimited: boolean;
  /** The tree as a circuit with the devices drawing so much, by identifier; undefined while a figure is missing. */
  readonly network: (draws: ReadonlyMap<string, LoadDraw>) => Network | undefined;
}

/** The name of the feed that keeps a shared limit, and of the converter behind a port that others share a lead with. */
export const budgetFeed = (partId: string, budgetId: string): string => `${partId}=${budgetId}`;
export const portFeed = (partId: string, portId: string): string => `${partId}:${portId}`;
/** The load that a hub is to itself. */
export const ownLoad = (partId: string): string => `${partId}!own`;

/** Amp-hours that stand for “as long as you like”. */
const ENDLESS_AH = 1e7;

export function sourceTree(graph: RigGraph, source: Source, evidence: Evidence): SourceTree {
  const passages = passagesOf(graph, source, evidence);
  const unlimited = !isA(source, 'battery');
  const spec = isA(source, 'battery') ? packSpecOf(graph.rig, source, evidence) : undefined;
  const incomplete = passages.some((passage) => passage.incomplete) || (!unlimited && spec === undefined);
  return {
    source,
    passages,
    spec,
    unlimited,
    network: (draws) => {
      if (incomplete) return undefined;
      const feeds = new Builder(passages, draws).feedsOf(source, undefined);
      return spec ? paced(spec, feeds) : { pack: endlessPack(passages), feeds };
    },
  };
}

class Builder {
  private readonly next = new Map<Passage | undefined, Passage[]>();

  constructor(
    passages: readonly Passage[],
    private readonly draws: ReadonlyMap<string, LoadDraw>,
  ) {
    for (const passage of passages) this.next.set(passage.before, [...(this.next.get(passage.before) ?? []), passage]);
  }

  /** The feeds of a part's outputs, those that share a budget behind one feed that keeps it. */
  feedsOf(part: Part, arriving: Passage | undefined): Feed[] {
    const free: Feed[] = [];
    const shared = new Map<string, Feed[]>();
    for (const passage of this.next.get(arriving) ?? []) {
      const { budget } = passage.joint.output;
      const feed = this.outputFeed(passage);
      if (budget === undefined) free.push(feed);
      else shared.set(budget, [...(shared.get(budget) ?? []), feed]);
    }
    const budgets = [...shared].map(([id, feeds]): Feed => {
      const limit = part.budgets.find((budget) => budget.id === id);
      return {
        id: budgetFeed(part.id, id),
        resistanceOhm: 0,
        ...(limit?.maxA !== undefined && { maxA: limit.maxA }),
        ...(limit?.maxW !== undefined && { maxW: limit.maxW }),
        feeds,
      };
    });
    return [...free, ...budgets];
  }

  private outputFeed(passage: Passage): Feed {
    const { joint, converter } = passage;
    const lead = this.leadFeed(passage);
    return converter === undefined ? lead : { id: portFeed(joint.from.id, joint.output.id), resistanceOhm: 0, converter, feeds: [lead] };
  }

  private leadFeed(passage: Passage): Feed {
    const { joint, leadOhm, limit } = passage;
    const { to, input } = joint;
    const inner = this.feedsOf(to, passage);
    const base = {
      id: joint.id,
      resistanceOhm: leadOhm + (isA(to, 'hub') ? (to.gear.resistanceOhm ?? 0) : 0),
      ...(limit && { maxA: limit.maxA, ...(limit.isFuse && { limit: 'fuse' as const }) }),
    };
    if (isA(to, 'device')) return { ...base, ...this.load(to, passage, inner) };
    const [only] = inner;
    // a part with one regulated output is a converter at the end of its lead
    if (
      inner.length === 1 &&
      only?.converter &&
      only.resistanceOhm === 0 &&
      only.maxA === undefined &&
      !(isA(to, 'hub') && to.gear.standbyW)
    ) {
      return { ...base, converter: only.converter, ...(only.feeds && { feeds: only.feeds }) };
    }
    const { minV, startV } = input.takes === 'window' ? input : {};
    const own = isA(to, 'hub') ? to.gear.standbyW : undefined;
    return {
      ...base,
      ...(minV !== undefined && { minInputV: minV }),
      ...(startV !== undefined && { startInputV: startV }),
      feeds: own === undefined ? inner : [{ id: ownLoad(to.id), resistanceOhm: 0, load: { id: ownLoad(to.id), powerW: own } }, ...inner],
    };
  }

  private load(
    to: Part<Device>,
    { joint: { input }, mixedW = Infinity }: Passage,
    inner: readonly Feed[],
  ): Pick<Feed, 'load' | 'feeds' | 'startInputV'> {
    const { powerW = 0, peakW, peakMs } = this.draws.get(to.id) ?? {};
    const { minV, startV } = input.takes === 'window' ? input : {};
    // what is above the contract comes from the device's own battery, peaks with it
    const peak = peakW !== undefined && peakW <= mixedW && { peakW, peakMs: peakMs ?? 0 };
    const load = { id: to.id, powerW: Math.min(powerW, mixedW), ...(minV !== undefined && { minV }), ...peak };
    const start = startV !== undefined && { startInputV: startV };
    if (inner.length === 0) return { load, ...start };
    return { ...start, feeds: [{ id: ownLoad(to.id), resistanceOhm: 0, load }, ...inner] };
  }
}

/** A supply: a voltage that stands, and never runs out. */
function endlessPack(passages: readonly Passage[]): Pack {
  const voltageV = Math.max(...passages.filter(({ before }) => !before).map(({ supply }) => supply?.highV ?? 0));
  return { cellsInSeries: 1, ocvPerCell: [[0, voltageV], [1, voltageV]], capacityAh: ENDLESS_AH, resistanceOhm: 0, cutoffV: 0 }; // prettier-ignore
}

/** For chemistries that lose capacity when hurried, the mean current decides the capacity and the capacity the current. */
function paced(spec: PackSpec, feeds: readonly Feed[]): Network {
  let network: Network = { pack: packFrom(spec), feeds };
  if (CHEMISTRIES[spec.chemistry].peukertExponent === 1) return network;
  for (let round = 0; round < 20; round++) {
    const run = discharge(network);
    if (run.minutes === 0) return network;
    const meanA = (((spec.startSoc ?? 1) - run.endSoc) * network.pack.capacityAh) / (run.minutes / 60);
    const next = packFrom({ ...spec, meanA });
    const settled = Math.abs(next.capacityAh / network.pack.capacityAh - 1) < 1e-6;
    network = { pack: next, feeds };
    if (settled) break;
  }
  return network;
}
