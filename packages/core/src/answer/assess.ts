import { rigBalance } from '../balance';
import type { RigBalance } from '../balance';
import { byHarm, detected, worstVerdict } from '../findings';
import type { Finding, Verdict } from '../findings';
import type { Gear } from '../gear';
import { trackTo } from '../profile';
import type { Track } from '../profile';
import { DEFAULT_RESERVE, isKind } from '../rig/drawn';
import type { Rig } from '../rig/drawn';
import { cautionsOf, resilience, treeFeeding } from '../rig/resolved';
import type { Caution, Figure, FigureBasis, LoadDraw, PlacesInRange, ResolvedRig, RigDraws, SourceTree } from '../rig/resolved';
import { plannedMinutes, stopOf, SystemRunner } from '../run';
import type { Discharge, Stop, SystemRun } from '../run';
import { withTurns } from './deciding-assumptions';
import { doubtsWeighed } from './doubts';
import type { Undoubted } from './doubts';
import { phaseFindings } from './phase-findings';
import { isForbidden, judgedRig, rigModel } from './rig-model';
import type { JudgedRig, RigModel } from './rig-model';

/** What one source does in a rig, everything it can feed hanging on it. */
export interface SourceAnswer {
  readonly sourceId: string;
  readonly name: string;
  readonly run: Discharge;
  /** What stops it first, why, and what is left. */
  readonly stop: Stop;
  /** A mains supply goes on; a battery does not. */
  readonly unlimited: boolean;
}

/** Shots or frames until the first stop, for what is counted so. */
export interface Count {
  readonly deviceId: string;
  readonly device: string;
  readonly what: 'shots' | 'frames';
  readonly count: number;
}

/** Everything there is to say about a rig, as data; `words` tells it. */
export interface Answer {
  readonly verdict: Verdict;
  /** The worst first. */
  readonly findings: readonly Finding[];
  /** Absent while a figure is missing that must not be guessed, or while something must not be connected. */
  readonly sources: readonly SourceAnswer[];
  /** The run of the source that stops first. */
  readonly run: Discharge | undefined;
  /** The whole rig over time: swaps, gaps, batteries in devices. */
  readonly timeline: SystemRun | undefined;
  /** Minutes until something first stops a device. */
  readonly firstStopMin: number | undefined;
  /** The same with the reserve kept. */
  readonly plannedMin: number | undefined;
  /** Nothing stops it as long as its supply stands. */
  readonly unlimited: boolean;
  /** Followed for so many minutes without a stop, though batteries feed it: it lasts longer than that. */
  readonly beyondMin: number | undefined;
  /** What stops it first, why, and what is left. */
  readonly stop: Stop | undefined;
  readonly counts: readonly Count[];
  /** Everything the answer rests on, with where it is from. */
  readonly figures: readonly Figure[];
  /** A track for every path to every device, those that feed it first before those that take over. */
  readonly tracks: readonly Track[];
  /** What stops when each part fails. */
  readonly failures: readonly { readonly gearId: string; readonly part: string; readonly stops: readonly string[] }[];
  /** How it stands on its support; undefined while that is not entered. */
  readonly balance: RigBalance | undefined;
  /** The usual cautions beside the acts they concern. */
  readonly cautions: readonly Caution[];
}

const TRACE_POINTS = 60;
/** Minutes closer than this are the same moment. */
const SAME_MOMENT = 1e-6;

/**
 * Judges a rig: does it match, how long does it run, what stops it first, and what all that rests on.
 *
 * Works with whatever figures are there: a missing one becomes a finding `figure-missing` and the verdict is then
 * never `good`. Never throws for sound shapes. Cost: about a millisecond for a rig of a few devices.
 *
 * @example assess(rig, gear).verdict // 'good'
 */
export function assess(
  rig: Rig,
  gear: ReadonlyMap<string, Gear>,
  { tracePoints = TRACE_POINTS, measured }: { readonly tracePoints?: number; readonly measured?: readonly Finding[] | undefined } = {},
): Answer {
  return assessModel(rigModel(rig, gear, { tracePoints, measured }));
}

/**
 * `assess` of a rig that has been worked out already.
 *
 * @example assessModel(model).verdict // 'good'
 */
