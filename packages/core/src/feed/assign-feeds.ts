import { assess, assessModel, rigModel } from '../answer';
import type { Answer } from '../answer';
import type { Gear } from '../gear';
import { withoutSpares } from '../rig/drawn';
import type { Link, Rig } from '../rig/drawn';
import { withTestsSettled } from '../rig/resolved';
import { STYLE_WEIGHTS } from '../tables';
import { KitIndex, LARGE_KIT, NOTHING_TAKEN, take } from './chains';
import type { ChainOfLinks, Taken } from './chains';
import { combine, costOf, criteriaOf } from './criteria';
import type { Criteria, Points } from './criteria';
import { titleOf } from './find-feeds';
import type { FeedOptions } from './find-feeds';
import { Soundness } from './soundness';
import { DEFAULT_STYLE } from './weights';
import type { Criterion, Weights } from './weights';

/** A whole rig fed: every device at once, each part used once. */
export interface Assignment {
  readonly links: readonly Link[];
  readonly feeds: readonly { readonly deviceId: string; readonly title: string }[];
  readonly answer: Answer;
  readonly criteria: Criteria;
  readonly cost: number;
  readonly points: Points;
}

export interface Assignments {
  /** The best first, at most as many as asked for. */
  readonly best: readonly Assignment[];
  /** False: the search was cut short, and a better one may be left. */
  readonly exact: boolean;
  readonly looked: number;
}

export interface AssignOptions extends FeedOptions {
  readonly keep?: number;
  /** Partial assignments that are run at the most. */
  readonly mostLooks?: number;
  /** Whether a whole assignment is of the kind that is looked for. */
  readonly accept?: (links: readonly Link[]) => boolean;
  /** False: every device has a source of its own. */
  readonly mayShare?: boolean;
  /** Ways to one device that are looked at further, at each turn: the cheapest. */
  readonly mostBranches?: number;
}

const MAY_FALL: ReadonlySet<Criterion> = new Set(['trouble', 'lost', 'unknown', 'massOn', 'massOff']);
const KEEP = 5;
const MOST_LOOKS = 8000;
/** From a large kit each look costs more: there are more ways to go through. */
const MOST_LOOKS_LARGE = 2000;
const MOST_BRANCHES = 60;

/**
 * The best ways to feed a whole rig from a kit: depth first, device by device, those of fewest ways first. Every
 * criterion only grows as devices are added (more load never runs longer), so a part of an assignment that already
 * costs more than the worst kept one cannot lead to a better one: on kits small enough to finish within `mostLooks` the
 * result is exact, and `exact` says so.
 *
 * @example assignFeeds(rig, kit).best[0].cost // 1.32
 */
export function assignFeeds(rig: Rig, gear: ReadonlyMap<string, Gear>, options: AssignOptions = {}): Assignments {
  const search = new Search(rig, withTestsSettled(rig, gear), options);
  search.run();
  return search.result();
}

/** A way for the whole rig as it is weighed in the search; the answer is worked out for the kept ones. */
interface Candidate {
  readonly links: readonly Link[];
  readonly criteria: Criteria;
  readonly cost: number;
  readonly points: Points;
}

class Search {
  private readonly index: KitIndex;
  private readonly soundness: Soundness;
  private readonly weights: Weights;
  private readonly keep: number;
  private readonly mostLooks: number;
  private readonly mostBranches: number;
  private readonly mayShare: boolean;
  private readonly accept: (links: readonly Link[]) => boolean;
  private best: Candidate[] = [];
  /** What one source and everything on it comes to; undefined where it must not be. */
  private readonly known = new Map<string, Criteria | undefined>();
  private looked = 0;
  private exact = true;
  private order: Rig['devices'] = [];

  private readonly rig: Rig;

  constructor(
    rig: Rig,
    private readonly gear: ReadonlyMap<string, Gear>,
    options: AssignOptions,
  ) {
    this.rig = withoutSpares(rig, gear);
    this.weights = options.weights ?? STYLE_WEIGHTS[rig.style ?? DEFAULT_STYLE];
    this.index = new KitIndex(gear, options.exclude, this.rig.batteries);
    this.soundness = new Soundness(rig, gear, this.index);
    this.keep = options.keep ?? KEEP;
    this.mostLooks = options.mostLooks ?? (this.index.pieces.size > LARGE_KIT ? MOST_LOOKS_LARGE : MOST_LOOKS);
    this.mostBranches = options.mostBranches ?? MOST_BRANCHES;
    this.mayShare = options.mayShare ?? true;
    this.accept = options.accept ?? (() => true);
  }

  run(): void {
    const count = new Map(this.rig.devices.map(({ gearId }) => [gearId, this.index.chainsTo(gearId, NOTHING_TAKEN).chains.length]));
    this.order = [...this.rig.devices].sort((a, b) => count.get(a.gearId)! - count.get(b.gearId)!);
    this.branch(0, [], NOTHING_TAKEN);
  }

  result(): Assignments {
    const best = this.best.map((one) => ({
      ...one,
      answer: assess({ ...this.rig, links: one.links }, this.gear, { tracePoints: 0 }),
      feeds: this.rig.devices.map(({ gearId }) => ({ deviceId: gearId, title: titleOf(this.wholeWay(gearId, one.links), this.gear) })),
    }));
    return { best, exact: this.exact, looked: this.looked };
  }

