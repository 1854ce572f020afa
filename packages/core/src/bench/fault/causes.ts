/** Which part of a rig a cause lies in. */
export type FaultPart = 'battery' | 'lead' | 'adapter' | 'hub' | 'port' | 'device' | 'charger';

export const SYMPTOMS = {
  'flashes-and-dies': 'Flashes and dies',
  'off-at-record': 'Runs, but shuts off at the shutter or at record',
  'no-gauge': 'Shows no battery, or the wrong charge',
  'will-not-charge': 'Will not charge',
  'stops-early': 'Stops earlier than planned',
  'will-not-start': 'Will not start on this battery',
  'other-restarts': 'Restarts when another device starts, or a plug goes in',
  'lens-error': 'Lens error, or the top mode stays closed',
} as const;
export type Symptom = keyof typeof SYMPTOMS;

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
  const plain = (text: string): string => text.toLowerCase().replace(/[^a-z]+/g, ' ').trim(); // prettier-ignore
  const ids = Object.keys(SYMPTOMS) as readonly Symptom[];
  return ids.find((id) => [id, SYMPTOMS[id], ...ALSO_SAID[id]].some((one) => plain(one) === plain(said)));
}

export interface Cause {
  readonly says: string;
  readonly part: FaultPart;
  /** What to do once it is found. */
  readonly mend: string;
  /** How often it is behind a symptom, against the other causes; where it is left out it is not behind it. */
  readonly weight: Readonly<Partial<Record<Symptom, number>>>;
}

/**
 * What may be behind a symptom. The weights are judgement, collected 2026-11 from what practitioners find when a rig dies:
 * batteries and joints first, electronics last. No table of failures of such gear is published.
 */
