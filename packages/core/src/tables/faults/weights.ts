/** Sure enough to act on. */
export const FAULT_SURE = 0.85;

/** And as sure by what was seen alone, whatever is frequent. */
export const FAULT_PROVEN = 0.93;

/** How often a cause that a rig can have is behind a symptom for which its table names it not: seldom, and never never. */
export const RARE_CAUSE = 0.05;

/** From this chance on that plus and minus are exchanged, nothing is powered again before that was measured. */
export const RISKS_REVERSED = 0.03;

/** A test that tells less than so many bits is not worth its minutes. */
export const TEST_LEAST_BITS = 0.02;

/** Minutes that any try costs before it begins: to stop, to put down, to look. */
export const TEST_BEGINNING_MIN = 2;

/**
 * By how much what is known of a rig makes a cause likelier, or less likely: judgement, 2026-11. A charge or a health below a
 * step, the first that fits.
 */
export const FACT_TIMES = {
  charge: [
    [0.5, 4],
    [0.9, 1.5],
    [Infinity, 0.5],
  ],
  health: [
    [0.75, 4],
    [0.9, 1.5],
    [Infinity, 0.4],
  ],
  old: { years: 4, cycles: 400, times: 3 },
  young: 0.8,
  cold: 3,
  warm: 0.2,
  drawMeasured: 0.5,
  /** A passed sheet speaks against what it measured, but not for ever. */
  passedSheet: 0.25,
  /** What is not known widens: the cause is taken for somewhat likelier than its table says. */
  notKnown: 1.4,
} as const;

/** By how much what a meter said at a joint speaks for a cause: judgement, 2026-12. */
export const MEASURED_SPEAKS = {
  reversed: ['reversed', 20],
  'too-high': ['volts-off', 12],
  'too-low': ['volts-off', 8],
  'nothing-there': ['contact-loose', 8],
  broken: ['contact-loose', 10],
  short: ['contact-loose', 10],
  'too-far-apart': ['battery-low', 4],
} as const;

/** By how much it speaks for a part that it is marked broken, lent or lost, or that something has happened to it. */
export const STATE_SPEAKS = 6;

/** By how much a finding of the rig, by its code, speaks for a cause: judgement, 2026-11. */
export const FINDING_SPEAKS = {
  'contract-short': ['port-weak', 6],
  'contract-none': ['port-weak', 6],
  'legacy-short': ['port-weak', 6],
  'poe-short': ['port-weak', 6],
  'port-weak': ['port-weak', 4],
  'over-current': ['port-weak', 5],
  'over-current-late': ['port-weak', 3],
  'mode-lost': ['port-weak', 4],
  'mode-lost-late': ['port-weak', 2],
  'mode-closed': ['port-weak', 2],
  'budget-passed': ['ports-shared', 6],
  'budget-shared': ['ports-shared', 2],
  'peak-over-rating': ['lead-thin', 3],
  'peaks-together': ['ports-shared', 5],
  'peak-stops': ['adapter-weak', 3],
  'adapter-overloaded': ['adapter-weak', 6],
  'regulator-hot': ['adapter-weak', 2],
  'wire-drop': ['lead-thin', 4],
  'wire-hot': ['lead-thin', 4],
  'polarity-reversed': ['reversed', 12],
  'polarity-unknown': ['reversed', 4],
  'over-voltage': ['volts-off', 6],
  'under-voltage': ['volts-off', 5],
  'pins-missing': ['adapter-refused', 8],
  'gauge-blind': ['gauge-held', 4],
  'will-not-start': ['start-threshold', 10],
  'will-not-restart': ['start-threshold', 3],
  'bank-switches-off': ['bank-asleep', 6],
  'sink-only-charges': ['charges-when-off', 6],
  'heat-ends': ['too-hot', 4],
  'charge-stranded': ['battery-low', 1.5],
  'changed-by-hand': ['adapter-refused', 3],
  'contacts-stop': ['adapter-refused', 10],
  'groups-stop': ['weak-group', 12],
} as const;
