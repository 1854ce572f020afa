import type { HarmKind } from '../gear/kit';
import type { Away, MeasuredWrong } from './fact-parts';

/** What findings compare that are about gear as it is: measured, harmed, away. */
export interface StateFacts {
  'measured-stop': {
    readonly part: string;
    readonly next: string;
    readonly lead: string | undefined;
    readonly wrong: MeasuredWrong;
    /** Undefined where the meter was over its range. */
    readonly reading: number | undefined;
    readonly unit: 'V' | 'ohm';
    readonly lowest: number | undefined;
    readonly highest: number | undefined;
    /** The day it was read. */
    readonly on: string;
  };
  'contacts-stop': {
    readonly substitute: string;
    readonly device: string | undefined;
    readonly contacts: readonly string[];
    readonly on: string;
  };
  'groups-stop': { readonly battery: string; readonly groups: readonly number[]; readonly on: string };
  'gear-harmed': { readonly part: string; readonly what: HarmKind; readonly on: string | undefined };
  'gear-away': { readonly part: string; readonly where: Away };
}

/** Two figures that say the same thing twice; `one` is what was typed of it first in the name. */
export type DoubtfulPair =
  'wire' | 'lead-ohms' | 'cell-amps' | 'cell-ohms' | 'measured' | 'charging' | 'peak' | 'frames' | 'poe' | 'start' | 'supply-range';

/** What findings compare that are about figures which contradict each other. */
export interface DoubtFacts {
  'figure-doubtful':
    | { readonly doubt: 'pair'; readonly is: DoubtfulPair; readonly of: string; readonly one: number; readonly other: number }
    | {
        readonly doubt: 'cutoff';
        readonly of: string;
        readonly cells: number;
        readonly cutoffV: number;
        readonly lowV: number;
        readonly highV: number;
      }
    | { readonly doubt: 'range'; readonly of: string; readonly port: string; readonly minV: number; readonly maxV: number }
    | { readonly doubt: 'cells'; readonly of: string; readonly cells: number; readonly nominalV: number; readonly cellsV: number }
    | { readonly doubt: 'energy'; readonly of: string; readonly cells: number; readonly energyWh: number; readonly countedWh: number }
    | {
        readonly doubt: 'watts';
        readonly of: string;
        readonly port: string | undefined;
        readonly watts: number;
        readonly voltageV: number;
        readonly currentA: number;
      };
}
