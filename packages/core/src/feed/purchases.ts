import type { Gear } from '../gear/gear';
import type { Rig } from '../gear/rig';
import { say } from '../match/figure';
import type { Verdict } from '../match/finding';
import { findFeeds } from './find-feeds';
import type { FeedOptions, FeedWay } from './find-feeds';
import { CRITERIA } from './weights';
import type { Criterion } from './weights';
import { genericParts, isGeneric } from './generic-parts';

/** Something generic to get, and what it opens. */
export interface Purchase {
  readonly items: readonly string[];
  /** Of all items; undefined where one has none. */
  readonly price: number | undefined;
  readonly way: FeedWay;
  readonly why: string;
}

export interface Purchases {
  readonly deviceId: string;
  /** The best that the kit gives without buying anything; undefined: no sound way. */
  readonly owned: FeedWay | undefined;
  /** The smallest first: fewest items that make it sound, then the greatest gain for the price. */
  readonly purchases: readonly Purchase[];
}

const MOST_ITEMS = 3;
const MOST_LISTED = 5;
/** Points of cost below which nobody buys anything. */
const WORTH_TELLING = 0.3;
const ORDER: readonly Verdict[] = ['good', 'caution', 'unknown', 'stop'];

/**
 * The smallest generic addition to a kit that gives a device a sound way, or a better one than it has, and why.
 *
 * Cost: one search over the kit and about forty generic things.
 *
 * @example purchasesFor(rig, cameraId, kit).purchases[0].why // 'Runs 4 h 10 min where nothing sound was there before.'
 */
export function purchasesFor(rig: Rig, deviceId: string, gear: ReadonlyMap<string, Gear>, options: FeedOptions = {}): Purchases {
  const own = findFeeds(rig, deviceId, gear, options).ways[0];
  const all = new Map([...gear, ...genericParts({ ...rig, devices: rig.devices.filter(({ gearId }) => gearId === deviceId) }, gear)]);
  const { ways } = findFeeds(rig, deviceId, all, { mostWays: 800, ...options });
  const sets = new Map<string, FeedWay>();
  for (const way of ways) {
    const bought = boughtFor(way);
    if (bought.length === 0 || bought.length > MOST_ITEMS) continue;
    const key = bought.map((id) => all.get(id)?.name).sort().join(' + '); // prettier-ignore
    const known = sets.get(key);
    if (!known || way.cost < known.cost) sets.set(key, way);
  }
  const better = [...sets.values()].filter((way) => own === undefined || rank(way) < rank(own) || way.cost < own.cost - WORTH_TELLING);
  const purchases = better
    .map((way): Purchase => {
      const bought = boughtFor(way).map((id) => all.get(id)!);
      const price = bought.reduce<number | undefined>(
        (sum, { price: one }) => (sum === undefined || one === undefined ? undefined : sum + one),
        0,
      );
      return { items: bought.map(({ name }) => name), price, way, why: whyOf(way, own) };
    })
    .sort((a, b) => byWorth(a, b, own));
  return { deviceId, owned: own, purchases: withoutMore(purchases).slice(0, MOST_LISTED) };
}

function boughtFor({ links }: FeedWay): readonly string[] {
  const ids = links.flatMap(({ from, to, cableId }) => [from.gearId, to.gearId, ...(cableId === undefined ? [] : [cableId])]);
  return [...new Set(ids)].filter(isGeneric);
}

function rank({ verdict }: FeedWay): number {
  return ORDER.indexOf(verdict);
}

/** To get it to run at all: few and cheap. To better what runs: points gained for the money. */
function byWorth(a: Purchase, b: Purchase, own: FeedWay | undefined): number {
  if (!own) return a.items.length - b.items.length || rank(a.way) - rank(b.way) || (a.price ?? Infinity) - (b.price ?? Infinity);
  const worth = ({ way, price }: Purchase): number => (own.cost - way.cost + 3 * (rank(own) - rank(way))) / (20 + (price ?? 1000));
  return worth(b) - worth(a);
}

/** What adds things to an earlier, smaller purchase without making it better is not worth telling. */
function withoutMore(purchases: readonly Purchase[]): Purchase[] {
  return purchases.filter(
    (one, place) =>
      !purchases.some((other, at) => at < place && other.way.cost <= one.way.cost && other.items.every((item) => one.items.includes(item))),
  );
}

function whyOf(way: FeedWay, own: FeedWay | undefined): string {
  const time = (of: FeedWay): string =>
    of.criteria.unlimited
      ? 'as long as its supply stands'
      : of.firstStopMin === undefined
        ? 'for a time not known'
        : say(of.firstStopMin, 'min');
  if (!own) return `Runs ${time(way)} where nothing sound was there before.`;
  const less = (Object.keys(CRITERIA) as Criterion[])
    .map((name) => ({ name, gain: own.points[name] - way.points[name] }))
    .filter(({ gain }) => gain > 0.1)
    .sort((a, b) => b.gain - a.gain)
    .slice(0, 3);
  const gains = [
    ...(rank(way) < rank(own) ? [`${way.verdict} instead of ${own.verdict}`] : []),
    ...((way.firstStopMin ?? Infinity) > (own.firstStopMin ?? Infinity) * 1.02 ? [`runs ${time(way)} instead of ${time(own)}`] : []),
    ...(less.length > 0 ? [`fewer or less: ${less.map(({ name }) => CRITERIA[name]).join(', ')}`] : []),
  ];
  return `${gains.join('; ')}.`.replace(/^./, (first) => first.toUpperCase());
}
