import { detected, severity } from '../findings';
import type { Finding } from '../findings';
import type { PhaseDraws, ResolvedRig, SourceTree } from '../rig/resolved';
import { networkOf, runDown } from '../run';
import type { Discharge, SystemRun } from '../run';
import type { JudgedRig } from './rig-model';

/** A battery that gives out with less than this share left has simply been used. */
const USED_UP = 0.2;
/** Minutes closer than this are the same moment. */
const SAME_MOMENT = 1e-6;

/** Charge by which a stop is looked at from beyond. */
const BEYOND = 1e-6;

/** Cautions that do not depend on how long the phase goes on. */
const AT_ONCE = new Set<Finding['code']>([
  'contract-short',
  'legacy-short',
  'over-current',
  'peak-over-rating',
  'adapter-overloaded',
  'fuse-small',
  'wire-hot',
  'wire-drop',
  'regulator-hot',
  'figure-missing',
  'pack-limit-unknown',
  'bank-switches-off',
  'peaks-together',
]);
/** What a phase that ends the run leaves in the battery. */
const STRANDING = new Set<Finding['code']>(['charge-stranded']);

type Charges = Readonly<Record<string, number>>;

/** One time that a phase comes. */
interface Occurrence {
  readonly number: number;
  readonly fromMin: number;
  readonly toMin: number;
}

/**
 * What every phase adds to what the usual modes are judged by: ports, shared limits, cables, fuses, adapters, contracts,
 * windows, modes and peaks. Judged when the phase first comes; at its worst moment, the end of the last time it comes, for
 * what gets worse as the charge falls without stopping anything; and where the run itself was stopped with charge left.
 * `known` are the findings so far: the same is not told twice.
 *
 * Cost: two discharges for each source and each phase of its own draws, some more where something turns up late.
 */
export function phaseFindings(
  { resolved, draws }: Pick<JudgedRig, 'resolved' | 'draws'>,
  timeline: SystemRun | undefined,
  known: readonly Finding[],
): readonly Finding[] {
  const { phases } = resolved.rig;
  if (!draws || phases === undefined) return [];
  const told = new Map(known.map((one) => [keyOf(one), harmOf(one)]));
  const found: Finding[] = [];
  const isNew = (one: Finding): boolean => harmOf(one) > (told.get(keyOf(one)) ?? 0) + SAME_HARM;
  const tell = (all: readonly Finding[], { number, fromMin }: Pick<Occurrence, 'number' | 'fromMin'>): void => {
    for (const one of all) {
      if (!isNew(one)) continue;
      told.set(keyOf(one), harmOf(one));
      found.push({ ...one, phase: { number, name: phases[number - 1]?.name, fromMin } });
    }
  };
  const calendar = new Calendar(draws.phases, resolved.rig.repeatPhases === 'again', timeline);
  const stopped = stops(calendar, timeline);
  const stranding = new Set(stopped.map(({ phase }) => drawsOf(phase)));
  const isSwapped = timeline?.events.some(({ kind }) => kind === 'swap') ?? false;
  for (const { phase, places } of calendar.kinds) {
    const first = calendar.occurrence(places, 0);
    const soc = socAt(timeline, first.fromMin);
    // what runs already need not start again
    const here = findingsAt(resolved, phase, soc).filter(({ code }) => code !== 'will-not-start' || first.fromMin === 0);
    tell(
      here.filter(({ code, verdict }) => verdict === 'stop' || AT_ONCE.has(code)),
      first,
    );
    if (stranding.has(drawsOf(phase)))
      tell(
        findingsFrom(resolved, phase, soc).filter(({ code }) => STRANDING.has(code)),
        first,
      );
    const count = calendar.count(places);
    if (timeline === undefined || count === 0) continue;
    const late = (nth: number): readonly Finding[] => {
      const at = lowestIn(timeline, calendar.occurrence(places, nth));
      return findingsAt(resolved, phase, at).filter((one) => AT_ONCE.has(one.code) && isNew(one));
    };
    const worst = isSwapped ? lowestTime(timeline, calendar, places, count) : count - 1;
    const atWorst = late(worst);
    if (atWorst.length === 0) continue;
    // without a change of battery margins only fall: the first time that it is so is closed in on
    const met = isSwapped ? worst : firstThatIs((nth) => late(nth).length > 0, worst);
    tell(late(met), calendar.occurrence(places, met));
    tell(atWorst, calendar.occurrence(places, worst));
  }
  for (const { phase, occurrence, soc, ended } of stopped) {
    const beyond = findingsAt(resolved, phase, soc, ended);
    // a voltage that has fallen to a window by then is told as the charge that it strands
    tell(
      beyond.filter(({ code, verdict, aspect }) => aspect !== 'voltage' && (verdict === 'stop' || AT_ONCE.has(code))),
      occurrence,
    );
  }
  return found;
}

