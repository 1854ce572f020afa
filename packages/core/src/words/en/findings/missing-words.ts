import type { DoubtfulPair, Facts } from '../../../findings';
import type { Unit } from '../../../quantity';
import type { LackOf } from '../../../rig/resolved';
import { say } from '../say';
import { sayNeed } from './need-words';
import { shown } from './wording';
import type { ShownNumber, Wordings } from './wording';

/** Figures that nobody gave and that must not be guessed. */
export const MISSING: Wordings<'figure-missing' | 'figure-doubtful' | 'outside-known'> = {
  'outside-known': {
    means: 'Colder than anything known of such batteries.',
    says: ({ battery, temperatureC, lowestC }) =>
      `${battery} would be at ${say(temperatureC, 'C')}: below ${say(lowestC, 'C')} nothing is known of such batteries, and the time told is that of ${say(lowestC, 'C')}.`,
    remedy: () => 'Keep it warmer, or time one there first.',
    shows: ({ temperatureC, lowestC }) => [shown('battery', temperatureC, 'C'), shown('known down to', lowestC, 'C')],
  },
  'figure-doubtful': {
    means: 'Two figures of one thing contradict each other, or one is not of its kind.',
    says: sayDoubt,
    remedy: () => 'Read the label once more, and type what it says.',
    shows: doubtNumbers,
  },
  'figure-missing': {
    means: 'A figure is missing, so a check could not be made.',
    says: (facts) => {
      if (facts.lack === 'mode')
        return `Whether ${facts.mode ?? 'its usual mode'} of ${facts.device} works here is not known: ${sayNeed(facts.need)}.`;
      if (facts.lack === 'feature')
        return `Whether ${facts.feature} of ${facts.device} works on this feed is not known: ${sayNeed(facts.need)}.`;
      return `${facts.of}: ${LACKS[facts.lack].what(facts)} is not known, so this cannot be judged.`;
    },
    remedy: (facts) =>
      facts.lack === 'mode' || facts.lack === 'feature'
        ? 'Feed it from a source that gives what it needs, or do without.'
        : LACKS[facts.lack].remedy,
  },
};

interface PairWords {
  readonly unit: Unit;
  /** What the two figures are called. */
  readonly names: readonly [string, string];
  readonly says: (of: string, one: string, other: string) => string;
}

/** Pairs of figures that contradict each other, and what it would mean. */
const PAIRS: Readonly<Record<DoubtfulPair, PairWords>> = {
  wire: {
    unit: 'mm2',
    names: ['by its gauge', 'typed'],
    says: (of, one, other) =>
      `${of}: its gauge is a wire of ${one}, and ${other} are typed. What it carries and loses follows from which is right.`,
  },
  'lead-ohms': {
    unit: 'ohm',
    names: ['typed', 'of its wire'],
    says: (of, one, other) => `${of}: ${one} are typed, its length and wire come to ${other}. It is another wire, or a bad contact.`,
  },
  'cell-amps': {
    unit: 'A',
    names: ['of the pack', 'of its cells'],
    says: (of, one, other) => `${of}: ${one} are typed for the pack, its cells may give ${other}. More than that overheats them.`,
  },
  'cell-ohms': {
    unit: 'ohm',
    names: ['of the pack', 'of its cells'],
    says: (of, one, other) => `${of}: ${one} are typed for the pack, its cells come to ${other}.`,
  },
  measured: {
    unit: 'Wh',
    names: ['measured', 'printed'],
    says: (of, one, other) =>
      `${of}: ${one} were measured, ${other} are printed. No pack gives that much more: the test or the label was read wrong.`,
  },
  charging: {
    unit: 'V',
    names: ['charging', 'full'],
    says: (of, one, other) => `${of}: it is charged at ${one}, and full at ${other}. One of them is of another battery.`,
  },
  peak: {
    unit: 'W',
    names: ['peak', 'draw'],
    says: (of, one, other) => `${of}: its peak, ${one}, is below its draw, ${other}.`,
  },
  frames: {
    unit: 's',
    names: ['awake', 'between frames'],
    says: (of, one, other) => `${of}: it is awake for ${one} a frame, with ${other} from one to the next.`,
  },
  poe: {
    unit: 'W',
    names: ['volts × amps', 'its class'],
    says: (of, one, other) => `${of}: its volts and amps come to ${one}, its class is for ${other}.`,
  },
  start: {
    unit: 'V',
    names: ['starts at', 'highest'],
    says: (of, one, other) => `${of}: it starts at ${one}, above the highest it stands, ${other}.`,
  },
  'supply-range': {
    unit: 'V',
    names: ['typed', 'end of its range'],
    says: (of, one, other) => `${of}: ${one} are typed, outside its own range, which ends at ${other}.`,
  },
};