export const CAUSES = {
  'battery-low': {
    says: 'The battery holds less than thought',
    part: 'battery',
    mend: 'Charge it, and enter what it really holds.',
    weight: { 'flashes-and-dies': 2, 'off-at-record': 2, 'stops-early': 4, 'will-not-start': 3, 'lens-error': 1 },
  },
  'battery-worn': {
    says: 'The battery is worn',
    part: 'battery',
    mend: 'Log a run-down; use it for what matters less, or retire it.',
    weight: { 'flashes-and-dies': 1, 'off-at-record': 2, 'no-gauge': 1, 'will-not-charge': 1, 'stops-early': 4, 'lens-error': 0.5 },
  },
  'battery-cold': {
    says: 'The battery is cold',
    part: 'battery',
    mend: 'Keep it and its spares warm, and plan with its temperature.',
    weight: { 'off-at-record': 1, 'will-not-charge': 1.5, 'stops-early': 2, 'will-not-start': 1, 'flashes-and-dies': 0.7 },
  },
  'weak-group': {
    says: 'A group of its cells is weak',
    part: 'battery',
    mend: 'Do not charge it unwatched, and do not fly it: somebody qualified, or recycling.',
    weight: { 'off-at-record': 1, 'will-not-charge': 2, 'stops-early': 2, 'flashes-and-dies': 0.6 },
  },
  'bank-asleep': {
    says: 'The bank switches itself off: it thinks nobody is there',
    part: 'battery',
    mend: 'A bank that stays on, or one more small load on it.',
    weight: { 'stops-early': 2, 'will-not-start': 1.5, 'flashes-and-dies': 1 },
  },
  'port-weak': {
    says: 'The port or its contract gives too little for this mode',
    part: 'port',
    mend: 'A stronger port, or a lighter mode.',
    weight: { 'flashes-and-dies': 2, 'off-at-record': 3, 'will-not-charge': 2, 'will-not-start': 1, 'other-restarts': 1, 'lens-error': 3 },
  },
  'ports-shared': {
    says: 'Several devices together ask for more than the source gives',
    part: 'port',
    mend: 'Feed one of them from elsewhere, or dim it.',
    weight: { 'off-at-record': 1, 'other-restarts': 4, 'stops-early': 0.5, 'flashes-and-dies': 0.7 },
  },
  renegotiates: {
    says: 'The bank agrees anew on all its ports when a plug goes in',
    part: 'port',
    mend: 'Plug everything in before recording, and keep the camera’s own battery in.',
    weight: { 'other-restarts': 3, 'flashes-and-dies': 0.5 },
  },
  'lead-thin': {
    says: 'The lead is too thin, too long, or a USB lead for less current',
    part: 'lead',
    mend: 'A shorter or thicker lead; a USB-C lead marked for 5 A.',
    weight: { 'flashes-and-dies': 1.5, 'off-at-record': 2, 'other-restarts': 1, 'lens-error': 1, 'will-not-charge': 1 },
  },
  'contact-loose': {
    says: 'A plug or contact is loose, dirty or half broken',
    part: 'lead',
    mend: 'Another lead; clean the contacts; tie the lead so that nothing pulls at the plug.',
    weight: {
      'flashes-and-dies': 3,
      'off-at-record': 1.5,
      'no-gauge': 1,
      'will-not-charge': 2,
      'stops-early': 1,
      'will-not-start': 2,
      'other-restarts': 0.7,
      'lens-error': 0.5,
    },
  },
  reversed: {
    says: 'Plus and minus are exchanged at a joint',
    part: 'lead',
    mend: 'Mark the lead as crossed and put it away. Have the device looked at by somebody qualified if it was connected.',
    weight: { 'will-not-start': 1 },
  },
  'fuse-blown': {
    says: 'A fuse has blown, or a switch is off',
    part: 'hub',
    mend: 'Find out why before a fuse of the same value goes in. Never a larger one.',
    weight: { 'will-not-start': 2, 'will-not-charge': 1, 'stops-early': 0.5 },
  },
  'volts-off': {
    says: 'The converter or adapter gives other volts than it should',
    part: 'adapter',
    mend: 'Set it without the camera, measure, lock and label it; or another one.',
    weight: { 'flashes-and-dies': 2, 'will-not-start': 2, 'no-gauge': 1, 'lens-error': 1 },
  },
  'adapter-weak': {
    says: 'The adapter cannot give the peaks',
    part: 'adapter',
    mend: 'An adapter rated for what the camera draws at its worst.',
    weight: { 'flashes-and-dies': 3, 'off-at-record': 3, 'lens-error': 1 },
  },
  'adapter-refused': {
    says: 'The camera does not accept what stands in for its battery: a data or temperature contact differs',
    part: 'adapter',
    mend: 'An adapter made for this very model; ask the maker. Nothing that goes round what the camera checks.',
    weight: { 'flashes-and-dies': 2, 'no-gauge': 4, 'will-not-charge': 1, 'will-not-start': 1.5, 'lens-error': 1 },
  },
  'gauge-held': {
    says: 'The adapter holds its output, so the gauge cannot tell',
    part: 'adapter',
    mend: 'Swap by the clock, or use an adapter that passes the volts through.',
    weight: { 'no-gauge': 5, 'stops-early': 1 },
  },
  'start-threshold': {
    says: 'The plate or converter starts only on a fuller battery',
    part: 'hub',
    mend: 'Start on a full battery; keep it running over a swap, or use a plate that starts lower.',
    weight: { 'will-not-start': 4 },
  },
  'draw-higher': {
    says: 'It draws more than entered',
    part: 'device',
    mend: 'Measure it in this mode, and log it.',
    weight: { 'stops-early': 3, 'off-at-record': 0.7 },
  },
  'too-hot': {
    says: 'Something protects itself from heat',
    part: 'device',
    mend: 'Shade, air, a lighter mode. The camera’s manual says how warm it may be.',
    weight: { 'stops-early': 1.5, 'will-not-charge': 0.5 },
  },
  'charges-when-off': {
    says: 'The camera charges only when it is switched off',
    part: 'device',
    mend: 'Charge overnight, or between takes with the camera off.',
    weight: { 'will-not-charge': 4, 'stops-early': 0.5 },
  },
  'charger-faulty': {
    says: 'The charger, its slot or its contacts',
    part: 'charger',
    mend: 'Another charger or slot; clean the contacts.',
    weight: { 'will-not-charge': 3, 'stops-early': 0.5 },
  },
  'lens-contacts': {
    says: 'The contacts of the lens are dirty, or the lens is not locked',
    part: 'device',
    mend: 'Off, lens off, wipe with a dry lint-free cloth, lock it again.',
    weight: { 'lens-error': 4 },
  },
  'device-faulty': {
    says: 'The device itself',
    part: 'device',
    mend: 'The maker’s service, or somebody qualified.',
    weight: {
      'flashes-and-dies': 0.5,
      'off-at-record': 0.5,
      'no-gauge': 0.5,
      'will-not-charge': 0.5,
      'stops-early': 0.3,
      'will-not-start': 0.5,
      'other-restarts': 0.3,
      'lens-error': 0.5,
    },
  },
} as const satisfies Readonly<Record<string, Cause>>;
export type CauseId = keyof typeof CAUSES;
export const CAUSE_IDS = Object.keys(CAUSES) as readonly CauseId[];
