import type { CauseId, FaultTestId, Symptom } from '../../../tables';

/** What a symptom is called. */
export const SYMPTOMS: Readonly<Record<Symptom, string>> = {
  'flashes-and-dies': 'Flashes and dies',
  'off-at-record': 'Runs, but shuts off at the shutter or at record',
  'no-gauge': 'Shows no battery, or the wrong charge',
  'will-not-charge': 'Will not charge',
  'stops-early': 'Stops earlier than planned',
  'will-not-start': 'Will not start on this battery',
  'other-restarts': 'Restarts when another device starts, or a plug goes in',
  'lens-error': 'Lens error, or the top mode stays closed',
};

/** What else people say of a symptom. */
const ALSO_SAID: Readonly<Record<Symptom, readonly string[]>> = {
  'flashes-and-dies': ['flashes and off', 'powers up and dies'],
  'off-at-record': ['runs but shuts off at the shutter', 'shuts off at the shutter', 'shuts off at record'],
  'no-gauge': ['no gauge', 'wrong gauge'],
  'will-not-charge': ['refuses to charge', 'no charge'],
  'stops-early': ['stops early', 'dies early'],
  'will-not-start': ['will not start', 'does not start', 'no start'],
  'other-restarts': ['monitor restarts when the transmitter starts', 'restarts when another starts'],
  'lens-error': ['camera says lens error in the top mode', 'lens error'],
};

/**
 * The symptom that a text names: by its identifier, as the pages call it, or as people say it; undefined where none.
 *
 * @example symptomOf('Runs but shuts off at the shutter') // 'off-at-record'
 */
export function symptomOf(said: string): Symptom | undefined {
  const plain = (text: string): string =>
    text
      .toLowerCase()
      .replace(/[^a-z]+/g, ' ')
      .trim();
  const ids = Object.keys(SYMPTOMS) as readonly Symptom[];
  return ids.find((id) => [id, SYMPTOMS[id], ...ALSO_SAID[id]].some((one) => plain(one) === plain(said)));
}

/** What a cause is, and what to do once it is found. */
export const CAUSE_WORDS: Readonly<Record<CauseId, { readonly says: string; readonly mend: string }>> = {
  'battery-low': { says: 'The battery holds less than thought', mend: 'Charge it, and enter what it really holds.' },
  'battery-worn': { says: 'The battery is worn', mend: 'Log a run-down; use it for what matters less, or retire it.' },
  'battery-cold': { says: 'The battery is cold', mend: 'Keep it and its spares warm, and plan with its temperature.' },
  'weak-group': {
    says: 'A group of its cells is weak',
    mend: 'Do not charge it unwatched, and do not fly it: somebody qualified, or recycling.',
  },
  'bank-asleep': {
    says: 'The bank switches itself off: it thinks nobody is there',
    mend: 'A bank that stays on, or one more small load on it.',
  },
  'port-weak': {
    says: 'The port gives too little for this mode, or too little is agreed over USB-C',
    mend: 'A stronger port, or a lighter mode.',
  },
  'ports-shared': {
    says: 'Several devices together draw more than the source gives',
    mend: 'Feed one of them from elsewhere, or dim it.',
  },
  renegotiates: {
    says: 'The bank agrees again on all its ports when a plug goes in',
    mend: 'Plug everything in before recording, and keep the camera’s own battery in.',
  },
  'lead-thin': {
    says: 'The lead is too thin, too long, or a USB lead for less current',
    mend: 'A shorter or thicker lead; a USB-C lead marked for 5 A.',
  },
  'contact-loose': {
    says: 'A plug or contact is loose, dirty or half broken',
    mend: 'Another lead; clean the contacts; tie the lead so that nothing pulls at the plug.',
  },
  reversed: {
    says: 'Plus and minus are exchanged at a joint',
    mend: 'Mark the lead as crossed and put it away. Have the device looked at by somebody qualified if it was connected.',
  },
  'fuse-blown': {
    says: 'A fuse has blown, or a switch is off',
    mend: 'Find out why before a fuse of the same value goes in. Never a larger one.',
  },
  'volts-off': {
    says: 'The converter or adapter gives other volts than it should',
    mend: 'Set it without the camera, measure, lock and label it; or another one.',
  },
  'adapter-weak': { says: 'The adapter cannot give the peaks', mend: 'An adapter rated for what the camera draws at its worst.' },
  'adapter-refused': {
    says: 'The camera does not accept what stands in for its battery: a data or temperature contact differs',
    mend: 'An adapter made for this very model; ask the maker. Nothing that goes round what the camera checks.',
  },
  'gauge-held': {
    says: 'The adapter holds its output, so the gauge cannot tell',
    mend: 'Swap by the clock, or use an adapter that passes the volts through.',
  },
  'start-threshold': {
    says: 'The plate or converter starts only on a fuller battery',
    mend: 'Start on a full battery; keep it running over a swap, or use a plate that starts lower.',
  },
  'draw-higher': { says: 'It draws more than entered', mend: 'Measure it in this mode, and log it.' },
  'too-hot': {
    says: 'Something protects itself from heat',
    mend: 'Shade, air, a lighter mode. The camera’s manual says how warm it may be.',
  },
  'charges-when-off': {
    says: 'The camera charges only when it is switched off',
    mend: 'Charge overnight, or between takes with the camera off.',
  },
  'charger-faulty': { says: 'The charger, its slot or its contacts', mend: 'Another charger or slot; clean the contacts.' },
  'lens-contacts': {
    says: 'The contacts of the lens are dirty, or the lens is not locked',
    mend: 'Off, lens off, wipe with a dry lint-free cloth, lock it again.',
  },
  'device-faulty': { says: 'The device itself', mend: 'The maker’s service, or somebody qualified.' },
  'none-of-these': { says: 'None of these', mend: 'Write down what was seen, leave it off, and ask somebody qualified.' },
};