function sayDoubt(facts: Facts['figure-doubtful']): string {
  switch (facts.doubt) {
    case 'pair': {
      const { unit, says } = PAIRS[facts.is];
      return `${says(facts.of, say(facts.one, unit), say(facts.other, unit))} One of them is wrong.`;
    }
    case 'cutoff':
      return `${facts.of}: a cut-off of ${say(facts.cutoffV, 'V')} does not go with ${facts.cells} cells of its kind, which stop between ${say(facts.lowV, 'V')} and ${say(facts.highV, 'V')}. Check it.`;
    case 'range':
      return `${facts.port} of ${facts.of}: the lowest voltage, ${say(facts.minV, 'V')}, is above the highest, ${say(facts.maxV, 'V')}. One of them is wrong.`;
    case 'cells':
      return `${facts.of}: ${say(facts.nominalV, 'V')} and ${facts.cells} cells in series contradict each other; so many cells of its kind are ${say(facts.cellsV, 'V')}. One of them is wrong.`;
    case 'energy':
      return `${facts.of}: ${say(facts.energyWh, 'Wh')} are typed, its cells come to ${say(facts.countedWh, 'Wh')}. One of them is wrong.`;
    case 'watts':
      return `${facts.port === undefined ? facts.of : `${facts.port} of ${facts.of}`}: ${say(facts.watts, 'W')} are typed, ${say(facts.voltageV, 'V')} × ${say(facts.currentA, 'A')} come to ${say(facts.voltageV * facts.currentA, 'W')}. One of them is wrong.`;
  }
}

function doubtNumbers(facts: Facts['figure-doubtful']): readonly (ShownNumber | undefined)[] {
  switch (facts.doubt) {
    case 'pair': {
      const { unit, names } = PAIRS[facts.is];
      return [shown(names[0], facts.one, unit), shown(names[1], facts.other, unit)];
    }
    case 'cutoff':
      return [shown('cut-off', facts.cutoffV, 'V'), shown('at least', facts.lowV, 'V'), shown('at most', facts.highV, 'V')];
    case 'range':
      return [shown('lowest', facts.minV, 'V'), shown('highest', facts.maxV, 'V')];
    case 'cells':
      return [shown('printed', facts.nominalV, 'V'), shown('its cells', facts.cellsV, 'V')];
    case 'energy':
      return [shown('typed', facts.energyWh, 'Wh'), shown('its cells', facts.countedWh, 'Wh')];
    case 'watts':
      return [shown('typed', facts.watts, 'W'), shown('volts × amps', facts.voltageV * facts.currentA, 'W')];
  }
}

type Lacking = Extract<Facts['figure-missing'], { lack: LackOf }>;

const LACKS: Readonly<Record<LackOf, { readonly what: (facts: Lacking) => string; readonly remedy: string }>> = {
  'output-voltage': {
    what: () => 'its output voltage',
    remedy: 'Read its label, or measure it with a meter before the camera is attached.',
  },
  'source-voltage': {
    what: ({ port }) => `what voltage ${port ?? 'it'} gives`,
    remedy: 'Read its label, or measure it with a meter before anything is attached.',
  },
  cells: { what: () => 'how many cells it has in series', remedy: 'Type the cells in series, or its nominal voltage as printed.' },
  'charge-through': {
    what: () => 'whether it can be charged while it feeds',
    remedy: 'Read its manual; many banks cut their ports off while they are charged.',
  },
  'usb-runs': {
    what: () => 'whether it runs from USB-C, or only charges',
    remedy: 'Read its manual, or plug it in with the camera switched on and look whether its battery goes on emptying.',
  },
  pins: {
    what: ({ port }) => `whether ${port ?? 'it'} has the extra contacts that the device needs`,
    remedy: 'Look at its contacts, or try it with the device switched on.',
  },
  'port-offer': { what: ({ port }) => `what ${port} offers`, remedy: 'Type its watts, or its list of volts and amps.' },
  'port-offer-shared': {
    what: ({ port }) => `what ${port} offers beside a neighbour`,
    remedy: 'Type its watts, or its list of volts and amps.',
  },
  'port-current': { what: ({ port }) => `what ${port} can carry`, remedy: 'Type its amps as printed, or ask the maker.' },
  'cable-current': { what: () => 'what it can carry', remedy: 'Type its rated amps, or its wire size.' },
  energy: { what: () => 'its energy', remedy: 'Type what the label says: watt-hours, or volts with mAh.' },
  draw: { what: () => 'its draw', remedy: 'Type the maker’s watts, read a meter, or time a full battery.' },
  'draw-behind-feed': {
    what: () => 'what reaches it of the watts measured at the battery',
    remedy: 'Complete the figures of the feed.',
  },
  'draw-below-feed': {
    what: ({ readW = 0 }) => `its draw (the ${say(readW, 'W')} measured are no more than the feed itself takes)`,
    remedy: 'Check the measurement, or where the meter sat.',
  },
  'highest-voltage': {
    what: () => 'the highest voltage it accepts',
    remedy: 'Read its label or manual; do not connect before it is known.',
  },
  'lowest-voltage': {
    what: () => 'the lowest voltage it runs on',
    remedy: 'Read its label or manual; until then the run time is an upper bound.',
  },
  profiles: { what: () => 'which volts it takes over USB-C', remedy: 'Read the manual for the volts it accepts over USB-C.' },
  'rated-power': { what: () => 'its rated power', remedy: 'Read its label: watts, or volts and amps of its output.' },
};
