import type { Facts } from '../../../findings';
import { say, sayList } from '../say';
import { shown } from './wording';
import type { ShownNumber, Wordings } from './wording';

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
  | 'voltage-fits'
  | 'over-voltage'
  | 'over-voltage-charging'
  | 'charging-harms'
  | 'parallel-unlike'
  | 'parallel-current'
  | 'series-unlike'
  | 'under-voltage'
  | 'supply-sags'
  | 'cannot-raise'
  | 'charge-stranded'
  | 'nothing-cuts-off'
  | 'will-not-start'
  | 'will-not-restart'
  | 'wire-drop'
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
      `While it is charged, ${battery} is at ${say(chargeV, 'V')}; ${place} accepts at most ${say(maxV, 'V')} and can be damaged.`,
    remedy: () => 'Switch the rig off and disconnect it before charging in place.',
    shows: ({ chargeV, maxV }) => [shown('while charging', chargeV, 'V'), shown('highest accepted', maxV, 'V')],
  },
  'charging-harms': {
    means: 'A battery is charged in place that must not be charged so.',
    says: ({ battery, why, temperatureC }) => {
      switch (why) {
        case 'cold':
          return `${battery} would be charged at ${say(temperatureC, 'C')}: lithium cells are damaged by charging below 0 °C.`;
        case 'primary':
          return `${battery} is not made to be charged: it can leak or burst.`;
        case 'feeding':
          return `${battery} must not be charged while it feeds: it says so.`;
      }
    },
    remedy: ({ why }) => (why === 'cold' ? 'Warm it before it is charged, or charge it indoors.' : 'Take it off the charger.'),
    shows: ({ temperatureC }) => [shown('battery', temperatureC, 'C')],
  },
  'parallel-unlike': {
    means: 'Batteries are joined that must never be.',
    says: ({ hub, one, other, why }, verdict) =>
      `${verdict === 'unknown' ? `Whether ${hub} joins ${one} and ${other} or takes one after the other is not known. Joined,` : `${hub} joins ${one} and ${other}:`} ${UNLIKE[why]}`,
    remedy: (_facts, verdict) =>
      verdict === 'unknown'
        ? 'Say what it does with several inputs.'
        : 'Join only batteries of one kind and cell count, or use a part that keeps them apart.',
  },
  'parallel-current': {
    means: 'Batteries of unequal charge are joined: a current flows between them.',
    says: ({ hub, one, other, oneV, otherV, ohm, currentA, limitA }, verdict) =>
      `${verdict === 'unknown' ? `What ${hub} does with several inputs is not known. ` : ''}On joining ${one} and ${other}, ${hub} lets (${say(Math.max(oneV, otherV), 'V')} − ${say(Math.min(oneV, otherV), 'V')}) ÷ ${say(ohm, 'ohm')} = ${say(currentA, 'A')} flow between them; the smaller may be charged with ${say(limitA, 'A')}.`,
    remedy: () => 'Bring both to the same charge before, or use a part that keeps them apart.',
    shows: ({ oneV, otherV, currentA, limitA }) => [
      shown('one', oneV, 'V'),
      shown('other', otherV, 'V'),
      shown('between them', currentA, 'A'),
      shown('allowed', limitA, 'A'),
    ],
  },
  'series-unlike': {
    means: 'Batteries in series are not alike.',
    says: (facts) =>
      `${facts.hub} puts ${facts.batteries} in series, ${unlikeBy(facts)}: the weakest is empty first, and is driven on where nothing cuts it off.`,
    remedy: () => 'Put only batteries of one kind, size, age and charge in series.',
    shows: (facts) => {
      if (facts.why === 'capacity') return [shown('weakest', facts.lowAh, 'Ah'), shown('strongest', facts.highAh, 'Ah')];
      return facts.why === 'charge'
        ? [shown('lowest charge', facts.lowCharge, 'fraction'), shown('highest', facts.highCharge, 'fraction')]
        : [];
    },
  },
  'supply-sags': {
    means: 'The supply can go lower than what it feeds needs.',
    says: ({ supply, lowV, place, minV }) =>
      `${supply} can go down to ${say(lowV, 'V')}; ${place} needs ${say(minV, 'V')} and switches off there.`,
    remedy: () => 'Use a converter that runs lower, or keep a battery behind it.',
    shows: rangeNumbers,
  },
  'cannot-raise': {
    means: 'A converter that only steps down is given less than it is to give.',
    says: ({ converter, outV, source, givenV }) =>
      `${converter} only steps down: it cannot make ${say(outV, 'V')} of the ${say(givenV, 'V')} from ${source}.`,
    remedy: () => 'Use a source of higher voltage, or a converter that steps up.',
    shows: ({ outV, givenV }) => [shown('given', givenV, 'V'), shown('to give', outV, 'V')],
  },
  'will-not-restart': {
    means: 'Below its start voltage a part that runs does not start again after an interruption.',
    says: ({ place, source, startV, fromMin, charge }) =>
      `${fromMin === undefined || charge === undefined ? `Later on ${source}` : `From ${say(fromMin, 'min')} on, with ${source} at ${say(charge, 'fraction')} or less,`} ${place} runs on but does not start again after an interruption: it starts at ${say(startV, 'V')}.`,
    remedy: () => 'Have a fuller battery at hand for a restart, and do not switch it off below that.',
    shows: ({ startV, fromMin, charge }) => [
      shown('starts at', startV, 'V'),
      shown('from', fromMin, 'min'),
      shown('from charge', charge, 'fraction'),
    ],
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
    remedy: (facts) => (facts.by === 'window' && facts.oneMoreFits ? ONE_MORE_CELL : STRANDED_REMEDY[facts.by]),
    shows: (facts) => {
      if (facts.by === 'window-untimed') return rangeNumbers(facts);
      const left = [shown('charge left', facts.charge, 'fraction'), shown('energy left', facts.leftWh, 'Wh')];
      return facts.by === 'cutoff' ? [...left, shown('cut-off', facts.cutoffV, 'V')] : [...rangeNumbers(facts), ...left];
    },
  },
  'nothing-cuts-off': {
    means: 'Nothing in the battery ends its discharge.',
    says: ({ battery, cells, endsV, floorV, primary }) => {
      const ends = endsV === undefined ? 'and nothing that hangs on it stops' : `it is stopped from outside at ${say(endsV, 'V')}`;
      if (endsV !== undefined && endsV >= floorV)
        return `Nothing in ${battery} cuts off; ${ends}, above the ${say(floorV, 'V')} that its ${cells} cells stand.`;
      return `Nothing in ${battery} cuts off, ${ends}: below ${say(floorV, 'V')} its cells ${primary ? 'leak' : 'are harmed'}.`;
    },
    remedy: ({ alarmV, endsV, floorV }) =>
      `${endsV !== undefined && endsV >= floorV ? 'Unplug it when it has stopped' : 'Put a low-voltage cut-off before the load, or change it in time'}; set an alarm at ${say(alarmV, 'V')} under load.`,
    shows: ({ endsV, floorV, alarmV }) => [
      shown('ends at', endsV, 'V'),
      shown('its cells stand', floorV, 'V'),
      shown('alarm at', alarmV, 'V'),
    ],
  },
  'will-not-start': {
    means: 'A part needs more volts to start than it is given at this charge.',
    says: ({ place, startV, supply, charge, givenV, underLoad }, verdict) =>
      `${place} starts at ${say(startV, 'V')} or more; ${supply} at ${say(charge, 'fraction')} charge gives ${say(givenV, 'V')}${underLoad ? ' once the load draws' : ''}.${verdict === 'caution' ? ' It may not start, or drop out at once.' : ''}`,
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

function unlikeBy(facts: Facts['series-unlike']): string {
  if (facts.why === 'capacity') return `of ${say(facts.lowAh, 'Ah')} and ${say(facts.highAh, 'Ah')}`;
  if (facts.why === 'charge') return `charged to ${say(facts.lowCharge, 'fraction')} and ${say(facts.highCharge, 'fraction')}`;
  return 'of unlike chemistry';
}

const UNLIKE = {
  never: 'cells of that kind are never joined side by side.',
  supply: 'a supply would charge the battery with nothing to limit it.',
  chemistry: 'unlike cells charge and discharge each other, and can burn.',
  cells: 'the one of more cells in series overcharges the other, and it can burn.',
} as const;

const STRANDED_REMEDY = {
  cutoff: 'Keep it warm, or use a larger or newer battery.',
  window: 'Use an adapter that runs lower, or plan on the shorter run.',
  'window-untimed': 'Complete the missing figures to see how much.',
} as const;
/** Only where it would fit: a bay takes its own form, and a window has an upper end. */
const ONE_MORE_CELL = 'Use an adapter that runs lower, a battery of one more cell in series, or plan on the shorter run.';
