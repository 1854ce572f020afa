import type { RigBalance } from '../balance';
import type { LoadDraw, ResolvedRig, SourceTree } from '../rig/resolved';
import type { Discharge, SystemRun } from '../run';
import { adapterFindings, currentFindings } from './detectors/amps';
import { bareFindings } from './detectors/bare-cells';
import { contractFindings, poeFindings } from './detectors/contracts';
import { doubtfulFindings } from './detectors/contradictions';
import { drawingFindings } from './detectors/drawing';
import { changedFindings, gaugeFindings } from './detectors/gauges';
import { stateFindings } from './detectors/gear-state';
import { lackFindings } from './detectors/lacking';
import { capabilityFindings } from './detectors/modes';
import { mountFindings } from './detectors/mounts';
import { peakFindings, ratedPeakFindings, togetherFindings } from './detectors/peaks';
import { plugFindings } from './detectors/plugs';
import { recordingFindings } from './detectors/recording';
import { parallelFindings, sourceFindings } from './detectors/sources';
import { balanceFindings } from './detectors/standing';
import { voltageFindings } from './detectors/volts';
import { lastsFindings, wholeRigFindings } from './detectors/whole-rig';
import type { Finding, FindingCode } from './facts';

type Runs = ReadonlyMap<SourceTree, Discharge | undefined>;

/**
 * When something can be looked at. `drawn`: before anything is worked out; `matched`: volts and what was agreed, a source at
 * a time, where a stop forbids the run; `flowing`: amps and peaks of each source's run; `able`: modes over what was tried;
 * `whole`: once the rig has been run as a whole, and beside the run.
 */
export type Stage = 'drawn' | 'matched' | 'flowing' | 'able' | 'whole';

/** What detectors look at. What comes later is absent before. */
export interface Looked {
  readonly resolved: ResolvedRig;
  /** As far as they are known. */
  readonly loads: ReadonlyMap<string, LoadDraw> | undefined;
  /** Each source run down; none of one that must not be. */
  readonly runs: Runs;
  /** The same, whether it must be or not. */
  readonly tried?: Runs;
  readonly timeline?: SystemRun | undefined;
  readonly firstStopMin?: number | undefined;
  readonly plannedMin?: number | undefined;
  readonly balance?: RigBalance | undefined;
}

/** One subject, when it is looked at, the codes that may come of it, and how they are found: in the rig, or at one source. */
export type Detector = { readonly subject: string; readonly stage: Stage; readonly codes: readonly FindingCode[] } & (
  | { readonly inRig: (looked: Looked) => readonly Finding[] }
  | { readonly atSource: (looked: Looked, tree: SourceTree) => readonly Finding[] }
);

const NO_LOADS: ReadonlyMap<string, LoadDraw> = new Map();

