import type { Connector } from '../../gear';
import type { NoNumbers, Said } from '../../said';

/** What this room says, by code: the numbers of each sentence. */
export interface BuildSays {
  'ends-alike': NoNumbers;
  'ends-keyed': NoNumbers;
  'wire-plus': { readonly awg: number; readonly areaMm2: number; readonly lengthM: number };
  'wire-minus': NoNumbers;
  'end-source': { readonly source: Connector };
  'end-load': { readonly load: Connector };
  'no-fuse-split': NoNumbers;
  'fuse-wants-wire': { readonly wantedA: number; readonly maxA: number };
  'lead-fuse': { readonly fuseA: number };
  'thread-first': NoNumbers;
  'strain-relief': NoNumbers;
  continuity: NoNumbers;
  'move-lead': NoNumbers;
  'open-volts': NoNumbers;
  'with-lamp': NoNumbers;
  'label-lead': NoNumbers;
  cells: { readonly cellsInSeries: number; readonly cellsInParallel: number; readonly capacityAh: number };
  board: { readonly cellsInSeries: number; readonly maxA: number | null; readonly loadW: number; readonly emptyV: number };
  'balance-lead': { readonly cellsInSeries: number };
  'no-fuse': NoNumbers;
  'pack-fuse': { readonly fuse: number };
  alarm: { readonly alarmV: number };
  charger: { readonly chargeV: number };
  'cells-measured': NoNumbers;
  'spot-welded': NoNumbers;
  taps: { readonly tapsV: number[] };
  'board-last': NoNumbers;
  'first-charge': NoNumbers;
  'run-down': NoNumbers;
  'label-pack': NoNumbers;
  'stops-early': { readonly emptyV: number };
  'too-many-cells': NoNumbers;
  'too-heavy': { readonly massG: number };
}
export type BuildSaid = Said<BuildSays>;
