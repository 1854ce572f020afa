/**
 * What the usual international rules let a passenger take: lithium-ion freely to 100 Wh and with approval to 160 Wh, lead-acid
 * to 12 V and 100 Wh, lithium metal by grams. The carrier and the local authority decide.
 */
export const USUAL_FLIGHT_LIMITS = {
  asOf: '2026-11',
  source: 'ICAO Technical Instructions, Part 8, as carriers publish them',
  freeWh: 100,
  approvalWh: 160,
  approvalSpares: 2,
  spares: 20,
  leadAcidWh: 100,
  leadAcidV: 12,
  leadAcidSpares: 2,
  freeLithiumG: 2,
  approvalLithiumG: 8,
} as const;

/** Months after which a set of rules is to be looked up again. */
export const RULES_OLD_MONTHS = 6;