export function assessModel(model: RigModel, { trace = true, weigh = true } = {}): Answer {
  const { resolved, draws, runs: tried, beforeRun, system } = model;
  const { rig, trees, devices, evidence } = resolved;
  const loads = draws?.usual ?? new Map<string, LoadDraw>();
  const forbidden = isForbidden(beforeRun);
  const runs = new Map([...tried].map(([tree, run]) => [tree, forbidden ? undefined : run]));
  const timeline = system && new SystemRunner(system).run(undefined, { record: true, trace });
  const swaps = timeline?.events.filter(({ kind, minute }) => kind === 'swap' && minute <= (timeline.firstGapMin ?? 0)) ?? [];
  const firstStopMin = timeline?.firstGapMin;
  const plannedMin = firstStopMin === undefined ? undefined : plannedMinutes(rig, firstStopMin, swaps.at(-1)?.minute);
  const first = firstToStop(trees, tried, timeline);
  const run = first && runs.get(first);
  const endless = timeline !== undefined && firstStopMin === undefined;
  const mains = devices.every(({ part }) => treeFeeding(trees, part)?.unlimited);
  const balance = rigBalance(rig, gearOf(resolved));
  const usual = [...beforeRun, ...connectionFindings(model, runs)];
  const connected = withTurns(
    [...usual, ...phaseFindings(model, timeline, usual)],
    evidence.assumptions,
    (places) => judgedAt(model, timeline, places),
    [...resolved.parts.values()].some((part) => isKind(part, 'hub') && part.gear.inputOrder === 'together'),
  );
  const found = [
    ...connected,
    ...detected(['whole'], { resolved, loads: draws?.usual, runs, timeline, firstStopMin, plannedMin, balance }),
  ];
  const findings = byHarm(weigh ? doubtsWeighed(found, resolved, (gear) => undoubted(model, gear)) : found);
  return {
    balance,
    verdict: worstVerdict(findings.map(({ verdict }) => verdict)),
    findings,
    sources: forbidden ? [] : sourceAnswers(trees, tried, loads),
    run,
    timeline,
    firstStopMin,
    plannedMin,
    unlimited: endless && mains,
    beyondMin: endless && !mains ? timeline.minutes : undefined,
    stop: run && first && (afterSwaps(resolved, swaps, firstStopMin) ?? stopOf(first, loads, run)),
    counts: countsOf(resolved, draws, firstStopMin),
    figures: [...distinct(evidence.figures), ...resultFigures(rig, firstStopMin, plannedMin, swaps.at(-1)?.minute ?? 0)],
    tracks: tracksOf(resolved, runs, findings),
    failures: resilience(resolved).map(({ part, stops }) => ({
      gearId: part.id,
      part: part.title,
      stops: stops.map(({ title }) => title),
    })),
    cautions: resolved.connections.length === 0 ? [] : cautionsOf(resolved),
  };
}

/** What a rig with some of its gear changed is judged, contradictions left out. */
function undoubted({ resolved: { rig }, measured }: RigModel, gear: ReadonlyMap<string, Gear>): Undoubted {
  const { findings, plannedMin } = assessModel(rigModel(rig, gear, { measured }), { trace: false, weigh: false });
  const verdict = worstVerdict(findings.flatMap((one) => (one.code === 'figure-doubtful' ? [] : [one.verdict])));
  return { verdict, plannedMin };
}

/** What stops a rig at other places in the ranges of what is assumed, in its usual modes and in its phases. */
function judgedAt({ resolved, measured }: RigModel, timeline: SystemRun | undefined, places: PlacesInRange): readonly Finding[] {
  const judged = judgedRig(resolved, { places, measured });
  const runs = isForbidden(judged.beforeRun) ? new Map<SourceTree, undefined>() : judged.runs;
  const usual = [...judged.beforeRun, ...connectionFindings(judged, runs)];
  return [...usual, ...phaseFindings(judged, timeline, usual)];
}

/** Amps, peaks and modes, once every source has been run down. */
function connectionFindings(
  { resolved, draws, runs: tried }: JudgedRig,
  runs: ReadonlyMap<SourceTree, Discharge | undefined>,
): readonly Finding[] {
  return detected(['flowing', 'able'], { resolved, loads: draws?.usual, runs, tried });
}

/** Every path to every device, the one that comes first before those that take over. */
function tracksOf(
  { trees, devices }: ResolvedRig,
  runs: ReadonlyMap<SourceTree, Discharge | undefined>,
  findings: readonly Finding[],
): readonly Track[] {
  const tracks = devices.flatMap(({ part }) => {
    const first = treeFeeding(trees, part);
    const others = trees.filter((tree) => tree !== first && tree.connections.some(({ to }) => to.id === part.id));
    return [...(first ? [first] : []), ...others].map((tree) => trackTo(tree, part, tree === first, runs.get(tree), findings));
  });
  return [...tracks.filter(({ first }) => first), ...tracks.filter(({ first }) => !first)];
}

