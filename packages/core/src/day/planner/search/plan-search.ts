import { chance } from '../../../run';
import type { Chance } from '../../../run';
import { overlap } from '../../model';
import { bestMoments, longestStay } from '../bounds';
import type { FlatDay, FlatSwap, Outcome, PlanOrder, QuickRun, Then, Trouble } from '../judge';
import { pickOf } from './pick-of';
import { PlanChanges } from './plan-changes';
import { momentsOf } from './plan-moments';
import type { Moments } from './plan-moments';
import { byTime, inOrder } from './plan-order';
import { PlanWays } from './plan-ways';

/** How far a plan is filled up at a time, and how far it is looked what a change leads to. */
const WINDOW_MIN = 240;
const HELP_MIN = 300;
/** Batteries that one rig is given in turn. */
const MOST_IN_TURN = 3;
/** Changes by which a stretch is filled again. */
const MOST_REFILLED = 6;
/** Steps of the judge after which a plan is told as it is. */
const MOST_TIDYING = 12_000_000;

/**
 * What one of each costs, in changes: harm far above everything else, then what the person wants least of. No day has so many
 * minutes that they would outweigh a block that must not be interrupted.
 */
function weights(order: PlanOrder) {
  const rest = {
    swaps: { swap: 1, battery: 0.2, kg: 0.03 },
    batteries: { swap: 0.2, battery: 1, kg: 0.03 },
    mass: { swap: 0.2, battery: 0.05, kg: 2 },
  };
  return { impossible: 1e8, interruption: 1e7, minute: 20, hasty: 150, touched: 250, spare: 6, handling: 0.003, ...rest[order] };
}

/** A plan on its way, and what it comes to. */
export interface Candidate {
  readonly swaps: readonly FlatSwap[];
  readonly outcome: Outcome;
  readonly score: number;
}

/**
 * Looks for a plan by taking part of one away and filling it again, over and over: what is better is kept, what is worse
 * sometimes, the less the longer it lasts. The same day and seed give the same plan.
 */
export class PlanSearch {
  best: Candidate;
  /** Plans that were looked at. */
  turns = 0;
  private readonly random: Chance;
  private readonly weights: ReturnType<typeof weights>;
  private readonly moments: readonly Moments[];
  private readonly fromMin: number;
  private readonly ways: PlanWays;
  private readonly changes: PlanChanges;

  constructor(
    private readonly flat: FlatDay,
    private readonly judge: QuickRun,
    kept: readonly FlatSwap[],
    { order, fromMin, seed }: { readonly order: PlanOrder; readonly fromMin: number; readonly seed: number },
  ) {
    this.random = chance(seed);
    this.weights = weights(order);
    this.fromMin = fromMin;
    this.moments = flat.rigs.map((rig) => momentsOf(flat, rig, fromMin));
    this.ways = new PlanWays(flat, this.random, this.moments, fromMin);
    this.changes = new PlanChanges(flat, this.random, this.moments, this.ways, fromMin);
    this.best = this.tried([...kept].sort(byTime));
  }

  /**
   * A plan filled up where it wants for power, one trouble after the other in the order of time, each by the way that leaves
   * the least harm until some hours later. Only what comes after the last moments kept is run again.
   */
  filled(start: Candidate, goesOn: () => boolean = () => true): Candidate {
    let { swaps } = start;
    const thens: Then[] = [];
    const given = new Set<string>();
    let windowMin = this.flat.rigs.reduce((least, { fromMin }) => Math.min(least, fromMin), Infinity);
    while (windowMin < this.flat.endMin && goesOn()) {
      const untilMin = windowMin + WINDOW_MIN;
      this.judge.run(swaps, untilMin, thens.at(-1));
      const trouble = earliest(this.judge.troubles.filter((one) => one && !given.has(`${one.rig} ${Math.round(one.atMin)}`)));
      if (!trouble || trouble.atMin >= untilMin - 1e-6) {
        windowMin = untilMin;
        while (thens.length > 0 && thens[0]!.minute < windowMin - 3 * WINDOW_MIN && thens.length > 6) thens.shift();
        thens.push(this.judge.then(swaps, untilMin - WINDOW_MIN / 2, thens.at(-1)));
        continue;
      }
      const better = this.helped(swaps, trouble, thens);
      if (!better) {
        given.add(`${trouble.rig} ${Math.round(trouble.atMin)}`);
        continue;
      }
      swaps = better.swaps;
      while (thens.length > 0 && thens.at(-1)!.minute > better.atMin) thens.pop();
    }
    const filled = this.tried(swaps);
    if (filled.score < this.best.score) this.best = filled;
    return filled;
  }

