import { cellVoltage } from '../cell';
import { compile } from './circuit';
import type { Circuit, EndCause, Limit, Node } from './circuit';
import type { Converter, Network } from './network';

export const MAX_NEWTON_STEPS = 100;
/** From this tolerance on, a step of less than a ten-thousandth of the voltage is the last. */
export const ROUGH = 1e-9;
export const ROUGH_STEP = 1e-4;

export interface OperatingPoint {
  readonly packV: number;
  readonly packA: number;
  readonly feeds: readonly FeedPoint[];
}
export interface FeedPoint {
  readonly id: string;
  readonly currentA: number;
  /** Behind the feed's own resistance. */
  readonly inputV: number;
  /** At its load, when it has one. */
  readonly loadV: number | undefined;
}

/**
 * The operating point of a network at one state of charge, its loads at full power; undefined where it collapses.
 *
 * @example operatingPoint(network, 1)?.packV // 16.695
 */
export function operatingPoint(network: Network, soc: number): OperatingPoint | undefined {
  const circuit = compile(network);
  settle(circuit, {});
  return solve(circuit, network.pack.cellsInSeries * cellVoltage(network.pack.ocvPerCell, soc)) ? readPoint(circuit) : undefined;
}

/**
 * Sets what each load draws and works out what does not depend on the pack: a converter holds its output, so
 * everything behind one is solved once a phase, and the converter itself becomes a constant power (a linear
 * regulator: a constant current).
 */
export function settle(circuit: Circuit, scale: Readonly<Record<string, number>>, peaking?: ReadonlySet<string>): void {
  for (const node of circuit.nodes) {
    if (!node.load) continue;
    const { id, powerW, peakW } = node.load;
    const wantedW = powerW * (scale[id] ?? 1);
    // what is turned up beyond its peak draws what it draws
    node.loadW = peakW !== undefined && peaking?.has(id) ? Math.max(peakW, wantedW) : wantedW;
  }
  settleDraws(circuit);
}

/** `settle` with the loads' powers as they stand on the circuit's nodes. */
export function settleDraws(circuit: Circuit): void {
  circuit.deadAt = undefined;
  circuit.root.series = undefined;
  for (const node of circuit.nodes) node.series = undefined;
  for (const node of circuit.root.children) settleNode(circuit, node);
}

function settleNode(circuit: Circuit, node: Node): void {
  if (node.off) {
    node.wantedW = node.wantedA = node.outputA = node.outputW = 0;
    for (const child of node.children) silence(child);
    return;
  }
  for (const child of node.children) settleNode(circuit, child);
  const { converter } = node;
  if (!converter) {
    node.wantedW = node.loadW;
    return;
  }
  node.outputA = node.loadW / converter.outputV;
  for (const child of node.children) {
    if (!solveNode(child, converter.outputV, circuit.tolerance)) {
      circuit.deadAt ??= collapsePlace(child, converter.outputV);
      return;
    }
    node.outputA += child.currentA;
  }
  node.outputW = node.outputA * converter.outputV;
  node.loadV = converter.outputV;
  node.wantedA = converter.linear ? node.outputA : 0;
  node.wantedW = converter.standbyW + (converter.linear ? 0 : node.outputW / efficiencyAt(converter.efficiency, node.outputW));
}

/** What hangs on a feed that is off carries nothing. */
function silence(node: Node): void {
  node.currentA = node.wantedW = node.wantedA = 0;
  for (const child of node.children) silence(child);
}

/** A converter's efficiency at a load: one figure, or straight between the points of its curve, its ends held. */
export function efficiencyAt(efficiency: Converter['efficiency'], outputW: number): number {
  if (typeof efficiency === 'number') return efficiency;
  const above = efficiency.findIndex(([watts]) => watts >= outputW);
  if (above === 0) return efficiency[0]![1];
  const [watts0, share0] = efficiency[(above === -1 ? efficiency.length : above) - 1]!;
  if (above === -1) return share0;
  const [watts1, share1] = efficiency[above]!;
  return share0 + ((outputW - watts0) / (watts1 - watts0)) * (share1 - share0);
}

