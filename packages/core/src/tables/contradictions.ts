/**
 * By how much two figures of one thing may differ before they contradict each other, as shares unless named otherwise.
 * Judgement, 2026: printed figures are rounded, wires are sold by the nearest size, meters and plugs add ohms.
 */
export const CONTRADICTS = {
  /** Watts against volts × amps, a rating against a list, a peak against its draw. */
  watts: 0.1,
  /** Watt-hours against cells × amp-hours; measured above printed. */
  energy: 0.1,
  amps: 0.1,
  /** A supply’s volts against its own range. */
  volts: 0.02,
  /** Printed volts of a pack against those of its cells: 3.6 and 3.7 V are both Li-ion. */
  cells: 0.07,
  /** A cut-off may be so far below a chemistry’s own; above, it ends short of the nominal volts. */
  belowCutoff: 0.2,
  /** Volts of a charger below those of a full pack; twice as much above, as lead-acid asks for. */
  charging: 0.1,
  /** AWG 14 is sold as 2.5 mm², and is 2.08. */
  wire: 0.25,
  /** Times: ohms of a pack against those of its cells, of a lead against its wire. */
  ohmsTimes: 2,
  /** Ohms that plugs and the leads of a meter add. */
  plugsOhm: 0.15,
} as const;
