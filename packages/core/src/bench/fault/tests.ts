import { localId } from '../../gear';
import { choice, object } from '../../shape';
import type { CauseId } from './causes';

type Chances = readonly number[];

/** Something to try or to read, and what it shows with each cause. */
export interface FaultTest {
  readonly says: string;
  /** Minutes of somebody’s hands, about. */
  readonly effortMin: number;
  /** What may be seen, in the order of the chances. */
  readonly answers: readonly { readonly id: string; readonly says: string }[];
  /** How often each answer comes with a cause. */
  readonly with: Readonly<Partial<Record<CauseId, Chances>>>;
  /** With a cause that is not named. */
  readonly otherwise: Chances;
  /** What to mind while doing it. */
  readonly mind?: string;
}

const GONE = [
  { id: 'gone', says: 'It is gone' },
  { id: 'stays', says: 'It stays' },
] as const;
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
    says: 'When does it come?',
    effortMin: 0.2,
    answers: [
      { id: 'at-switch-on', says: 'As it is switched on' },
      { id: 'at-record', says: 'At record, shutter, or in the top mode' },
      { id: 'as-others', says: 'As another starts, or a plug goes in' },
      { id: 'after-minutes', says: 'After some minutes' },
      { id: 'when-touched', says: 'As it is moved or touched' },
    ],
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
    says: 'Put another charged battery in its place',
    effortMin: 1,
    answers: GONE,
    with: { ...same(['battery-low', 'battery-worn', 'battery-cold', 'weak-group', 'bank-asleep', 'start-threshold'], YES), 'port-weak': HALF, 'ports-shared': HALF, renegotiates: HALF }, // prettier-ignore
    otherwise: NO,
  },
  'other-lead': {
    says: 'Put another lead in its place',
    effortMin: 1.5,
    answers: GONE,
    with: { 'lead-thin': YES, reversed: YES, 'contact-loose': MOSTLY },
    otherwise: NO,
  },
  'other-adapter': {
    says: 'Put another adapter or converter in its place',
    effortMin: 2,
    answers: GONE,
    with: { 'adapter-weak': YES, 'volts-off': YES, 'adapter-refused': MOSTLY, 'gauge-held': HALF, 'contact-loose': [0.3, 0.7] },
    otherwise: NO,
  },
  'own-battery': {
    says: 'Run the device on its own original battery',
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
    says: 'Put the device into a lighter mode, or dim it',
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
    says: 'Switch the other devices off',
    effortMin: 0.5,
    answers: GONE,
    with: { 'ports-shared': YES, renegotiates: MOSTLY, 'port-weak': [0.3, 0.7], 'lead-thin': [0.35, 0.65], 'battery-worn': [0.4, 0.6], 'battery-low': [0.25, 0.75] }, // prettier-ignore
    otherwise: NO,
  },
  'plug-again': {
    says: 'Everything running: pull one other plug, and put it back',
    effortMin: 0.5,
    answers: [
      { id: 'restarts', says: 'It restarts then' },
      { id: 'runs-on', says: 'It runs on' },
    ],
    with: { renegotiates: YES, 'contact-loose': [0.3, 0.7], 'ports-shared': [0.3, 0.7] },
    otherwise: NO,
  },
  'rest-volts': {
    says: 'Measure the battery at rest, nothing on it',
    effortMin: 1,
    answers: [
      { id: 'full', says: 'As a full one' },
      { id: 'half', says: 'As a half full one' },
      { id: 'low', says: 'Nearly empty, or nothing' },
    ],
    with: { 'battery-low': [0.05, 0.4, 0.55], 'start-threshold': [0.08, 0.87, 0.05], 'weak-group': [0.2, 0.5, 0.3], 'charger-faulty': [0.1, 0.4, 0.5], 'charges-when-off': [0.3, 0.5, 0.2], 'bank-asleep': [0.5, 0.2, 0.3] }, // prettier-ignore
    otherwise: [0.78, 0.18, 0.04],
  },
  'end-volts': {
    says: 'Measure the last joint before the device, nothing on it',
    effortMin: 2,
    answers: [
      { id: 'expected', says: 'As expected' },
      { id: 'off', says: 'Other volts' },
      { id: 'reversed', says: 'With a minus sign' },
      { id: 'nothing', says: 'Nothing' },
    ],
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
    mind: 'Nothing behind the joint; probes apart. Minus sign: never connect.',
  },
  'lamp-volts': {
    says: 'Measure the same joint with a lamp or dummy load on it',
    effortMin: 3,
    answers: [
      { id: 'holds', says: 'It holds' },
      { id: 'sags', says: 'It sags' },
      { id: 'cuts', says: 'It cuts out' },
    ],
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
    says: 'Move each plug and lead gently while you watch',
    effortMin: 0.5,
    answers: [
      { id: 'changes', says: 'Something changes' },
      { id: 'same', says: 'Nothing changes' },
    ],
    with: { 'contact-loose': [0.9, 0.1], 'lens-contacts': [0.3, 0.7] },
    otherwise: [0.04, 0.96],
  },
  fuse: {
    says: 'Look at the fuse and every switch on the way',
    effortMin: 1,
    answers: [
      { id: 'blown', says: 'Blown, or off' },
      { id: 'whole', says: 'Whole, and on' },
    ],
    with: { 'fuse-blown': [0.95, 0.05] },
    otherwise: [0.02, 0.98],
    mind: 'A fuse blows for a reason: find that first.',
  },
  contract: {
    says: 'Read the contract on an inline USB meter, or the sign on the screen',
    effortMin: 1,
    answers: [
      { id: 'as-needed', says: 'As much as it needs' },
      { id: 'less', says: 'Less, or none' },
    ],
    with: { 'port-weak': [0.06, 0.94], 'lead-thin': [0.3, 0.7], 'ports-shared': [0.35, 0.65], 'bank-asleep': [0.3, 0.7] },
    otherwise: [0.94, 0.06],
  },
  'wake-bank': {
    says: 'Press the button of the bank, or hang one more small load on it',
    effortMin: 0.5,
    answers: GONE,
    with: { 'bank-asleep': YES },
    otherwise: NO,
  },
  'full-battery': {
    says: 'Start on a battery fresh from its charger',
    effortMin: 1,
    answers: GONE,
    with: { ...same(['start-threshold', 'battery-low'], YES), ...same(['battery-worn', 'battery-cold', 'weak-group'], [0.55, 0.45]), 'bank-asleep': [0.3, 0.7] }, // prettier-ignore
    otherwise: NO,
  },
  warm: {
    says: 'Warm the battery in an inner pocket for ten minutes',
    effortMin: 4,
    answers: GONE,
    with: { 'battery-cold': [0.93, 0.07], 'battery-worn': [0.25, 0.75], 'weak-group': [0.2, 0.8] },
    otherwise: NO,
    mind: 'Body warmth only: never a heater.',
  },
  'gauge-falls': {
    says: 'Watch the battery’s own gauge, or its volts, for ten minutes',
    effortMin: 4,
    answers: [
      { id: 'fast', says: 'It falls far too fast' },
      { id: 'usual', says: 'It falls as it should' },
    ],
    with: { 'battery-worn': [0.88, 0.12], 'weak-group': [0.75, 0.25], 'draw-higher': [0.7, 0.3], 'battery-cold': [0.6, 0.4], 'battery-low': [0.3, 0.7] }, // prettier-ignore
    otherwise: NO,
  },
  taps: {
    says: 'Measure each group at the balance lead',
    effortMin: 3,
    answers: [
      { id: 'even', says: 'All alike' },
      { id: 'uneven', says: 'One is lower' },
    ],
    with: { 'weak-group': NO, 'battery-worn': [0.75, 0.25] },
    otherwise: [0.95, 0.05],
    mind: 'One tap at a time; a slip across two taps is a short.',
  },
  'draw-read': {
    says: 'Read the draw in this mode on a meter',
    effortMin: 3,
    answers: [
      { id: 'higher', says: 'Higher than entered' },
      { id: 'as-entered', says: 'As entered' },
    ],
    with: { 'draw-higher': [0.95, 0.05], 'device-faulty': [0.35, 0.65] },
    otherwise: NO,
  },
  'feel-warm': {
    says: 'Feel plugs, adapter, battery and device',
    effortMin: 0.3,
    answers: [
      { id: 'device', says: 'The device is hot' },
      { id: 'joint', says: 'A plug, lead or adapter is hot' },
      { id: 'cold', says: 'The battery is cold' },
      { id: 'usual', says: 'As always' },
    ],
    with: {
      'too-hot': [0.88, 0.05, 0.01, 0.06],
      'lead-thin': [0.03, 0.4, 0.02, 0.55],
      'contact-loose': [0.03, 0.3, 0.02, 0.65],
      'adapter-weak': [0.03, 0.45, 0.02, 0.5],
      'battery-cold': [0.02, 0.02, 0.9, 0.06],
    },
    otherwise: [0.05, 0.03, 0.04, 0.88],
    mind: 'Too hot to hold: off, battery out, let it cool where nothing burns.',
  },
  contacts: {
    says: 'Compare the contacts with those of the original battery',
    effortMin: 5,
    answers: [
      { id: 'same', says: 'All as on the original' },
      { id: 'differ', says: 'A data or temperature contact differs' },
    ],
    with: { 'adapter-refused': NO, 'volts-off': [0.7, 0.3] },
    otherwise: [0.94, 0.06],
  },
  'gauge-own': {
    says: 'On the adapter: does the gauge stay full, or empty, all the time?',
    effortMin: 1,
    answers: [
      { id: 'stays', says: 'It stays where it is' },
      { id: 'message', says: 'A message, a question mark, or no gauge' },
      { id: 'moves', says: 'It moves' },
    ],
    with: { 'gauge-held': [0.9, 0.07, 0.03], 'adapter-refused': [0.08, 0.89, 0.03], 'battery-worn': [0.05, 0.1, 0.85] },
    otherwise: [0.2, 0.25, 0.55],
  },
  'switch-off': {
    says: 'Switch the camera off and watch its charging light',
    effortMin: 1,
    answers: [
      { id: 'charges', says: 'It charges now' },
      { id: 'does-not', says: 'It does not' },
    ],
    with: { 'charges-when-off': YES, 'port-weak': [0.3, 0.7], 'too-hot': HALF },
    otherwise: NO,
  },
  'other-charger': {
    says: 'Use another charger, slot or supply',
    effortMin: 2,
    answers: GONE,
    with: { 'charger-faulty': YES, 'port-weak': MOSTLY, 'fuse-blown': [0.7, 0.3] },
    otherwise: NO,
  },
  'wipe-lens': {
    says: 'Camera off: take the lens off, wipe its contacts, lock it again',
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
  return named[cause] ?? otherwise;
}

/** One try with what was seen; both by the names of the table. */
export const faultAnswerShape = object('A try', {
  test: choice('Test', Object.fromEntries(FAULT_TEST_IDS.map((id) => [id, FAULT_TESTS[id].says])) as Record<FaultTestId, string>),
  answer: localId('Answer'),
});