/** The first of a row of which one is known to be so, and all after the first are. */
function firstThatIs(isSo: (nth: number) => boolean, known: number): number {
  let [clear, met] = [-1, known];
  while (met - clear > 1) {
    const middle = (clear + met) >> 1;
    if (isSo(middle)) met = middle;
    else clear = middle;
  }
  return met;
}

/** What the run itself goes through: it starts once, and drops out where its volts are gone. */
const RUN_TELLS = new Set<Finding['code']>(['will-not-start', 'under-voltage']);

/**
 * What stops a rig in one of its phases at these charges of its sources, though it would run on: a wire, an adapter, a
 * contract, a mode. Undefined where nothing does, or where a figure is missing without which it cannot be run.
 *
 * @example stopInPhase(model, 0, {}) // undefined
 */
export function stopInPhase({ resolved, draws }: Pick<JudgedRig, 'resolved' | 'draws'>, place: number, soc: Charges): Finding | undefined {
  const phase = draws?.phases[place];
  return phase && findingsAt(resolved, phase, soc).find(({ code, verdict }) => verdict === 'stop' && !RUN_TELLS.has(code));
}

function keyOf({ code, connectionId, gearId, part }: Finding): string {
  return `${code} ${connectionId ?? ''} ${gearId ?? ''} ${part}`;
}

/** The verdict, and within it how much charge is left behind. */
function harmOf(one: Finding): number {
  const left = one.code === 'charge-stranded' && one.facts.by !== 'window-untimed' ? one.facts.charge : 0;
  return severity(one.verdict) + left;
}
/** Points of charge that make no other finding of it. */
const SAME_HARM = 0.05;

/** What tells a phase from another: one that comes again under another number is the same. */
function drawsOf({ loads, modes }: PhaseDraws): string {
  return JSON.stringify([[...loads], [...modes]]);
}

/** When each phase comes; phases of the same draws are one kind. */
class Calendar {
  readonly kinds: readonly { readonly phase: PhaseDraws; readonly places: readonly number[] }[];
  private readonly fromMin: readonly number[];
  private readonly cycleMin: number;
  /** Nothing is looked at from here on: something has stopped, or the run was not followed further. */
  private readonly untilMin: number;

  constructor(
    readonly phases: readonly PhaseDraws[],
    private readonly again: boolean,
    timeline: SystemRun | undefined,
  ) {
    const kinds = new Map<string, number[]>();
    let minute = 0;
    this.fromMin = phases.map((phase, place) => {
      const key = drawsOf(phase);
      kinds.set(key, [...(kinds.get(key) ?? []), place]);
      const from = minute;
      minute += phase.minutes;
      return from;
    });
    this.cycleMin = minute;
    this.untilMin = timeline?.firstGapMin ?? timeline?.minutes ?? 0;
    this.kinds = [...kinds.values()].map((places) => ({ phase: phases[places[0]!]!, places }));
  }

  /** The time that a kind comes for the nth time, counted from 0. */
  occurrence(places: readonly number[], nth: number): Occurrence {
    const place = places[nth % places.length]!;
    const fromMin = Math.floor(nth / places.length) * this.cycleMin + this.fromMin[place]!;
    const goesOn = !this.again && place === this.phases.length - 1;
    const toMin = goesOn ? this.untilMin : Math.min(this.untilMin, fromMin + this.phases[place]!.minutes);
    return { number: place + 1, fromMin, toMin: Math.max(fromMin, toMin) };
  }

  /** How often a kind comes before anything stops. */
  count(places: readonly number[]): number {
    const cycles = this.again ? Math.ceil(this.untilMin / this.cycleMin) : 1;
    let count = cycles * places.length;
    while (count > 0 && this.occurrence(places, count - 1).fromMin >= this.untilMin) count--;
    return count;
  }

  /** The phase that goes on at a minute. */
  at(minute: number): { readonly phase: PhaseDraws; readonly occurrence: Occurrence } {
    const cycle = this.again ? Math.floor(minute / this.cycleMin) : 0;
    const within = minute - cycle * this.cycleMin;
    const next = this.fromMin.findIndex((from) => from > within + SAME_MOMENT);
    const place = (next === -1 ? this.phases.length : next) - 1;
    return { phase: this.phases[place]!, occurrence: this.occurrence([place], cycle) };
  }
}

interface StoppedRun {
  readonly phase: PhaseDraws;
  readonly occurrence: Occurrence;
  readonly soc: Charges;
  /** The source that gave out. */
  readonly ended: string;
}

