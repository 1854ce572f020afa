import { collapsePlace, solve } from '../physics/circuit';
import type { Circuit, EndCause, Limit } from '../physics/circuit';

export interface Break {
  readonly soc: number;
  readonly cause: EndCause;
  readonly at: string;
}

const MAX_ROUNDS = 80;
const SOC_TOLERANCE = 1e-12;
/** Volts or amps by which a limit is kept only for a rounding. */
const GRAZED = 1e-9;

/**
 * Where between two states of charge the first limit breaks, given that none is broken at `fromSoc` and one is at
 * `toSoc`. All margins fall with the charge, so the first to break is the one whose zero lies highest.
 *
 * Each broken margin's zero is closed in on with the Illinois form of false position; where the network collapses
 * before `toSoc` there are no margins to follow, and the range is first halved down to the last state that holds.
 */
export function firstBreak(circuit: Circuit, openCircuitV: (soc: number) => number, fromSoc: number, toSoc: number): Break {
  const holds = (soc: number): boolean => solve(circuit, openCircuitV(soc));
  const tolerance = Math.max(SOC_TOLERANCE, circuit.tolerance);
  let low = toSoc;
  let collapsed = false;
  if (!holds(low)) {
    collapsed = true;
    let high = fromSoc;
    while (high - low > tolerance) {
      const middle = (low + high) / 2;
      if (holds(middle)) high = middle;
      else low = middle;
    }
    holds(high);
    low = high;
  }
  // of many that are broken only those are followed that are still broken where the one before them breaks
  let first: Break | undefined;
  for (let limit = nextBroken(circuit, 0); limit;) {
    const soc = zeroOf(limit, holds, fromSoc, low, tolerance);
    if (first !== undefined && soc <= first.soc) break;
    first = { soc, cause: limit.cause, at: limit.at };
    low = soc;
    holds(soc);
    limit = nextBroken(circuit, GRAZED);
  }
  if (first) return first;
  if (!collapsed) return { soc: low, ...grazed(circuit) };
  return { soc: low, cause: 'collapse', at: collapsePlace(circuit.root, openCircuitV(Math.max(0, low - 1e-9))) };
}

/** The first limit that is broken by more than a rounding, where the circuit was last solved. */
function nextBroken({ limits }: Circuit, rounding: number): Limit | undefined {
  return limits.find((candidate) => candidate.margin() < -rounding);
}

/** At a point of the table two pieces meet, and may differ by a rounding: a limit broken by one is then just kept by the other. */
function grazed({ limits }: Circuit): Pick<Break, 'cause' | 'at'> {
  const [nearest] = limits.map((limit) => ({ limit, margin: limit.margin() })).sort((a, b) => a.margin - b.margin);
  if (!nearest || nearest.margin > GRAZED) throw new Error('firstBreak: called where no limit is broken');
  return { cause: nearest.limit.cause, at: nearest.limit.at };
}

function zeroOf(limit: Limit, holds: (soc: number) => boolean, keptSoc: number, brokenSoc: number, tolerance: number): number {
  let kept = keptSoc;
  let broken = brokenSoc;
  holds(broken);
  let brokenMargin = limit.margin();
  holds(kept);
  let keptMargin = limit.margin();
  for (let round = 0; round < MAX_ROUNDS && kept - broken > tolerance; round++) {
    const soc = Number.isFinite(keptMargin) ? kept - ((kept - broken) * keptMargin) / (keptMargin - brokenMargin) : (kept + broken) / 2;
    holds(soc);
    const margin = limit.margin();
    if (Math.abs(margin) < 0.1 * tolerance) return soc;
    if (margin > 0) {
      kept = soc;
      keptMargin = margin;
      brokenMargin /= 2;
    } else {
      broken = soc;
      brokenMargin = margin;
      keptMargin /= 2;
    }
  }
  return kept;
}
