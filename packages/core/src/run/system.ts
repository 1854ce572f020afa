import type { Pack } from '../physics/cell';
import type { EndCause, Network } from '../physics/circuit';

/**
 * Several sources and the loads they can feed, over time. Each source has the whole tree that it can feed; which loads
 * it feeds at a moment is decided by the loads' feeds, the preferred one first.
 */
export interface System {
  readonly sources: readonly SystemSource[];
  readonly loads: readonly SystemLoad[];
  readonly phases: readonly SystemPhase[];
  /** The phases over and over; otherwise the last one goes on. */
  readonly repeatPhases: boolean;
  /** Nothing is looked at beyond this. */
  readonly horizonMin: number;
}

export interface SystemSource {
  readonly id: string;
  readonly network: Network;
  /** Batteries that take its place, one after the other. */
  readonly spares: readonly { readonly id: string; readonly pack: Pack }[];
  /** Minutes without it while one is changed; 0 for a hot swap. */
  readonly swapMin: number;
  /** A change is made at this charge, before it dies; 0 to run it down. */
  readonly swapAtSoc: number;
  /** Relative, of solved voltages: 1e-9 or more is enough for many random runs. Exact when absent. */
  readonly tolerance?: number;
  /** Once its charge has fallen so far, a peak of this load shuts the load off. */
  readonly peak?: { readonly loadId: string; readonly soc: number; readonly cause: EndCause };
}

export interface SystemLoad {
  readonly id: string;
  readonly feeds: readonly LoadFeed[];
}

/** One feed to feed a load. */
export interface LoadFeed {
  readonly sourceId: string;
  /** A contract: what is drawn above it comes from the load's own battery, where there is one that mixes. */
  readonly maxW?: number;
  /** The source of this feed is the load's own battery: it can add to another feed. */
  readonly own?: boolean;
  /** Shares the load with the other feeds that have such a share. */
  readonly share?: number;
  /** Never runs the load, only fills its own battery while it is off. */
  readonly onlyCharges?: boolean;
  /** Watts with which it fills the load's own battery out of what is left over. */
  readonly chargeW?: number;
}

export interface SystemPhase {
  readonly minutes: number;
  /** Watts of each load. */
  readonly loadW: Readonly<Record<string, number>>;
}

/** Something that happened in a run. */
export interface RunEvent {
  readonly minute: number;
  readonly kind: 'swap' | 'source-out' | 'tripped' | 'gap' | 'back' | 'fallback' | 'own-battery-flat';
  /** The source or load concerned. */
  readonly id: string;
  readonly cause?: EndCause | undefined;
  /** The feed, load or pack that gave out. */
  readonly at?: string | undefined;
  /** What it now runs from, or the battery put in. */
  readonly by?: string | undefined;
}

export interface LoadRun {
  readonly id: string;
  /** When it first had no power though it wanted some, changes of battery apart; the horizon came first when undefined. */
  readonly firstGapMin: number | undefined;
  readonly poweredMin: number;
  readonly gapMin: number;
  readonly energyWh: number;
}

export interface SystemRun {
  readonly minutes: number;
  /** What it cost: events and intervals gone through. */
  readonly steps: number;
  readonly firstGapMin: number | undefined;
  readonly events: readonly RunEvent[];
  readonly loads: readonly LoadRun[];
  /** Charge of every source's present battery over time, a point at every event and step. */
  readonly trace: readonly { readonly minute: number; readonly soc: Readonly<Record<string, number>> }[];
  readonly sources: readonly { readonly id: string; readonly endSoc: number; readonly swaps: number; readonly packWh: number }[];
}

/** How one run differs from the plan: factors on what is uncertain, in the order of the system's loads and sources. */
export interface Variation {
  readonly loadFactor: ArrayLike<number>;
  readonly capacityFactor: ArrayLike<number>;
  readonly resistanceFactor: ArrayLike<number>;
  /** Added to every converter's efficiency, by source. */
  readonly efficiencyShift: ArrayLike<number>;
  /** One part of a circuit as it may be instead. */
  readonly instead?: PartInstead | undefined;
}

/** A feed of every source that has it, with figures of its own instead of those of the network. */
export interface PartInstead {
  readonly feedId: string;
  readonly addedOhm?: number;
  readonly efficiency?: number;
  readonly standbyW?: number;
  /** Of the load that a part is to itself. */
  readonly ownW?: number;
}
