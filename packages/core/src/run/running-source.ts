import type { OcvTable, Pack } from '../physics/cell';
import { brokenLimit, collapsePlace, compile, refusesToStart, roughCurrent, settleDraws, solve } from '../physics/circuit';
import type { Circuit, Converter, EndCause, Node } from '../physics/circuit';
import { firstBreak } from './first-break';
import type { PartInstead, SystemSource } from './system';

/** Gauss-Legendre with two points on [-1, 1]: exact to the third power, ample between two points of a cell's table. */
const NODE = 0.577350269189626;

/** The place of a load that a part is to itself: it goes with the part, no feed feeds it. */
const OWN_LOAD = -2;

/** What stopped a source or a part of its tree. */
export interface SourceStop {
  readonly cause: EndCause;
  readonly at: string;
}

/** How far a source goes before something happens to it. */
export interface Reach {
  minutes: number;
  soc: number;
  stop: SourceStop | undefined;
}

/** One source of a running system: its tree, its present battery, and where its charge stands. Mutable throughout. */
export class RunningSource {
  readonly id: string;
  readonly circuit: Circuit;
  readonly loadNodes: ReadonlyMap<string, Node>;
  pack!: Pack;
  soc = 1;
  capacityAh = 1;
  /** No battery left to put in. */
  dead = false;
  swappingUntil = -1;
  nextSpare = 0;
  packWh = 0;
  /** Amps that come in from a feed that fills it. */
  chargeA = 0;
  /** Subtrees that gave out, and why the source feeds nothing there. */
  readonly tripped = new Set<Node>();
  /** Loads of the tree that are fed by feeds, in the order of their nodes. */
  readonly loadIds: readonly string[];
  /** The nodes of those loads. */
  private readonly loads: readonly Node[];
  private readonly parents: readonly number[];
  /** By node: its place in `loadIds`, -1 without a load, `OWN_LOAD` for what a part is to itself. */
  private readonly loadPlaces: readonly number[];
  private readonly fed: Uint8Array;
  private readonly starts: boolean;
  /** The charge at which the circuit was last solved with the draws as they are; -1 when they have changed since. */
  private solvedSoc = -1;
  /** The piece of the cell's table that was last looked up: its ends, the pack's volts at the lower, and their slope. */
  private pieceFrom = 2;
  private pieceTo = -1;
  private pieceV = 0;
  private pieceSlope = 0;
  private readonly isRough: boolean;
  private readonly converters: { readonly node: Node; readonly plain: Converter }[] = [];
  private readonly plainOhm: readonly number[];
  private instead: PartInstead | undefined;
  private capacityFactor = 1;
  private resistanceFactor = 1;

  constructor(readonly spec: SystemSource) {
    this.id = spec.id;
    this.circuit = compile(spec.network);
    this.loadNodes = new Map(this.circuit.nodes.flatMap((node) => (node.load ? [[node.load.id, node] as const] : [])));
    const { nodes } = this.circuit;
    this.circuit.tolerance = spec.tolerance ?? this.circuit.tolerance;
    this.isRough = this.circuit.tolerance >= 1e-9;
    this.parents = nodes.map((node) => nodes.findIndex(({ children }) => children.includes(node)));
    const isOwn = (node: Node): boolean => node.load?.id.endsWith('!own') ?? false;
    this.loadIds = nodes.flatMap((node) => (node.load && !isOwn(node) ? [node.load.id] : []));
    this.loads = nodes.filter((node) => node.load && !isOwn(node));
    this.loadPlaces = nodes.map((node) => (node.load ? (isOwn(node) ? OWN_LOAD : this.loadIds.indexOf(node.load.id)) : -1));
    this.plainOhm = nodes.map(({ resistanceOhm }) => resistanceOhm);
    this.fed = new Uint8Array(nodes.length);
    this.starts = nodes.some(({ startInputV }) => startInputV !== undefined);
    for (const node of nodes) if (node.converter) this.converters.push({ node, plain: node.converter });
    this.reset(1, 1, 0);
  }