  /** The way to help that is best some hours after the trouble, if any is better than none. */
  private helped(
    swaps: readonly FlatSwap[],
    { rig, atMin }: Trouble,
    thens: readonly Then[],
  ): { readonly swaps: readonly FlatSwap[]; readonly atMin: number } | undefined {
    const from = (minute: number): Then | undefined => thens.findLast((then) => then.minute <= minute);
    let best: { readonly swaps: readonly FlatSwap[]; readonly atMin: number } | undefined;
    let least = this.looked(swaps, rig, atMin, from(atMin)) - 1e-9;
    for (const way of this.ways.waysFor(swaps, rig, atMin)) {
      const next = inOrder([...swaps.filter((swap) => swap.kept || swap.seat !== way.seat || swap.atMin !== way.atMin), way]);
      const score = this.looked(next, rig, atMin, from(way.atMin));
      if (score >= least) continue;
      least = score;
      best = { swaps: next, atMin: way.atMin };
    }
    return best;
  }

  /** What a plan comes to some hours after a trouble; what its rig wants for until then, or has left, counts as parts of a change. */
  private looked(swaps: readonly FlatSwap[], rig: number, atMin: number, from: Then | undefined): number {
    const untilMin = atMin + HELP_MIN;
    const { score } = this.tried(swaps, untilMin, from);
    const next = this.judge.troubles[rig];
    if (!next) return score - this.judge.leftIn(rig);
    if (next.atMin <= atMin + 1) return score;
    const wantMin = this.flat.rigs[rig]!.draws.reduce((sum, draw) => sum + overlap(draw, { fromMin: next.atMin, toMin: untilMin }), 0);
    const harm = this.harmOf(rig);
    this.judge.run(swaps, next.atMin, from);
    return score - harm + this.harmOf(rig) + wantMin / (this.stays[rig] ??= longestStay(this.flat, this.judge.drain, rig));
  }
  private readonly stays: number[] = [];

  private harmOf(rig: number): number {
    const { interruptions, minutes } = this.judge.harmOf(rig);
    return this.weights.interruption * interruptions + this.weights.minute * minutes;
  }

  /** A plan without what does nothing for it, its changes in pauses as early as they may be. */
  tidied(start: Candidate): Candidate {
    let now = start;
    for (const swap of start.swaps) {
      if (swap.kept || this.judge.work > MOST_TIDYING) continue;
      const without = this.tried(now.swaps.filter((one) => one !== swap));
      if (without.score <= now.score) {
        now = without;
        continue;
      }
      const { draws } = this.flat.rigs[this.flat.seats[swap.seat]!.rig]!;
      const pauseMin = draws.findLast(({ toMin }) => toMin <= swap.atMin)?.toMin;
      const { edges } = this.moments[this.flat.seats[swap.seat]!.rig]!;
      const isPause = pauseMin !== undefined && !draws.some(({ fromMin, toMin }) => fromMin <= swap.atMin && swap.atMin < toMin);
      for (const atMin of isPause ? edges.filter((minute) => minute >= pauseMin && minute < swap.atMin) : []) {
        const earlier = this.tried(inOrder(now.swaps.map((one) => (one === swap ? { ...swap, atMin } : one))));
        if (earlier.score > now.score + 1e-9) continue;
        now = earlier;
        break;
      }
    }
    return now;
  }

  /** A plan with some rigs changed as they would be if they were alone, by one, two or three large batteries in turn, where that is better. */
  eachAtItsBest(start: Candidate, goesOn: () => boolean): Candidate {
    let now = start;
    for (const [index, rig] of this.flat.rigs.entries()) {
      const moments = bestMoments(this.flat, this.judge.drain, index);
      if (
        !moments ||
        rig.fromMin < this.fromMin ||
        !goesOn() ||
        now.swaps.some(({ seat, kept }) => kept && this.flat.seats[seat]!.rig === index)
      )
        continue;
      const seat = rig.seats[0]!;
      const rest = now.swaps.filter((swap) => swap.seat !== seat);
      const taken = new Set([
        ...rest.map(({ battery }) => battery),
        ...this.flat.seats.flatMap(({ own }, other) => (other === seat ? [] : [own])),
      ]);
      const heldWh = (battery: number): number =>
        (this.flat.batteries[battery]!.filling?.energyWh ?? 0) * this.flat.batteries[battery]!.startCharge;
      const largest = this.ways
        .fitting(seat)
        .filter((battery) => !taken.has(battery))
        .sort((a, b) => heldWh(b) - heldWh(a));
      for (let many = 1; many <= Math.min(MOST_IN_TURN, largest.length); many++) {
        const own = [rig.fromMin, ...moments].map((atMin, turn): FlatSwap => ({ seat, atMin, battery: largest[turn % many]! }));
        const changed = own.filter(({ battery }, turn) => turn > 0 || battery !== this.flat.seats[seat]!.own);
        const next = this.tried(inOrder([...rest, ...changed]));
        if (next.score < now.score) now = next;
      }
    }
    if (now.score < this.best.score) this.best = now;
    return now;
  }

