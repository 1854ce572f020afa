import type { NoNumbers, Said } from '../../said';
import type { ChemistryId } from '../../tables';
import type { Battery } from '..';

/** What this room says, by code: the numbers of each sentence. */
export interface LabelSays {
  'bank-counts': { readonly assumedV: number };
  'cells-times': { readonly cells: number; readonly cellV: number | undefined; readonly assumedV: number };
  'volts-times': { readonly nominalV: number | undefined; readonly capacityAh: number | undefined; readonly packWh: number };
  printed: { readonly packWh: number };
  through: { readonly title: string; readonly efficiency: number; readonly useWh: number };
  'at-use': { readonly outputV: number; readonly useAh: number };
  'bank-counted-at': { readonly voltageV: number | undefined };
  'chemistry-usual': { readonly chemistry: ChemistryId; readonly form: Battery['form'] };
  'nothing-read': NoNumbers;
  'no-figure': NoNumbers;
  'figures-disagree': { readonly v: number; readonly ah: number; readonly printedWh: number };
  'no-usual-pack': { readonly voltageV: number };
  'not-twice': { readonly figure: string };
  'no-unit': { readonly line: string };
  'hard-to-read': { readonly texts: readonly string[] };
}
export type LabelSaid = Said<LabelSays>;
