import { cellVoltage } from '../physics/cell';
import { solve } from '../physics/circuit';
import type { Circuit, Network } from '../physics/circuit';

/** What an interval of the run took. */
export interface Tally {
  minutes: number;
  packWh: number;
  packLossWh: number;
  /** In the order of `circuit.nodes`. */
  readonly feedLossWh: number[];
}

export function newTally(circuit: Circuit): Tally {
  return { minutes: 0, packWh: 0, packLossWh: 0, feedLossWh: circuit.nodes.map(() => 0) };
}

export function addTallies(into: Tally, other: Tally): void {
  into.minutes += other.minutes;
  into.packWh += other.packWh;
  into.packLossWh += other.packLossWh;
  for (let index = 0; index < other.feedLossWh.length; index++) into.feedLossWh[index]! += other.feedLossWh[index]!;
}

/** Gauss (3 points) inside Kronrod (7): the difference of the two is the error estimate. Abscissas on [-1, 1]. */
const NODES = [-0.96049126870802, -0.774596669241483, -0.434243749346802, 0, 0.434243749346802, 0.774596669241483, 0.96049126870802];
const KRONROD = [
  0.104656226026467, 0.268488089868333, 0.401397414775962, 0.450916538658474, 0.401397414775962, 0.268488089868333, 0.104656226026467,
];
const GAUSS = [0, 5 / 9, 0, 8 / 9, 0, 5 / 9, 0];
/** Relative, of the Gauss rule; the Kronrod rule that is kept is some hundred times better. */
const TOLERANCE = 1e-5;
const MAX_HALVINGS = 12;

/**
 * Time and energies while the charge falls from one state to a lower one, in the phase the circuit is settled in.
 *
 * Both states must lie between neighbouring points of the cell's table and have operating points. Halves the interval
 * where the error estimate asks for it (near a collapse the current's slope is infinite), at most 12 times over.
 */
export function integrate(circuit: Circuit, network: Network, fromSoc: number, toSoc: number, halvings = 0): Tally {
  const { pack } = network;
  const tally = newTally(circuit);
  const half = (fromSoc - toSoc) / 2;
  const centre = (fromSoc + toSoc) / 2;
  // between two points of the cell's table the open-circuit voltage is straight
  const highV = pack.cellsInSeries * cellVoltage(pack.ocvPerCell, fromSoc);
  const lowV = pack.cellsInSeries * cellVoltage(pack.ocvPerCell, toSoc);
  const { root, nodes } = circuit;
  const { feedLossWh } = tally;
  let minutes = 0;
  let gaussMinutes = 0;
  let packWh = 0;
  let squareAh = 0;
  for (let index = 0; index < NODES.length; index++) {
    // at the last bit before a collapse there may be no point; the state before it stands in
    solve(circuit, (highV + lowV) / 2 + ((highV - lowV) / 2) * NODES[index]!);
    const currentA = root.currentA;
    const hours = (pack.capacityAh / currentA) * half;
    const weight = KRONROD[index]! * hours;
    minutes += 60 * weight;
    gaussMinutes += 60 * GAUSS[index]! * hours;
    packWh += weight * root.inputV * currentA;
    squareAh += weight * currentA * currentA;
    for (let feed = 0; feed < nodes.length; feed++) {
      const node = nodes[feed]!;
      const amps = node.currentA;
      const converterW = node.converter ? node.inputV * amps - node.outputW : 0;
      feedLossWh[feed]! += weight * (amps * amps * node.resistanceOhm + converterW);
    }
  }
  tally.minutes = minutes;
  tally.packWh = packWh;
  tally.packLossWh = squareAh * pack.resistanceOhm;
  if (halvings >= MAX_HALVINGS || Math.abs(tally.minutes - gaussMinutes) <= TOLERANCE * tally.minutes) return tally;
  const upper = integrate(circuit, network, fromSoc, centre, halvings + 1);
  addTallies(upper, integrate(circuit, network, centre, toSoc, halvings + 1));
  return upper;
}
