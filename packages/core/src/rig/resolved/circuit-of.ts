import type { Device } from '../../gear';
import type { Pack } from '../../physics/cell';
import type { Converter, Feed, Network } from '../../physics/circuit';
import { isKind } from '../drawn';
import type { Part } from '../drawn';
import { endingLimit, isFuse } from './conductor';
import type { Connection } from './connection';
import { isBehindJoint } from './shared-node';
import type { SourceTree } from './source-tree';

/** What a device draws behind one of its connections. */
export interface LoadDraw {
  readonly powerW: number;
  readonly peakW?: number | undefined;
  readonly peakMs?: number | undefined;
}

/** The name of the feed that keeps a shared limit, and of the converter behind a port that others share a lead with. */
export const budgetFeed = (partId: string, budgetId: string): string => `${partId}=${budgetId}`;
/** The feed that keeps the watts of one port. */
export const portBudget = (partId: string, portId: string): string => `${partId}=${portId}!`;
export const portFeed = (partId: string, portId: string): string => `${partId}:${portId}`;
/** The load that a hub is to itself. */
export const ownLoad = (partId: string): string => `${partId}!own`;

/** Amp-hours that stand for “as long as you like”. */
const ENDLESS_AH = 1e7;

/**
 * A tree as a circuit with the devices drawing so much, by identifier; undefined while a figure is missing. The pack is
 * as it is at its rated pace: `networkOf` in `run` takes off what a chemistry loses when hurried.
 */
export function circuitOf(tree: SourceTree, draws: ReadonlyMap<string, LoadDraw>): Network | undefined {
  if (tree.incomplete) return undefined;
  const { source, connections, battery } = tree;
  return { pack: battery?.pack ?? endlessPack(connections), feeds: new Builder(tree, draws).feedsOf(source, undefined) };
}

/** A supply: a voltage that stands, and never runs out. */
function endlessPack(connections: readonly Connection[]): Pack {
  const voltageV = Math.max(...connections.filter(({ before }) => !before).map(({ supply }) => supply?.highV ?? 0));
  return {
    cellsInSeries: 1,
    ocvPerCell: [
      [0, voltageV],
      [1, voltageV],
    ],
    capacityAh: ENDLESS_AH,
    resistanceOhm: 0,
    cutoffV: 0,
  };
}

class Builder {
  private readonly next = new Map<Connection | undefined, Connection[]>();

  constructor(
    private readonly tree: SourceTree,
    private readonly draws: ReadonlyMap<string, LoadDraw>,
  ) {
    for (const connection of tree.connections) this.next.set(connection.before, [...(this.next.get(connection.before) ?? []), connection]);
  }

  /**
   * What a battery carries of what flows in a connection: its share behind the part where it is joined with others. The rest
   * of the circuit is then its own: the same volts fall at a share of the amps over so many times the ohms.
   */
  private shareIn(connection: Connection | undefined): number {
    return connection && isBehindJoint(this.tree, connection) ? this.tree.shared!.share : 1;
  }

  /** The same of what a part itself draws that a connection ends at. */
  private shareAt(connection: Connection): number {
    const { shared } = this.tree;
    return shared && connection.id === shared.joint.id ? shared.share : this.shareIn(connection);
  }

  /** The feeds of a part's outputs, those that share a budget behind one feed that keeps it. */
  feedsOf(part: Part, arriving: Connection | undefined): Feed[] {
    const free: Feed[] = [];
    const shared = new Map<string, Feed[]>();
    for (const connection of this.next.get(arriving) ?? []) {
      const { budget } = connection.output;
      const feed = this.outputFeed(connection);
      if (budget === undefined) free.push(feed);
      else shared.set(budget, [...(shared.get(budget) ?? []), feed]);
    }
    const share = arriving ? this.shareAt(arriving) : 1;
    const budgets = [...shared].map(([id, feeds]): Feed => {
      const limit = part.budgets.find((budget) => budget.id === id);
      return {
        id: budgetFeed(part.id, id),
        resistanceOhm: 0,
        ...(limit?.maxA !== undefined && { maxA: limit.maxA * share }),
        ...(limit?.maxW !== undefined && { maxW: limit.maxW * share }),
        feeds,
      };
    });
    return [...free, ...budgets];
  }