/** Every detector, in the order in which findings of equal harm are told. */
export const DETECTORS: readonly Detector[] = [
  {
    subject: 'drawing',
    stage: 'drawn',
    codes: ['part-missing', 'used-twice', 'not-fed', 'loop'],
    inRig: ({ resolved }) => drawingFindings(resolved),
  },
  {
    subject: 'plugs',
    stage: 'drawn',
    codes: [
      'connector-fits',
      'connector-mismatch',
      'connector-unknown',
      'cable-missing',
      'polarity-reversed',
      'polarity-unknown',
      'fit-note',
      'pins-missing',
      'port-taken',
      'port-weak',
      'refused',
      'takes-no-power',
      'two-plugs',
    ],
    inRig: ({ resolved }) => plugFindings(resolved),
  },
  {
    subject: 'state of the gear',
    stage: 'drawn',
    codes: ['gear-harmed', 'gear-away'],
    inRig: ({ resolved }) => stateFindings(resolved),
  },
  {
    subject: 'packs joined',
    stage: 'drawn',
    codes: ['parallel-unlike', 'parallel-current', 'series-unlike'],
    inRig: ({ resolved }) => parallelFindings(resolved),
  },
  {
    subject: 'volts',
    stage: 'matched',
    codes: [
      'voltage-fits',
      'over-voltage',
      'over-voltage-charging',
      'supply-sags',
      'cannot-raise',
      'will-not-restart',
      'under-voltage',
      'charge-stranded',
      'will-not-start',
      'wire-drop',
    ],
    atSource: ({ resolved, runs }, tree) => voltageFindings(resolved, tree, runs.get(tree)),
  },
  {
    subject: 'what is agreed',
    stage: 'matched',
    codes: [
      'contract-fits',
      'contract-none',
      'contract-short',
      'legacy-short',
      'budget-shared',
      'sink-needs-battery',
      'sink-only-charges',
      'poe-short',
    ],
    atSource: ({ resolved, loads, runs }, tree) =>
      tree.connections.flatMap((one) => [
        ...contractFindings(resolved, one, loads?.get(one.to.id)?.powerW),
        ...poeFindings(tree, one, loads, runs.get(tree)),
      ]),
  },
  {
    subject: 'amps',
    stage: 'flowing',
    codes: [
      'current-fits',
      'over-current',
      'over-current-late',
      'pack-limit-unknown',
      'bank-switches-off',
      'collapse',
      'budget-passed',
      'regulator-hot',
      'wire-hot',
      'fuse-small',
      'fuse-large',
      'fuse-far',
      'fuse-none',
    ],
    atSource: ({ loads = NO_LOADS, runs }, tree) => currentFindings(tree, loads, runs.get(tree)),
  },
  {
    subject: 'bare cells',
    stage: 'flowing',
    codes: ['nothing-cuts-off'],
    atSource: ({ runs }, tree) => bareFindings(tree, runs.get(tree)),
  },
  {
    subject: 'adapters',
    stage: 'flowing',
    codes: ['adapter-overloaded', 'port-weak', 'two-plugs'],
    atSource: ({ loads = NO_LOADS }, tree) => adapterFindings(tree, loads),
  },
  {
    subject: 'peaks',
    stage: 'flowing',
    codes: ['peak-stops', 'peak-over-rating'],
    atSource: ({ loads = NO_LOADS, runs }, tree) => [
      ...peakFindings(tree, loads, runs.get(tree)),
      ...ratedPeakFindings(tree, loads, runs.get(tree)),
    ],
  },
  {
    subject: 'peaks together',
    stage: 'flowing',
    codes: ['peaks-together'],
    atSource: ({ loads = NO_LOADS, runs }, tree) => togetherFindings(tree, loads, runs.get(tree)),
  },
  {
    subject: 'modes',
    stage: 'able',
    codes: ['mode-lost', 'mode-lost-late', 'mode-closed', 'feature-lost', 'figure-missing'],
    inRig: ({ resolved, runs, tried = runs }) => capabilityFindings(resolved, tried),
  },
  { subject: 'gauges', stage: 'whole', codes: ['gauge-blind'], inRig: ({ resolved, plannedMin }) => gaugeFindings(resolved, plannedMin) },
  { subject: 'changes by hand', stage: 'whole', codes: ['changed-by-hand'], inRig: ({ resolved }) => changedFindings(resolved) },
  {
    subject: 'how long',
    stage: 'whole',
    codes: ['lasts', 'lasts-into-reserve', 'too-short'],
    inRig: ({ resolved, timeline, firstStopMin, plannedMin }) => lastsFindings(resolved, timeline, firstStopMin, plannedMin),
  },
  {
    subject: 'recording',
    stage: 'whole',
    codes: ['take-ends', 'heat-ends'],
    inRig: ({ resolved, firstStopMin }) => recordingFindings(resolved, firstStopMin),
  },
  {
    subject: 'the whole rig',
    stage: 'whole',
    codes: ['single-point', 'stops-together', 'no-cushion', 'battery-drains', 'spare-unfit'],
    inRig: ({ resolved, timeline, plannedMin }) => wholeRigFindings(resolved, timeline, plannedMin),
  },
  {
    subject: 'balance',
    stage: 'whole',
    codes: ['balance-fits', 'balance-unknown', 'tips-over', 'tips-easily', 'payload-passed', 'payload-near', 'swap-shifts'],
    inRig: ({ resolved, balance }) => balanceFindings(resolved, balance),
  },
  {
    subject: 'mounts',
    stage: 'whole',
    codes: ['mount-covers', 'mount-overloaded', 'mount-unweighed'],
    inRig: ({ resolved }) => mountFindings(resolved),
  },
  { subject: 'what lacks', stage: 'whole', codes: ['figure-missing'], inRig: ({ resolved }) => lackFindings(resolved.evidence.lacks) },
  { subject: 'contradictions', stage: 'whole', codes: ['figure-doubtful'], inRig: ({ resolved }) => doubtfulFindings(resolved) },
  {
    subject: 'sources',
    stage: 'whole',
    codes: ['built-in-only', 'charging-harms', 'outside-known', 'series-unlike'],
    inRig: ({ resolved }) => sourceFindings(resolved),
  },
];

/** What all detectors of some stages find: stage after stage, and of each what is at sources source by source. */
export function detected(stages: readonly Stage[], looked: Looked): readonly Finding[] {
  return stages.flatMap((stage) => {
    const own = DETECTORS.filter((one) => one.stage === stage);
    const inRig = own.flatMap((one) => ('inRig' in one ? one.inRig(looked) : []));
    const atSources = looked.resolved.trees.flatMap((tree) => own.flatMap((one) => ('atSource' in one ? one.atSource(looked, tree) : [])));
    return [...inRig, ...atSources];
  });
}
