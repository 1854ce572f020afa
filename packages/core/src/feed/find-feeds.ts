import { assessModel, rigModel } from '../answer';
import type { Answer } from '../answer';
import type { Finding, Verdict } from '../findings';
import { gearTitle } from '../gear';
import type { Gear } from '../gear';
import { isFlat } from '../gear/kit';
import { gearIdsOf, linksTo, withoutSpares } from '../rig/drawn';
import type { Link, Rig } from '../rig/drawn';
import { withTestsSettled } from '../rig/resolved';
import { said } from '../said';
import { STYLE_WEIGHTS } from '../tables';
import { KitIndex, LARGE_KIT, NOTHING_TAKEN, take } from './chains';
import type { ChainOfLinks } from './chains';
import { costOf, criteriaOf, dominates } from './criteria';
import type { Criteria, Points } from './criteria';
import type { FeedSaid } from './says';
import { Soundness } from './soundness';
import { DEFAULT_STYLE } from './weights';
import type { Weights } from './weights';

/** One sound way to feed a device. */
export interface FoundFeed {
  readonly links: ChainOfLinks;
  /** `Holmvik 95 → D-tap lead → Adapter M`. */
  readonly title: string;
  readonly verdict: Verdict;
  /** All that is not good about it. */
  readonly findings: readonly Finding[];
  readonly firstStopMin: number | undefined;
  readonly criteria: Criteria;
  /** The less the better; what each criterion adds. */
  readonly cost: number;
  readonly points: Points;
  /** Batteries of it that are flat now, by name: they have to be charged first. */
  readonly flat: readonly string[];
  /** Another way is at least as good in everything and better in something. */
  readonly dominated: boolean;
}

export interface FoundFeeds {
  readonly deviceId: string;
  /** The best first; those that another dominates come last. */
  readonly feeds: readonly FoundFeed[];
  /** Ways whose plugs mate but which must not or would not run, one of each reason: the nearest to a sound one first. */
  readonly refused: readonly { readonly title: string; readonly reason: FeedSaid }[];
  /** There were more ways than are looked at. */
  readonly bounded: boolean;
}

export interface FeedOptions {
  readonly weights?: Weights;
  /** Parts that are not to be used: in other rigs, lent, broken. */
  readonly exclude?: ReadonlySet<string>;
  /** What feeds the rig's other devices: its free ports may feed this one too, and the rig is then judged as a whole. */
  readonly beside?: readonly Link[];
  /** At most so many ways are run; beyond it, `bounded`. */
  readonly mostFeeds?: number;
}

const MOST_FEEDS = 400;
/** The same where each way is a run of the whole rig. */
const MOST_FEEDS_BESIDE = 120;
const MOST_REFUSED = 20;
/** Points that nobody tells apart. */
const SAME_COST = 0.01;

/**
 * Every sound way to feed one device of a rig from a kit, through any chain of plate, splitter, adapter, cable and
 * trigger cable up to three parts deep, ranked for the rig's shooting style. The device is looked at under the rig's
 * conditions, in the mode the rig gives it: by itself, or with the devices that `beside` feeds. From a kit of more than a hundred pieces, of ways that are
 * electrically the same only the lightest and cheapest are shown.
 *
 * Cost: some tens of microseconds for each way that mates, about half a millisecond for each that is sound.
 *
 * @example findFeeds(rig, cameraId, kit).feeds[0].title // 'B5 Grynna 27 PD → USB-C lead, 1 m'
 */