  private outputFeed(connection: Connection): Feed {
    const { from, output, converter } = connection;
    const lead = this.leadFeed(connection);
    const share = this.shareIn(connection);
    if (converter !== undefined)
      return { id: portFeed(from.id, output.id), resistanceOhm: 0, converter: sharedConverter(converter, share), feeds: [lead] };
    if (output.gives !== 'pack' || output.maxW === undefined) return lead;
    return {
      id: portBudget(from.id, output.id),
      resistanceOhm: 0,
      maxW: output.maxW * (1 + connection.leeway.share) * share,
      feeds: [lead],
    };
  }

  private leadFeed(connection: Connection): Feed {
    const { id, leadOhm, limits, to, input, leeway } = connection;
    const limit = endingLimit(limits);
    const inner = this.feedsOf(to, connection);
    const [share, own] = [this.shareIn(connection), this.shareAt(connection)];
    const base = {
      id,
      resistanceOhm: leadOhm / share + (isKind(to, 'hub') ? (to.gear.resistanceOhm ?? 0) / own : 0),
      ...(limit && { maxA: limit.maxA * (1 + leeway.share) * share, ...(isFuse(limit) && { limit: 'fuse' as const }) }),
    };
    if (isKind(to, 'device')) return { ...base, ...this.load(to, connection, inner) };
    const [only] = inner;
    const ownW = connection.ownW === undefined ? undefined : connection.ownW * own;
    // a part with one regulated output is a converter at the end of its lead
    if (inner.length === 1 && only?.converter && only.resistanceOhm === 0 && only.maxA === undefined && !ownW) {
      return { ...base, converter: only.converter, ...(only.feeds && { feeds: only.feeds }) };
    }
    const { minV, startV } = input.takes === 'window' ? input : {};
    return {
      ...base,
      ...(minV !== undefined && { minInputV: minV - leeway.volts }),
      ...(startV !== undefined && { startInputV: startV - leeway.volts }),
      feeds: ownW === undefined ? inner : [{ id: ownLoad(to.id), resistanceOhm: 0, load: { id: ownLoad(to.id), powerW: ownW } }, ...inner],
    };
  }

  private load(to: Part<Device>, connection: Connection, inner: readonly Feed[]): Pick<Feed, 'load' | 'feeds' | 'startInputV'> {
    const { input, mixedW = Infinity, agreedW, contract, leeway } = connection;
    const share = this.shareIn(connection);
    const { powerW = 0, peakW, peakMs } = this.draws.get(to.id) ?? {};
    const { minV, startV } = input.takes === 'window' ? input : {};
    // what is above the contract comes from the device's own battery, peaks with it
    const peak = peakW !== undefined && peakW <= mixedW && { peakW: peakW * share, ...(peakMs !== undefined && { peakMs }) };
    // a device keeps to its contract: what the lead takes of it is not drawn on top
    const agreed = contract !== undefined && powerW <= contract.powerW ? (agreedW ?? Infinity) : Infinity;
    const load = {
      id: to.id,
      powerW: Math.min(powerW, mixedW, agreed) * share,
      ...(minV !== undefined && { minV: minV - leeway.volts }),
      ...peak,
    };
    const start = startV !== undefined && { startInputV: startV - leeway.volts };
    if (inner.length === 0) return { load, ...start };
    return { ...start, feeds: [{ id: ownLoad(to.id), resistanceOhm: 0, load }, ...inner] };
  }
}

/** A converter as one of several batteries sees it that feed it together. */
function sharedConverter(converter: Converter, share: number): Converter {
  if (share === 1) return converter;
  const { efficiency, standbyW, maxOutputA } = converter;
  return {
    ...converter,
    standbyW: standbyW * share,
    efficiency: typeof efficiency === 'number' ? efficiency : efficiency.map(([watts, at]) => [watts * share, at] as const),
    ...(maxOutputA !== undefined && { maxOutputA: maxOutputA * share }),
  };
}
