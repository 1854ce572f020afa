import {
  adapterFindings,
  capabilityFindings,
  contractFindings,
  currentFindings,
  peakFindings,
  poeFindings,
  severity,
  togetherFindings,
  voltageFindings,
} from '../findings';
import type { Finding } from '../findings';
import type { PhaseDraws, ResolvedRig, SourceTree } from '../rig';
import { discharge, networkOf } from '../run';
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
/** And where the run ended in the phase: what the phase leaves in the battery. */
const STRANDING = new Set<Finding['code']>([...AT_ONCE, 'charge-stranded']);

/** A moment at which a phase is judged, with each source's charge then. */
interface Moment {
  readonly phase: PhaseDraws;
  readonly number: number;
  readonly fromMin: number;
  readonly soc: Readonly<Record<string, number>>;
  /** The source that the run was stopped with. */
  readonly ended?: string;
}

/**
 * What every phase adds to what the usual modes are judged by: ports, shared limits, cables, fuses, adapters, contracts,
 * windows, modes and peaks, at the charge the sources have when the phase first comes, and again where the run itself was
 * stopped in one with charge left. `known` are the findings so far: the same is not told twice.
 *
 * Cost: a discharge for each source and each phase of its own draws.
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
  const stopped = stops(draws.phases, resolved.rig.repeatPhases === 'again', timeline);
  const stranding = new Set(stopped.map(({ phase }) => drawsOf(phase)));
  const moments = [
    ...firstMoments(draws.phases, timeline).map((moment) => ({
      moment,
      tells: stranding.has(drawsOf(moment.phase)) ? STRANDING : AT_ONCE,
    })),
    // a voltage that has fallen to a window by then is told as the charge that it strands
    ...stopped.map((moment) => ({ moment, tells: AT_ONCE })),
  ];
  for (const { moment, tells } of moments) {
    const isLater = stopped.includes(moment);
    for (const one of findingsAt(resolved, moment, tells)) {
      if (isLater && one.aspect === 'voltage') continue;
      if (harmOf(one) <= (told.get(keyOf(one)) ?? 0) + SAME_HARM) continue;
      told.set(keyOf(one), harmOf(one));
      found.push({ ...one, phase: { number: moment.number, name: phases[moment.number - 1]?.name, fromMin: moment.fromMin } });
    }
  }
  return found;
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

/** Every phase when it first comes; phases of the same draws once. */
function firstMoments(phases: readonly PhaseDraws[], timeline: SystemRun | undefined): Moment[] {
  const seen = new Set<string>();
  let fromMin = 0;
  return phases.flatMap((phase, index) => {
    const at = fromMin;
    fromMin += phase.minutes;
    const key = drawsOf(phase);
    if (seen.has(key)) return [];
    seen.add(key);
    return [{ phase, number: index + 1, fromMin: at, soc: socAt(timeline, at) }];
  });
}

/** Where the run itself was stopped by something else than an empty battery. */
function stops(phases: readonly PhaseDraws[], again: boolean, timeline: SystemRun | undefined): Moment[] {
  const gap = timeline?.firstGapMin;
  const ended = timeline?.events.filter(
    ({ kind, minute }) => (kind === 'source-out' || kind === 'tripped') && gap !== undefined && minute <= gap + SAME_MOMENT,
  );
  return (ended ?? []).flatMap(({ minute, id }) => {
    const soc = socAt(timeline, minute);
    if ((soc[id] ?? 1) < USED_UP) return [];
    const { index, fromMin } = phaseAt(phases, again, minute);
    return [{ phase: phases[index]!, number: index + 1, fromMin, soc, ended: id }];
  });
}

function socAt(timeline: SystemRun | undefined, minute: number): Readonly<Record<string, number>> {
  return timeline?.trace.findLast((point) => point.minute <= minute + SAME_MOMENT)?.soc ?? {};
}

/** The phase that goes on at a minute, and since when; phases come round again where the rig says so, else the last goes on. */
function phaseAt(phases: readonly PhaseDraws[], again: boolean, minute: number): { readonly index: number; readonly fromMin: number } {
  const cycle = phases.reduce((sum, { minutes }) => sum + minutes, 0);
  let fromMin = again ? Math.floor(minute / cycle) * cycle : 0;
  for (const [index, { minutes }] of phases.entries()) {
    if (minute < fromMin + minutes - SAME_MOMENT || index === phases.length - 1) return { index, fromMin };
    fromMin += minutes;
  }
  return { index: 0, fromMin };
}

/** What is wrong at a moment. Of the run from there on only its first instant counts: how it goes on is another phase's. */
function findingsAt(resolved: ResolvedRig, { phase, soc, ended }: Moment, tells: ReadonlySet<Finding['code']>): readonly Finding[] {
  const { trees } = resolved;
  const inPhase: ResolvedRig = {
    ...resolved,
    devices: resolved.devices.map((use) => ({ ...use, modeId: phase.modes.get(use.part.id) })),
  };
  const runs = new Map(
    trees.map((tree) => {
      const run = runFrom(tree, phase, soc[tree.source.id]);
      // at its end a limit is just kept: it is looked at from beyond
      const isBeyond = run && ended === tree.source.id;
      return [tree, isBeyond ? runFrom(tree, phase, Math.max(0, run.endSoc - BEYOND)) : run] as const;
    }),
  );
  const found = [
    ...trees.flatMap((tree) => [
      ...voltageFindings(inPhase, tree, runs.get(tree)),
      ...tree.connections.flatMap((one) => {
        const drawnW = phase.watts.get(one.to.id);
        return [...contractFindings(inPhase, one, drawnW), ...poeFindings(one, drawnW)];
      }),
      ...currentFindings(tree, runs.get(tree)),
      ...adapterFindings(tree, phase.loads),
      ...peakFindings(tree, phase.loads, runs.get(tree)),
      ...togetherFindings(tree, phase.loads, runs.get(tree)),
    ]),
    ...capabilityFindings(inPhase, runs),
  ];
  return found.filter(({ code, verdict }) => verdict === 'stop' || (verdict !== 'good' && tells.has(code)));
}

function runFrom(tree: SourceTree, phase: PhaseDraws, soc: number | undefined): Discharge | undefined {
  const network = networkOf(tree, phase.loads);
  if (!network) return undefined;
  return discharge(soc === undefined ? network : { ...network, pack: { ...network.pack, startSoc: soc } });
}