  private branch(depth: number, links: readonly Link[], taken: Taken): void {
    const device = this.order[depth];
    if (!device) return;
    const devices = this.order.slice(0, depth + 1);
    const last = depth === this.order.length - 1;
    const large = this.index.pieces.size > LARGE_KIT;
    const all = this.index.chainsTo(device.gearId, taken, { forSeveral: this.order.length > 1, ...(large && { mostBetween: 2 }) });
    const chains = large ? this.index.thin(all.chains) : all.chains;
    if (all.bounded || large) this.exact = false;
    const options: (Candidate & { readonly chain: ChainOfLinks })[] = [];
    for (const chain of [...chains, []]) {
      const all = [...links, ...chain];
      if (chain.length > 0 && this.soundness.stops(device.gearId, this.wholeWay(device.gearId, all)).length > 0) continue;
      if (chain.length > 0 && this.looked >= this.mostLooks) {
        this.exact = false;
        continue;
      }
      this.looked++;
      const criteria = this.weigh(devices, all);
      if (criteria) options.push({ links: all, chain, criteria, ...costOf(criteria, this.weights) });
    }
    options.sort((a, b) => a.cost - b.cost);
    let branches = 0;
    for (const { chain, ...candidate } of options) {
      if (this.leastCost(candidate.criteria, candidate.points) >= this.worstKept()) continue;
      if (!last && ++branches > this.mostBranches) {
        this.exact = false;
        break;
      }
      if (last) this.offer(candidate);
      else if (this.looked < this.mostLooks) this.branch(depth + 1, candidate.links, this.with(taken, chain));
      else {
        this.exact = false;
        if (this.best.length === 0) this.branch(depth + 1, candidate.links, this.with(taken, chain)); // at least one is always found
      }
    }
  }

  /**
   * What no completion can undercut: cautions and losses may go as another limit comes first, a part may come to hang on
   * the camera; everything else only grows.
   */
  private leastCost({ massOnG, massOffG }: Criteria, points: Points): number {
    const mass = Math.min(this.weights.massOn, this.weights.massOff) * ((massOnG + massOffG) / 500);
    return (Object.keys(points) as Criterion[]).reduce((sum, name) => sum + (MAY_FALL.has(name) ? 0 : points[name]), mass);
  }

  private worstKept(): number {
    return this.best.length < this.keep ? Infinity : this.best.at(-1)!.cost;
  }

  /**
   * The criteria of a partly fed rig, source by source: what hangs on one does not touch what hangs on another.
   * Undefined where one of them must not be connected or would stop at once.
   */
  private weigh(devices: Rig['devices'], links: readonly Link[]): Criteria | undefined {
    const groups = new Map<string, { links: Link[]; devices: Rig['devices'][number][] }>();
    const unfed: Rig['devices'][number][] = [];
    const rootOf = (id: string): string => {
      const into = links.find(({ to }) => to.gearId === id);
      return into ? rootOf(into.from.gearId) : id;
    };
    const groupOf = (id: string) => {
      const root = rootOf(id);
      const group = groups.get(root) ?? { links: [], devices: [] };
      groups.set(root, group);
      return group;
    };
    for (const link of links) groupOf(link.from.gearId).links.push(link);
    for (const device of devices) {
      if (links.some(({ to }) => to.gearId === device.gearId)) groupOf(device.gearId).devices.push(device);
      else unfed.push(device);
    }
    const parts: Criteria[] = [];
    for (const group of groups.values()) {
      const criteria = this.weighGroup(group.devices, group.links);
      if (!criteria) return undefined;
      parts.push(criteria);
    }
    const together = combine(parts, this.rig.wantedMin);
    return { ...together, unfed: unfed.length, ...(unfed.length > 0 && { unlimited: false, firstStopMin: together.firstStopMin }) };
  }

  private weighGroup(devices: Rig['devices'], links: readonly Link[]): Criteria | undefined {
    const key = links
      .map(({ from, to, cableId }) => `${from.gearId}/${from.portId} ${cableId ?? ''} ${to.gearId}/${to.portId}`)
      .sort()
      .join('|');
    if (!this.known.has(key)) {
      const model = rigModel({ ...this.rig, devices, links, phases: undefined }, this.gear);
      const answer = assessModel(model, { trace: false });
      this.known.set(key, answer.verdict === 'stop' ? undefined : criteriaOf(model.resolved, answer));
    }
    return this.known.get(key);
  }

  private offer(found: Candidate): void {
    if (found.cost >= this.worstKept() || !this.accept(found.links)) return;
    this.best = [...this.best, found].sort((a, b) => a.cost - b.cost).slice(0, this.keep);
  }

  private with(taken: Taken, chain: ChainOfLinks): Taken {
    const next = take(taken, chain);
    return this.mayShare ? next : { ...next, fed: NOTHING_TAKEN.fed };
  }

  /** The links on the way to a device, the shared ones too, outer first. */
  private wholeWay(deviceId: string, links: readonly Link[]): readonly Link[] {
    const way: Link[] = [];
    let to: string | undefined = deviceId;
    while (to !== undefined) {
      const link: Link | undefined = links.find((one) => one.to.gearId === to);
      if (!link || way.includes(link)) break;
      way.unshift(link);
      to = link.from.gearId;
    }
    return way;
  }
}
