/** Steps a source adds as its rating grows; the published power rules for fixed profiles (USB Power Delivery 3.1). */
export const PROFILE_STEPS: readonly { readonly voltageV: number; readonly aboveW: number }[] = [
  { voltageV: 5, aboveW: 0 },
  { voltageV: 9, aboveW: 15 },
  { voltageV: 15, aboveW: 27 },
  { voltageV: 20, aboveW: 45 },
  { voltageV: 28, aboveW: 100 },
  { voltageV: 36, aboveW: 140 },
  { voltageV: 48, aboveW: 180 },
];

export const STANDARD_RANGE_V = 20;

/** A programmable supply reaches 21 V without an extended-range cable. */
export const HIGHEST_WITHOUT_EXTENDED_V = 21;

export const PROGRAMMABLE_STEP_V = 0.02;

/** What every USB port gives before anything is agreed on. */
export const PLAIN_V = 5;

/** Amps of a USB-C port that speaks Power Delivery, towards a device that does not (Type-C current, highest level). */
export const TYPE_C_A = 3;

/** Amps of a USB-A charging port by the standard; makers' own schemes give more, where the port says so. */
export const LEGACY_A = 1.5;

/** USB promises its contract within so much, and at 5 V up to 5.5 V (USB Power Delivery 3.1, 7.1.8). */
export const CONTRACT_SHARE = 0.05;
export const PLAIN_MOST_V = 5.5;
