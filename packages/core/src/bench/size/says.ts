import type { NoNumbers, Said } from '../../said';

/** What this room says, by code: the numbers of each sentence. */
export interface SizeSays {
  'drop-twice': NoNumbers;
  'drop-takes-all': { readonly dropV: number; readonly voltageV: number };
  'no-wire-drop': { readonly dropV: number; readonly allowedV: number };
  'no-wire-amps': { readonly maxA: number };
  'lead-formula': {
    readonly copper: number;
    readonly lengthM: number;
    readonly areaMm2: number;
    readonly resistanceOhm: number;
    readonly currentA: number;
    readonly dropV: number;
    readonly allowedV: number;
  };
  'odd-gauge': { readonly awg: number };
  'drop-assumed': NoNumbers;
  'ambient-assumed': NoNumbers;
  'gauge-by-drop': { readonly awg: number };
  'contacts-on-top': { readonly contactsLowV: number; readonly contactsHighV: number };
  'connectors-carry-too': NoNumbers;
  'fuse-at-plus': NoNumbers;
  'continuity-first': NoNumbers;
  'fuse-formula': {
    readonly continuousA: number;
    readonly leastA: number;
    readonly mostA: number;
    readonly weakest: 'connectors' | 'wire';
  };
  'fuse-too-small': NoNumbers;
  'fuse-between': { readonly weakest: 'connectors' | 'wire'; readonly size: number };
  'connectors-not-said': NoNumbers;
  'fuse-place': NoNumbers;
  'empty-above-full': { readonly packEmptyV: number; readonly packFullV: number };
  'linear-formula': {
    readonly loadW: number;
    readonly outputV: number;
    readonly inputA: number;
    readonly packFullV: number;
    readonly outputA: number;
    readonly heatW: number;
  };
  'converter-formula': {
    readonly loadW: number;
    readonly efficiency: number;
    readonly lowestV: number;
    readonly inputA: number;
    readonly heatW: number;
  };
  'efficiency-assumed': NoNumbers;
  'contacts-by-sheet': NoNumbers;
  'set-before': NoNumbers;
  'charger-lifts': NoNumbers;
  'input-not-entered': { readonly packFullV: number };
  'input-passed': { readonly packFullV: number; readonly maxInputV: number };
  'input-within': { readonly packFullV: number; readonly maxInputV: number };
  'step-up-passed': { readonly packFullV: number; readonly outputV: number };
  'step-up-lifts': { readonly packFullV: number; readonly outputV: number };
  'cannot-hold': { readonly neededV: number; readonly outputV: number; readonly packFullV: number };
  'holds-no-longer': { readonly neededV: number; readonly outputV: number; readonly packEmptyV: number };
  'dropout-not-entered': { readonly leastV: number; readonly mostV: number; readonly packEmptyV: number; readonly outputV: number };
  'still-holds': { readonly packEmptyV: number; readonly outputV: number };
  'output-not-entered': { readonly outputA: number };
  'output-passed': { readonly outputA: number; readonly maxOutputA: number };
  'output-near': { readonly outputA: number; readonly maxOutputA: number };
  'output-within': { readonly outputA: number; readonly maxOutputA: number };
  'regulator-hot': { readonly heatW: number };
  'pack-formula': {
    readonly cellsInSeries: number;
    readonly nominalCellV: number;
    readonly cellsInParallel: number;
    readonly capacityAh: number;
    readonly energyWh: number;
    readonly loadW: number;
    readonly emptyV: number;
    readonly perCellA: number;
  };
  'cell-amps-not-entered': NoNumbers;
  'cell-mass-not-entered': NoNumbers;
  'cells-never-charged': NoNumbers;
  'lithium-care': NoNumbers;
  'not-charged-cold': NoNumbers;
  'cells-alike': NoNumbers;
  'flies-not': { readonly energyWh: number };
  'flies-if-agreed': { readonly energyWh: number };
  'flies-perhaps-not': NoNumbers;
  'holder-formula': { readonly inSeries: number; readonly fullCellV: number; readonly cutoffCellV: number; readonly name: string };
  'holder-measure': NoNumbers;
  'strings-alike': NoNumbers;
  'dry-cells-weak': NoNumbers;
  'never-charged': NoNumbers;
  'holder-cells-alike': NoNumbers;
  'volts-collapse': { readonly loadW: number };
  'parallel-formula': {
    readonly fullerV: number;
    readonly filledV: number;
    readonly resistanceOhm: number;
    readonly bResistanceOhm: number;
    readonly joinA: number;
  };
  'parallel-unlike': NoNumbers;
  'parallel-would-charge': NoNumbers;
  'equalise-first': { readonly alikeV: number };
  'fuse-each': NoNumbers;
  'share-load': NoNumbers;
}
export type SizeSaid = Said<SizeSays>;