  reset(capacityFactor: number, resistanceFactor: number, efficiencyShift: number, instead?: PartInstead): void {
    if (this.instead) this.putInstead(undefined, this.instead.feedId);
    this.capacityFactor = capacityFactor;
    this.resistanceFactor = resistanceFactor;
    for (const { node, plain } of this.converters) node.converter = efficiencyShift === 0 ? plain : shifted(plain, efficiencyShift);
    if (instead) this.putInstead(instead, instead.feedId);
    this.instead = instead;
    this.dead = false;
    this.swappingUntil = -1;
    this.nextSpare = 0;
    this.packWh = 0;
    this.chargeA = 0;
    this.insert(this.spec.network.pack);
  }

  /** Gives a feed other figures, or its own again. */
  private putInstead(instead: PartInstead | undefined, feedId: string): void {
    const place = this.circuit.nodes.findIndex(({ id }) => id === feedId);
    const node = this.circuit.nodes[place];
    if (!node) return;
    const { addedOhm = 0, efficiency, standbyW, ownW } = instead ?? {};
    node.resistanceOhm = this.plainOhm[place]! + addedOhm;
    if (node.load && this.loadPlaces[place] === OWN_LOAD) node.loadW = ownW ?? node.load.powerW;
    const plain = this.converters.find((one) => one.node === node)?.plain;
    if (plain) node.converter = { ...plain, efficiency: efficiency ?? plain.efficiency, standbyW: standbyW ?? plain.standbyW };
  }

  /** Puts a battery in; what had tripped starts again. */
  insert(pack: Pack): void {
    this.pack = pack;
    this.pieceFrom = 2;
    this.soc = pack.startSoc ?? 1;
    this.capacityAh = pack.capacityAh * this.capacityFactor;
    this.circuit.root.resistanceOhm = pack.resistanceOhm * this.resistanceFactor;
    this.solvedSoc = -1;
    this.tripped.clear();
  }

  /** The charge still ahead at which a load's peak shuts it off; 0 when there is none. */
  get peakSoc(): number {
    const { peak } = this.spec;
    const node = peak && this.loadNodes.get(peak.loadId);
    return peak && node && !this.tripped.has(node) && !node.off && node.loadW > 0 && this.soc > peak.soc ? peak.soc : 0;
  }

  /** Whether the charge has come down to where a peak shuts a load off. */
  peakStop(): SourceStop | undefined {
    const { peak } = this.spec;
    const node = peak && this.loadNodes.get(peak.loadId);
    const stops = peak && node && !this.tripped.has(node) && !node.off && node.loadW > 0 && this.soc <= peak.soc + 1e-12;
    return stops ? { cause: peak.cause, at: peak.loadId } : undefined;
  }

  get live(): boolean {
    return !this.dead && this.swappingUntil < 0;
  }

  /** Whether a load, by its place in `loadIds`, can be reached: the source lives, and nothing on the feed has given out. */
  reaches(place: number): boolean {
    if (this.dead || this.swappingUntil >= 0 || place === -1) return false;
    if (this.tripped.size === 0) return true;
    for (let index = this.loadPlaces.indexOf(place); index >= 0; index = this.parents[index]!)
      if (this.tripped.has(this.circuit.nodes[index]!)) return false;
    return true;
  }

  /**
   * Sets the loads' watts; a branch all of whose loads are fed from elsewhere, or that has tripped, is off.
   * `takes`: watts of each load in the order of `loadIds`; below zero: not fed from here.
   */
  settle(takes: ArrayLike<number>): void {
    const { nodes } = this.circuit;
    const { fed, parents, loadPlaces } = this;
    const anyTripped = this.tripped.size > 0;
    fed.fill(0);
    // inner before outer, so that a branch knows of its leaves
    for (let index = nodes.length - 1; index >= 0; index--) {
      const node = nodes[index]!;
      const place = loadPlaces[index]!;
      if (place >= 0) {
        const watts = takes[place]!;
        node.loadW = Math.max(0, watts);
        if (watts >= 0) fed[index] = 1;
      }
      const parent = parents[index]!;
      if (fed[index] === 1 && parent >= 0) fed[parent] = 1;
      node.off = (fed[index] === 0 && place !== OWN_LOAD) || (anyTripped && this.tripped.has(node));
    }
    settleDraws(this.circuit);
    this.solvedSoc = -1;
  }

