import type { Connector, Covered, MountPlace, Plus } from '../gear';
import type { EndCause } from '../physics/circuit';
import type { Contract } from '../physics/usb';
import type { Role } from '../rig/drawn';
import type { CurrentLimit, Figure, LackOf, SpareTrouble } from '../rig/resolved';
import type { Contacts, Lasting, Mounted, Need, Pair, Payload, ShortContract, Standing, Unseen, VoltageRange, Window } from './fact-parts';
import type { DoubtFacts, StateFacts } from './facts-of-gear';
import type { FindingLevel } from './verdict';

/**
 * What each finding compares: figures with their unit in the name, and the names of what they are of. `words` has a
 * sentence for every code and does not compile without one.
 */
export interface Facts extends StateFacts, DoubtFacts {
  // how the rig is drawn
  'part-missing':
    | { readonly gone: 'part'; readonly kind: string | undefined }
    | { readonly gone: 'mode' | 'phase-mode'; readonly device: string; readonly mode: string }
    | { readonly gone: 'phase-device' }
    | { readonly gone: 'output' | 'input'; readonly of: string; readonly port: string };
  'used-twice': { readonly of: string; readonly port: string | undefined };
  'not-fed': { readonly of: string; readonly handsOn: boolean };
  loop: { readonly of: string };
  // plugs
  'connector-fits': { readonly from: string; readonly to: string; readonly connector: string };
  'connector-mismatch': { readonly from: string; readonly to: string; readonly has: string; readonly takes: string };
  'connector-unknown': {
    readonly from: string;
    readonly to: string;
    readonly has: string;
    readonly takes: string;
    readonly barrel: boolean;
  };
  'cable-missing': { readonly from: string; readonly to: string; readonly socket: string };
  'polarity-reversed': {
    readonly from: string;
    readonly to: string;
    readonly device: string;
    readonly crossed: boolean;
    readonly connector: Connector['type'];
    /** Where plus comes, and where it is taken. */
    readonly comes: Plus;
    readonly takes: Plus;
  };
  'polarity-unknown': { readonly from: string; readonly to: string; readonly connector: string };
  'port-taken': { readonly port: string; readonly device: string; readonly duty: 'control' | 'data' | undefined };
  'fit-note': { readonly of: string; readonly note: string };
  'takes-no-power': Contacts;
  'pins-missing': Contacts & { readonly missing: readonly ('thermistor' | 'data')[] };
  refused: { readonly by: string; readonly adapter: string; readonly grip: boolean };
  // what is not known
  'figure-missing':
    | { readonly lack: LackOf; readonly of: string; readonly port: string | undefined; readonly readW: number | undefined }
    | { readonly lack: 'mode'; readonly device: string; readonly mode: string | undefined; readonly need: Need }
    | { readonly lack: 'feature'; readonly device: string; readonly feature: string; readonly silently: boolean; readonly need: Need };
  /** What would be found at another value of what is assumed, and what that is. */
  'assumption-decides': { readonly otherwise: Finding; readonly stopsAsAssumed: boolean; readonly assumed: readonly Figure[] };
  'outside-known': { readonly battery: string; readonly temperatureC: number; readonly lowestC: number };
  // volts
  'voltage-fits': VoltageRange & Window & { readonly minV: number; readonly maxV: number };
  'over-voltage': VoltageRange & Window & { readonly maxV: number };
  'over-voltage-charging': { readonly battery: string; readonly place: string; readonly chargeV: number; readonly maxV: number };
  'supply-sags': VoltageRange & Window & { readonly minV: number };
  'cannot-raise': { readonly converter: string; readonly outV: number; readonly source: string; readonly givenV: number };
  'will-not-restart': {
    readonly place: string;
    readonly source: string;
    readonly startV: number;
    /** When and at which charge it has come down to that; undefined where the run was not followed. */
    readonly fromMin: number | undefined;
    readonly charge: number | undefined;
  };
  'parallel-unlike': Pair & { readonly why: 'supply' | 'chemistry' | 'cells' | 'never' };
  'parallel-current': Pair & {
    readonly oneV: number;
    readonly otherV: number;
    readonly ohm: number;
    readonly currentA: number;
    readonly limitA: number;
  };
  'series-unlike': { readonly hub: string; readonly batteries: string } & (
    | { readonly why: 'chemistry' }
    | { readonly why: 'capacity'; readonly lowAh: number; readonly highAh: number }
    | { readonly why: 'charge'; readonly lowCharge: number; readonly highCharge: number }
  );
  'charging-harms': { readonly battery: string; readonly why: 'cold' | 'primary' | 'feeding'; readonly temperatureC: number };
  'under-voltage': VoltageRange & Window & { readonly minV: number; readonly arrivesV: number };
  'charge-stranded':
    | {
        readonly by: 'cutoff';
        readonly battery: string;
        readonly loads: readonly string[];
        readonly cutoffV: number;
        readonly charge: number;
        readonly leftWh: number;
      }
    | ({
        readonly by: 'window';
        readonly battery: string;
        readonly minV: number;
        readonly charge: number;
        readonly leftWh: number;
        readonly leftShare: number;
        /** One cell more in series would still be within the window when full. */
        readonly oneMoreFits: boolean;
      } & VoltageRange &
        Window)
    | ({ readonly by: 'window-untimed'; readonly minV: number } & VoltageRange & Window);
  /** No board ends the discharge of bare cells: what hangs on them does, or nothing. */
  'nothing-cuts-off': {
    readonly battery: string;
    readonly cells: number;
    /** Volts under load at which the run ends; undefined where nothing ends it. */
    readonly endsV: number | undefined;
    readonly floorV: number;
    readonly alarmV: number;
    readonly primary: boolean;
  };
  'will-not-start': VoltageRange & {
    readonly place: string;
    readonly startV: number;
    readonly givenV: number;
    readonly charge: number;
    /** Enough volts without load, too few once the others draw. */
    readonly underLoad: boolean;
  };
  'wire-drop': {
    readonly cable: string;
    readonly to: string;
    readonly dropV: number;
    readonly dropShare: number;
    readonly currentA: number;
  };
  // amps
  'current-fits': { readonly startA: number; readonly endA: number; readonly limit: CurrentLimit };
  'over-current':
    | { readonly at: 'lead'; readonly to: string; readonly startA: number; readonly endA: number; readonly limit: CurrentLimit }
    | { readonly at: 'battery'; readonly battery: string; readonly maxA: number; readonly isBare: boolean };
  'over-current-late':
    | {
        readonly at: 'lead';
        readonly to: string;
        readonly startA: number;
        readonly endA: number;
        readonly limit: CurrentLimit;
        readonly afterMin: number;
        readonly arrivesV: number;
      }
    | { readonly at: 'battery'; readonly battery: string; readonly maxA: number; readonly isBare: boolean; readonly afterMin: number };
  'pack-limit-unknown': {
    readonly battery: string;
    readonly currentA: number;
    readonly usualA: number;
    readonly lowA: number;
    readonly highA: number;
  };
  'bank-switches-off': {
    readonly bank: string;
    readonly loads: readonly string[];
    readonly currentA: number;
    /** What it says; undefined where the range of such banks stands in. */
    readonly leastA: number | undefined;
    readonly lowA: number;
    readonly highA: number;
  };
  'peak-stops': { readonly battery: string; readonly peakW: number; readonly charge: number; readonly afterMin: number };
  /** A peak above what a lead or an input is rated for: nothing ends it. */
  'peak-over-rating': { readonly device: string; readonly peakW: number; readonly peakA: number; readonly limit: CurrentLimit };
  'peaks-together': {
    readonly source: string;
    readonly devices: readonly string[];
    readonly powerW: number;
    readonly charge: number;
    readonly breaks: EndCause;
    readonly limit: CurrentLimit | undefined;
  };
  collapse: { readonly source: string; readonly loads: readonly string[]; readonly afterMin: number };
  'adapter-overloaded': {
    readonly adapter: string;
    readonly load: string;
    readonly wantedW: number;
    readonly ratedW: number;
    readonly atPeaks: boolean;
  };
  'budget-passed': {
    readonly of: string;
    readonly budget: string;
    readonly maxA: number | undefined;
    readonly maxW: number | undefined;
    readonly takenA: number;
    readonly afterMin: number;
  };
  'budget-shared': {
    readonly port: string;
    readonly of: string;
    readonly neighbours: readonly string[];
    readonly device: string;
    readonly contractW: number;
    /** Its own battery bridges the moment without. */
    readonly bridged: boolean;
  };
  'regulator-hot': {
    readonly adapter: string;
    readonly inV: number;
    readonly outV: number;
    readonly currentA: number;
    readonly heatW: number;
  };
  'wire-hot': {
    readonly cable: string;
    readonly to: string;
    readonly areaMm2: number;
    readonly currentA: number;
    readonly carriesA: number;
  };
  'fuse-small': { readonly fuseA: number; readonly currentA: number; readonly wantedA: number; readonly sizeA: number };
  'fuse-large': { readonly fuseA: number; readonly carriesA: number };
  'fuse-far': { readonly cable: string; readonly source: string };
  'fuse-none': { readonly from: string; readonly to: string; readonly sizeA: number | undefined };
  // USB
  'contract-fits': { readonly contract: Contract; readonly needW: number };
  'contract-none': {
    readonly why: 'no-delivery' | 'usb-a-end' | 'cable-range' | 'no-profile';
    /** The port of the source, and the cable where that is what keeps them apart. */
    readonly port: string;
    readonly of: string;
    readonly cable: string | undefined;
    readonly device: string;
    readonly minV: number;
    readonly maxV: number;
  };
  'contract-short': ShortContract;
  'legacy-short': ShortContract;
  'poe-short': { readonly device: string; readonly agreedW: number; readonly wantedW: number };
  'sink-needs-battery': { readonly device: string };
  'sink-only-charges': { readonly device: string };
  'battery-drains': { readonly device: string; readonly flatMin: number };
  // what is lost
  'mode-lost': { readonly device: string; readonly mode: string | undefined; readonly need: Need };
  'mode-lost-late': { readonly device: string; readonly mode: string | undefined; readonly need: Need };
  'mode-closed': { readonly device: string; readonly mode: string; readonly need: Need };
  'feature-lost': { readonly device: string; readonly feature: string; readonly silently: boolean; readonly need: Need };
  'gauge-blind': {
    readonly adapter: string;
    readonly device: string;
    readonly shows: 'always-full' | 'none' | undefined;
    readonly plannedMin: number | undefined;
  };
  'changed-by-hand': {
    readonly part: string;
    readonly changes: number;
    /** The last of them. */
    readonly what: string;
    readonly unseen: readonly Unseen[];
  };
  // how it stands
  'balance-fits': ({ readonly on: 'feet' } & Standing) | ({ readonly on: 'stabiliser' } & Payload);
  'balance-unknown': { readonly places: readonly string[]; readonly masses: readonly string[] };
  'tips-over': Standing;
  'tips-easily': Standing;
  'payload-passed': Payload;
  'payload-near': Payload;
  'swap-shifts': { readonly battery: string; readonly spare: string; readonly alongMm: number; readonly massG: number };
  // the rig as a whole
  'single-point': { readonly parts: readonly string[]; readonly stops: readonly string[]; readonly devices: number };
  'stops-together': { readonly parts: readonly string[]; readonly stops: readonly string[]; readonly devices: number };
  'built-in-only': { readonly device: string; readonly energyWh: number };
  'no-cushion': {
    readonly devices: readonly string[];
    readonly wantedMin: number;
    readonly firstSwapMin: number;
    /** Minutes without power at each change. */
    readonly swapMin: number;
  };
  /** A recording ends by itself, though there is power. */
  'take-ends': {
    readonly device: string;
    readonly mode: string | undefined;
    readonly takeMin: number;
    readonly runsMin: number | undefined;
  };
  'heat-ends': {
    readonly device: string;
    readonly mode: string | undefined;
    readonly hotMin: number;
    readonly hotFromC: number | undefined;
    readonly coolMin: number | undefined;
    readonly temperatureC: number;
    readonly assumed: boolean;
    readonly runsMin: number | undefined;
  };
  'port-weak': { readonly adapter: string; readonly port: string; readonly of: string; readonly portA: number; readonly leastA: number };
  'two-plugs': { readonly adapter: string; readonly port: string; readonly of: string; readonly second: string | undefined };
  /** Where things sit. */
  'mount-covers': {
    readonly part: string;
    readonly device: string;
    readonly place: MountPlace;
    readonly what: Covered['what'];
    readonly port: string | undefined;
    /** The port is in use in this rig. */
    readonly blocked: boolean;
  };
  'mount-overloaded': Mounted;
  'mount-unweighed': Mounted;
  'spare-unfit': { readonly spare: string; readonly battery: string; readonly trouble: SpareTrouble };
  lasts: Lasting;
  'lasts-into-reserve': Lasting;
  'too-short': Lasting;
}

export type FindingCode = keyof Facts;

/** What a finding is about, in the order in which they are checked before power is applied. */
export type Aspect = 'connector' | 'voltage' | 'current' | 'modes' | 'gauge' | 'balance' | 'run';

/** Where a finding is. */
export interface FindingPlace {
  readonly aspect: Aspect;
  readonly role: Role;
  /** The gear concerned, where it is one piece. */
  readonly gearId?: string | undefined;
  /** The connection concerned, by what it leads to. */
  readonly connectionId?: string | undefined;
  /** The name of the part concerned. */
  readonly part: string;
  /** The phase of the rig in which it comes, and from which minute on; absent where it is so in the usual modes. */
  readonly phase?: { readonly number: number; readonly name: string | undefined; readonly fromMin: number } | undefined;
}

/** One thing found about a rig, as data: `words` makes a sentence and a remedy of it. */
export type Finding<C extends FindingCode = FindingCode> = {
  readonly [K in C]: FindingPlace & { readonly code: K; readonly verdict: FindingLevel; readonly facts: Facts[K] };
}[C];
