import type { CauseId } from './causes';

/** How often each answer comes, in the order of the answers. */
export type Chances = readonly number[];

/** Something to try or to read, and what it shows with each cause. */
export interface FaultTest {
  /** Minutes of somebody’s hands, about. */
  readonly effortMin: number;
  /** What may be seen, in the order of the chances. */
  readonly answers: readonly string[];
  /** How often each answer comes with a cause. */
  readonly with: Readonly<Partial<Record<CauseId, Chances>>>;
  /** With a cause that is not named. */
  readonly otherwise: Chances;
}

const GONE = ['gone', 'stays'] as const;
/** The first of two answers comes so often. */
const YES: Chances = [0.94, 0.06];
const MOSTLY: Chances = [0.8, 0.2];
const HALF: Chances = [0.5, 0.5];
const NO: Chances = [0.05, 0.95];
const same = (causes: readonly CauseId[], chances: Chances): Partial<Record<CauseId, Chances>> =>
  Object.fromEntries(causes.map((cause) => [cause, chances]));

/**
 * What each try or reading shows with each cause, judgement as the causes’ weights, collected 2026-11. Nothing is certain:
 * no answer ever excludes a cause, it only makes it less likely.
 */
export const FAULT_TESTS = {
  'when-it-comes': {
    effortMin: 0.2,
    answers: ['at-switch-on', 'at-record', 'as-others', 'after-minutes', 'when-touched'],
    with: {
      'battery-low': [0.3, 0.3, 0.04, 0.34, 0.02],
      'battery-worn': [0.15, 0.4, 0.04, 0.39, 0.02],
      'battery-cold': [0.2, 0.35, 0.03, 0.4, 0.02],
      'bank-asleep': [0.15, 0.02, 0.03, 0.78, 0.02],
      'port-weak': [0.2, 0.7, 0.05, 0.03, 0.02],
      'ports-shared': [0.08, 0.2, 0.65, 0.05, 0.02],
      renegotiates: [0.04, 0.02, 0.9, 0.02, 0.02],
      'lead-thin': [0.2, 0.65, 0.07, 0.05, 0.03],
      'contact-loose': [0.14, 0.08, 0.04, 0.06, 0.68],
      'adapter-weak': [0.3, 0.62, 0.03, 0.03, 0.02],
      'adapter-refused': [0.84, 0.04, 0.02, 0.08, 0.02],
      'start-threshold': [0.92, 0.02, 0.02, 0.02, 0.02],
      'too-hot': [0.02, 0.08, 0.02, 0.86, 0.02],
      'draw-higher': [0.02, 0.1, 0.02, 0.84, 0.02],
    },
    otherwise: [0.6, 0.16, 0.06, 0.12, 0.06],
  },
  'other-battery': {
    effortMin: 1,
    answers: GONE,
    with: {
      ...same(['battery-low', 'battery-worn', 'battery-cold', 'weak-group', 'bank-asleep', 'start-threshold'], YES),
      'port-weak': HALF,
      'ports-shared': HALF,
      renegotiates: HALF,
    },
    otherwise: NO,
  },
  'other-lead': {
    effortMin: 1.5,
    answers: GONE,
    with: { 'lead-thin': YES, reversed: YES, 'contact-loose': MOSTLY },
    otherwise: NO,
  },
  'other-adapter': {
    effortMin: 2,
    answers: GONE,
    with: { 'adapter-weak': YES, 'volts-off': YES, 'adapter-refused': MOSTLY, 'gauge-held': HALF, 'contact-loose': [0.3, 0.7] },
    otherwise: NO,
  },
  'own-battery': {
    effortMin: 1,
    answers: GONE,
    with: {
      ...same(['device-faulty', 'lens-contacts', 'charges-when-off', 'charger-faulty'], NO),
      'too-hot': [0.2, 0.8],
      'draw-higher': [0.25, 0.75],
    },
    otherwise: YES,
  },
  'lighter-mode': {
    effortMin: 0.5,
    answers: GONE,
    with: {
      ...same(['port-weak', 'adapter-weak', 'lead-thin'], YES),
      ...same(['ports-shared', 'too-hot', 'draw-higher', 'battery-worn'], [0.65, 0.35]),
      ...same(['battery-low', 'battery-cold', 'weak-group'], HALF),
    },
    otherwise: NO,
  },
  'others-off': {
    effortMin: 0.5,
    answers: GONE,
    with: {
      'ports-shared': YES,
      renegotiates: MOSTLY,
      'port-weak': [0.3, 0.7],
      'lead-thin': [0.35, 0.65],
      'battery-worn': [0.4, 0.6],
      'battery-low': [0.25, 0.75],
    },
    otherwise: NO,
  },
  'plug-again': {
    effortMin: 0.5,
    answers: ['restarts', 'runs-on'],
    with: { renegotiates: YES, 'contact-loose': [0.3, 0.7], 'ports-shared': [0.3, 0.7] },
    otherwise: NO,
  },
  'rest-volts': {
    effortMin: 1,
    answers: ['full', 'half', 'low'],
    with: {
      'battery-low': [0.05, 0.4, 0.55],
      'start-threshold': [0.08, 0.87, 0.05],
      'weak-group': [0.2, 0.5, 0.3],
      'charger-faulty': [0.1, 0.4, 0.5],
      'charges-when-off': [0.3, 0.5, 0.2],
      'bank-asleep': [0.5, 0.2, 0.3],
    },
    otherwise: [0.78, 0.18, 0.04],
  },
  'end-volts': {
    effortMin: 2,
    answers: ['expected', 'off', 'reversed', 'nothing'],
    with: {
      'volts-off': [0.05, 0.9, 0.02, 0.03],
      reversed: [0.03, 0.02, 0.93, 0.02],
      'fuse-blown': [0.04, 0.03, 0.01, 0.92],
      'start-threshold': [0.08, 0.06, 0.01, 0.85],
      'contact-loose': [0.6, 0.1, 0.01, 0.29],
      'bank-asleep': [0.2, 0.02, 0.01, 0.77],
      'battery-low': [0.4, 0.4, 0.01, 0.19],
    },
    otherwise: [0.92, 0.05, 0.01, 0.02],
  },
  'lamp-volts': {
    effortMin: 3,
    answers: ['holds', 'sags', 'cuts'],
    with: {
      'battery-low': [0.15, 0.55, 0.3],
      'battery-worn': [0.15, 0.75, 0.1],
      'battery-cold': [0.2, 0.65, 0.15],
      'weak-group': [0.15, 0.35, 0.5],
      'lead-thin': [0.06, 0.9, 0.04],
      'contact-loose': [0.3, 0.5, 0.2],
      'adapter-weak': [0.08, 0.12, 0.8],
      'port-weak': [0.3, 0.1, 0.6],
      'fuse-blown': [0.03, 0.02, 0.95],
      'ports-shared': [0.6, 0.1, 0.3],
    },
    otherwise: [0.93, 0.05, 0.02],
  },
  wiggle: {
    effortMin: 0.5,
    answers: ['changes', 'same'],
    with: { 'contact-loose': [0.9, 0.1], 'lens-contacts': [0.3, 0.7] },
    otherwise: [0.04, 0.96],
  },
  fuse: {
    effortMin: 1,
    answers: ['blown', 'whole'],
    with: { 'fuse-blown': [0.95, 0.05] },
    otherwise: [0.02, 0.98],
  },
  contract: {
    effortMin: 1,
    answers: ['as-needed', 'less'],
    with: { 'port-weak': [0.06, 0.94], 'lead-thin': [0.3, 0.7], 'ports-shared': [0.35, 0.65], 'bank-asleep': [0.3, 0.7] },
    otherwise: [0.94, 0.06],
  },
  'wake-bank': {
    effortMin: 0.5,
    answers: GONE,
    with: { 'bank-asleep': YES },
    otherwise: NO,
  },
  'full-battery': {
    effortMin: 1,
    answers: GONE,
    with: {
      ...same(['start-threshold', 'battery-low'], YES),
      ...same(['battery-worn', 'battery-cold', 'weak-group'], [0.55, 0.45]),
      'bank-asleep': [0.3, 0.7],
    },
    otherwise: NO,
  },
  warm: {
    effortMin: 4,
    answers: GONE,
    with: { 'battery-cold': [0.93, 0.07], 'battery-worn': [0.25, 0.75], 'weak-group': [0.2, 0.8] },
    otherwise: NO,
  },
  'gauge-falls': {
    effortMin: 4,
    answers: ['fast', 'usual'],
    with: {
      'battery-worn': [0.88, 0.12],
      'weak-group': [0.75, 0.25],
      'draw-higher': [0.7, 0.3],
      'battery-cold': [0.6, 0.4],
      'battery-low': [0.3, 0.7],
    },
    otherwise: NO,
  },
  taps: {
    effortMin: 3,
    answers: ['even', 'uneven'],
    with: { 'weak-group': NO, 'battery-worn': [0.75, 0.25] },
    otherwise: [0.95, 0.05],
  },
  'draw-read': {
    effortMin: 3,
    answers: ['higher', 'as-entered'],
    with: { 'draw-higher': [0.95, 0.05], 'device-faulty': [0.35, 0.65] },
    otherwise: NO,
  },
  'feel-warm': {
    effortMin: 0.3,
    answers: ['device', 'joint', 'cold', 'usual'],
    with: {
      'too-hot': [0.88, 0.05, 0.01, 0.06],
      'lead-thin': [0.03, 0.4, 0.02, 0.55],
      'contact-loose': [0.03, 0.3, 0.02, 0.65],
      'adapter-weak': [0.03, 0.45, 0.02, 0.5],
      'battery-cold': [0.02, 0.02, 0.9, 0.06],
    },
    otherwise: [0.05, 0.03, 0.04, 0.88],
  },
  contacts: {
    effortMin: 5,
    answers: ['same', 'differ'],
    with: { 'adapter-refused': NO, 'volts-off': [0.7, 0.3] },
    otherwise: [0.94, 0.06],
  },
  'gauge-own': {
    effortMin: 1,
    answers: ['stays', 'message', 'moves'],
    with: { 'gauge-held': [0.9, 0.07, 0.03], 'adapter-refused': [0.08, 0.89, 0.03], 'battery-worn': [0.05, 0.1, 0.85] },
    otherwise: [0.2, 0.25, 0.55],
  },
  'switch-off': {
    effortMin: 1,
    answers: ['charges', 'does-not'],
    with: { 'charges-when-off': YES, 'port-weak': [0.3, 0.7], 'too-hot': HALF },
    otherwise: NO,
  },
  'other-charger': {
    effortMin: 2,
    answers: GONE,
    with: { 'charger-faulty': YES, 'port-weak': MOSTLY, 'fuse-blown': [0.7, 0.3] },
    otherwise: NO,
  },
  'wipe-lens': {
    effortMin: 1.5,
    answers: GONE,
    with: { 'lens-contacts': YES },
    otherwise: NO,
  },
} as const satisfies Readonly<Record<string, FaultTest>>;
export type FaultTestId = keyof typeof FAULT_TESTS;
export const FAULT_TEST_IDS = Object.keys(FAULT_TESTS) as readonly FaultTestId[];

/** The chance of each answer with a cause; none is ever nothing. */
export function chancesOf(test: FaultTestId, cause: CauseId): Chances {
  const { with: named, otherwise }: FaultTest = FAULT_TESTS[test];
  // of what nobody named nothing is expected
  if (cause === 'none-of-these') return otherwise.map(() => 1 / otherwise.length);
  return named[cause] ?? otherwise;
}