  /** So many turns of the search from a plan on, with what is worse accepted up to `heat` changes. */
  improve(start: Candidate, turns: number, heat: number, goesOn: () => boolean = () => true): Candidate {
    let now = start;
    for (let turn = 0; turn < turns; turn++) {
      if ((turn & 7) === 0 && !goesOn()) break;
      const next = this.changed(now);
      if (!next) continue;
      const temperature = heat * (1 - turn / turns) + 0.02;
      if (next.score <= now.score || this.random.uniform() < Math.exp((now.score - next.score) / temperature)) now = next;
      if (now.score < this.best.score - 1e-9) this.best = now;
    }
    return this.best;
  }

  tried(swaps: readonly FlatSwap[], untilMin?: number, from?: Then): Candidate {
    this.turns++;
    const outcome = this.judge.run(swaps, untilMin, from);
    const { weights: by } = this;
    const moved = swaps.reduce((sum, { seat, atMin }) => sum + (atMin <= this.flat.rigs[this.flat.seats[seat]!.rig]!.fromMin ? 1 : 0), 0);
    const score =
      by.impossible * outcome.impossible +
      by.interruption * outcome.interruptions +
      by.minute * (outcome.gapMin + outcome.lowMin) +
      by.hasty * outcome.hasty +
      by.touched * outcome.touched +
      by.spare * outcome.sparesMissing +
      by.swap * (outcome.swaps - outcome.joined) +
      by.battery * outcome.batteries +
      (by.kg * outcome.massG) / 1000 +
      by.handling * (outcome.handlings + moved);
    return { swaps, outcome, score };
  }

  private changed(now: Candidate): Candidate | undefined {
    const dice = this.random.uniform();
    if (dice < 0.3) return this.refilled(now);
    const swaps = this.otherwise(now.swaps, dice);
    return swaps && this.tried(swaps);
  }

  private otherwise(swaps: readonly FlatSwap[], dice: number): readonly FlatSwap[] | undefined {
    if (dice < 0.45) return this.changes.withoutOne(swaps);
    if (dice < 0.6) return this.changes.otherBattery(swaps);
    if (dice < 0.8) return this.changes.otherMoment(swaps);
    if (dice < 0.86) return this.changes.exchanged(swaps);
    if (dice < 0.95) return this.changes.withOneMore(swaps);
    return this.changes.asTheDayBefore(swaps);
  }

  /** A stretch of one rig, or of all, taken away and filled again. */
  private refilled(now: Candidate): Candidate | undefined {
    if (this.flat.rigs.length === 0) return undefined;
    const rig = pickOf(this.random, this.flat.rigs.length);
    const { fromMin, toMin } = this.flat.rigs[rig]!;
    if (toMin <= fromMin) return undefined;
    const isWhole = this.random.uniform() < 0.1;
    const from = isWhole ? fromMin : fromMin + this.random.uniform() * (toMin - fromMin);
    const to = isWhole ? toMin : from + Math.min(toMin - fromMin, 120 + this.random.uniform() * 900);
    // now by the best of some ways, now by any: what is best for the next hours may be worse for the day
    const most = this.random.uniform() < 0.5 ? 1 : 4;
    const rest = now.swaps.filter(({ seat, atMin, kept }) => kept || this.flat.seats[seat]!.rig !== rig || atMin < from || atMin > to);
    // with what it starts much is decided: a whole day is filled from any start
    const start = isWhole && fromMin >= this.fromMin ? this.changes.anyStart(rig) : [];
    let next = this.tried(inOrder([...rest, ...start]));
    for (let turn = 0; turn < MOST_REFILLED; turn++) {
      const trouble = this.judge.troubles[rig];
      if (!trouble || trouble.atMin > to + WINDOW_MIN) break;
      const better = this.repaired(next, rig, trouble.atMin, most);
      if (!better || (most > 1 && better.score >= next.score)) break;
      next = better;
      this.judge.run(next.swaps);
    }
    return next;
  }

  /** The best of some ways to help a rig before it wants for power; every way where `most` is not said. */
  private repaired(now: Candidate, index: number, byMin: number, most = Infinity): Candidate | undefined {
    const ways = this.ways.waysFor(now.swaps, index, byMin);
    const tries = ways.length <= most ? ways : Array.from({ length: most }, () => ways[pickOf(this.random, ways.length)]!);
    let best: Candidate | undefined;
    for (const way of tries) {
      // a change that was there at that minute gives way
      const next = this.tried(
        inOrder([...now.swaps.filter((swap) => swap.kept || swap.seat !== way.seat || swap.atMin !== way.atMin), way]),
      );
      if (!best || next.score < best.score) best = next;
    }
    return best;
  }
}

function earliest(troubles: readonly (Trouble | undefined)[]): Trouble | undefined {
  return troubles.reduce<Trouble | undefined>((first, one) => (one && (!first || one.atMin < first.atMin) ? one : first), undefined);
}
