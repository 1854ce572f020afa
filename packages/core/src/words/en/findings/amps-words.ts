import type { Facts } from '../../../findings';
import type { CurrentLimit } from '../../../rig/resolved';
import { PAST_BOARD, PAST_CELLS, pastLimit, sayLimit } from '../rig/limit-words';
import { say, sayList } from '../say';
import { shown } from './wording';
import type { ShownNumber, Wordings } from './wording';

/** ` from the first minute`, or when. */
function since(afterMin: number): string {
  return afterMin === 0 ? ' from the first minute' : ` after ${say(afterMin, 'min')}`;
}

function pastBattery({ isBare }: { readonly isBare: boolean }): string {
  return isBare ? PAST_CELLS : PAST_BOARD;
}

/** What all peaks at once do. */
function peaksBreak({ breaks, limit, source }: Facts['peaks-together']): string {
  if (breaks === 'over-current' && limit) return `pass ${sayLimit(limit)}. ${pastLimit(limit)}`;
  if (breaks === 'over-current') return `pass what ${source} may give. It can trip there.`;
  if (breaks === 'collapse') return 'are more than battery and leads can carry: the voltage breaks down.';
  return 'pull the voltage down so far that something shuts off.';
}

function flowNumbers({ startA, endA, limit }: { startA: number; endA: number; limit: CurrentLimit }): readonly (ShownNumber | undefined)[] {
  return [shown('at the start', startA, 'A'), shown('at the end', endA, 'A'), shown('allowed', limit.maxA, 'A')];
}

/** Amps and watts against limits. */
export const AMPS: Wordings<
  | 'current-fits'
  | 'over-current'
  | 'over-current-late'
  | 'peak-stops'
  | 'peak-over-rating'
  | 'peaks-together'
  | 'pack-limit-unknown'
  | 'bank-switches-off'
  | 'poe-short'
  | 'fuse-far'
  | 'collapse'
  | 'adapter-overloaded'
  | 'budget-passed'
  | 'budget-shared'
  | 'regulator-hot'
  | 'wire-hot'
  | 'fuse-small'
  | 'fuse-large'
  | 'fuse-none'
