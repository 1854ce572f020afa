import { cellVoltage } from '../cell/ocv';
import type { OcvTable } from '../cell/ocv';
import type { Pack } from '../cell/pack';
import { compile } from '../circuit/circuit';
import type { Circuit, EndCause, Node } from '../circuit/circuit';
import type { Converter } from '../circuit/network';
import { brokenLimit, collapsePlace, refusesToStart, settleDraws, solve } from '../circuit/operating-point';
import { firstBreak } from './first-break';
import type { SystemSource } from './system';

/** Gauss-Legendre with three points on [-1, 1]: exact to the fifth power, ample between two points of a cell's table. */
const NODES = [-0.774596669241483, 0, 0.774596669241483];
const WEIGHTS = [5 / 9, 8 / 9, 5 / 9];

/** What stopped a source or a part of its tree. */
export interface Stop {
  readonly cause: EndCause;
  readonly at: string;
}

/** How far a source goes before something happens to it. */
export interface Reach {
  minutes: number;
  soc: number;
  stop: Stop | undefined;
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
  /** Amps that come in from a way that fills it. */
  chargeA = 0;
  /** Subtrees that gave out, and why the source feeds nothing there. */
  readonly tripped = new Set<Node>();
  private readonly converters: { readonly node: Node; readonly plain: Converter }[] = [];
  private readonly parents = new Map<Node, Node>();
  private capacityFactor = 1;
  private resistanceFactor = 1;

  constructor(readonly spec: SystemSource) {
    this.id = spec.id;
    this.circuit = compile(spec.network);
    this.loadNodes = new Map(this.circuit.nodes.flatMap((node) => (node.load ? [[node.load.id, node] as const] : [])));
    for (const node of [this.circuit.root, ...this.circuit.nodes]) {
      for (const child of node.children) this.parents.set(child, node);
      if (node.converter) this.converters.push({ node, plain: node.converter });
    }
    this.reset(1, 1, 0);
  }

  reset(capacityFactor: number, resistanceFactor: number, efficiencyShift: number): void {
    this.capacityFactor = capacityFactor;
    this.resistanceFactor = resistanceFactor;
    for (const { node, plain } of this.converters) node.converter = efficiencyShift === 0 ? plain : shifted(plain, efficiencyShift);
    this.dead = false;
    this.swappingUntil = -1;
    this.nextSpare = 0;
    this.packWh = 0;
    this.chargeA = 0;
    this.insert(this.spec.network.pack);
  }

  /** Puts a battery in; what had tripped starts again. */
  insert(pack: Pack): void {
    this.pack = pack;
    this.soc = pack.startSoc ?? 1;
    this.capacityAh = pack.capacityAh * this.capacityFactor;
    this.circuit.root.resistanceOhm = pack.resistanceOhm * this.resistanceFactor;
    this.tripped.clear();
  }

  get live(): boolean {
    return !this.dead && this.swappingUntil < 0;
  }

  /** Whether a load can be reached: the source lives, and nothing on the way has given out. */
  reaches(loadId: string): boolean {
    if (!this.live) return false;
    for (let node = this.loadNodes.get(loadId); node; node = this.parents.get(node)) if (this.tripped.has(node)) return false;
    return this.loadNodes.has(loadId);
  }

  /**
   * Sets the loads' watts; a branch all of whose loads are fed from elsewhere, or that has tripped, is off.
   * `watts` undefined: not fed from here.
   */
  settle(wattsOf: (loadId: string) => number | undefined): void {
    const place = (node: Node): boolean => {
      let fed = false;
      let loads = false;
      if (node.load) {
        const watts = node.load.id.endsWith('!own') ? node.load.powerW : wattsOf(node.load.id);
        node.loadW = watts ?? 0;
        loads = !node.load.id.endsWith('!own');
        fed = loads && watts !== undefined;
      }
      for (const child of node.children) {
        const here = place(child);
        fed ||= here;
      }
      node.off = this.tripped.has(node) || !(fed || (node.load && !loads));
      return fed;
    };
    for (const child of this.circuit.root.children) place(child);
    settleDraws(this.circuit);
  }

  openCircuitV(soc: number): number {
    return this.pack.cellsInSeries * cellVoltage(this.pack.ocvPerCell, soc);
  }