/** Where the run itself was stopped by something else than an empty battery. */
function stops(calendar: Calendar, timeline: SystemRun | undefined): readonly StoppedRun[] {
  const gap = timeline?.firstGapMin;
  const ended = timeline?.events.filter(
    ({ kind, minute }) => (kind === 'source-out' || kind === 'tripped') && gap !== undefined && minute <= gap + SAME_MOMENT,
  );
  return (ended ?? []).flatMap(({ minute, id }) => {
    const soc = socAt(timeline, minute);
    return (soc[id] ?? 1) < USED_UP ? [] : [{ ...calendar.at(minute), soc, ended: id }];
  });
}

/** Charges at a minute, straight between the points that were kept. */
function socAt(timeline: SystemRun | undefined, minute: number): Charges {
  const trace = timeline?.trace ?? [];
  const next = trace.findIndex((point) => point.minute > minute + SAME_MOMENT);
  const before = next === -1 ? trace.at(-1) : trace[next - 1];
  const after = next === -1 ? undefined : trace[next];
  if (!before || !after || minute <= before.minute) return before?.soc ?? {};
  const share = (minute - before.minute) / (after.minute - before.minute);
  const between = (id: string): number => before.soc[id]! + share * ((after.soc[id] ?? before.soc[id]!) - before.soc[id]!);
  return Object.fromEntries(Object.keys(before.soc).map((id) => [id, between(id)]));
}

/** The lowest charge of every source in one time that a phase comes. */
function lowestIn(timeline: SystemRun, { fromMin, toMin }: Occurrence): Charges {
  const within = timeline.trace.filter(({ minute }) => minute > fromMin && minute < toMin).map(({ soc }) => soc);
  const all = [socAt(timeline, fromMin), ...within, socAt(timeline, toMin)];
  return Object.fromEntries(Object.keys(all[0]!).map((id) => [id, Math.min(...all.map((soc) => soc[id] ?? 1))]));
}

/** Of the times that a phase comes, the one with the least charge anywhere. One pass: a run has a point at every phase's ends. */
function lowestTime({ trace }: SystemRun, calendar: Calendar, places: readonly number[], count: number): number {
  let [worst, least, point] = [0, Infinity, 0];
  for (let nth = 0; nth < count; nth++) {
    const { fromMin, toMin } = calendar.occurrence(places, nth);
    while (point < trace.length && trace[point]!.minute < fromMin - SAME_MOMENT) point++;
    for (let at = point; at < trace.length && trace[at]!.minute <= toMin + SAME_MOMENT; at++) {
      const low = Math.min(...Object.values(trace[at]!.soc));
      if (low < least) [worst, least] = [nth, low];
    }
  }
  return worst;
}

/** What is wrong at the very moment that a phase has these charges. */
function findingsAt(resolved: ResolvedRig, phase: PhaseDraws, soc: Charges, ended?: string): readonly Finding[] {
  return findingsOf(resolved, phase, (tree) => {
    const run = runFrom(tree, phase, soc[tree.source.id]);
    if (!run) return undefined;
    // at its end a limit is just kept: it is looked at from beyond
    const there = ended === tree.source.id ? runFrom(tree, phase, Math.max(0, run.endSoc - BEYOND)) : run;
    return there && momentOf(there);
  });
}

/** What is wrong with a run in a phase that goes on from these charges. */
function findingsFrom(resolved: ResolvedRig, phase: PhaseDraws, soc: Charges): readonly Finding[] {
  return findingsOf(resolved, phase, (tree) => runFrom(tree, phase, soc[tree.source.id]));
}

/** Of a run only its first instant: how it goes on is another phase's. */
function momentOf(run: Discharge): Discharge {
  if (run.minutes === 0) return run;
  const peak = run.peak?.minute === 0 ? run.peak : undefined;
  return { ...run, end: run.start, endSoc: run.start?.soc ?? run.endSoc, cause: 'no-draw', at: 'pack', peak };
}

function findingsOf(resolved: ResolvedRig, phase: PhaseDraws, runOf: (tree: SourceTree) => Discharge | undefined): readonly Finding[] {
  const inPhase: ResolvedRig = {
    ...resolved,
    devices: resolved.devices.map((use) => ({ ...use, modeId: phase.modes.get(use.part.id) })),
  };
  const runs = new Map(resolved.trees.map((tree) => [tree, runOf(tree)] as const));
  return detected(['matched', 'flowing', 'able'], { resolved: inPhase, loads: phase.loads, runs }).filter(
    ({ verdict }) => verdict !== 'good',
  );
}

function runFrom(tree: SourceTree, phase: PhaseDraws, soc: number | undefined): Discharge | undefined {
  const network = networkOf(tree, phase.loads);
  if (!network) return undefined;
  return runDown(tree, soc === undefined ? network : { ...network, pack: { ...network.pack, startSoc: soc } });
}
