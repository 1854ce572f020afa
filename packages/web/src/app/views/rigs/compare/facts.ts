import { costOf } from '@viaggio/core/answer';
import type { Criteria, Weights } from '@viaggio/core/answer';
import { formatQuantity } from '@viaggio/core/units';
import { saySum, sumOf } from '@viaggio/core/words';
import { counted } from '../../../basics/counted';
import type { SideBySideRow } from '../../../parts/side-by-side-rows';
import type { Compared } from './column';

interface Measure {
  readonly title: string;
  readonly of: (criteria: Criteria) => number;
  readonly tell: (criteria: Criteria, sayPrice: SayPrice) => string;
}

/** A price in the person's currency; “unknown” where there is none. */
type SayPrice = (price: number | undefined) => string;

/** A sum that may be greater is no best one. */
const known = (sum: number, unknown: readonly string[]): number => (unknown.length > 0 ? Infinity : sum);
const least = (value: number | undefined): number => value ?? Infinity;

/** The less the better, each; time counts negative. */
const MEASURES: readonly Measure[] = [
  {
    title: 'To the first swap',
    of: ({ unlimited, firstStopMin }) => (unlimited ? -Infinity : -(firstStopMin ?? 0)),
    tell: ({ unlimited, firstStopMin }) =>
      unlimited ? 'as long as the mains is on' : firstStopMin === undefined ? 'not known' : formatQuantity(firstStopMin, 'min'),
  },
  {
    title: 'Swaps while it must run',
    of: ({ swaps }) => least(swaps),
    tell: ({ swaps }) => (swaps === undefined ? 'no time asked for' : String(swaps)),
  },
  { title: 'Swapped without a cut', of: ({ hotSwap }) => (hotSwap ? 0 : 1), tell: ({ hotSwap }) => (hotSwap ? 'yes' : 'no') },
  {
    title: 'On the camera',
    of: ({ massOnG, massOnUnknown }) => known(massOnG, massOnUnknown),
    tell: ({ massOnG, massOnUnknown, piecesOn }) => saySum(massOnG, 'g', massOnUnknown, piecesOn),
  },
  {
    title: 'Carried elsewhere',
    of: ({ massOffG, massOffUnknown }) => known(massOffG, massOffUnknown),
    tell: ({ massOffG, massOffUnknown, piecesOff }) => saySum(massOffG, 'g', massOffUnknown, piecesOff),
  },
  {
    title: 'Price of the feed',
    of: ({ price, priceUnknown }) => known(price, priceUnknown),
    tell: ({ price, priceUnknown, piecesOn, piecesOff }, sayPrice) => sumOf(sayPrice(price), priceUnknown, piecesOn + piecesOff),
  },
  {
    title: 'Price a watt-hour',
    of: ({ pricePerWh }) => least(pricePerWh),
    tell: ({ pricePerWh, energyWh }, sayPrice) => (energyWh === 0 ? 'no battery' : sayPrice(pricePerWh)),
  },
  {
    title: 'Price an hour of run',
    of: ({ pricePerHour }) => least(pricePerHour),
    tell: ({ pricePerHour, unlimited }, sayPrice) => (unlimited ? 'none' : sayPrice(pricePerHour)),
  },
  { title: 'Plugs and contacts', of: ({ joints }) => joints, tell: ({ joints }) => String(joints) },
  { title: 'Gauges that mislead', of: ({ blindGauges }) => blindGauges, tell: ({ blindGauges }) => String(blindGauges) },
  { title: 'Stop together', of: ({ together }) => together, tell: ({ together }) => String(together) },
  { title: 'Kinds of charger', of: ({ chargers }) => chargers.length, tell: ({ chargers }) => String(chargers.length) },
  {
    title: 'In the air',
    of: ({ flight }) => ['free', 'approval', 'unknown', 'no'].indexOf(flight),
    tell: ({ flight }) => ({ free: 'flies', approval: 'needs approval', unknown: 'not known', no: 'may not fly' })[flight],
  },
  { title: 'Modes and features lost', of: ({ lost }) => lost.length, tell: ({ lost }) => String(lost.length) },
  { title: 'Other cautions', of: ({ cautions }) => cautions, tell: ({ cautions }) => String(cautions) },
  { title: 'Sockets it needs', of: ({ tethers }) => tethers, tell: ({ tethers }) => String(tethers) },
];