/** Solves the whole tree at the pack's open-circuit voltage; false when no operating point carries the load. */
export function solve(circuit: Circuit, openCircuitV: number): boolean {
  return circuit.deadAt === undefined && solveNode(circuit.root, openCircuitV, circuit.tolerance);
}

/**
 * Current and voltages of a feed that is given `voltageV`, always on the low-current side.
 *
 * A constant power behind a resistance has a closed form. Where feeds share a resistance, the shared voltage v solves
 * `v + R · Σ currents(v) = V`. Each current falls, ever more slowly, as v rises, so the left side is convex and
 * Newton's steps from above fall onto its larger root without passing it; a slope of zero or less on the way means
 * that there is no root: the feed collapses. A first step from near the root lands above it too, as long as the slope there is
 * positive, and saves most of the way; where it is not, the way from the top is taken.
 */
function solveNode(node: Node, voltageV: number, tolerance: number): boolean {
  if (isLeaf(node)) return solveLeaf(node, voltageV);
  const [only] = node.children;
  if (only !== undefined && node.children.length === 1 && isLeaf(only)) return solveThrough(node, only, voltageV);
  const nearV = guess(node, voltageV);
  return (nearV < voltageV && descend(node, voltageV, nearV, tolerance)) || descend(node, voltageV, voltageV, tolerance);
}

/** Draws by itself, whatever hangs on it: a load, a converter with all behind it, what is off. */
function isLeaf({ children, converter, off }: Node): boolean {
  return children.length === 0 || converter !== undefined || off;
}

/** A feed with nothing but one leaf behind it: two resistances in series, in closed form. */
function solveThrough(node: Node, leaf: Node, voltageV: number): boolean {
  const ohm = node.resistanceOhm + leaf.resistanceOhm;
  const volts = voltageV - ohm * leaf.wantedA;
  const square = volts * volts - 4 * ohm * leaf.wantedW;
  if (volts <= 0 || square < 0 || (square === 0 && leaf.wantedW > 0)) return false;
  const root = Math.sqrt(square);
  const amps = (2 * leaf.wantedW) / (volts + root);
  const currentA = leaf.wantedA + amps;
  node.currentA = leaf.currentA = currentA;
  node.slope = leaf.slope = -amps / root;
  node.inputV = voltageV - node.resistanceOhm * currentA;
  leaf.inputV = node.inputV - leaf.resistanceOhm * currentA;
  if (!leaf.converter) leaf.loadV = leaf.inputV;
  return true;
}

/** Where a shared voltage will about be: with the drop it had when it was last solved. */
export function guess({ resistanceOhm, currentA }: Node, voltageV: number): number {
  const volts = voltageV - resistanceOhm * currentA;
  return volts > 0 ? volts : voltageV;
}

function descend(node: Node, voltageV: number, fromV: number, tolerance: number): boolean {
  const { resistanceOhm: ohm, children } = node;
  let volts = fromV;
  for (let step = 0; step < MAX_NEWTON_STEPS; step++) {
    let amps = 0;
    let ampsSlope = 0;
    for (let index = 0; index < children.length; index++) {
      const child = children[index]!;
      if (!solveNode(child, volts, tolerance)) return false;
      amps += child.currentA;
      ampsSlope += child.slope;
    }
    const rise = 1 + ohm * ampsSlope;
    if (rise <= 0) return false;
    const drop = (volts + ohm * amps - voltageV) / rise;
    const near = tolerance * voltageV;
    if (tolerance >= ROUGH && Math.abs(drop) <= ROUGH_STEP * voltageV) {
      // Newton's error is the square of its step: the last step is taken along the slope, without looking again
      node.currentA = amps - ampsSlope * drop;
      node.slope = ampsSlope / rise;
      node.inputV = volts - drop;
      return true;
    }
    // from above the steps only fall; the first one, from where the last solution stood, may rise
    if (drop <= near && (step > 0 || fromV === voltageV || drop >= -near)) {
      node.currentA = amps;
      node.slope = ampsSlope / rise;
      node.inputV = volts;
      return true;
    }
    volts -= drop;
    if (volts <= 0 || volts > voltageV) return false;
  }
  return false;
}

