import { cellVoltage } from '../physics/cell';
import { collapsePlace, compile, settle, solve } from '../physics/circuit';
import type { Circuit, EndCause, Load, Network, Phase } from '../physics/circuit';
import { FUSE_FORGIVES } from '../tables';

/** A load's peak that breaks a limit once the charge has fallen to `fromSoc`. */
export interface PeakBreak {
  readonly loadId: string;
  /** When the charge has fallen that far. */
  readonly minute: number;
  readonly fromSoc: number;
  readonly cause: EndCause;
  readonly at: string;
}

/**
 * The peak that breaks a limit earliest in a run, each load's looked at by itself while the others draw what their
 * phase says. Since margins fall with the charge, the end of the run decides whether, and halving finds from where.
 */
export function firstPeakBreak(
  circuit: Circuit,
  phases: readonly Phase[],
  openCircuitV: (soc: number) => number,
  startSoc: number,
  endSoc: number,
): Omit<PeakBreak, 'minute'> | undefined {
  let first: Omit<PeakBreak, 'minute'> | undefined;
  for (const load of peaking(circuit)) {
    for (const phase of phases) {
      if (phase.scale[load.id] === 0) continue;
      settle(circuit, phase.scale, new Set([load.id]));
      const found = breakOf(circuit, openCircuitV, startSoc, endSoc, load.peakMs);
      if (found && (first === undefined || found.fromSoc > first.fromSoc)) first = { loadId: load.id, ...found };
    }
  }
  return first;
}

/** What the peaks of several loads break when they come at the same moment. */
export interface PeaksTogether extends Found {
  readonly loadIds: readonly string[];
  /** All of them at once. */
  readonly powerW: number;
}

/**
 * Where between two states of charge all peaks at once break a limit; undefined where they never do, or where fewer than
 * two loads have one. What one peak breaks by itself is `firstPeakBreak`'s.
 */
export function peaksTogether(network: Network, startSoc: number, endSoc: number): PeaksTogether | undefined {
  const circuit = compile(network);
  const loads = peaking(circuit);
  if (loads.length < 2) return undefined;
  const { cellsInSeries, ocvPerCell } = network.pack;
  settle(circuit, {}, new Set(loads.map(({ id }) => id)));
  // the shortest decides what a fuse forgives: longer than that they are not all there
  const peakMs = Math.min(...loads.map((load) => load.peakMs ?? Infinity));
  const found = breakOf(circuit, (soc) => cellsInSeries * cellVoltage(ocvPerCell, soc), startSoc, endSoc, peakMs);
  return found && { ...found, loadIds: loads.map(({ id }) => id), powerW: loads.reduce((sum, { peakW = 0 }) => sum + peakW, 0) };
}

/** The loads that have a peak above what they draw. */
function peaking({ nodes }: Circuit): readonly Load[] {
  return nodes.flatMap(({ load }) => (load?.peakW !== undefined && load.peakW > load.powerW ? [load] : []));
}

type Found = Omit<PeakBreak, 'loadId' | 'minute'>;

function breakOf(
  circuit: Circuit,
  openCircuitV: (soc: number) => number,
  startSoc: number,
  endSoc: number,
  peakMs = Infinity,
): Found | undefined {
  const at = (soc: number): Found | undefined => {
    if (!solve(circuit, openCircuitV(soc))) {
      return { fromSoc: soc, cause: 'collapse', at: circuit.deadAt ?? collapsePlace(circuit.root, openCircuitV(soc)) };
    }
    const limit = circuit.limits.find(({ margin, cause, node }) => {
      if (margin() >= 0) return false;
      const forgiven = node.isFuse && cause === 'over-current' && peakMs <= FUSE_FORGIVES.forMs && node.maxA !== undefined;
      return !(forgiven && node.currentA <= FUSE_FORGIVES.timesRating * (node.maxA ?? 0));
    });
    return limit && { fromSoc: soc, cause: limit.cause, at: limit.at };
  };
  const atStart = at(startSoc);
  if (atStart) return atStart;
  let found = at(endSoc);
  if (!found) return undefined;
  let high = startSoc;
  let low = endSoc;
  for (let round = 0; round < 40; round++) {
    const middle = (low + high) / 2;
    const here = at(middle);
    if (here) {
      low = middle;
      found = here;
    } else high = middle;
  }
  return found;
}
