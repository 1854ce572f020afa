import { discharge } from '../discharge/discharge';
import type { Discharge, DischargeOptions } from '../discharge/discharge';
import { SystemRunner } from '../discharge/run-system';
import type { System, SystemRun } from '../discharge/system';
import type { Gear } from '../gear/gear';
import { DEFAULT_RESERVE } from '../gear/rig';
import type { Rig } from '../gear/rig';
import { rigBalance } from '../balance/rig-balance';
import type { RigBalance } from '../balance/rig-balance';
import { balanceFindings } from './balance-findings';
import { cautionsFor } from './cautions';
import { contractFindings } from './contract-findings';
import { adapterFindings, currentFindings } from './current-findings';
import { Evidence, say } from './figure';
import type { Figure } from './figure';
import { byHarm, worstVerdict } from './finding';
import type { Finding, Verdict } from './finding';
import { plannedMinutes } from './first-stop';
import { jointFindings } from './joint-findings';
import { laneTo } from './journey';
import type { Lane } from './journey';
import { peakFindings } from './peak-findings';
import { resilience } from './resilience';
import { capabilityFindings, gaugeFindings, lastsFindings, wholeRigFindings } from './rig-findings';
import { rigGraph } from './rig-graph';
import type { RigGraph } from './rig-graph';
import { rigDraws, rigSystem, treeFeeding } from './rig-system';
import type { RigDraws } from './rig-system';
import { sourceTree } from './source-tree';
import type { SourceTree } from './source-tree';
import { stopSentence } from './stop-sentence';
import { voltageFindings } from './voltage-findings';

/** What one source does in a rig, everything it can feed hanging on it. */
export interface SourceAnswer {
  readonly sourceId: string;
  readonly name: string;
  readonly run: Discharge;
  /** What stops it first, why, and what is left. */
  readonly stop: string;
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

/** Everything there is to say about a rig. */
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
  readonly stop: string | undefined;
  readonly counts: readonly Count[];
  /** Everything the answer rests on, with where it is from. */
  readonly figures: readonly Figure[];
  /** A lane for every way to every device, those that feed it first before those that take over. */
  readonly lanes: readonly Lane[];
  /** What stops when each part fails. */
  readonly failures: readonly { readonly gearId: string; readonly part: string; readonly stops: readonly string[] }[];
  /** How it stands on its support; undefined while nobody said on what. */
  readonly balance: RigBalance | undefined;
  /** The usual cautions beside the acts they concern. */
  readonly cautions: readonly string[];
}

/** A rig worked out as far as its figures go: what an answer, a range, a sensitivity are all made from. */
export interface RigModel {
  readonly graph: RigGraph;
  readonly trees: readonly SourceTree[];
  readonly draws: RigDraws | undefined;
  /** Each source run down by itself with everything it can feed, in the usual modes. */
  readonly runs: ReadonlyMap<SourceTree, Discharge | undefined>;
  /** What the plugs, volts and contracts say, before any time is looked at. */
  readonly gate: readonly Finding[];
  /** The rig over time; undefined while a figure is missing, and for what must not be connected or would refuse to run. */
  readonly system: System | undefined;
  readonly evidence: Evidence;
}

const TRACE_POINTS = 60;

export function rigModel(rig: Rig, gear: ReadonlyMap<string, Gear>, { tracePoints }: DischargeOptions = {}): RigModel {
  const graph = rigGraph(rig, gear);
  const evidence = new Evidence();
  const trees = graph.sources.map((source) => sourceTree(graph, source, evidence));
  const draws = rigDraws(graph, trees, evidence);
  const runs = new Map(
    trees.map((tree) => {
      const network = draws && tree.network(draws.usual);
      return [tree, network && discharge(network, tracePoints === undefined ? {} : { tracePoints })] as const;
    }),
  );
  const gate = [
    ...graph.findings,
    ...jointFindings(graph),
    ...trees.flatMap((tree) => [
      ...voltageFindings(graph, tree, runs.get(tree)),
      ...tree.passages.flatMap((passage) => contractFindings(graph, passage, draws?.usual.get(passage.joint.to.id)?.powerW)),
    ]),
  ];
  const forbidden = gate.some(({ verdict }) => verdict === 'stop');
  return { graph, trees, draws, runs, gate, system: forbidden ? undefined : rigSystem(graph, trees, draws, runs), evidence };
}

