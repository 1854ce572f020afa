import { say, sayList } from '../say';
import { shown } from '../wording';
import type { ShownNumber, Wordings } from '../wording';

interface Range {
  readonly highV: number;
  readonly lowV: number;
  readonly minV?: number | undefined;
  readonly maxV?: number | undefined;
}

function rangeNumbers({ highV, lowV, minV, maxV }: Range): readonly (ShownNumber | undefined)[] {
  return [
    shown('highest given', highV, 'V'),
    shown('lowest given', lowV, 'V'),
    shown('lowest accepted', minV, 'V'),
    shown('highest accepted', maxV, 'V'),
  ];
}

/** What a source gives: `16.8 V full to 12 V empty`, or the one voltage it holds. */
function sayRange({ highV, lowV }: Range): string {
  return highV === lowV ? say(highV, 'V') : `${say(highV, 'V')} full to ${say(lowV, 'V')} empty`;
}

/** Volts against windows. */
export const VOLTS: Wordings<
  'voltage-fits' | 'over-voltage' | 'over-voltage-charging' | 'under-voltage' | 'charge-stranded' | 'will-not-start' | 'wire-drop'
> = {
  'voltage-fits': {
    means: 'The whole range of the source, full to empty, is within the window of what it feeds.',
    says: (facts) => `${facts.supply} gives ${sayRange(facts)}; ${facts.place} accepts ${say(facts.minV, 'V')} to ${say(facts.maxV, 'V')}.`,
    shows: rangeNumbers,
  },
  'over-voltage': {
    means: 'The source can be higher than what it feeds allows.',
    says: ({ supply, highV, place, maxV }) =>
      `${supply} gives up to ${say(highV, 'V')}; ${place} accepts at most ${say(maxV, 'V')}. It can be damaged.`,
    remedy: ({ maxV }) => `Put a regulator or an adapter between that gives no more than ${say(maxV, 'V')}.`,
    shows: rangeNumbers,
  },
  'over-voltage-charging': {
    means: 'The charger lifts the source above the window of what it feeds.',
    says: ({ battery, chargeV, place, maxV }) =>
      `While it is charged, ${battery} stands at ${say(chargeV, 'V')}; ${place} accepts at most ${say(maxV, 'V')}.`,
    remedy: () => 'Switch the rig off and disconnect it before charging in place.',
    shows: ({ chargeV, maxV }) => [shown('while charging', chargeV, 'V'), shown('highest accepted', maxV, 'V')],
  },
  'under-voltage': {
    means: 'The source is below what it feeds needs from the first minute.',
    says: ({ place, minV, supply, arrivesV }) =>
      `${place} needs ${say(minV, 'V')}; from ${supply} only ${say(arrivesV, 'V')} arrive, from the first minute.`,
    remedy: () => 'Use a source of higher voltage, a fuller battery, or a shorter and thicker cable.',
    shows: (facts) => [...rangeNumbers(facts), shown('arrives at the start', facts.arrivesV, 'V')],
  },
  'charge-stranded': {
    means: 'The device or converter stops before the battery is empty.',
    says: (facts) => {
      switch (facts.by) {
        case 'cutoff': {
          const { loads, battery, cutoffV, leftWh, charge } = facts;
          return `${sayList(loads)} ${loads.length === 1 ? 'pulls' : 'pull'} ${battery} down to its cut-off of ${say(cutoffV, 'V')} with ${say(leftWh, 'Wh')} (${say(charge, 'fraction')} of the charge) still in it.`;
        }
        case 'window':
          return `${facts.place} stops below ${say(facts.minV, 'V')}: ${say(facts.leftWh, 'Wh')} (${say(facts.leftShare, 'fraction')}) stay in ${facts.battery}.`;
        case 'window-untimed':
          return `${facts.place} stops below ${say(facts.minV, 'V')}, ${facts.supply} goes down to ${say(facts.lowV, 'V')}: some charge stays in it.`;
      }
    },
    remedy: ({ by }) => STRANDED_REMEDY[by],
    shows: (facts) => {
      if (facts.by === 'window-untimed') return rangeNumbers(facts);
      const left = [shown('charge left', facts.charge, 'fraction'), shown('energy left', facts.leftWh, 'Wh')];
      return facts.by === 'cutoff' ? [...left, shown('cut-off', facts.cutoffV, 'V')] : [...rangeNumbers(facts), ...left];
    },
  },
  'will-not-start': {
    means: 'A part needs more volts to start than it is given at this charge.',
    says: ({ place, startV, supply, charge, givenV, underLoad }) =>
      `${place} starts at ${say(startV, 'V')} or more; ${supply} at ${say(charge, 'fraction')} charge gives ${say(givenV, 'V')}${underLoad ? ', less once the others draw' : ''}.`,
    remedy: () => 'Start on a fuller battery; once running it goes down to its lower limit.',
    shows: ({ highV, lowV, startV, givenV }) => [
      ...rangeNumbers({ highV, lowV }),
      shown('starts at', startV, 'V'),
      shown('given at the start', givenV, 'V'),
    ],
  },
  'wire-drop': {
    means: 'The cable takes more than a twentieth of the voltage.',
    says: ({ cable, dropV, dropShare, currentA, to }) =>
      `${cable} takes ${say(dropV, 'V')} (${say(dropShare, 'fraction')}) at ${say(currentA, 'A')} on the way to ${to}.`,
    remedy: () => 'Use a shorter or thicker cable.',
    shows: ({ dropV, dropShare, currentA }) => [
      shown('drop', dropV, 'V'),
      shown('of the voltage', dropShare, 'fraction'),
      shown('at', currentA, 'A'),
    ],
  },
};

const STRANDED_REMEDY = {
  cutoff: 'Keep it warm, or use a larger or newer battery.',
  window: 'Use an adapter that runs lower, a battery with more cells in series, or plan on the shorter run.',
  'window-untimed': 'Complete the missing figures to see how much.',
} as const;
