import type { Converter, Feed, Load, Network } from './network';

/** What can end a run, whichever comes first. */
export type EndCause = 'pack-cutoff' | 'empty' | 'converter-dropout' | 'load-undervoltage' | 'over-current' | 'collapse' | 'no-draw';

/**
 * One feed while it is being solved; the pack is the root, its own resistance first. The second half is scratch,
 * written by `settle` and `solve`: a discharge asks for hundreds of operating points and should not make garbage.
 */
export interface Node {
  readonly id: string;
  resistanceOhm: number;
  readonly maxA: number | undefined;
  readonly maxW: number | undefined;
  readonly minInputV: number | undefined;
  readonly startInputV: number | undefined;
  readonly isFuse: boolean;
  converter: Converter | undefined;
  readonly load: Load | undefined;
  readonly children: readonly Node[];
  /** Switched off or cut off: it draws nothing and keeps no limit. */
  off: boolean;
  /** Power now asked for by its load, peaks and phases applied. */
  loadW: number;
  /** Constant power drawn behind the resistance, and constant current beside it (a linear regulator's). */
  wantedW: number;
  wantedA: number;
  /** What leaves the converter. */
  outputW: number;
  outputA: number;
  currentA: number;
  /** d current / d voltage, never positive. */
  slope: number;
  /** Volts behind the resistance: at the load, the converter's input or the further feeds. */
  inputV: number;
  /** Volts at the load: `inputV`, or the converter's output. */
  loadV: number;
  /** What its leaves draw together as a series in volts, for `roughCurrent`; made when first asked for after `settle`. */
  series: LeafSeries | undefined;
  /** The same limits as `Circuit.limits` has, as plain figures for asking whether any is broken at all. */
  readonly leastInputV: number;
  readonly leastLoadV: number;
  readonly mostOutputA: number;
}

/** Amps of all leaves behind a shared voltage v: c0/v + c1/v³ + … + c4/v⁹, while v² is more than `leastV2`. */
export interface LeafSeries {
  readonly c0: number;
  readonly c1: number;
  readonly c2: number;
  readonly c3: number;
  readonly c4: number;
  readonly leastV2: number;
}

export interface Limit {
  readonly cause: EndCause;
  readonly at: string;
  readonly node: Node;
  /** Not below zero while the limit is kept. */
  readonly margin: () => number;
}

export interface Circuit {
  readonly root: Node;
  /** Every feed, outer before inner. */
  readonly nodes: readonly Node[];
  readonly limits: readonly Limit[];
  /** Relative, of the voltages that are solved for. */
  tolerance: number;
  /** Volts at the pack's terminals at which its protection ends it. */
  readonly cutoffV: number;
  /** Set by `settle`: a feed behind a converter that no operating point can carry, whatever the pack does. */
  deadAt: string | undefined;
}

/** Two digits above what a double can tell apart. */
const TOLERANCE = 1e-13;

/** Makes a network ready for solving. The network must be sound (`networkIssues` is empty). */
export function compile(network: Network): Circuit {
  const nodes: Node[] = [];
  const children = network.feeds.map((feed) => addFeed(feed, nodes));
  const pack = makeNode({ id: 'pack', resistanceOhm: network.pack.resistanceOhm, maxA: network.pack.maxA }, children);
  const { cutoffV } = network.pack;
  return { root: pack, nodes, limits: limitsOf(pack, nodes, cutoffV), cutoffV, tolerance: TOLERANCE, deadAt: undefined };
}

function addFeed(feed: Feed, nodes: Node[]): Node {
  const place = nodes.length;
  const children = (feed.feeds ?? []).map((inner) => addFeed(inner, nodes));
  const node = makeNode(feed, children);
  nodes.splice(place, 0, node);
  return node;
}

/** Below this the part at a feed's end drops out. A linear regulator raises no voltage: it would give energy that it did not take. */
function leastInput({ converter, minInputV }: Pick<Feed, 'converter' | 'minInputV'>): number | undefined {
  const leastV = converter?.linear ? Math.max(converter.minInputV ?? 0, converter.outputV) : converter?.minInputV;
  return leastV ?? minInputV;
}

function makeNode(feed: Feed, children: readonly Node[]): Node {
  return {
    id: feed.id,
    resistanceOhm: feed.resistanceOhm,
    maxA: feed.maxA,
    maxW: feed.maxW,
    minInputV: feed.minInputV,
    startInputV: feed.converter?.startInputV ?? feed.startInputV,
    isFuse: feed.limit === 'fuse',
    converter: feed.converter,
    load: feed.load,
    children,
    off: false,
    loadW: feed.load?.powerW ?? 0,
    wantedW: 0,
    wantedA: 0,
    outputW: 0,
    outputA: 0,
    currentA: 0,
    slope: 0,
    inputV: 0,
    loadV: 0,
    series: undefined,
    leastInputV: leastInput(feed) ?? -Infinity,
    leastLoadV: feed.load?.minV ?? -Infinity,
    mostOutputA: feed.converter?.maxOutputA ?? Infinity,
  };
}

function limitsOf(root: Node, nodes: readonly Node[], cutoffV: number): Limit[] {
  const limits: Limit[] = [{ cause: 'pack-cutoff', at: root.id, node: root, margin: () => root.inputV - cutoffV }];
  for (const node of [root, ...nodes]) {
    const { maxA, maxW, converter, load } = node;
    // what is off minds nothing
    const limit = (cause: EndCause, at: string, margin: () => number): void => {
      limits.push({ cause, at, node, margin: () => (node.off ? Infinity : margin()) });
    };
    if (maxA !== undefined) limit('over-current', node.id, () => maxA - node.currentA);
    if (maxW !== undefined) limit('over-current', node.id, () => maxW - node.currentA * (node.inputV + node.currentA * node.resistanceOhm));
    const { maxOutputA } = converter ?? {};
    const { leastInputV } = node;
    if (leastInputV > -Infinity) limit('converter-dropout', node.id, () => node.inputV - leastInputV);
    if (maxOutputA !== undefined) limit('over-current', node.id, () => maxOutputA - node.outputA);
    const minV = load?.minV;
    if (load && minV !== undefined) limit('load-undervoltage', load.id, () => (node.loadW > 0 ? node.loadV - minV : Infinity));
  }
  return limits;
}
