import { cellVoltage, ocvArea } from '../cell';
import { brokenLimit, collapsePlace, compile, readPoint, refusesToStart, settle, solve } from '../circuit';
import type { Circuit, EndCause, Network, OperatingPoint, Phase } from '../circuit';
import { firstBreak } from './first-break';
import { addTallies, integrate, newTally } from './integrate';
import type { Tally } from './integrate';
import { firstPeakBreak } from './peaks';
import type { PeakBreak } from './peaks';

export interface TimedPoint extends OperatingPoint {
  readonly minute: number;
  readonly soc: number;
}

export interface Discharge {
  /** Until the first stop. */
  readonly minutes: number;
  readonly cause: EndCause;
  /** The feed, load or `pack` that stopped it. */
  readonly at: string;
  readonly endSoc: number;
  /** Out of the pack's terminals. */
  readonly packWh: number;
  readonly loadsWh: number;
  readonly loads: readonly { readonly id: string; readonly energyWh: number }[];
  /** In the pack's own resistance (`pack`), and in each feed: its resistance and its converter. */
  readonly losses: readonly { readonly id: string; readonly energyWh: number }[];
  /** What the cells still hold, before any loss on the way out. */
  readonly strandedWh: number;
  /** Operating points at the start, at half the charge used, and at the end; absent where no point exists. */
  readonly start: TimedPoint | undefined;
  readonly middle: TimedPoint | undefined;
  readonly end: TimedPoint | undefined;
  /** From start to end, when asked for. */
  readonly trace: readonly TimedPoint[];
  /** The first peak that breaks a limit, if one does before the run ends by itself. */
  readonly peak: PeakBreak | undefined;
}

export interface DischargeOptions {
  /** About how many points to return from start to end; none when absent. */
  readonly tracePoints?: number;
}

/** An interval of the run in which nothing changes but the charge. */
interface Interval {
  readonly fromSoc: number;
  readonly toSoc: number;
  readonly fromMinute: number;
  readonly toMinute: number;
  readonly phase: Phase;
}

const ALL_ON: Phase = { minutes: Infinity, scale: {} };
/** A profile of seconds over weeks would otherwise run for ever. */
const MAX_INTERVALS = 100_000;
/** Current rises as charge falls, so a phase takes a little more than its first current says. */
const PAST_PHASE_END = 1.1;

/**
 * Runs a pack through a network until something stops it.
 *
 * Within a phase nothing depends on the clock: time is the integral of capacity over current along the state of
 * charge. Between the cell table's points it is smooth, and every voltage falls and every current rises with the
 * charge, so a limit kept at both ends of an interval is kept throughout, and the first one broken is found by closing in
 * on it. A few quadrature nodes an interval stand in for thousands of time steps.
 *
 * Preconditions: `networkIssues(network)` is empty. Accuracy: 1e-6 of the minutes. Cost: about 0.1 ms for a few loads in
 * one phase; each further phase adds about as much as an interval. Throws `RangeError` past 100 000 intervals.
 *
 * @example discharge(network).minutes // 506.86
 */
