import type { Issue } from '../../issue';
import type { ChemistryId } from '../../tables';
import type { Connector } from '..';
/** Volts, or from so many to so many, with the amps and watts beside them. */
export interface LabelProfile {
  readonly voltageV?: number;
  readonly minV?: number;
  readonly maxV?: number;
  readonly currentA?: number;
  readonly powerW?: number;
}

/** A port as a label prints it. */
export interface LabelPort extends LabelProfile {
  readonly name?: string;
  readonly direction?: 'in' | 'out';
  readonly connector?: Connector;
  readonly profiles?: readonly LabelProfile[];
}

/** What a label says, and no more. */
export interface LabelReads extends LabelProfile {
  readonly capacityAh?: number;
  readonly energyWh?: number;
  readonly awg?: number;
  readonly areaMm2?: number;
  readonly cellsInSeries?: number;
  readonly chemistry?: ChemistryId;
  readonly ports?: readonly LabelPort[];
  readonly profiles?: readonly LabelProfile[];
}

/** What somebody has to say before the label can be used. */
export type LabelAsk = 'voltageV' | 'capacityAh' | 'energyWh' | 'chemistry' | 'cellsInSeries' | 'currentA' | 'powerW' | 'awg' | 'areaMm2';

export interface Label {
  readonly text: string;
  readonly reads: LabelReads;
  readonly asks: readonly LabelAsk[];
  /** Watt-hours as printed, and as volts × amp-hours make them, where the two disagree: neither is taken. */
  readonly disagrees?: { readonly printedWh: number; readonly voltageV: number; readonly capacityAh: number };
  /** Why nothing is taken from it, and where: its path is the place in the text from which on it could not be read. */
  readonly refused?: Issue;
}
