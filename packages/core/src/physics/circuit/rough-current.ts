import type { Circuit, LeafSeries, Node } from './circuit';
import { guess, MAX_NEWTON_STEPS, ROUGH, ROUGH_STEP, solveLeaf } from './operating-point';

/** Where a leaf's drop is this small a share of its voltage, five terms of its series are exact to a ten-millionth. */
const SERIES_SHARE = 0.02;

let roughSlope = 0;

/**
 * The pack's current at an open-circuit voltage, to about a millionth, for many random runs: what single feeds draw is
 * summed as a power series of drop over voltage instead of a square root each, and only the feeds that others share
 * keep their voltage. Limits are not to be read after it: `solve` sets the circuit for that. 0 where it collapses.
 */
export function roughCurrent(circuit: Circuit, openCircuitV: number): number {
  if (circuit.deadAt !== undefined) return 0;
  const amps = roughAmps(circuit.root, openCircuitV);
  return amps >= 0 ? amps : 0;
}

const NO_SERIES: LeafSeries = { c0: 0, c1: 0, c2: 0, c3: 0, c4: 0, leastV2: Infinity };

/**
 * One series for all leaves of a shared feed, by the Catalan numbers 1, 1, 2, 5, 14 of (1 − √(1 − 4x)) / 2x; `NO_SERIES`
 * where one of them shares on, or draws a constant current.
 */
function leafSeries({ children }: Node): LeafSeries {
  let c0 = 0;
  let c1 = 0;
  let c2 = 0;
  let c3 = 0;
  let c4 = 0;
  let leastV2 = 0;
  for (let index = 0; index < children.length; index++) {
    const { children: inner, converter, off, wantedA, wantedW, resistanceOhm } = children[index]!;
    if ((inner.length > 0 && !converter && !off) || wantedA !== 0) return NO_SERIES;
    const step = resistanceOhm * wantedW;
    if (step > leastV2 * SERIES_SHARE) leastV2 = step / SERIES_SHARE;
    let term = wantedW;
    c0 += term;
    c1 += term *= step;
    c2 += 2 * (term *= step);
    c3 += 5 * (term *= step);
    c4 += 14 * term * step;
  }
  return { c0, c1, c2, c3, c4, leastV2 };
}

/** Amps of all that hangs on a feed at its shared voltage, their slope in `roughSlope`; negative where one cannot be carried. */
function branchAmps(node: Node, volts: number): number {
  const { c0, c1, c2, c3, c4, leastV2 } = (node.series ??= leafSeries(node));
  const u = 1 / (volts * volts);
  if (leastV2 * u < 1) {
    roughSlope = -u * (c0 + u * (3 * c1 + u * (5 * c2 + u * (7 * c3 + u * 9 * c4))));
    return volts * u * (c0 + u * (c1 + u * (c2 + u * (c3 + u * c4))));
  }
  let amps = 0;
  let slope = 0;
  for (let index = 0; index < node.children.length; index++) {
    const here = roughAmps(node.children[index]!, volts);
    if (here < 0) return -1;
    amps += here;
    slope += roughSlope;
  }
  roughSlope = slope;
  return amps;
}

/** Amps of a feed that is given `voltageV`, its slope in `roughSlope`; negative where it cannot carry its load. */
function roughAmps(node: Node, voltageV: number): number {
  const { children, resistanceOhm: ohm } = node;
  if (children.length === 0 || node.converter || node.off) {
    const x = (ohm * node.wantedW) / (voltageV * voltageV);
    if (node.wantedA !== 0 || x > SERIES_SHARE) {
      if (!solveLeaf(node, voltageV)) return -1;
      roughSlope = node.slope;
      return node.currentA;
    }
    // I = (V − √(V² − 4 R P)) / 2R as a series in x = R P / V²
    const amps = (node.wantedW / voltageV) * (1 + x * (1 + x * (2 + x * (5 + x * 14))));
    roughSlope = (-amps / voltageV) * (1 + 2 * x);
    return amps;
  }
  let volts = guess(node, voltageV);
  for (let step = 0; step < MAX_NEWTON_STEPS; step++) {
    const amps = branchAmps(node, volts);
    if (amps < 0) return -1;
    const slope = roughSlope;
    const rise = 1 + ohm * slope;
    if (rise <= 0) return -1;
    const drop = (volts + ohm * amps - voltageV) / rise;
    volts -= drop;
    if (volts <= 0 || volts > voltageV * (1 + ROUGH)) return -1;
    if (drop < ROUGH_STEP * voltageV && drop > -ROUGH_STEP * voltageV) {
      roughSlope = slope / rise;
      node.currentA = amps - slope * drop;
      return node.currentA;
    }
  }
  return -1;
}
