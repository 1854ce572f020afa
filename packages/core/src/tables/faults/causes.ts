/** Which part of a rig a cause lies in. */
export type FaultPart = 'battery' | 'lead' | 'adapter' | 'hub' | 'port' | 'device' | 'charger';

export const SYMPTOM_IDS = [
  'flashes-and-dies',
  'off-at-record',
  'no-gauge',
  'will-not-charge',
  'stops-early',
  'will-not-start',
  'other-restarts',
  'lens-error',
] as const;

export type Symptom = (typeof SYMPTOM_IDS)[number];

export interface Cause {
  readonly part: FaultPart;
  /** How often it is behind a symptom, against the other causes; where it is left out `RARE_CAUSE` stands in. */
  readonly weight: Readonly<Partial<Record<Symptom, number>>>;
}

/**
 * What may be behind a symptom. The weights are judgement, collected 2026-11 from what practitioners find when a rig dies:
 * batteries and joints first, electronics last. No table of failures of such gear is published.
 */
export const CAUSES = {
  'battery-low': {
    part: 'battery',
    weight: { 'flashes-and-dies': 2, 'off-at-record': 2, 'stops-early': 4, 'will-not-start': 3, 'lens-error': 1 },
  },
  'battery-worn': {
    part: 'battery',
    weight: { 'flashes-and-dies': 1, 'off-at-record': 2, 'no-gauge': 1, 'will-not-charge': 1, 'stops-early': 4, 'lens-error': 0.5 },
  },
  'battery-cold': {
    part: 'battery',
    weight: { 'off-at-record': 1, 'will-not-charge': 1.5, 'stops-early': 2, 'will-not-start': 1, 'flashes-and-dies': 0.7 },
  },
  'weak-group': {
    part: 'battery',
    weight: { 'off-at-record': 1, 'will-not-charge': 2, 'stops-early': 2, 'flashes-and-dies': 0.6 },
  },
  'bank-asleep': {
    part: 'battery',
    weight: { 'stops-early': 2, 'will-not-start': 1.5, 'flashes-and-dies': 1 },
  },
  'port-weak': {
    part: 'port',
    weight: { 'flashes-and-dies': 2, 'off-at-record': 3, 'will-not-charge': 2, 'will-not-start': 1, 'other-restarts': 1, 'lens-error': 3 },
  },
  'ports-shared': {
    part: 'port',
    weight: { 'off-at-record': 1, 'other-restarts': 4, 'stops-early': 0.5, 'flashes-and-dies': 0.7 },
  },
  renegotiates: {
    part: 'port',
    weight: { 'other-restarts': 3, 'flashes-and-dies': 0.5 },
  },
  'lead-thin': {
    part: 'lead',
    weight: { 'flashes-and-dies': 1.5, 'off-at-record': 2, 'other-restarts': 1, 'lens-error': 1, 'will-not-charge': 1 },
  },
  'contact-loose': {
    part: 'lead',
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
    part: 'lead',
    weight: { 'will-not-start': 1 },
  },
  'fuse-blown': {
    part: 'hub',
    weight: { 'will-not-start': 2, 'will-not-charge': 1, 'stops-early': 0.5 },
  },
  'volts-off': {
    part: 'adapter',
    weight: { 'flashes-and-dies': 2, 'will-not-start': 2, 'no-gauge': 1, 'lens-error': 1 },
  },
  'adapter-weak': {
    part: 'adapter',
    weight: { 'flashes-and-dies': 3, 'off-at-record': 3, 'lens-error': 1 },
  },
  'adapter-refused': {
    part: 'adapter',
    weight: { 'flashes-and-dies': 2, 'no-gauge': 4, 'will-not-charge': 1, 'will-not-start': 1.5, 'lens-error': 1 },
  },
  'gauge-held': {
    part: 'adapter',
    weight: { 'no-gauge': 5, 'stops-early': 1 },
  },
  'start-threshold': {
    part: 'hub',
    weight: { 'will-not-start': 4 },
  },
  'draw-higher': {
    part: 'device',
    weight: { 'stops-early': 3, 'off-at-record': 0.7 },
  },
  'too-hot': {
    part: 'device',
    weight: { 'stops-early': 1.5, 'will-not-charge': 0.5 },
  },
  'charges-when-off': {
    part: 'device',
    weight: { 'will-not-charge': 4, 'stops-early': 0.5 },
  },
  'charger-faulty': {
    part: 'charger',
    weight: { 'will-not-charge': 3, 'stops-early': 0.5 },
  },
  'lens-contacts': {
    part: 'device',
    weight: { 'lens-error': 4 },
  },
  'device-faulty': {
    part: 'device',
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
  /** What no table names: it is never out of the question, and answers that fit nothing else speak for it. */
  'none-of-these': {
    part: 'device',
    weight: {
      'flashes-and-dies': 0.4,
      'off-at-record': 0.4,
      'no-gauge': 0.4,
      'will-not-charge': 0.4,
      'stops-early': 0.4,
      'will-not-start': 0.4,
      'other-restarts': 0.4,
      'lens-error': 0.4,
    },
  },
} as const satisfies Readonly<Record<string, Cause>>;

export type CauseId = keyof typeof CAUSES;

export const CAUSE_IDS = Object.keys(CAUSES) as readonly CauseId[];
