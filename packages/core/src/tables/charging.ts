/** Full voltage is reached here; above it the charger tapers. Typical of Li-ion, and near enough for the others. */
export const TAPER_SOC = 0.8;

/** Share of the power that still goes in, in the middle of the taper. */
export const TAPER_POWER = 0.45;

/** Watts of a lead-acid battery's charge as a share of its watt-hours: 8 to 14 h. */
export const LEAD_RATE = 0.15;

/** Of what a charger takes from the wall. */
export const CHARGER_EFFICIENCY = 0.87;

/** Lithium cells are not charged below this. */
export const COLDEST_CHARGE_C = 0;

/** Share of the watts that fill a battery and stay in it. */
export const OWN_CHARGE_EFFICIENCY = 0.9;

/** From this share on a battery counts as full: a gauge shows 100 %, and nobody waits for the last of the taper. Judgement, 2026-11. */
export const FULL_SHARE = 0.97;