export function findFeeds(whole: Rig, deviceId: string, kit: ReadonlyMap<string, Gear>, options: FeedOptions = {}): FoundFeeds {
  const gear = withTestsSettled(whole, kit);
  const rig = withoutSpares(whole, gear);
  const weights = options.weights ?? STYLE_WEIGHTS[rig.style ?? DEFAULT_STYLE];
  const index = new KitIndex(gear, options.exclude, rig.batteries);
  const soundness = new Soundness(rig, gear, index);
  const beside = options.beside ?? [];
  const all = index.chainsTo(deviceId, take(NOTHING_TAKEN, beside));
  const { bounded } = all;
  const chains = index.pieces.size > LARGE_KIT ? index.thin(all.chains) : all.chains;
  const use = rig.devices.find(({ gearId }) => gearId === deviceId) ?? { gearId: deviceId };
  const refused = new Map<string, Refused>();
  const found: Omit<FoundFeed, 'dominated'>[] = [];
  const mostFeeds = options.mostFeeds ?? (beside.length > 0 ? MOST_FEEDS_BESIDE : MOST_FEEDS);
  const others = rig.devices.filter(({ gearId }) => gearId !== deviceId && beside.some(({ to }) => to.gearId === gearId));
  const wayOf = (links: ChainOfLinks): ChainOfLinks => (beside.length > 0 ? linksTo({ links: [...beside, ...links] }, deviceId) : links);
  const inRig = new Set(gearIdsOf(whole));
  let more = bounded;
  for (const links of chains) {
    const refuse = ([stop, ...others]: readonly Finding[], mayBeJoined: boolean): void => {
      if (!stop || refused.size >= MOST_REFUSED || refused.has(`${stop.code} ${stop.part}`)) return;
      const way = { title: titleOf(links, gear), reason: said('finding', { finding: stop }) };
      refused.set(`${stop.code} ${stop.part}`, { way, mayBeJoined, stops: 1 + others.length, parts: links.length });
    };
    const alike = soundness.stops(deviceId, wayOf(links));
    if (alike.length > 0) {
      // one that is electrically alike was looked at; what is told names this one's parts
      if (refused.size < MOST_REFUSED) refuse(soundness.explain(deviceId, wayOf(links)), false);
      continue;
    }
    if (found.length >= mostFeeds) {
      more = true;
      break;
    }
    const model = rigModel({ ...rig, devices: [...others, use], links: [...beside, ...links], phases: undefined }, gear);
    const answer: Answer = assessModel(model, { trace: false });
    if (answer.verdict === 'stop') {
      refuse(
        answer.findings.filter(({ verdict }) => verdict === 'stop'),
        true,
      );
      continue;
    }
    const flat = links.flatMap(({ from: { gearId } }) =>
      isFlat(gear.get(gearId)!) && !inRig.has(gearId) ? [gearTitle(gear.get(gearId)!)] : [],
    );
    found.push({ links, title: titleOf(links, gear), flat, ...worthOf(criteriaOf(model.resolved, answer), answer, weights) });
  }
  return { deviceId, feeds: bestFirst(found), refused: nearestFirst([...refused.values()]), bounded: more };
}

/** A way that is not sound, and how far it is from one that is. */
interface Refused {
  readonly way: FoundFeeds['refused'][number];
  /** Its plugs and volts are right: it only would not run. */
  readonly mayBeJoined: boolean;
  readonly stops: number;
  readonly parts: number;
}

/** What may be joined and only would not run; then by how much stops it; then the shorter way. */
function nearestFirst(refused: readonly Refused[]): FoundFeeds['refused'] {
  return [...refused]
    .sort((a, b) => Number(b.mayBeJoined) - Number(a.mayBeJoined) || a.stops - b.stops || a.parts - b.parts)
    .map(({ way }) => way);
}

function worthOf(criteria: Criteria, answer: Answer, weights: Weights) {
  const { verdict, firstStopMin } = answer;
  const findings = answer.findings.filter((one) => one.verdict !== 'good');
  return { verdict, findings, firstStopMin, criteria, ...costOf(criteria, weights) };
}

/** The cheapest first; of ways that cost the same the one that can start at once; those that another dominates last. */
function bestFirst(found: readonly Omit<FoundFeed, 'dominated'>[]): readonly FoundFeed[] {
  const step = ({ cost }: { readonly cost: number }): number => Math.round(cost / SAME_COST);
  const feeds = [...found]
    .sort((a, b) => step(a) - step(b) || a.flat.length - b.flat.length || a.cost - b.cost)
    .map((feed) => ({ ...feed, dominated: found.some((other) => dominates(other.criteria, feed.criteria)) }));
  return [...feeds.filter(({ dominated }) => !dominated), ...feeds.filter(({ dominated }) => dominated)];
}

/**
 * The parts of a way in order, by name.
 *
 * @example titleOf(rig.links, gear) // 'V1 Holmvik 95 → Adapter M from D-tap'
 */
export function titleOf(links: ChainOfLinks, gear: ReadonlyMap<string, Gear>): string {
  const name = (id: string): string => {
    const body = gear.get(id);
    return body ? (body.tag === undefined ? body.name : `${body.tag} ${body.name}`) : id;
  };
  return links.flatMap(({ from, cableId }) => [name(from.gearId), ...(cableId === undefined ? [] : [name(cableId)])]).join(' → ');
}