function sourceAnswers(
  trees: readonly SourceTree[],
  runs: ReadonlyMap<SourceTree, Discharge | undefined>,
  loads: ReadonlyMap<string, LoadDraw>,
): SourceAnswer[] {
  return trees.flatMap((tree) => {
    const run = runs.get(tree);
    if (!run) return [];
    const { source, unlimited } = tree;
    return [{ sourceId: source.id, name: source.title, run, stop: stopOf(tree, loads, run), unlimited }];
  });
}

/** What stops a rig whose batteries were changed before: the one that was in by then. */
function afterSwaps({ parts }: ResolvedRig, swaps: SystemRun['events'], stopMin: number | undefined): Stop | undefined {
  const last = swaps.at(-1);
  if (!last || stopMin === undefined) return undefined;
  const battery = parts.get(last.by ?? '')?.title ?? 'the last battery';
  return { why: 'after-swaps', swaps: swaps.length, battery, swapMin: last.minute, stopMin };
}

/** The source whose end leaves a device without power first; while nothing does, the one that would end first. */
function firstToStop(
  trees: readonly SourceTree[],
  runs: ReadonlyMap<SourceTree, Discharge | undefined>,
  timeline: SystemRun | undefined,
): SourceTree | undefined {
  const gap = timeline?.firstGapMin;
  const ends = ['source-out', 'tripped', 'own-battery-flat'];
  const ended = timeline?.events
    .filter(({ kind, minute }) => ends.includes(kind) && gap !== undefined && minute <= gap + SAME_MOMENT)
    .at(-1);
  const blamed = trees.find(({ source }) => source.id === ended?.id);
  if (blamed) return blamed;
  const timed = trees.filter((tree) => runs.get(tree) !== undefined);
  return timed.sort((a, b) => runs.get(a)!.minutes - runs.get(b)!.minutes)[0];
}

function countsOf({ devices }: ResolvedRig, draws: RigDraws | undefined, firstStopMin: number | undefined): Count[] {
  if (firstStopMin === undefined) return [];
  return devices.flatMap(({ part }) => {
    const counted = draws?.usual.get(part.id)?.counted;
    if (!counted) return [];
    return [{ deviceId: part.id, device: part.title, what: counted.what, count: Math.floor((firstStopMin / 60) * counted.perHour) }];
  });
}

/** The two results that everything is planned with, and how they follow. */
function resultFigures(rig: Rig, firstStopMin: number | undefined, plannedMin: number | undefined, lastSwapMin: number): Figure[] {
  if (firstStopMin === undefined || plannedMin === undefined) return [];
  const base = { role: 'rig', gearId: '', part: rig.name, unit: 'min', from: 'computed' } as const;
  const reserve = rig.reserve ?? DEFAULT_RESERVE;
  return [
    { ...base, value: firstStopMin, basis: { of: 'first-stop' } },
    { ...base, value: plannedMin, basis: { of: 'planned', firstStopMin, reserve, lastSwapMin } },
  ];
}

function gearOf({ parts }: ResolvedRig): ReadonlyMap<string, Gear> {
  return new Map([...parts].map(([id, { gear }]) => [id, gear]));
}

/** The same figure told by two trees is told once. */
function distinct(figures: readonly Figure[]): readonly Figure[] {
  return [...new Map(figures.map((figure) => [`${figure.gearId} ${figureKey(figure)}`, figure])).values()];
}

/** Figures that a part has one of for each port, and those that a device has one of for each mode. */
const OF_A_PORT: ReadonlySet<FigureBasis['of']> = new Set([
  'supply-volts',
  'works',
  'least-volts',
  'highest-volts',
  'contract',
  'shared-rating',
  'efficiency',
]);

/** The same figure of the same part, whatever it follows from: ohms are ohms. */
function figureKey({ basis }: Figure): string {
  const of = basis.of.endsWith('-resistance') ? 'resistance' : basis.of;
  const port = OF_A_PORT.has(basis.of) && 'port' in basis ? basis.port : undefined;
  return `${of} ${port ?? ''} ${'mode' in basis ? (basis.mode ?? '') : ''}`;
}
