import type { SizeToolName } from '@viaggio/core/bench';
import type { Unit } from '@viaggio/core/units';

/** A small tool as a page shows it: what it is called, a question to begin with, its figures in the order of their weight. */
export interface ToolFace {
  readonly title: string;
  readonly about: string;
  readonly begin: Readonly<Record<string, unknown>>;
  readonly figures: readonly (readonly [key: string, label: string, unit: Unit])[];
  /** What the kit calls what it makes; undefined where it makes nothing. */
  readonly makes: string | undefined;
}

export const TOOLS: Readonly<Record<SizeToolName, ToolFace>> = {
  lead: {
    title: 'Lead',
    about: 'The thinnest wire that keeps the drop and stays cool.',
    begin: { currentA: 4, lengthM: 1, voltageV: 14.4, dropShare: 0.03, ambientC: 20 },
    figures: [
      ['areaMm2', 'wire', 'mm2'],
      ['dropV', 'dropped', 'V'],
      ['lossW', 'lost as warmth', 'W'],
      ['resistanceOhm', 'both conductors', 'ohm'],
      ['maxA', 'it carries for long', 'A'],
    ],
    makes: 'Lead of our own',
  },
  fuse: {
    title: 'Fuse',
    about: 'At least 1.25 × the current, never more than the wire and the plugs carry.',
    begin: { continuousA: 4, wireMaxA: 9, connectorMaxA: 8 },
    figures: [['fuseA', 'fuse', 'A']],
    makes: undefined,
  },
  converter: {
    title: 'Converter',
    about: 'Whether it goes with the pack, full and empty, how hot it gets, and in which order it is set.',
    begin: {
      kind: 'step-down',
      packFullV: 16.8,
      packEmptyV: 12,
      outputV: 8,
      loadW: 15,
      efficiency: 0.9,
      dropoutV: 1,
      maxInputV: 30,
      maxOutputA: 3,
    },
    figures: [
      ['inputA', 'it takes at most', 'A'],
      ['heatW', 'heat at most', 'W'],
    ],
    makes: 'Converter of our own',
  },
  pack: {
    title: 'Cell pack',
    about: 'Cells in series and parallel: volts, watt-hours, amps a cell, charge, alarm.',
    begin: { cell: { chemistry: 'li-ion', capacityAh: 3, maxA: 8, massG: 48 }, cellsInSeries: 4, cellsInParallel: 2, loadW: 30 },
    figures: [
      ['energyWh', 'it holds', 'Wh'],
      ['fullV', 'full', 'V'],
      ['nominalV', 'nominal', 'V'],
      ['emptyV', 'empty', 'V'],
      ['perCellA', 'a cell at empty', 'A'],
      ['maxA', 'it gives at most', 'A'],
      ['chargeV', 'charge to', 'V'],
      ['alarmV', 'alarm at rest', 'V'],
      ['massG', 'cells weigh', 'g'],
    ],
    makes: 'Pack of our own',
  },
  holder: {
    title: 'Holder of cells',
    about: 'Volts of loose cells, fresh to empty: inside, and what the socket must show.',
    begin: { chemistry: 'nimh', inSeries: 8, inParallel: 1, cellAh: 2, loadW: 5 },
    figures: [
      ['freshV', 'fresh', 'V'],
      ['nominalV', 'nominal', 'V'],
      ['emptyV', 'empty', 'V'],
    ],
    makes: 'Holder of cells',
  },
  parallel: {
    title: 'Side by side',
    about: 'What flows at the moment in which two batteries are joined.',
    begin: {
      a: { chemistry: 'li-ion', cellsInSeries: 4, charge: 1, resistanceOhm: 0.1, capacityAh: 6.6 },
      b: { chemistry: 'li-ion', cellsInSeries: 4, charge: 0.9, resistanceOhm: 0.1, capacityAh: 6.6 },
      loadW: 30,
    },
    figures: [['joinA', 'flows on joining', 'A']],
    makes: undefined,
  },
};
export const TOOL_NAMES = Object.keys(TOOLS) as readonly SizeToolName[];
