import type { Facts } from '../../../findings';
import { millimetres, say, sayList } from '../say';
import { shown } from './wording';
import type { ShownNumber, Wordings } from './wording';

type Standing = Facts['tips-over'];
type Payload = Facts['payload-passed'];

function standingNumbers({ edge, marginMm, alongMm, massG, angleDeg }: Standing): readonly (ShownNumber | undefined)[] {
  return [
    shown('centre of mass, forward', alongMm, 'mm'),
    shown(`margin to the ${edge}`, marginMm, 'mm'),
    shown('mass', massG, 'g'),
    shown('tips when it leans by', angleDeg, 'deg'),
  ];
}

function counterweight({ edge, counterweightG, ballastG }: Standing): string {
  const below = say(ballastG ?? 0, 'g');
  if (counterweightG === undefined) return `Spread the feet, move the battery, or hang ${below} below the middle.`;
  return `Hang ${say(counterweightG, 'g')} ${edge === 'front' ? 'behind' : 'in front'} to bring it over the middle, or ${below} below the middle.`;
}

function carried({ massG, payloadG }: Payload): string {
  return `${say(massG, 'g')} of ${say(payloadG, 'g')}`;
}

function payloadNumbers({ massG, payloadG }: Payload): readonly (ShownNumber | undefined)[] {
  return [shown('carried', massG, 'g'), shown('payload', payloadG, 'g')];
}

const LIGHTER = 'Carry the battery on the arm, the belt or in a pocket.';

/** How it stands, and what a stabiliser carries. */
export const BALANCE: Wordings<
  'balance-fits' | 'balance-unknown' | 'tips-over' | 'tips-easily' | 'payload-passed' | 'payload-near' | 'swap-shifts'
> = {
  'balance-fits': {
    means: 'The rig stands, or the stabiliser carries it.',
    says: (facts) => {
      if (facts.on === 'stabiliser') return `It carries ${carried(facts)}.`;
      const leans = facts.angleDeg === undefined ? '' : `; it may lean by ${say(facts.angleDeg, 'deg')}`;
      return `It stands: ${millimetres(facts.marginMm)} to the line of the feet at the ${facts.edge}${leans}.`;
    },
    shows: (facts) => (facts.on === 'stabiliser' ? payloadNumbers(facts) : standingNumbers(facts)),
  },
  'balance-unknown': {
    means: 'A mass or a place is missing, so the balance is told without it.',
    says: ({ places, masses }) => {
      const what = [...places.map((name) => `the place of ${name}`), ...masses.map((name) => `the mass of ${name}`)];
      return `Not known: ${sayList(what)}. The balance is told without.`;
    },
    remedy: () => 'Weigh it, measure where it sits, or say that it is carried elsewhere.',
  },
  'tips-over': {
    means: 'The centre of mass is outside the feet.',
    says: ({ marginMm, edge }) => `The centre of mass is ${millimetres(-marginMm)} outside the feet at the ${edge}: it tips over.`,
    remedy: counterweight,
    shows: standingNumbers,
  },
  'tips-easily': {
    means: 'Less than a fifth of the reach of the feet is left as margin.',
    says: ({ marginMm, marginShare, edge }) =>
      `Only ${millimetres(marginMm)} (${say(marginShare, 'fraction')}) are left to the line of the feet at the ${edge}.`,
    remedy: counterweight,
    shows: standingNumbers,
  },
  'payload-passed': {
    means: 'The stabiliser is to carry more than it may.',
    says: (facts) => `It is to carry ${carried(facts)}: too heavy.`,
    remedy: () => LIGHTER,
    shows: payloadNumbers,
  },
  'payload-near': {
    means: 'The stabiliser carries almost all it may.',
    says: (facts) => `It carries ${carried(facts)}: little is left.`,
    remedy: () => LIGHTER,
    shows: payloadNumbers,
  },
  'swap-shifts': {
    means: 'A spare moves the balance of a stabiliser.',
    says: ({ spare, battery, alongMm }) =>
      `${spare} in the place of ${battery} moves the centre of mass by ${millimetres(Math.abs(alongMm))}: balance it again.`,
    remedy: () => 'Use a spare of the same mass, or carry the battery off the carriage.',
    shows: ({ alongMm, massG }) => [shown('shift', alongMm, 'mm'), shown('mass', massG, 'g')],
  },
};