export function facts(columns: readonly Compared[], weights: Weights, sayPrice: SayPrice): readonly SideBySideRow[] {
  const points: Measure = {
    title: 'Points in all, the less the better',
    of: (criteria) => costOf(criteria, weights).cost,
    tell: (criteria) => costOf(criteria, weights).cost.toFixed(1),
  };
  return [...MEASURES, points].map(({ title, of, tell }) => {
    const values = columns.map(({ criteria }) => of(criteria));
    const best = Math.min(...values);
    const same = values.every((value) => value === values[0]);
    // what most of them share is no distinction
    const few = values.filter((value) => value === best).length <= values.length / 2;
    return {
      title,
      same,
      cells: columns.map(({ criteria }, index) => ({ text: tell(criteria, sayPrice), best: few && values[index] === best })),
    };
  });
}

/** The column that costs the least points. */
export function bestIn<C extends Compared>(columns: readonly C[], weights: Weights): C | undefined {
  return [...columns].sort((a, b) => costOf(a.criteria, weights).cost - costOf(b.criteria, weights).cost)[0];
}

/** What a person gains and pays by one way against another, in a few words each; nothing where either is not known. */
export interface Exchange {
  readonly gains: readonly string[];
  readonly costs: readonly string[];
}

/** A difference as it is said where it is for the better, and where for the worse. */
interface Difference {
  /** Positive: better. Undefined where one of them is not known. */
  readonly by: (of: Criteria, than: Criteria) => number | undefined;
  readonly say: (size: number) => readonly [better: string, worse: string];
}

const whole = (sum: number, unknown: readonly string[]): number | undefined => (unknown.length > 0 ? undefined : sum);
const less = (of: number | undefined, than: number | undefined): number | undefined =>
  of === undefined || than === undefined ? undefined : than - of;
/** Grams and minutes that nobody feels. */
const FELT = { g: 20, min: 5 };

const DIFFERENCES: readonly Difference[] = [
  { by: (of, than) => Number(of.unlimited) - Number(than.unlimited), say: () => ['as long as the mains is on', 'ends with its battery'] },
  {
    by: (of, than) => {
      if (of.unlimited || than.unlimited) return undefined;
      const by = less(than.firstStopMin, of.firstStopMin);
      return by === undefined || Math.abs(by) < FELT.min ? undefined : by;
    },
    say: (size) => [`${formatQuantity(size, 'min')} longer`, `${formatQuantity(size, 'min')} shorter`],
  },
  { by: (of, than) => less(of.swaps, than.swaps), say: (size) => [counted(size, 'swap') + ' less', counted(size, 'swap') + ' more'] },
  { by: (of, than) => Number(of.hotSwap) - Number(than.hotSwap), say: () => ['swapped without a cut', 'a cut at each swap'] },
  {
    by: (of, than) => {
      const by = less(whole(of.massOnG, of.massOnUnknown), whole(than.massOnG, than.massOnUnknown));
      return by === undefined || Math.abs(by) < FELT.g ? undefined : by;
    },
    say: (size) => [`${formatQuantity(size, 'g')} less on the camera`, `${formatQuantity(size, 'g')} more on the camera`],
  },
  {
    by: (of, than) => than.together - of.together,
    say: (size) => [counted(size, 'device') + ' less stop together', counted(size, 'device') + ' more stop together'],
  },
  {
    by: (of, than) => than.blindGauges - of.blindGauges,
    say: (size) => [counted(size, 'gauge') + ' more to believe', counted(size, 'gauge') + ' more mislead'],
  },
  { by: (of, than) => than.joints - of.joints, say: (size) => [counted(size, 'plug') + ' less', counted(size, 'plug') + ' more'] },
  {
    by: (of, than) => than.chargers.length - of.chargers.length,
    say: (size) => [counted(size, 'kind') + ' of charger less', counted(size, 'kind') + ' of charger more'],
  },
  { by: (of, than) => than.tethers - of.tethers, say: () => ['no socket needed', 'needs a socket'] },
  {
    by: (of, than) => than.lost.length - of.lost.length,
    say: (size) => [counted(size, 'mode') + ' more to use', counted(size, 'mode') + ' lost'],
  },
];

/** One way against another, what differs most to a person first. */
export function exchange(of: Criteria, than: Criteria): Exchange {
  const found = DIFFERENCES.map(({ by, say }) => ({ by: by(of, than) ?? 0, say }));
  return {
    gains: found.flatMap(({ by, say }) => (by > 0 ? [say(by)[0]] : [])),
    costs: found.flatMap(({ by, say }) => (by < 0 ? [say(-by)[1]] : [])),
  };
}