export function solveLeaf(node: Node, voltageV: number): boolean {
  const ohm = node.resistanceOhm;
  const volts = voltageV - ohm * node.wantedA;
  const square = volts * volts - 4 * ohm * node.wantedW;
  if (volts <= 0 || square < 0 || (square === 0 && node.wantedW > 0)) return false;
  const root = Math.sqrt(square);
  const amps = (2 * node.wantedW) / (volts + root);
  node.currentA = node.wantedA + amps;
  node.slope = -amps / root;
  node.inputV = voltageV - ohm * node.currentA;
  if (!node.converter) node.loadV = node.inputV;
  return true;
}

/**
 * Which feed gives out when there is no operating point: following the shared voltage down, the one that fails first,
 * that is, the one that needs the highest voltage to carry its load at all.
 */
export function collapsePlace(node: Node, voltageV: number): string {
  if (node.children.length === 0 || node.converter) return node.id;
  const needs = node.children.map((child) => lowestVoltage(child, voltageV));
  const worst = needs.indexOf(Math.max(...needs));
  const child = node.children[worst]!;
  if (needs[worst] === 0) return node.children.reduce((most, other) => (other.wantedW > most.wantedW ? other : most)).id;
  return collapsePlace(child, needs[worst]!);
}

/** The voltage below which a feed cannot carry its load, to a millionth of what it is given; 0 if it always can. */
function lowestVoltage(node: Node, voltageV: number): number {
  let low = 0;
  let high = voltageV;
  if (solveNode(node, voltageV * 1e-6, 1e-9)) return 0;
  for (let round = 0; round < 40 && high - low > 1e-6 * voltageV; round++) {
    const middle = (low + high) / 2;
    if (solveNode(node, middle, 1e-9)) high = middle;
    else low = middle;
  }
  return high;
}

/** The limit broken worst-first in the order of `circuit.limits`, at the point last solved. */
export function brokenLimit(circuit: Circuit): Limit | undefined {
  // nearly always none is: that is seen without asking each by name
  return isBroken(circuit) ? circuit.limits.find((limit) => limit.margin() < 0) : undefined;
}

function isBroken({ root, nodes, cutoffV }: Circuit): boolean {
  if (root.inputV < cutoffV || passes(root)) return true;
  for (let index = 0; index < nodes.length; index++) {
    const node = nodes[index]!;
    if (!node.off && passes(node)) return true;
  }
  return false;
}

function passes(node: Node): boolean {
  const { currentA, inputV } = node;
  if (node.maxA !== undefined && currentA > node.maxA) return true;
  if (inputV < node.leastInputV || node.outputA > node.mostOutputA) return true;
  if (node.maxW !== undefined && currentA * (inputV + currentA * node.resistanceOhm) > node.maxW) return true;
  return node.loadV < node.leastLoadV && node.loadW > 0;
}

/**
 * A converter that will not start at this open-circuit voltage. Before it starts it draws nothing itself, so its input
 * is looked at with the others running and itself idle.
 */
export function refusesToStart(circuit: Circuit, openCircuitV: number): { cause: EndCause; at: string } | undefined {
  for (const node of circuit.nodes) {
    const { startInputV } = node;
    if (startInputV === undefined || node.off) continue;
    const { wantedW, wantedA } = node;
    node.off = true;
    node.wantedW = node.wantedA = 0;
    const starts = solve(circuit, openCircuitV) && node.inputV >= startInputV;
    node.off = false;
    node.wantedW = wantedW;
    node.wantedA = wantedA;
    if (!starts) return { cause: 'converter-dropout', at: node.id };
  }
  return undefined;
}

/** The point last solved, as plain data. */
export function readPoint(circuit: Circuit): OperatingPoint {
  return {
    packV: circuit.root.inputV,
    packA: circuit.root.currentA,
    feeds: circuit.nodes.map(({ id, currentA, inputV, load, loadV }) => ({ id, currentA, inputV, loadV: load && loadV })),
  };
}