export function discharge(network: Network, options: DischargeOptions = {}): Discharge {
  const { pack } = network;
  const circuit = compile(network);
  const openCircuitV = (soc: number): number => pack.cellsInSeries * cellVoltage(pack.ocvPerCell, soc);
  const phases = network.profile ?? [ALL_ON];
  const startSoc = pack.startSoc ?? 1;
  const total = newTally(circuit);
  const intervals: Interval[] = [];
  const loadMinutes = new Map<string, number>();
  let soc = startSoc;
  let minute = 0;
  let stop: { cause: EndCause; at: string } | undefined;

  for (let turn = 0; stop === undefined; turn++) {
    if (turn > MAX_INTERVALS) throw tooLong();
    const isLast = !network.repeatProfile && turn >= phases.length - 1;
    const phase = phases[isLast ? phases.length - 1 : turn % phases.length]!;
    const phaseEnd = isLast ? Infinity : minute + phase.minutes;
    const phaseStart = minute;
    settle(circuit, phase.scale);
    stop = turn === 0 ? refusesToStart(circuit, openCircuitV(soc)) : undefined;
    stop ??= stopAt(circuit, openCircuitV(soc));
    while (stop === undefined && minute < phaseEnd) {
      if (intervals.length >= MAX_INTERVALS) throw tooLong();
      solve(circuit, openCircuitV(soc));
      if (circuit.root.currentA <= 0) {
        if (phaseEnd === Infinity) stop = { cause: 'no-draw', at: 'pack' };
        else minute = phaseEnd;
        break;
      }
      if (soc <= 0) {
        stop = { cause: 'empty', at: 'pack' };
        break;
      }
      const target = intervalEnd(network, soc, circuit.root.currentA, phaseEnd - minute);
      const broken = stopAt(circuit, openCircuitV(target)) && firstBreak(circuit, openCircuitV, soc, target);
      const step = advance(circuit, network, soc, broken ? broken.soc : target, phaseEnd - minute);
      addTallies(total, step.tally);
      intervals.push({ fromSoc: soc, toSoc: step.soc, fromMinute: minute, toMinute: minute + step.tally.minutes, phase });
      soc = step.soc;
      minute = step.endsPhase ? phaseEnd : minute + step.tally.minutes;
      if (broken && !step.endsPhase) stop = { cause: broken.cause, at: broken.at };
    }
    for (const node of circuit.nodes) {
      if (node.load) loadMinutes.set(node.load.id, (loadMinutes.get(node.load.id) ?? 0) + (node.loadW * (minute - phaseStart)) / 60);
    }
  }

  const loads = [...loadMinutes].map(([id, energyWh]) => ({ id, energyWh }));
  const pointIn = (interval: Interval, at: number): TimedPoint | undefined => {
    settle(circuit, interval.phase.scale);
    const within = interval.fromSoc - at;
    const minutes = within <= 0 ? 0 : integrate(circuit, network, interval.fromSoc, at).minutes;
    return solve(circuit, openCircuitV(at)) ? { minute: interval.fromMinute + minutes, soc: at, ...readPoint(circuit) } : undefined;
  };
  const first = intervals[0] ?? { fromSoc: soc, toSoc: soc, fromMinute: 0, toMinute: 0, phase: phases[0]! };
  const last = intervals.at(-1) ?? first;
  const middleSoc = (startSoc + soc) / 2;
  const peak = firstPeakBreak(circuit, phases, openCircuitV, startSoc, soc);
  const peakAt = peak && (intervals.find((interval) => interval.toSoc <= peak.fromSoc) ?? first);
  const halfway = intervals.find((interval) => interval.toSoc <= middleSoc) ?? first;

  return {
    minutes: minute,
    cause: stop.cause,
    at: stop.at,
    endSoc: soc,
    packWh: total.packWh,
    loadsWh: loads.reduce((sum, { energyWh }) => sum + energyWh, 0),
    loads,
    losses: [
      { id: 'pack', energyWh: total.packLossWh },
      ...circuit.nodes.map((node, index) => ({ id: node.id, energyWh: total.feedLossWh[index]! })),
    ],
    strandedWh: pack.capacityAh * pack.cellsInSeries * ocvArea(pack.ocvPerCell, soc),
    start: pointIn(first, first.fromSoc),
    middle: pointIn(halfway, middleSoc),
    end: pointIn(last, last.toSoc),
    trace: options.tracePoints === undefined ? [] : traceOf(circuit, network, intervals, options.tracePoints, startSoc - soc),
    peak: peak && peakAt && { ...peak, minute: pointIn(peakAt, peak.fromSoc)?.minute ?? peakAt.fromMinute },
  };
}

