import { severity } from '../findings';
import type { Verdict } from '../findings';
import { connectorName } from '../gear';
import type { Device, Gear } from '../gear';
import type { Rig } from '../rig/drawn';
import { said } from '../said';
import { findFeeds } from './find-feeds';
import type { FeedOptions, FoundFeed } from './find-feeds';
import { genericParts, isGeneric } from './generic-parts';
import { madeLeads } from './made-leads';
import type { FeedSaid } from './says';
import { CRITERION_NAMES } from './weights';
import type { Criterion } from './weights';

/** How long a feed runs: minutes, or why there are none. */
export type FeedTime = number | 'unlimited' | 'unknown';

/** What a purchase betters: where nothing sound was there it runs at all; else its verdict, its time, and what it costs less of. */
export type PurchaseWhy =
  | { readonly is: 'first'; readonly runs: FeedTime }
  | {
      readonly is: 'better';
      readonly verdict: { readonly now: Verdict; readonly before: Verdict } | undefined;
      readonly runs: { readonly now: FeedTime; readonly before: FeedTime } | undefined;
      /** The criteria that gain most, the most first. */
      readonly less: readonly Criterion[];
    };

/** Something generic to get, and what it opens. */
export interface Purchase {
  readonly items: readonly string[];
  /** Of all items; undefined where one has none. */
  readonly price: number | undefined;
  readonly feed: FoundFeed;
  readonly why: PurchaseWhy;
}

export interface Purchases {
  readonly deviceId: string;
  /** The best that the kit gives without buying anything; undefined: no sound feed. */
  readonly owned: FoundFeed | undefined;
  /** The smallest first: fewest items that make it sound, then the greatest gain for the price. */
  readonly purchases: readonly Purchase[];
  /** Where neither the kit nor a purchase helps: what is missing. */
  readonly lack: FeedSaid | undefined;
}

/** Points fewer than this are not worth a word. */
const WORTH_NAMING = 0.1;
/** So many times as long is longer. */
const LONGER = 1.02;
const MOST_ITEMS = 3;
const MOST_LISTED = 5;
/** Points of cost below which nobody buys anything. */
const WORTH_TELLING = 0.3;

/**
 * The smallest generic addition to a kit that gives a device a sound feed, or a better one than it has, and why.
 *
 * Cost: one search over the kit and about forty generic things.
 *
 * @example purchasesFor(rig, cameraId, new Map([[cameraId, kit.get(cameraId)]])).purchases.length > 0 // true
 */
export function purchasesFor(rig: Rig, deviceId: string, gear: ReadonlyMap<string, Gear>, options: FeedOptions = {}): Purchases {
  const own = findFeeds(rig, deviceId, gear, options).feeds[0];
  const all = new Map([...gear, ...genericParts({ ...rig, devices: rig.devices.filter(({ gearId }) => gearId === deviceId) }, gear)]);
  // where nothing is sound yet, one lead that is sold nowhere may be all that is missing
  if (!own) for (const [id, lead] of madeLeads(deviceId, gear)) all.set(id, lead);
  const { feeds } = findFeeds(rig, deviceId, all, { mostFeeds: 800, ...options });
  const sets = new Map<string, FoundFeed>();
  for (const feed of feeds) {
    const bought = boughtFor(feed);
    if (bought.length === 0 || bought.length > MOST_ITEMS) continue;
    const key = bought
      .map((id) => all.get(id)?.name)
      .sort()
      .join(' + ');
    const known = sets.get(key);
    if (!known || feed.cost < known.cost) sets.set(key, feed);
  }
  const better = [...sets.values()].filter((feed) => own === undefined || rank(feed) < rank(own) || feed.cost < own.cost - WORTH_TELLING);
  const purchases = better
    .map((feed): Purchase => {
      const bought = boughtFor(feed).map((id) => all.get(id)!);
      const price = bought.reduce<number | undefined>(
        (sum, { price: one }) => (sum === undefined || one === undefined ? undefined : sum + one),
        0,
      );
      return { items: bought.map(({ name }) => name), price, feed, why: whyOf(feed, own) };
    })
    .sort((a, b) => byWorth(a, b, own));
  const device = gear.get(deviceId);
  return {
    deviceId,
    owned: own,
    purchases: withoutMore(purchases).slice(0, MOST_LISTED),
    lack: feeds.length === 0 && device?.kind === 'device' ? lackOf(device) : undefined,
  };
}

function lackOf({ name, inputs }: Device): FeedSaid {
  return said('nothing-gives', {
    name,
    inlets: inputs.map(({ connector, minV, maxV }) => ({ connector: connectorName(connector), minV, maxV })),
  });
}

function boughtFor({ links }: FoundFeed): readonly string[] {
  const ids = links.flatMap(({ from, to, cableId }) => [from.gearId, to.gearId, ...(cableId === undefined ? [] : [cableId])]);
  return [...new Set(ids)].filter(isGeneric);
}

function rank({ verdict }: FoundFeed): number {
  return severity(verdict);
}

/** To get it to run at all: few and cheap. To better what runs: points gained for the money. */
function byWorth(a: Purchase, b: Purchase, own: FoundFeed | undefined): number {
  if (!own) return a.items.length - b.items.length || rank(a.feed) - rank(b.feed) || (a.price ?? Infinity) - (b.price ?? Infinity);
  // what nobody gave a price for is not guessed to be dear or cheap: it comes after what has one
  if ((a.price === undefined) !== (b.price === undefined)) return a.price === undefined ? 1 : -1;
  const worth = ({ feed, price = 0 }: Purchase): number => (own.cost - feed.cost + 3 * (rank(own) - rank(feed))) / (20 + price);
  return worth(b) - worth(a);
}

/** What adds things to an earlier, smaller purchase without making it better is not worth telling. */
function withoutMore(purchases: readonly Purchase[]): Purchase[] {
  return purchases.filter(
    (one, place) =>
      !purchases.some(
        (other, at) => at < place && other.feed.cost <= one.feed.cost && other.items.every((item) => one.items.includes(item)),
      ),
  );
}

function whyOf(feed: FoundFeed, own: FoundFeed | undefined): PurchaseWhy {
  if (!own) return { is: 'first', runs: timeOf(feed) };
  const less = CRITERION_NAMES.map((name) => ({ name, gain: own.points[name] - feed.points[name] }))
    .filter(({ gain }) => gain > WORTH_NAMING)
    .sort((a, b) => b.gain - a.gain)
    .slice(0, 3);
  return {
    is: 'better',
    verdict: rank(feed) < rank(own) ? { now: feed.verdict, before: own.verdict } : undefined,
    runs:
      (feed.firstStopMin ?? Infinity) > (own.firstStopMin ?? Infinity) * LONGER ? { now: timeOf(feed), before: timeOf(own) } : undefined,
    less: less.map(({ name }) => name),
  };
}

function timeOf({ criteria, firstStopMin }: FoundFeed): FeedTime {
  return criteria.unlimited ? 'unlimited' : (firstStopMin ?? 'unknown');
}
