import { collapsePlace, settle, solve } from '../circuit';
import type { Circuit, EndCause, Phase } from '../circuit';

/** A load's peak that breaks a limit once the charge has fallen to `fromSoc`. */
export interface PeakBreak {
  readonly loadId: string;
  /** When the charge has fallen that far. */
  readonly minute: number;
  readonly fromSoc: number;
  readonly cause: EndCause;
  readonly at: string;
}

/** Typical blade and glass fuses carry twice their rating for a tenth of a second; electronic limits forgive nothing. */
const FUSE_FORGIVES = { timesRating: 2, forMs: 100 };

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
  for (const node of circuit.nodes) {
    const load = node.load;
    if (load?.peakW === undefined || load.peakW <= load.powerW) continue;
    for (const phase of phases) {
      if (phase.scale[load.id] === 0) continue;
      settle(circuit, phase.scale, load.id);
      const found = breakOf(circuit, openCircuitV, startSoc, endSoc, load.peakMs ?? 0);
      if (found && (first === undefined || found.fromSoc > first.fromSoc)) first = { loadId: load.id, ...found };
    }
  }
  return first;
}

type Found = Omit<PeakBreak, 'loadId' | 'minute'>;

function breakOf(
  circuit: Circuit,
  openCircuitV: (soc: number) => number,
  startSoc: number,
  endSoc: number,
  peakMs: number,
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