function tooLong(): RangeError {
  return new RangeError(`discharge: more than ${MAX_INTERVALS} intervals; use fewer or longer phases`);
}

/** What stops the run at this open-circuit voltage, if anything does. Leaves the circuit solved there. */
function stopAt(circuit: Circuit, openCircuitV: number): { cause: EndCause; at: string } | undefined {
  if (!solve(circuit, openCircuitV)) return { cause: 'collapse', at: circuit.deadAt ?? collapsePlace(circuit.root, openCircuitV) };
  const limit = brokenLimit(circuit);
  return limit && { cause: limit.cause, at: limit.at };
}

/** The next point of the cell's table, or, where the phase ends well before it, a state a little past the phase's end. */
function intervalEnd({ pack }: Network, soc: number, currentA: number, minutesLeft: number): number {
  const past = soc - (PAST_PHASE_END * currentA * minutesLeft) / (60 * pack.capacityAh);
  for (let index = pack.ocvPerCell.length - 1; index >= 0; index--) {
    const [point] = pack.ocvPerCell[index]!;
    if (point < soc) return Math.max(point, past);
  }
  return 0;
}

/** Goes down to `toSoc`, or as far as the phase's time allows. */
function advance(circuit: Circuit, network: Network, fromSoc: number, toSoc: number, minutesLeft: number) {
  const tally = integrate(circuit, network, fromSoc, toSoc);
  if (tally.minutes < minutesLeft) return { soc: toSoc, tally, endsPhase: false };
  let soc = fromSoc - ((fromSoc - toSoc) * minutesLeft) / tally.minutes;
  let part: Tally = tally;
  for (let round = 0; round < 20; round++) {
    part = integrate(circuit, network, fromSoc, soc);
    const missing = minutesLeft - part.minutes;
    if (Math.abs(missing) <= Math.max(1e-9 * minutesLeft, 1e-9)) break; // minutes; a double tells no finer at this charge
    // the circuit was last solved near `soc`; minutes a unit of charge there is the slope
    solve(circuit, network.pack.cellsInSeries * cellVoltage(network.pack.ocvPerCell, soc));
    soc = Math.max(toSoc, Math.min(fromSoc, soc - (missing * circuit.root.currentA) / (60 * network.pack.capacityAh)));
  }
  return { soc, tally: part, endsPhase: true };
}

/** Points along the run. From one to the next the minutes are a short integral of their own. */
function traceOf(circuit: Circuit, network: Network, intervals: readonly Interval[], points: number, span: number): TimedPoint[] {
  const trace: TimedPoint[] = [];
  for (const { fromSoc, toSoc, fromMinute, toMinute, phase } of intervals) {
    const wide = fromSoc - toSoc;
    const pieces = Math.max(1, Math.round((points * wide) / span));
    settle(circuit, phase.scale);
    let minute = fromMinute;
    for (let piece = 0; piece <= pieces; piece++) {
      const soc = fromSoc - (wide * piece) / pieces;
      if (piece === pieces) minute = toMinute;
      else if (piece > 0) minute += pieceMinutes(circuit, network, soc + wide / pieces, soc);
      const volts = network.pack.cellsInSeries * cellVoltage(network.pack.ocvPerCell, soc);
      if (solve(circuit, volts)) trace.push({ minute, soc, ...readPoint(circuit) });
    }
  }
  return trace;
}

/** Minutes of a short piece: two Gauss points, ample for a picture. */
function pieceMinutes(circuit: Circuit, { pack }: Network, fromSoc: number, toSoc: number): number {
  const half = (fromSoc - toSoc) / 2;
  let hours = 0;
  for (const node of [-0.577350269189626, 0.577350269189626]) {
    solve(circuit, pack.cellsInSeries * cellVoltage(pack.ocvPerCell, (fromSoc + toSoc) / 2 + half * node));
    hours += (half * pack.capacityAh) / circuit.root.currentA;
  }
  return 60 * hours;
}