  /** `settle` where the same loads are fed as before: only their watts are others. */
  resettle(takes: ArrayLike<number>): void {
    for (let place = 0; place < this.loads.length; place++) this.loads[place]!.loadW = Math.max(0, takes[place]!);
    settleDraws(this.circuit);
    this.solvedSoc = -1;
  }

  /** Whether nothing but its charge decides what it feeds: nothing has to start, and no peak shuts anything off. */
  get isPlain(): boolean {
    return !this.starts && this.spec.peak === undefined && this.tripped.size === 0 && this.live && this.chargeA === 0;
  }

  openCircuitV(soc: number): number {
    // runs walk down the table: the piece they are in is looked up once
    if (soc > this.pieceTo || soc < this.pieceFrom) this.enterPiece(soc);
    return this.pieceV + this.pieceSlope * (soc - this.pieceFrom);
  }

  private enterPiece(soc: number): void {
    const { ocvPerCell, cellsInSeries } = this.pack;
    let upper = 1;
    while (upper < ocvPerCell.length - 1 && ocvPerCell[upper]![0] < soc) upper++;
    const [soc0, volts0] = ocvPerCell[upper - 1]!;
    const [soc1, volts1] = ocvPerCell[upper]!;
    this.pieceFrom = soc0;
    this.pieceTo = soc1;
    this.pieceV = cellsInSeries * volts0;
    this.pieceSlope = (cellsInSeries * (volts1 - volts0)) / (soc1 - soc0);
  }

  /** What a load's converter refuses at this charge, if one has to start. */
  refusal(): SourceStop | undefined {
    return this.starts ? refusesToStart(this.circuit, this.openCircuitV(this.soc)) : undefined;
  }

  /** What is broken at the present charge; leaves the circuit solved. */
  stopNow(): SourceStop | undefined {
    return this.stopAt(this.soc);
  }

  /** How far the charge goes in at most so many minutes before a table point, a limit or the end. */
  reach(minutesLeft: number, floorSoc: number): Reach {
    if (this.chargeA > 0) return this.chargedReach(minutesLeft);
    const lowest = Math.max(floorSoc < this.soc ? floorSoc : 0, this.peakSoc);
    const { soc } = this;
    const far = this.glide(minutesLeft, lowest, this.isRough ? Infinity : 1);
    if (far.soc === soc || !this.stopAt(far.soc)) return far;
    const now = this.stopAt(soc);
    if (now) return { minutes: 0, soc, stop: now };
    const held = this.lowestHeld(soc, far.soc);
    if (held < soc) return this.glide(minutesLeft, held, Infinity);
    this.solvedSoc = -1;
    const broken = firstBreak(this.circuit, (at) => this.openCircuitV(at), soc, far.soc);
    return { minutes: this.minutesBetween(soc, broken.soc), soc: broken.soc, stop: { cause: broken.cause, at: broken.at } };
  }

  /** The lowest point of the cell's table between two charges at which nothing is broken; the upper one when there is none. */
  private lowestHeld(upperSoc: number, brokenSoc: number): number {
    const points = this.pack.ocvPerCell.map(([point]) => point).filter((point) => point < upperSoc && point > brokenSoc);
    let held = points.length; // of `points`, rising; all from here on hold
    let low = 0;
    while (low < held) {
      const middle = (low + held) >> 1;
      if (this.stopAt(points[middle]!)) low = middle + 1;
      else held = middle;
    }
    return points[held] ?? upperSoc;
  }

