/**
 * What is known of a cell chemistry when the item itself says nothing better.
 * Typical published values, collected 2026-11; each can be replaced per item by the user's own.
 */
export interface Chemistry {
  readonly name: string;
  /** Volts of one cell as labels count it. */
  readonly nominalCellV: number;
  /** Volts of one cell straight off the charger, without load: the highest a device will meet. */
  readonly fullCellV: number;
  /** Volts of one cell under load at which the pack's protection, or sense, ends the run. */
  readonly cutoffCellV: number;
  /** Volts of one cell under load below which it is harmed: leaks, reverses, does not charge again. */
  readonly floorCellV: number;
  /** Volts of one cell under load at which an alarm is set where nothing cuts off. */
  readonly alarmCellV: number;
  /** Open-circuit volts of one cell over state of charge, straight between points, both rising. */
  readonly ocvPerCell: readonly (readonly [soc: number, voltageV: number])[];
  /** Ohms of one cell times its amp-hours: resistance falls as capacity grows. */
  readonly cellOhmAh: number;
  /** Hours in which the label's watt-hours are delivered. */
  readonly ratedHours: number;
  /** Capacity shrinks as (rated current / current) ^ (exponent - 1) above the rated current; 1 for no such loss. */
  readonly peukertExponent: number;
  /** Which of the cold tables it follows. */
  readonly cold: 'lithium-ion' | 'steep';
  /** Thrown away when empty: never charged. */
  readonly isPrimary?: true;
}

export type ChemistryId = 'li-ion' | 'li-ion-hv' | 'lifepo4' | 'agm' | 'nimh' | 'alkaline' | 'lithium-metal';

const LI_ION_OCV = [
  [0, 3.0],
  [0.05, 3.35],
  [0.1, 3.45],
  [0.2, 3.57],
  [0.3, 3.63],
  [0.4, 3.68],
  [0.5, 3.75],
  [0.6, 3.84],
  [0.7, 3.94],
  [0.8, 4.03],
  [0.9, 4.1],
  [1, 4.19],
] as const;

export const CHEMISTRIES: Readonly<Record<ChemistryId, Chemistry>> = {
  'li-ion': {
    name: 'Li-ion or LiPo',
    nominalCellV: 3.6,
    fullCellV: 4.2,
    cutoffCellV: 3.0,
    floorCellV: 2.5,
    alarmCellV: 3.3,
    ocvPerCell: LI_ION_OCV,
    cellOhmAh: 0.025 * 6, // 25 mΩ a cell at 5-7 Ah
    ratedHours: 5,
    peukertExponent: 1,
    cold: 'lithium-ion',
  },
  'li-ion-hv': {
    name: 'high-voltage Li-ion',
    nominalCellV: 3.8,
    fullCellV: 4.4,
    cutoffCellV: 3.0,
    floorCellV: 2.5,
    alarmCellV: 3.3,
    // the Li-ion curve, its upper half stretched to 4.35 V at full
    ocvPerCell: LI_ION_OCV.map(
      ([soc, volts]) => [soc, soc <= 0.4 ? volts : 3.68 + ((volts - 3.68) * (4.35 - 3.68)) / (4.19 - 3.68)] as const,
    ),
    cellOhmAh: 0.025 * 6,
    ratedHours: 5,
    peukertExponent: 1,
    cold: 'lithium-ion',
  },
  lifepo4: {
    name: 'LiFePO4',
    nominalCellV: 3.2,
    fullCellV: 3.6,
    cutoffCellV: 2.6,
    floorCellV: 2.0,
    alarmCellV: 3.0,
    ocvPerCell: [
      [0, 2.5],
      [0.05, 3.05],
      [0.1, 3.18],
      [0.2, 3.24],
      [0.3, 3.27],
      [0.5, 3.3],
      [0.7, 3.32],
      [0.9, 3.34],
      [0.95, 3.36],
      [1, 3.45],
    ],
    cellOhmAh: 0.025 * 6,
    ratedHours: 5,
    peukertExponent: 1,
    cold: 'steep',
  },
  agm: {
    name: 'AGM lead-acid',
    nominalCellV: 2.0,
    fullCellV: 2.12,
    cutoffCellV: 1.8,
    floorCellV: 1.75,
    alarmCellV: 1.9,
    ocvPerCell: [
      [0, 1.933],
      [0.2, 1.983],
      [0.4, 2.033],
      [0.6, 2.075],
      [0.8, 2.108],
      [1, 2.142],
    ],
    cellOhmAh: 0.01 * 18, // 60 mΩ for six cells of 18 Ah
    ratedHours: 20,
    peukertExponent: 1.12,
    cold: 'steep',
  },
  nimh: {
    name: 'NiMH',
    nominalCellV: 1.2,
    fullCellV: 1.45,
    cutoffCellV: 1.0,
    floorCellV: 0.9,
    alarmCellV: 1.05,
    ocvPerCell: [
      [0, 1.0],
      [0.05, 1.15],
      [0.1, 1.19],
      [0.5, 1.24],
      [0.8, 1.28],
      [1, 1.38],
    ],
    cellOhmAh: 0.03 * 2,
    ratedHours: 5,
    peukertExponent: 1,
    cold: 'lithium-ion',
  },
  alkaline: {
    name: 'alkaline',
    nominalCellV: 1.5,
    fullCellV: 1.6,
    cutoffCellV: 0.9,
    floorCellV: 0.8,
    alarmCellV: 1.0,
    ocvPerCell: [
      [0, 0.9],
      [0.1, 1.05],
      [0.5, 1.25],
      [0.9, 1.45],
      [1, 1.58],
    ],
    cellOhmAh: 0.22 * 2.5, // 0.15-0.3 Ω a cell of 2.5 Ah
    ratedHours: 50, // 2.5 Ah at 50 mA
    peukertExponent: 1 + Math.log10(2.5 / 1.2), // 2.5 Ah at 50 mA, 1.2 Ah at 500 mA
    cold: 'steep',
    isPrimary: true,
  },
  // AA cells of lithium and iron disulphide: 1.8 V fresh, near 1.5 V under load, thrown away when empty
  'lithium-metal': {
    name: 'lithium, not rechargeable',
    nominalCellV: 1.5,
    fullCellV: 1.83,
    cutoffCellV: 0.9,
    floorCellV: 0.8,
    alarmCellV: 1.2,
    ocvPerCell: [
      [0, 0.9],
      [0.05, 1.3],
      [0.1, 1.45],
      [0.3, 1.55],
      [0.5, 1.6],
      [0.9, 1.7],
      [1, 1.8],
    ],
    cellOhmAh: 0.15 * 3, // 0.1-0.2 Ω a cell of 3 Ah
    ratedHours: 15, // 3 Ah at 200 mA
    peukertExponent: 1,
    cold: 'lithium-ion',
    isPrimary: true,
  },
};

/**
 * Whether cells are thrown away when they are empty, and must not be charged.
 *
 * @example isPrimary('alkaline') // true
 */
export function isPrimary(chemistry: ChemistryId): boolean {
  return CHEMISTRIES[chemistry].isPrimary ?? false;
}

/** Grams of lithium in each amp-hour of a cell of lithium metal: about 1 g in an AA of 3 Ah. */
export const LITHIUM_G_PER_AH = 0.33;

export const LITHIUM_CHEMISTRIES: readonly ChemistryId[] = ['li-ion', 'li-ion-hv', 'lifepo4'];

export const isLithium = (chemistry: ChemistryId): boolean => ['li-ion', 'li-ion-hv', 'lifepo4'].includes(chemistry);