/**
 * Judges a rig: does it match, how long does it run, what stops it first, and what all that rests on.
 *
 * Works with whatever figures are there: a missing one becomes a finding `figure-missing` and the verdict is then
 * never `good`. Never throws for sound shapes. Cost: about a millisecond for a rig of a few devices.
 *
 * @example assess(rig, gear).verdict // 'caution'
 */
export function assess(rig: Rig, gear: ReadonlyMap<string, Gear>, { tracePoints = TRACE_POINTS } = {}): Answer {
  return assessModel(rigModel(rig, gear, { tracePoints }));
}

/** `assess` of a rig that has been worked out already. */
export function assessModel({ graph, trees, draws, runs: tried, gate, system, evidence }: RigModel, { trace = true } = {}): Answer {
  const { rig } = graph;
  const loads = draws?.usual ?? new Map<string, never>();
  const forbidden = gate.some(({ verdict }) => verdict === 'stop');
  const runs = new Map([...tried].map(([tree, run]) => [tree, forbidden ? undefined : run]));
  const timeline = system && new SystemRunner(system).run(undefined, { record: true, trace });
  const sources = forbidden ? [] : sourceAnswers(trees, tried, loads);
  const first = firstToStop(trees, tried, timeline);
  const run = forbidden ? undefined : first && tried.get(first);
  const firstStopMin = timeline?.firstGapMin;
  const lastSwapMin = timeline?.events.filter(({ kind, minute }) => kind === 'swap' && minute <= (firstStopMin ?? 0)).at(-1)?.minute ?? 0;
  const plannedMin = firstStopMin === undefined ? undefined : plannedMinutes(rig, firstStopMin, lastSwapMin);
  const endless = timeline !== undefined && firstStopMin === undefined;
  const mains = graph.devices.every(({ part }) => treeFeeding(trees, part)?.unlimited);
  const balance = rigBalance(rig, gearOf(graph));
  const findings = byHarm([
    ...gate,
    ...trees.flatMap((tree) => [
      ...currentFindings(tree, runs.get(tree)),
      ...adapterFindings(tree, loads),
      ...peakFindings(tree, loads, runs.get(tree)),
    ]),
    ...capabilityFindings(graph, trees, tried),
    ...gaugeFindings(graph, plannedMin),
    ...lastsFindings(graph, firstStopMin, plannedMin),
    ...wholeRigFindings(graph, timeline, plannedMin),
    ...balanceFindings(graph, balance),
    ...distinct(evidence.missing),
  ]);
  return {
    balance,
    verdict: worstVerdict(findings.map(({ verdict }) => verdict)),
    findings,
    sources,
    run,
    timeline,
    firstStopMin,
    plannedMin,
    unlimited: endless && mains,
    beyondMin: endless && !mains ? timeline.minutes : undefined,
    stop: run && first && (afterSwaps(graph, timeline, lastSwapMin) ?? stopSentence(first, loads, run)),
    counts: countsOf(graph, draws, firstStopMin),
    figures: [...distinctFigures(evidence.figures), ...resultFigures(graph, firstStopMin, plannedMin, lastSwapMin)],
    lanes: lanesOf(graph, trees, runs, findings),
    failures: resilience(graph).map(({ part, stops: stopped }) => ({
      gearId: part.id,
      part: part.gear.name,
      stops: stopped.map(({ gear }) => gear.name),
    })),
    cautions: graph.joints.length === 0 ? [] : cautionsFor(graph),
  };
}

/** Every way to every device, the one that comes first before those that take over. */
function lanesOf(
  graph: RigGraph,
  trees: readonly SourceTree[],
  runs: ReadonlyMap<SourceTree, Discharge | undefined>,
  findings: readonly Finding[],
): readonly Lane[] {
  const lanes = graph.devices.flatMap(({ part }) => {
    const first = treeFeeding(trees, part);
    const others = trees.filter((tree) => tree !== first && tree.passages.some(({ joint }) => joint.to.id === part.id));
    return [...(first ? [first] : []), ...others].map((tree) => laneTo(tree, part, tree === first, runs.get(tree), findings));
  });
  return [...lanes.filter(({ first }) => first), ...lanes.filter(({ first }) => !first)];
}

