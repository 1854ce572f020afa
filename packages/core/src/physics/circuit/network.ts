import { flag, list, number, object, optional, record, text, tuple } from '../../shape';
import type { LazyShape } from '../../shape';
import type { Pack } from '../cell';

/** A tree from a pack to its loads. */
export interface Network {
  readonly pack: Pack;
  readonly feeds: readonly Feed[];
  /** What the loads do over time; without it they draw their full power throughout. */
  readonly profile?: readonly Phase[];
  /** The phases over and over; otherwise the last one lasts until the run ends. */
  readonly repeatProfile?: boolean;
}

/** Series resistance, then maybe a converter, then either one load or further feeds. */
export interface Feed {
  readonly id: string;
  readonly resistanceOhm: number;
  /** The least of what port, cable and fuse let pass. */
  readonly maxA?: number;
  /** A fuse forgives a short peak, an electronic limit does not. */
  readonly limit?: 'electronic' | 'fuse';
  /** The most power that may enter it. */
  readonly maxW?: number;
  /** What it leads to runs while it is given at least this, and switches on only at `startInputV` or more. */
  readonly minInputV?: number;
  readonly startInputV?: number;
  readonly converter?: Converter;
  readonly load?: Load;
  readonly feeds?: readonly Feed[];
}

export interface Converter {
  readonly outputV: number;
  /** Share of what goes in that comes out: one figure, or points over the watts going out, straight between them. */
  readonly efficiency: number | readonly (readonly [outputW: number, efficiency: number])[];
  readonly standbyW: number;
  /** Runs while its input is at least this. */
  readonly minInputV?: number;
  /** Starts only at this or more. */
  readonly startInputV?: number;
  /** Its input may never be higher; a finding says so, the run does not end by it. */
  readonly maxInputV?: number;
  readonly maxOutputA?: number;
  /** A linear regulator: what goes in as current comes out as current, `efficiency` does not apply. */
  readonly linear?: boolean;
}

export interface Load {
  readonly id: string;
  /** Drawn whatever the voltage. */
  readonly powerW: number;
  readonly minV?: number;
  /** A peak above `powerW` (start-up, shutter, motor), checked as an operating point of its own at every state of charge. */
  readonly peakW?: number;
  readonly peakMs?: number;
}

export interface Phase {
  readonly minutes: number;
  /** Factor on each load's power; 1 for a load not named. */
  readonly scale: Readonly<Record<string, number>>;
}

const name = text('Name', 200);
const ohm = (title: string) => number(title, 'ohm', { max: 1000 });
const fractionOfFull = (title: string) => number(title, 'fraction', { max: 1 });
const efficiency = number('Efficiency', 'fraction', { above: 0, max: 1 });

const feedOfFeeds: LazyShape = { kind: 'lazy', title: 'Feed', name: 'Feed', of: () => feedShape };

const feedShape = object('Feed', {
  id: name,
  resistanceOhm: ohm('Resistance'),
  maxA: optional(number('Most current', 'A', { above: 0, max: 1000 })),
  maxW: optional(number('Most power', 'W', { above: 0, max: 100_000 })),
  minInputV: optional(number('Runs from', 'V', { max: 1000 })),
  startInputV: optional(number('Starts at', 'V', { max: 1000 })),
  limit: optional({ kind: 'choice', title: 'Kind of limit', options: { electronic: 'electronic limit', fuse: 'fuse' } }),
  converter: optional(
    object('Converter', {
      outputV: number('Output', 'V', { above: 0, max: 1000 }),
      efficiency,
      standbyW: number('Own draw', 'W', { max: 1000 }),
      minInputV: optional(number('Runs from', 'V', { max: 1000 })),
      startInputV: optional(number('Starts at', 'V', { max: 1000 })),
      maxInputV: optional(number('Highest input', 'V', { above: 0, max: 1000 })),
      maxOutputA: optional(number('Most output current', 'A', { above: 0, max: 1000 })),
      linear: optional(flag('Linear regulator')),
    }),
  ),
  load: optional(
    object('Load', {
      id: name,
      powerW: number('Power', 'W', { max: 100_000 }),
      minV: optional(number('Lowest voltage', 'V', { max: 1000 })),
      peakW: optional(number('Peak', 'W', { max: 100_000 })),
      peakMs: optional(number('Length of peak', 'ms', { max: 60_000 })),
    }),
  ),
  feeds: optional(list('Feeds', feedOfFeeds, { min: 1, max: 100 })),
});

/** A network on file, with a name: what `viaggio solve` reads. `expect` is what another solver said, kept but not read. */
export const networkCaseShape = object('Network case', {
  id: name,
  about: optional(text('About', 2000)),
  pack: object('Pack', {
    cellsInSeries: number('Cells in series', 'count', { min: 1, max: 1000, integer: true }),
    ocvPerCell: list(
      'Open-circuit voltage of a cell',
      tuple('Point', [fractionOfFull('State of charge'), number('Voltage', 'V', { above: 0, max: 10 })]),
      { min: 2, max: 1000 },
    ),
    capacityAh: number('Capacity', 'Ah', { above: 0, max: 100_000 }),
    resistanceOhm: ohm('Resistance of the whole pack'),
    cutoffV: number('Cut-off', 'V', { max: 1000 }),
    maxA: optional(number('Most current', 'A', { above: 0, max: 10_000 })),
    startSoc: optional(fractionOfFull('Charge at the start')),
  }),
  feeds: list('Feeds', feedShape, { min: 1, max: 100 }),
  profile: optional(
    list(
      'Phases',
      object('Phase', {
        minutes: number('Length', 'min', { above: 0, max: 1_000_000 }),
        scale: record('Scale', number('Factor', 'fraction', { max: 1000 }), 200),
      }),
      { min: 1, max: 10_000 },
    ),
  ),
  repeatProfile: optional(flag('Over and over')),
  expect: optional({ kind: 'any', title: 'Expected' }),
});

export type NetworkCase = Network & { readonly id: string };
