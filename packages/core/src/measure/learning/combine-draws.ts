import { dayOf } from '../log';
import { median } from '../trace';
import { combined } from './combined';
import type { Combined, SeenValue } from './combined';
import { doubtfulAmong, weighedDown } from './doubtful';
import { scaled } from './draw-estimate';
import type { DrawEstimate } from './draw-estimate';

/** A draw learnt from several observations. */
export interface LearnedDraw {
  readonly meanW: number;
  readonly sigmaW: number;
  /** How much each counted; 0 for one that was set aside. */
  readonly shares: readonly number[];
  /** Places of observations that disagree with the rest: to be questioned; they count less until a person decides. */
  readonly doubtful: readonly number[];
  /** What the others say without those; undefined where none is doubtful, or all are. */
  readonly without: { readonly meanW: number; readonly sigmaW: number } | undefined;
  /** From day to day it differs by this share, one standard deviation. */
  readonly dayShare: number;
}

/** Draws differ from day to day, before anything is known of it: by this share, as if seen on so many days. */
const DAY = 0.033;
const DAY_SEEN = 4;
/** And from test to test of one day. */
const REPEAT = 0.012;
const MOST_DAY = 0.5;
const ROUNDS = 24;
/** After a year an observation counts half as much. */
const HALF_YEARS = 1;
const YEAR_DAYS = 365.25;

/** One estimate to be combined, and what a person says of it. */
export interface ToCombine extends Pick<DrawEstimate, 'meanW' | 'errors'> {
  readonly at?: string;
  readonly setAside?: boolean;
}

/**
 * Several estimates as one. Errors that are shared stay, however many share them; what differs from day to day is learnt
 * from the days; older ones count less. What disagrees with the rest is named and counts less, until a person sets it aside
 * or not. The order does not count. Undefined where there is none.
 *
 * Cost: about `ROUNDS` solutions of `combined`.
 *
 * @example combineDraws([{ meanW: 10, errors: { own: 1, shared: [] } }, { meanW: 10, errors: { own: 2, shared: [] } }]).meanW // 10
 */
export function combineDraws(estimates: readonly ToCombine[]): LearnedDraw | undefined {
  const counted = [...estimates.keys()].filter((place) => !estimates[place]!.setAside);
  if (counted.length === 0) return undefined;
  const middleW = median(Float64Array.from(counted, (place) => estimates[place]!.meanW));
  if (!(middleW > 0)) return undefined;
  const taken = counted.map((place) => estimates[place]!);
  const usual = relativeTo(taken, middleW, DAY);
  const doubted = doubtfulAmong(usual);
  const weigh = (day: number): readonly SeenValue[] => weighedDown(relativeTo(taken, middleW, day), doubted);
  const dayShare = dayOfAll(weigh, taken);
  const { unknowns, covariance, shares } = withoutNegative(weigh(dayShare));
  const out = new Set(doubted);
  const sound = relativeTo(taken, middleW, dayShare).filter((_, place) => !out.has(place));
  const rest = doubted.length > 0 && sound.length > 0 ? withoutNegative(sound) : undefined;
  const all = new Map(counted.map((place, at) => [place, shares[at]!]));
  return {
    meanW: unknowns[0]! * middleW,
    sigmaW: Math.sqrt(covariance[0]![0]!) * middleW,
    shares: estimates.map((_, place) => all.get(place) ?? 0),
    doubtful: doubted.map((at) => counted[at]!),
    without: rest && { meanW: rest.unknowns[0]! * middleW, sigmaW: Math.sqrt(rest.covariance[0]![0]!) * middleW },
    dayShare,
  };
}

/** Estimates as shares of about what they come to, so that a low one is not believed to be surer for being low. */
function relativeTo(estimates: readonly ToCombine[], middleW: number, day: number): readonly SeenValue[] {
  const days = new Map<string, number>();
  for (const { at } of estimates) if (at !== undefined) days.set(at.slice(0, 10), (days.get(at.slice(0, 10)) ?? 0) + 1);
  const newest = Math.max(...estimates.map(({ at }) => (at === undefined ? -Infinity : dayOf(at))));
  return estimates.map(({ meanW, errors: { own, shared }, at }) => {
    const years = at === undefined || !Number.isFinite(newest) ? 0 : (newest - dayOf(at)) / YEAR_DAYS;
    const isAlone = at === undefined || days.get(at.slice(0, 10)) === 1;
    const alone = Math.hypot(own / meanW, REPEAT, isAlone ? day : 0);
    return {
      value: meanW / middleW,
      own: alone * Math.sqrt(2 ** (years / HALF_YEARS)),
      shared: [...scaled(shared, 1 / meanW), ...(isAlone ? [] : [{ source: `day ${at.slice(0, 10)}`, sigma: day }])],
    };
  });
}

/** How much a draw differs from day to day: as much as makes what is left of the values what it should be, begun from what is usual. */
function dayOfAll(weigh: (day: number) => readonly SeenValue[], estimates: readonly ToCombine[]): number {
  const days = new Set(estimates.map(({ at }, place) => at?.slice(0, 10) ?? place)).size;
  if (days < 2) return DAY;
  const free = estimates.length - 1;
  const isMore = (day: number): boolean => combined(weigh(day)).squares + DAY_SEEN * (DAY / day) ** 2 > free + DAY_SEEN;
  let [low, high] = [DAY / 10, MOST_DAY];
  for (let round = 0; round < ROUNDS; round++) {
    const middle = Math.sqrt(low * high);
    if (isMore(middle)) low = middle;
    else high = middle;
  }
  return Math.sqrt(low * high);
}

/** A value that would count against itself, as it says less than another that shares its errors, is left out. */
function withoutNegative(values: readonly SeenValue[]): Pick<Combined, 'unknowns' | 'covariance' | 'shares'> {
  let left = [...values.keys()];
  for (;;) {
    const found = combined(left.map((place) => values[place]!));
    const kept = left.filter((_, at) => found.shares[at]! >= 0);
    if (kept.length === left.length) {
      const shares = new Map(left.map((place, at) => [place, found.shares[at]!]));
      return { ...found, shares: values.map((_, place) => shares.get(place) ?? 0) };
    }
    left = kept;
  }
}