function sourceAnswers(
  trees: readonly SourceTree[],
  runs: ReadonlyMap<SourceTree, Discharge | undefined>,
  loads: ReadonlyMap<string, never> | RigDraws['usual'],
): SourceAnswer[] {
  return trees.flatMap((tree) => {
    const run = runs.get(tree);
    if (!run) return [];
    return [
      { sourceId: tree.source.id, name: tree.source.gear.name, run, stop: stopSentence(tree, loads, run), unlimited: tree.unlimited },
    ];
  });
}

/** What stops a rig whose batteries were changed before: the one that was in by then. */
function afterSwaps({ parts }: RigGraph, timeline: SystemRun | undefined, lastSwapMin: number): string | undefined {
  const swaps = timeline?.events.filter(({ kind, minute }) => kind === 'swap' && minute <= lastSwapMin) ?? [];
  const last = swaps.at(-1);
  const gap = timeline?.firstGapMin;
  if (!last || gap === undefined) return undefined;
  const name = parts.get(last.by ?? '')?.gear.name ?? 'the last battery';
  const count = swaps.length === 1 ? 'one change' : `${swaps.length} changes`;
  return `After ${count} of battery ${name}, put in at ${say(last.minute, 'min')}, is the last: it carries the rig to ${say(gap, 'min')}.`;
}

/** The source whose end leaves a device without power first; while nothing does, the one that would end first. */
function firstToStop(
  trees: readonly SourceTree[],
  runs: ReadonlyMap<SourceTree, Discharge | undefined>,
  timeline: SystemRun | undefined,
): SourceTree | undefined {
  const gap = timeline?.firstGapMin;
  const ended = timeline?.events
    .filter(({ kind, minute }) => ['source-out', 'tripped', 'own-battery-flat'].includes(kind) && gap !== undefined && minute <= gap + 1e-6)
    .at(-1);
  const blamed = trees.find(({ source }) => source.id === ended?.id);
  if (blamed) return blamed;
  const timed = trees.filter((tree) => runs.get(tree) !== undefined);
  return timed.sort((a, b) => runs.get(a)!.minutes - runs.get(b)!.minutes)[0];
}

function countsOf(graph: RigGraph, draws: RigDraws | undefined, firstStopMin: number | undefined): Count[] {
  if (firstStopMin === undefined) return [];
  return graph.devices.flatMap(({ part }) => {
    const counted = draws?.usual.get(part.id)?.counted;
    if (!counted) return [];
    return [{ deviceId: part.id, device: part.gear.name, what: counted.what, count: Math.floor((firstStopMin / 60) * counted.perHour) }];
  });
}

/** The two results that everything is planned with, and how they follow. */
function resultFigures({ rig }: RigGraph, firstStopMin: number | undefined, plannedMin: number | undefined, lastSwapMin: number): Figure[] {
  if (firstStopMin === undefined || plannedMin === undefined) return [];
  const base = { role: 'rig', gearId: '', part: rig.name, unit: 'min', from: 'computed' } as const;
  const reserve = say(rig.reserve ?? DEFAULT_RESERVE, 'fraction');
  const since = lastSwapMin > 0 ? ` since the last change at ${say(lastSwapMin, 'min')}` : '';
  return [
    {
      ...base,
      name: 'First stop',
      value: firstStopMin,
      formula: 'capacity over current, integrated along the charge of each battery until a limit breaks or it is empty',
    },
    { ...base, name: 'To plan with', value: plannedMin, formula: `${say(firstStopMin, 'min')} less the reserve of ${reserve}${since}` },
  ];
}

function gearOf({ parts }: RigGraph): ReadonlyMap<string, Gear> {
  return new Map([...parts].map(([id, { gear }]) => [id, gear]));
}

/** The same figure told by two trees is told once. */
function distinct(findings: readonly Finding[]): readonly Finding[] {
  return [...new Map(findings.map((found) => [`${found.code} ${found.gearId} ${found.sentence}`, found])).values()];
}

function distinctFigures(figures: readonly Figure[]): readonly Figure[] {
  return [...new Map(figures.map((figure) => [`${figure.gearId} ${figure.name}`, figure])).values()];
}