  /** What a load's converter refuses at this charge, if one has to start. */
  refusal(): Stop | undefined {
    return refusesToStart(this.circuit, this.openCircuitV(this.soc));
  }

  /** What is broken at the present charge; leaves the circuit solved. */
  stopNow(): Stop | undefined {
    return this.stopAt(this.soc);
  }

  /** How far the charge goes in at most so many minutes before a table point, a limit or the end. */
  reach(minutesLeft: number, floorSoc: number): Reach {
    const { soc } = this;
    if (this.chargeA > 0 || !solve(this.circuit, this.openCircuitV(soc))) return this.chargedReach(minutesLeft);
    const amps = this.circuit.root.currentA;
    if (amps <= 0) return { minutes: minutesLeft, soc, stop: undefined };
    const point = Math.max(pointBelow(this.pack.ocvPerCell, soc), floorSoc);
    const upperMin = ((soc - point) * 60 * this.capacityAh) / amps;
    let target = point;
    let minutes: number;
    if (upperMin > minutesLeft) {
      target = this.socAfter(minutesLeft);
      minutes = minutesLeft;
      if (target < point) {
        target = point;
        minutes = this.minutesBetween(soc, point);
      }
    } else minutes = this.minutesBetween(soc, point);
    if (minutes > minutesLeft) {
      target = this.socAfter(minutesLeft);
      minutes = minutesLeft;
    }
    if (!this.stopAt(target)) return { minutes, soc: target, stop: undefined };
    const broken = firstBreak(this.circuit, (at) => this.openCircuitV(at), soc, target);
    return { minutes: this.minutesBetween(soc, broken.soc), soc: broken.soc, stop: { cause: broken.cause, at: broken.at } };
  }

  /** Goes on for so many minutes in which nothing happens to it. */
  advance(minutes: number, soc: number): void {
    if (this.chargeA > 0) {
      this.soc = soc;
      return;
    }
    const middle = (this.soc + soc) / 2;
    if (solve(this.circuit, this.openCircuitV(middle))) this.packWh += (this.circuit.root.inputV * this.circuit.root.currentA * minutes) / 60;
    this.soc = soc;
  }

  /** Charge after so many minutes: a fourth-order Runge-Kutta step, or a straight line while it is being filled. */
  socAfter(minutes: number): number {
    if (this.chargeA > 0) return Math.min(1, this.soc + (this.chargeA * minutes) / (60 * this.capacityAh));
    const pace = minutes / (60 * this.capacityAh);
    const one = this.ampsAt(this.soc);
    const two = this.ampsAt(this.soc - (pace * one) / 2);
    const three = this.ampsAt(this.soc - (pace * two) / 2);
    const four = this.ampsAt(this.soc - pace * three);
    return this.soc - (pace * (one + 2 * two + 2 * three + four)) / 6;
  }

  /** Switches a subtree off for as long as this battery is in. */
  trip(at: string): Node | undefined {
    const node = this.circuit.nodes.find((candidate) => candidate.id === at) ?? this.loadNodes.get(at);
    if (node) this.tripped.add(node);
    return node;
  }

  private chargedReach(minutesLeft: number): Reach {
    if (this.chargeA <= 0) return { minutes: 0, soc: this.soc, stop: { cause: 'collapse', at: 'pack' } };
    const toFull = ((1 - this.soc) * 60 * this.capacityAh) / this.chargeA;
    const minutes = Math.min(minutesLeft, toFull);
    return { minutes, soc: toFull <= minutesLeft ? 1 : this.socAfter(minutes), stop: undefined };
  }

  private ampsAt(soc: number): number {
    solve(this.circuit, this.openCircuitV(Math.max(0, soc)));
    return this.circuit.root.currentA;
  }

  private minutesBetween(fromSoc: number, toSoc: number): number {
    const half = (fromSoc - toSoc) / 2;
    const highV = this.openCircuitV(fromSoc);
    const lowV = this.openCircuitV(toSoc);
    let hours = 0;
    for (let index = 0; index < NODES.length; index++) {
      solve(this.circuit, (highV + lowV) / 2 + ((highV - lowV) / 2) * NODES[index]!);
      hours += (WEIGHTS[index]! * half * this.capacityAh) / this.circuit.root.currentA;
    }
    return 60 * hours;
  }

  private stopAt(soc: number): Stop | undefined {
    const volts = this.openCircuitV(soc);
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
