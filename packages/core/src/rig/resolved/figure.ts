import type { Draw, Provenance } from '../../gear';
import type { Unit } from '../../quantity';
import { valueInRange } from '../../tables';
import type { Assumption } from '../../tables';
import { roleOf } from '../drawn';
import type { Part, Role } from '../drawn';

/** What a figure is of, with what its formula is made from; `words` names it and writes the formula. */
export type FigureBasis =
  | { readonly of: 'cable-resistance' | 'adapter-lead' | 'contacts' | 'output' | 'own-draw' | 'start-charge' | 'charging-volts' }
  | { readonly of: 'supply-volts' | 'least-volts' | 'highest-volts'; readonly port: string }
  | { readonly of: 'works'; readonly port: string | undefined }
  | { readonly of: 'pack-limit'; readonly timesC: number }
  | { readonly of: 'least-current' }
  | { readonly of: 'wire-resistance'; readonly lengthM: number; readonly areaMm2: number }
  | {
      readonly of: 'contract';
      readonly port: string;
      readonly voltageV: number;
      readonly currentA: number;
      readonly limitedBy: string;
      readonly ownList: boolean;
    }
  | { readonly of: 'shared-rating'; readonly port: string }
  | { readonly of: 'efficiency'; readonly port: string | undefined }
  | { readonly of: 'energy'; readonly fromCells: string | undefined }
  | { readonly of: 'battery-temperature'; readonly capacityFactor: number; readonly resistanceFactor: number }
  | { readonly of: 'age'; readonly years: number; readonly cycles: number }
  | { readonly of: 'capacity'; readonly energyWh: number; readonly ratedHours: number }
  | {
      readonly of: 'pack-resistance';
      readonly cells: number;
      readonly cellOhmAh: number;
      readonly factor: number;
      readonly temperatureC: number;
    }
  | { readonly of: 'cutoff'; readonly cells: number; readonly cutoffCellV: number; readonly chemistry: string }
  | {
      readonly of: 'draw';
      readonly mode: string | undefined;
      readonly draw: Draw;
      readonly guessed: boolean;
      /** What the feed takes was taken off a reading at the battery. */
      readonly feedLossOff: boolean;
      /** What the pack of an own test gave, of what its label says. */
      readonly givenWh?: number;
      readonly scale: number;
    }
  | { readonly of: 'test-feed'; readonly mode: string | undefined }
  | { readonly of: 'first-stop' }
  | { readonly of: 'planned'; readonly firstStopMin: number; readonly reserve: number; readonly lastSwapMin: number };

/**
 * A figure that an answer rests on. `assumed` is a typical value put in because nobody gave one; `computed` comes from
 * others by the formula beside it; `chosen` is a condition the person set.
 */
export interface Figure {
  readonly role: Role;
  readonly gearId: string;
  readonly part: string;
  readonly value: number;
  readonly unit: Unit;
  readonly from: Provenance | 'assumed' | 'computed' | 'chosen';
  readonly basis: FigureBasis;
  /** How far off an assumed one may be. */
  readonly range?: { readonly low: number; readonly high: number };
}

/** How far each assumption is valueInRange, by its name: 0 as it is typical, 1 to the end that costs, −1 to the other. */
export type PlacesInRange = (assumption: string) => number;
const TYPICAL: PlacesInRange = () => 0;

/** The name of an assumption: what, of which part. */
export function assumptionName(part: Part, basis: Pick<FigureBasis, 'of'> & { readonly port?: string | undefined }): string {
  return `${part.id} ${basis.of} ${basis.port ?? ''}`;
}

/** A figure that nobody gave and that must not be guessed. */
export type LackOf =
  | 'output-voltage'
  | 'source-voltage'
  | 'cells'
  | 'pins'
  | 'charge-through'
  | 'usb-runs'
  | 'port-offer'
  | 'port-offer-shared'
  | 'port-current'
  | 'cable-current'
  | 'energy'
  | 'draw'
  | 'draw-behind-feed'
  | 'draw-below-feed'
  | 'highest-voltage'
  | 'lowest-voltage'
  | 'profiles'
  | 'rated-power';

export interface Lack {
  readonly of: LackOf;
  readonly part: Part;
  readonly connectionId: string | undefined;
  /** The port concerned, where it is one. */
  readonly port: string | undefined;
  /** Watts read where the feed alone takes as much. */
  readonly readW: number | undefined;
}

/** Collects what an answer rests on and what it lacks, while a rig is resolved. */
export class Evidence {
  readonly figures: Figure[] = [];
  readonly lacks: Lack[] = [];
  /** What was assumed, by the names that a `PlacesInRange` goes by. */
  readonly assumptions = new Map<string, Figure>();

  constructor(private readonly places: PlacesInRange = TYPICAL) {}

  note(part: Part, basis: FigureBasis, value: number, unit: Unit, from: Figure['from'], range?: Figure['range']): void {
    this.figures.push({ role: roleOf(part), gearId: part.id, part: part.title, value, unit, from, basis, ...(range && { range }) });
  }

  /** The value to go on with for what nobody gave; noted with its range. */
  assume(part: Part, basis: FigureBasis, assumption: Assumption, unit: Unit): number {
    const value = valueInRange(assumption, this.placeInRange(part, basis));
    this.noteAssumed(part, basis, value, assumption, unit);
    return value;
  }

  /** The same for what is put in by a share of its own. */
  noteAssumed(part: Part, basis: FigureBasis, value: number, { low, high }: Assumption, unit: Unit): void {
    this.note(part, basis, value, unit, 'assumed', { low, high });
    this.assumptions.set(assumptionName(part, basis), this.figures.at(-1)!);
  }

  placeInRange(part: Part, basis: Pick<FigureBasis, 'of'> & { readonly port?: string | undefined }): number {
    return this.places(assumptionName(part, basis));
  }

  lack(of: LackOf, part: Part, { connectionId, port, readW }: Partial<Pick<Lack, 'connectionId' | 'port' | 'readW'>> = {}): void {
    this.lacks.push({ of, part, connectionId, port, readW });
  }
}