/** What to try or to read, what to mind while doing it, and what may be seen, by the answers of the table. */
export const TEST_WORDS: {
  readonly [T in FaultTestId]: { readonly says: string; readonly mind?: string; readonly answers: Readonly<Record<string, string>> };
} = {
  'when-it-comes': {
    says: 'When does it come?',
    answers: {
      'at-switch-on': 'As it is switched on',
      'at-record': 'At record, shutter, or in the top mode',
      'as-others': 'As another starts, or a plug goes in',
      'after-minutes': 'After some minutes',
      'when-touched': 'As it is moved or touched',
    },
  },
  'other-battery': { says: 'Put another charged battery in its place', answers: { gone: 'It is gone', stays: 'It stays' } },
  'other-lead': { says: 'Put another lead in its place', answers: { gone: 'It is gone', stays: 'It stays' } },
  'other-adapter': { says: 'Put another adapter or converter in its place', answers: { gone: 'It is gone', stays: 'It stays' } },
  'own-battery': { says: 'Run the device on its own original battery', answers: { gone: 'It is gone', stays: 'It stays' } },
  'lighter-mode': { says: 'Put the device into a lighter mode, or dim it', answers: { gone: 'It is gone', stays: 'It stays' } },
  'others-off': { says: 'Switch the other devices off', answers: { gone: 'It is gone', stays: 'It stays' } },
  'plug-again': {
    says: 'Everything running: pull one other plug, and put it back',
    answers: { restarts: 'It restarts then', 'runs-on': 'It runs on' },
  },
  'rest-volts': {
    says: 'Measure the battery at rest, nothing on it',
    answers: { full: 'As a full one', half: 'As a half full one', low: 'Nearly empty, or nothing' },
  },
  'end-volts': {
    says: 'Measure the last joint before the device, nothing on it',
    mind: 'Nothing behind the joint; probes apart. Minus sign: never connect.',
    answers: { expected: 'As expected', off: 'Other volts', reversed: 'With a minus sign', nothing: 'Nothing' },
  },
  'lamp-volts': {
    says: 'Measure the same joint with a lamp or dummy load on it',
    answers: { holds: 'It holds', sags: 'It sags', cuts: 'It cuts out' },
  },
  wiggle: { says: 'Move each plug and lead gently while you watch', answers: { changes: 'Something changes', same: 'Nothing changes' } },
  fuse: {
    says: 'Look at the fuse and every switch on the way',
    mind: 'A fuse blows for a reason: find that first.',
    answers: { blown: 'Blown, or off', whole: 'Whole, and on' },
  },
  contract: {
    says: 'Read the volts and amps agreed on an inline USB meter, or the sign on the screen',
    answers: { 'as-needed': 'As much as it needs', less: 'Less, or none' },
  },
  'wake-bank': {
    says: 'Press the button of the bank, or hang one more small load on it',
    answers: { gone: 'It is gone', stays: 'It stays' },
  },
  'full-battery': { says: 'Start on a battery fresh from its charger', answers: { gone: 'It is gone', stays: 'It stays' } },
  warm: {
    says: 'Warm the battery in an inner pocket for ten minutes',
    mind: 'Body warmth only: never a heater.',
    answers: { gone: 'It is gone', stays: 'It stays' },
  },
  'gauge-falls': {
    says: 'Watch the battery’s own gauge, or its volts, for ten minutes',
    answers: { fast: 'It falls far too fast', usual: 'It falls as it should' },
  },
  taps: {
    says: 'Measure each group at the balance lead',
    mind: 'One tap at a time; a slip across two taps is a short.',
    answers: { even: 'All alike', uneven: 'One is lower' },
  },
  'draw-read': { says: 'Read the draw in this mode on a meter', answers: { higher: 'Higher than entered', 'as-entered': 'As entered' } },
  'feel-warm': {
    says: 'Feel plugs, adapter, battery and device',
    mind: 'Too hot to hold: off, battery out, let it cool where nothing burns.',
    answers: { device: 'The device is hot', joint: 'A plug, lead or adapter is hot', cold: 'The battery is cold', usual: 'As always' },
  },
  contacts: {
    says: 'Compare the contacts with those of the original battery',
    answers: { same: 'All as on the original', differ: 'A data or temperature contact differs' },
  },
  'gauge-own': {
    says: 'On the adapter: does the gauge stay full, or empty, all the time?',
    answers: { stays: 'It stays where it is', message: 'A message, a question mark, or no gauge', moves: 'It moves' },
  },
  'switch-off': {
    says: 'Switch the camera off and watch its charging light',
    answers: { charges: 'It charges now', 'does-not': 'It does not' },
  },
  'other-charger': { says: 'Use another charger, slot or supply', answers: { gone: 'It is gone', stays: 'It stays' } },
  'wipe-lens': {
    says: 'Camera off: take the lens off, wipe its contacts, lock it again',
    answers: { gone: 'It is gone', stays: 'It stays' },
  },
};

/** Noted beside a lead that is too thin. */
export const TOO_THIN_NOTE = 'Too thin for this draw: short runs and small loads only.';