  /**
   * Where the charge is after so many minutes, no limit looked at; at most so many stretches of the cell's table, and not
   * below `lowest`. Margins only fall with the charge, so that a limit kept at the end was kept all the feed.
   */
  private glide(minutesLeft: number, lowest: number, stretches: number): Reach {
    let { soc } = this;
    let minutes = 0;
    for (let piece = 0; piece < stretches && soc > lowest; piece++) {
      const point = Math.max(pointBelow(this.pack.ocvPerCell, soc), lowest);
      const amps = this.ampsAt(soc);
      if (amps <= 0) return { minutes: minutesLeft, soc, stop: undefined };
      const left = minutesLeft - minutes;
      const past = soc - (left * amps) / (60 * this.capacityAh);
      // currents rise as charge falls, so that a point not reached at the present one may still be
      if (past > point) {
        const end = this.socAfter(left, soc, amps);
        if (end >= point) return { minutes: minutesLeft, soc: end, stop: undefined };
      }
      const wholeMin = this.minutesBetween(soc, point);
      if (wholeMin > left) return { minutes: minutesLeft, soc: this.socAfter(left, soc, amps), stop: undefined };
      minutes += wholeMin;
      soc = point;
    }
    return { minutes, soc, stop: undefined };
  }

  /** Goes on for so many minutes in which nothing happens to it. */
  advance(minutes: number, soc: number, count: boolean): void {
    if (count && this.chargeA <= 0) {
      const amps = this.ampsAt((this.soc + soc) / 2);
      this.packWh += (this.circuit.root.inputV * amps * minutes) / 60;
    }
    this.soc = soc;
  }

  /** Charge after so many minutes: a midpoint step, or a straight line while it is being filled. */
  socAfter(minutes: number, soc = this.soc, startA = this.ampsAt(soc)): number {
    if (this.chargeA > 0) return Math.min(1, this.soc + (this.chargeA * minutes) / (60 * this.capacityAh));
    const pace = minutes / (60 * this.capacityAh);
    return soc - pace * this.ampsAt(soc - (pace * startA) / 2);
  }

  /** Switches a subtree off for as long as this battery is in. */
  trip(at: string): Node | undefined {
    const node = this.circuit.nodes.find((candidate) => candidate.id === at) ?? this.loadNodes.get(at);
    if (node) this.tripped.add(node);
    return node;
  }

  private chargedReach(minutesLeft: number): Reach {
    const toFull = ((1 - this.soc) * 60 * this.capacityAh) / this.chargeA;
    const minutes = Math.min(minutesLeft, toFull);
    return { minutes, soc: toFull <= minutesLeft ? 1 : this.socAfter(minutes), stop: undefined };
  }

  private ampsAt(soc: number): number {
    if (soc === this.solvedSoc) return this.circuit.root.currentA;
    const volts = this.openCircuitV(Math.max(0, soc));
    if (this.isRough) {
      const amps = roughCurrent(this.circuit, volts);
      if (amps > 0) return amps;
    }
    solve(this.circuit, volts);
    this.solvedSoc = soc;
    return this.circuit.root.currentA;
  }

  private minutesBetween(fromSoc: number, toSoc: number): number {
    const half = (fromSoc - toSoc) / 2;
    const centre = (fromSoc + toSoc) / 2;
    const hours = half * this.capacityAh * (1 / this.ampsAt(centre + half * NODE) + 1 / this.ampsAt(centre - half * NODE));
    return 60 * hours;
  }

  private stopAt(soc: number): SourceStop | undefined {
    const volts = this.openCircuitV(soc);
    this.solvedSoc = soc;
    if (!solve(this.circuit, volts)) return { cause: 'collapse', at: this.circuit.deadAt ?? collapsePlace(this.circuit.root, volts) };
    const limit = brokenLimit(this.circuit);
    return limit && { cause: limit.cause, at: limit.at };
  }
}

function pointBelow(table: OcvTable, soc: number): number {
  for (let index = table.length - 1; index >= 0; index--) if (table[index]![0] < soc) return table[index]![0];
  return 0;
}

function shifted(converter: Converter, shift: number): Converter {
  const within = (efficiency: number): number => Math.min(1, Math.max(0.05, efficiency + shift));
  const { efficiency } = converter;
  return {
    ...converter,
    efficiency: typeof efficiency === 'number' ? within(efficiency) : efficiency.map(([watts, share]) => [watts, within(share)] as const),
  };
}