> = {
  'current-fits': {
    means: 'The current stays within every limit, at every state of charge.',
    says: ({ startA, endA, limit }) => {
      const [full, end] = [say(startA, 'A'), say(endA, 'A')];
      return `${full === end ? `${full} throughout` : `${full} full, ${end} at the end`}; allowed are ${sayLimit(limit)}.`;
    },
    shows: flowNumbers,
  },
  'over-current': {
    means: 'A limit on current is passed from the first minute.',
    says: (facts) =>
      facts.at === 'battery'
        ? `More is drawn from ${facts.battery} than its ${say(facts.maxA, 'A')} from the first minute. ${pastBattery(facts)}`
        : `${facts.to} draws ${say(facts.startA, 'A')} from the first minute; allowed are ${sayLimit(facts.limit)}. ${pastLimit(facts.limit)}`,
    remedy: ({ at }) =>
      at === 'battery'
        ? 'Use a battery rated for more current.'
        : 'Use a port and cable rated for it, or split the load. Never raise a fuse or a limit.',
    shows: (facts) => (facts.at === 'battery' ? [shown('allowed', facts.maxA, 'A'), shown('after', 0, 'min')] : flowNumbers(facts)),
  },
  'over-current-late': {
    means: 'A limit on current is passed as the battery empties.',
    says: (facts) =>
      facts.at === 'battery'
        ? `More is drawn from ${facts.battery} than its ${say(facts.maxA, 'A')} after ${say(facts.afterMin, 'min')}. ${pastBattery(facts)}`
        : `After ${say(facts.afterMin, 'min')}, at ${say(facts.arrivesV, 'V')}, ${facts.to} draws more than ${sayLimit(facts.limit)}. ${pastLimit(facts.limit)}`,
    remedy: ({ at }) =>
      at === 'battery'
        ? 'Use a battery rated for more current.'
        : 'Use a second port or a stronger one, draw less towards the end, or swap before.',
    shows: (facts) => [
      ...(facts.at === 'battery' ? [shown('allowed', facts.maxA, 'A')] : flowNumbers(facts)),
      shown('after', facts.afterMin, 'min'),
    ],
  },
  'peak-stops': {
    means: 'A short peak of the load breaks a limit.',
    says: ({ battery, peakW, charge, afterMin }) => {
      const when =
        afterMin === 0 ? 'even on a full battery' : `once ${battery} is down to ${say(charge, 'fraction')}, after ${say(afterMin, 'min')}`;
      return `A peak of ${say(peakW, 'W')} breaks a limit ${when}: it can shut off there.`;
    },
    remedy: ({ afterMin }) =>
      afterMin === 0
        ? 'Use a battery and cable of lower resistance.'
        : 'Change it before it is down to that, or use a battery and cable of lower resistance.',
    shows: ({ peakW, charge, afterMin }) => [
      shown('peak', peakW, 'W'),
      shown('from charge', charge, 'fraction'),
      shown('after', afterMin, 'min'),
    ],
  },
  'peak-over-rating': {
    means: 'A peak of the load is above what a lead or an input is rated for; nothing ends it there.',
    says: ({ device, peakW, peakA, limit }) =>
      `At its peak of ${say(peakW, 'W')} ${device} draws ${say(peakA, 'A')}; allowed are ${sayLimit(limit)}. ${pastLimit(limit)}`,
    remedy: () => 'Use a lead and an input rated for the peak; where it is over in seconds, enter how long it is.',
    shows: ({ peakA, peakW, limit }) => [shown('peak', peakW, 'W'), shown('at the peak', peakA, 'A'), shown('allowed', limit.maxA, 'A')],
  },
  'peaks-together': {
    means: 'Peaks of several devices at the same moment break a limit that each by itself keeps.',
    says: (facts) =>
      `At ${say(facts.charge, 'fraction')} charge, peaks of ${sayList(facts.devices)} at the same moment (${say(facts.powerW, 'W')}) ${peaksBreak(facts)}`,
    remedy: () => 'Switch them on one after the other, or give one of them a feed of its own.',
    shows: ({ powerW, charge }) => [shown('peaks together', powerW, 'W'), shown('from charge', charge, 'fraction')],
  },
  'pack-limit-unknown': {
    means: 'More is drawn than a battery of its kind surely gives, and its own limit is not known.',
    says: ({ battery, currentA, lowA, highA }) =>
      `${say(currentA, 'A')} are drawn from ${battery}; what it may give is not known, of its kind and size some give ${say(lowA, 'A')}, some ${say(highA, 'A')}.`,
    remedy: () => 'Type the most current as printed on it, or ask its maker.',
    shows: ({ currentA, usualA, lowA, highA }) => [
      shown('drawn', currentA, 'A'),
      shown('usual', usualA, 'A'),
      shown('some only', lowA, 'A'),
      shown('some up to', highA, 'A'),
    ],
  },
  'bank-switches-off': {
    means: 'A bank takes a small draw for nobody there and switches itself off.',
    says: ({ bank, loads, currentA, leastA, lowA, highA }) =>
      leastA === undefined
        ? `${sayList(loads)} ${loads.length === 1 ? 'draws' : 'draw'} ${say(currentA, 'A')}: many banks switch off below ${say(lowA, 'A')} to ${say(highA, 'A')}, some never. What ${bank} does is not known.`
        : `${sayList(loads)} ${loads.length === 1 ? 'draws' : 'draw'} ${say(currentA, 'A')}; ${bank} switches itself off below ${say(leastA, 'A')}.`,
    remedy: () => 'Try it for a few minutes, use a bank that stays on, or hang another small load on it.',
    shows: ({ currentA, leastA }) => [shown('drawn', currentA, 'A'), shown('switches off below', leastA, 'A')],
  },
  'poe-short': {
    means: 'Less is negotiated over the network cable than the device draws.',
    says: ({ device, agreedW, wantedW }) => `The PoE class gives ${say(agreedW, 'W')} at the device; ${device} draws ${say(wantedW, 'W')}.`,
    remedy: () => 'Use a supply and a cable of a higher class, if the device takes it.',
    shows: ({ agreedW, wantedW }) => [shown('negotiated', agreedW, 'W'), shown('drawn', wantedW, 'W')],
  },
  collapse: {
    means: 'Battery and leads cannot carry the load at all.',
    says: ({ source, loads, afterMin }) =>
      `${source} and its leads cannot carry ${sayList(loads)}${afterMin === 0 ? ' at all' : ` after ${say(afterMin, 'min')}`}: the voltage breaks down.`,
    remedy: () => 'Use a battery of lower resistance (larger, warmer, newer), or a shorter and thicker cable.',
    shows: ({ afterMin }) => [shown('after', afterMin, 'min')],
  },
  'adapter-overloaded': {
    means: 'More is drawn than the adapter is rated for.',
    says: ({ load, wantedW, atPeaks, adapter, ratedW }) =>
      `${load} draws ${say(wantedW, 'W')}${atPeaks ? ' at its peaks' : ''}; ${adapter} is rated for ${say(ratedW, 'W')}.`,
    remedy: () => 'Use an adapter rated for it, or a mode that draws less.',
    shows: ({ wantedW, ratedW }) => [shown('drawn', wantedW, 'W'), shown('rated', ratedW, 'W')],
  },
  'budget-passed': {
    means: 'Ports that share a limit pass it together.',
    says: ({ of, budget, maxA, maxW, afterMin }) => {
      const limits = [...(maxA === undefined ? [] : [say(maxA, 'A')]), ...(maxW === undefined ? [] : [say(maxW, 'W')])];
      return `The ports of ${of} that share ${budget} pass ${limits.join(' or ')} together${since(afterMin)}.`;
    },
    remedy: () => 'Move one of them to a port outside the budget, or feed it from elsewhere.',
    shows: ({ maxA, maxW, takenA, afterMin }) => [
      shown('allowed', maxA, 'A'),
      shown('allowed', maxW, 'W'),
      shown('taken', takenA, 'A'),
      shown('after', afterMin, 'min'),
    ],
  },
  'budget-shared': {
    means: 'Ports that share a budget renegotiate when a neighbour is plugged in.',
    says: ({ port, of, neighbours, device, bridged }) =>
      `${port} of ${of} shares its budget with ${neighbours.join(', ')}: plugging one in ${bridged ? `leaves ${device} to its own battery` : `cuts ${device} off`} for a moment.`,
    remedy: ({ bridged }) =>
      bridged
        ? 'Keep the battery in the device charged.'
        : 'Keep a charged battery in the device, and plug everything in before recording.',
    shows: ({ contractW }) => [shown('agreed beside a neighbour', contractW, 'W')],
  },
  'regulator-hot': {
    means: 'A linear regulator turns more than 2 W into heat.',
    says: ({ adapter, inV, outV, currentA, heatW }) =>
      `${adapter} turns (${say(inV, 'V')} − ${say(outV, 'V')}) × ${say(currentA, 'A')} = ${say(heatW, 'W')} into heat.`,
    remedy: () => 'Give it a heat sink, or use a switching converter.',
    shows: ({ inV, outV, currentA, heatW }) => [
      shown('heat', heatW, 'W'),
      shown('in', inV, 'V'),
      shown('out', outV, 'V'),
      shown('current', currentA, 'A'),
    ],
  },
  'wire-hot': {
    means: 'The wire is too thin for the current.',
    says: ({ to, currentA, areaMm2, cable, carriesA }) =>
      `${to} draws ${say(currentA, 'A')} through ${say(areaMm2, 'mm2')} of ${cable}, which carries ${say(carriesA, 'A')} for long.`,
    remedy: () => 'Use a thicker cable.',
    shows: ({ currentA, carriesA, areaMm2 }) => [
      shown('current', currentA, 'A'),
      shown('the wire carries', carriesA, 'A'),
      shown('wire', areaMm2, 'mm2'),
    ],
  },
  'fuse-small': {
    means: 'The fuse is smaller than 1.25 times the highest continuous current.',
    says: ({ currentA, wantedA, fuseA }) =>
      `The highest current is ${say(currentA, 'A')}; a fuse for it has at least ${say(wantedA, 'A')}, this one ${say(fuseA, 'A')}. It may blow in time.`,
    remedy: ({ sizeA }) => `Draw less, or use a fuse of ${say(sizeA, 'A')} if wire and port carry it.`,
    shows: ({ fuseA, currentA, wantedA }) => [
      shown('fuse', fuseA, 'A'),
      shown('highest current', currentA, 'A'),
      shown('needed', wantedA, 'A'),
    ],
  },
  'fuse-large': {
    means: 'The fuse is larger than the wire or the port behind it carries.',
    says: ({ fuseA, carriesA }) =>
      `The fuse of ${say(fuseA, 'A')} lets pass more than the ${say(carriesA, 'A')} that the wire or port behind it carries.`,
    remedy: () => 'Use a fuse no larger than the weakest part behind it. Never a larger one than rated.',
    shows: ({ fuseA, carriesA }) => [shown('fuse', fuseA, 'A'), shown('carried', carriesA, 'A')],
  },
  'fuse-far': {
    means: 'The fuse sits at the load’s end, so the lead before it is not protected.',
    says: ({ cable, source }) => `The fuse of ${cable} sits at the load’s end: a short in the lead itself is fed by ${source} without it.`,
    remedy: ({ source }) => `Put the fuse close to the plus of ${source}.`,
  },
  'fuse-none': {
    means: 'A strong pack feeds bare leads without a fuse.',
    says: ({ from, to }) => `${from} can weld a shorted lead; there is no fuse between it and ${to}.`,
    remedy: ({ sizeA }) =>
      `Put a fuse close to its plus: at least 1.25 times the highest current${sizeA === undefined ? '' : ` (${say(sizeA, 'A')})`}, no more than the wire carries.`,
  },
};
