import type { ChemistryId } from './chemistries';

/** A typical value for what an item does not say, and how far off it may be. */
export interface Assumption {
  readonly typical: number;
  readonly low: number;
  readonly high: number;
  /** The end that costs. */
  readonly worse: 'low' | 'high';
}

const assumption = (typical: number, low: number, high: number, worse: Assumption['worse'] = 'high'): Assumption => ({
  typical,
  low,
  high,
  worse,
});

/**
 * Typical published values, collected 2026-11; each shows as `assumed` in the answer, with its range. A verdict that turns
 * within the range of one of them is `unknown`.
 */
export const ASSUMED = {
  bankEfficiency: assumption(0.88, 0.8, 0.92, 'low'),
  converterEfficiency: assumption(0.9, 0.84, 0.94, 'low'),
  /** Without load: a bank, a box of electronics. */
  bankOwnW: assumption(0.15, 0.02, 0.4),
  /** A converter, an adapter, a plate. */
  converterOwnW: assumption(0.1, 0.02, 0.4),
  /** A metre of 0.75 mm² and two pairs of contacts. */
  cableOhm: assumption(0.08, 0.03, 0.2),
  adapterLeadOhm: assumption(0.05, 0.02, 0.125),
  contactsOhm: assumption(0.01, 0.005, 0.02),
  /** Wire of a lead of which only the length is known, mm². */
  wireMm2: assumption(0.75, 0.5, 1.5, 'low'),
  /** Times the figures that follow from the chemistry. */
  packOhmShare: assumption(1, 0.6, 1.8),
  cutoffShare: assumption(1, 0.95, 1.05),
  /** Times the printed voltage of a regulated supply. */
  supplyShare: assumption(1, 0.95, 1.05, 'low'),
  /** Share of a printed voltage by which a device may be off it, where no window is given. */
  windowShare: assumption(0.1, 0.05, 0.15, 'low'),
} as const;

/**
 * Volts of a cell on its charger or a panel where those are not its full volts: lead-acid 2.27 (float) to 2.47, higher in the
 * cold; LiFePO4 3.55 to 3.65, which are the 14.6 V of four cells; NiMH 1.4 to 1.6 at the end of a quick charge.
 */
const CHARGE = {
  agm: assumption(2.4, 2.27, 2.47),
  lifepo4: assumption(3.65, 3.55, 3.65),
  nimh: assumption(1.5, 1.4, 1.6),
} as const;
export const ASSUMED_CHARGE_CELL_V: Readonly<Partial<Record<ChemistryId, Assumption>>> = CHARGE;

/** Volts of a cell on its charger at the end of a charge; none where it must not be charged. */
export const CHARGE_CELL_V: Readonly<Record<ChemistryId, number | undefined>> = {
  'li-ion': 4.2,
  'li-ion-hv': 4.35,
  lifepo4: CHARGE.lifepo4.typical,
  agm: CHARGE.agm.typical,
  nimh: CHARGE.nimh.typical,
  alkaline: undefined,
  'lithium-metal': undefined,
};

/** Volts at which a vehicle's outlet stands, engine off to charging, by what is printed on it. */
export const VEHICLE_V = { 12: { lowV: 11, highV: 14.8 }, 24: { lowV: 22, highV: 29.5 } } as const;
/** A bare transformer without load, times what is printed on it. */
export const TRANSFORMER_IDLE = 1.3;
/** A USB device for which 5 V are printed. */
export const USB_5V_WINDOW = { minV: 4.4, maxV: 5.5 } as const;
/** Times its amp-hours: what a pack gives for long when nobody says, and how far off that may be. */
export const PACK_LIMIT_C = {
  'li-ion': assumption(2, 1, 6, 'low'),
  'li-ion-hv': assumption(2, 1, 6, 'low'),
  lifepo4: assumption(2, 1, 6, 'low'),
  agm: assumption(0.5, 0.25, 1.5, 'low'),
  nimh: assumption(2, 1, 6, 'low'),
  /** 0.5 A a cell of 2.5 Ah. */
  alkaline: assumption(0.2, 0.1, 0.6, 'low'),
  /** 2 A a cell of 3 Ah. */
  'lithium-metal': assumption(0.6, 0.3, 1, 'low'),
} as const;
/** Below so many amps a bank may take it that nobody is there, where it does not say. */
export const BANK_LEAST_A = assumption(0.06, 0.02, 0.15);

/**
 * The value at a place in its range: 0 the typical one, 1 the end that costs, −1 the other end, straight between.
 *
 * @example valueInRange(ASSUMED.cableOhm, 1) // 0.2
 */
export function valueInRange({ typical, low, high, worse }: Assumption, place: number): number {
  const [bad, good] = worse === 'high' ? [high, low] : [low, high];
  return place >= 0 ? typical + place * (bad - typical) : typical - place * (good - typical);
}

/** The same assumption times a figure. */
export function timesFigure({ typical, low, high, worse }: Assumption, by: number): Assumption {
  return { typical: typical * by, low: low * by, high: high * by, worse };
}
