import { DEFAULT_SEED } from '../../answer';
import { chance } from '../../run';
import { PAUSE_STEP_MIN, ROUND_MIN } from '../../tables';
import { cardsRunner, USUAL_CARD_CHANGE_MIN } from '../cards';
import type { OneCardsRun } from '../cards';
import { blocksOf, drawsOf, isThere, placeAt } from '../model';
import type { Span } from '../model';
import { visitAround } from '../run';
import type { DaySimulation } from '../run';
import { recordingMode } from '../shape';
import type { Block, CardChange, Cards, Swap } from '../shape';

/** What one of each costs, in visits to a rig. */
const WEIGHTS = { interruption: 1e7, minute: 20, impossible: 200, visit: 1, change: 0.2, within: 0.1 };
/** Runs of one lot of cards that are tried at most. */
const MOST_RUNS = 6000;
/** Turns of the search where cards are scarce, and what may be worse for a while, in visits. */
const TURNS = 1500;
const HEAT = 60;
const LITTLE_MIN = 1e-6;
/** Moments of a pause that are tried together with one of it. */
const MOST_APART = 5;
/** Moments before a card is full that are tried, the last ones. */
const MOST_MOMENTS = 24;

/**
 * When cards are changed, given when batteries are: each as late as it may wait, in a pause where there is one, and in one
 * visit with a battery where that costs nothing. What is locked, or lies before `fromMin`, stays. A change is put where it
 * takes away most of what is not recorded, then changes are left out and moved as long as that is better. Cost: some tens
 * of microseconds a try.
 */
export function planCards(simulation: DaySimulation, swaps: readonly Pick<Swap, 'rigId' | 'atMin'>[], fromMin = 0): readonly CardChange[] {
  return (simulation.day.cards ?? []).flatMap((cards) => new CardPlan(simulation, cards, swaps, fromMin).plan());
}

interface Tried {
  readonly changes: readonly CardChange[];
  readonly run: OneCardsRun;
  readonly score: number;
}

class CardPlan {
  private readonly run: ReturnType<typeof cardsRunner>;
  private readonly blocks: readonly Block[];
  private readonly draws: readonly Span[];
  /** The mode that the rig gives the device. */
  private readonly usual: string | undefined;
  private readonly guarded: ReadonlySet<string>;
  private readonly swapMins: readonly number[];
  private readonly moments: readonly number[];
  /** Changes that the minutes of recording ask for. */
  private readonly fewest: number;
  private runs = 0;

  constructor(
    private readonly simulation: DaySimulation,
    private readonly cards: Cards,
    swaps: readonly Pick<Swap, 'rigId' | 'atMin'>[],
    private readonly fromMin: number,
  ) {
    const { day, gear, rigs, hands } = simulation;
    this.run = cardsRunner(day, cards, gear, rigs.get(cards.rigId), hands);
    this.blocks = blocksOf(day, cards.rigId);
    this.draws = drawsOf(this.blocks);
    this.usual = rigs.get(cards.rigId)?.devices.find(({ gearId }) => gearId === cards.deviceId)?.modeId;
    this.guarded = new Set(this.blocks.filter(({ uninterrupted }) => uninterrupted).map(({ id }) => id));
    this.swapMins = swaps.filter(({ rigId }) => rigId === cards.rigId).map(({ atMin }) => atMin);
    this.moments = this.momentsOf();
    this.fewest = Math.max(0, Math.ceil(this.filledShare() - (cards.slots ?? 1) - 1e-9));
  }

  plan(): readonly CardChange[] {
    const kept = (this.simulation.day.cardChanges ?? []).filter(
      ({ cardsId, locked, atMin }) => cardsId === this.cards.id && (locked === true || atMin < this.fromMin),
    );
    let now = this.tried(kept);
    const given = new Set<number>();
    for (;;) {
      const stop = now.run.stops.find(({ why, fromMin }) => why === 'card-full' && !given.has(Math.round(fromMin)));
      if (!stop || this.runs > MOST_RUNS) break;
      const better = this.bestOf(
        now,
        this.before(stop.fromMin).map((atMin) => [...now.changes, this.changeAt(atMin)]),
      );
      if (better === now) given.add(Math.round(stop.fromMin));
      now = better;
    }
    now = this.polished(now, kept);
    return (this.isPlain(now) ? now : this.polished(this.searched(now, kept), kept)).changes;
  }

  /** Nothing is lost, with no more changes than the minutes of recording ask for. */
  private isPlain({ run, score }: Tried): boolean {
    return (
      score < WEIGHTS.minute * LITTLE_MIN + run.changes.length * (WEIGHTS.visit + WEIGHTS.change + 2 * WEIGHTS.within) &&
      run.changes.length <= this.fewest
    );
  }

  /** Changes left out, moved, and brought into one visit, as long as that is better. */
  private polished(start: Tried, kept: readonly CardChange[]): Tried {
    let now = start;
    for (let before: Tried | undefined; before !== now && this.runs < MOST_RUNS;) {
      before = now;
      for (const change of now.changes) {
        if (kept.includes(change)) continue;
        const rest = now.changes.filter((one) => one !== change);
        if (rest.length === now.changes.length) continue;
        now = this.bestOf(now, [rest, ...this.around(change.atMin).map((atMin) => [...rest, this.changeAt(atMin)])]);
      }
      now = this.bestOf(
        now,
        this.pairsMet(
          now.changes.filter((change) => !kept.includes(change)),
          kept,
        ),
      );
    }
    return now;
  }

  /** Where cards are scarce a change that is too early by itself may pay, since its card is copied sooner: any changes are tried, what is worse for a while. */
  private searched(start: Tried, kept: readonly CardChange[]): Tried {
    if (this.moments.length === 0) return start;
    const random = chance(DEFAULT_SEED);
    const one = <T>(of: readonly T[]): T => of[Math.floor(random.uniform() * of.length)]!;
    let [now, best] = [start, start];
    for (let turn = 0; turn < TURNS; turn++) {
      const free = now.changes.filter((change) => !kept.includes(change));
      const dice = random.uniform();
      const out = free.length > 0 && dice < 0.7 ? one(free) : undefined;
      const rest = now.changes.filter((change) => change !== out);
      const next = this.tried(dice < 0.3 && out ? rest : [...rest, this.changeAt(one(this.moments))]);
      const heat = HEAT * (1 - turn / TURNS) + 0.02;
      if (next.score <= now.score || random.uniform() < Math.exp((now.score - next.score) / heat)) now = next;
      if (now.score < best.score - 1e-9) best = now;
    }
    return best;
  }

  private changeAt(atMin: number): CardChange {
    return { cardsId: this.cards.id, atMin };
  }

  private bestOf(now: Tried, ways: readonly (readonly CardChange[])[]): Tried {
    let best = now;
    for (const changes of ways) {
      const next = this.tried(changes);
      if (next.score < best.score - 1e-9) best = next;
    }
    return best;
  }

  private tried(changes: readonly CardChange[]): Tried {
    this.runs++;
    const inOrder = [...changes].sort((a, b) => a.atMin - b.atMin);
    const run = this.run(inOrder);
    const interrupted = new Set([...run.stops, ...run.takeEnds].map(({ blockId }) => blockId).filter((id) => this.guarded.has(id)));
    const minutes = run.stops.reduce((sum, { fromMin, toMin }) => sum + toMin - fromMin, 0);
    const visits: number[] = [];
    let [impossible, within] = [0, 0];
    for (const { atMin, card, isAlone, outFull } of run.changes) {
      if (card === undefined || isAlone) impossible++;
      const isKnown = (minute: number): boolean => this.isOneVisit(atMin, minute);
      if (!this.swapMins.some(isKnown) && !visits.some(isKnown)) visits.push(atMin);
      // of two that are as good the later, in a pause: the card is fuller then
      within += 1 - outFull + (this.isRecording(atMin) ? 1 : 0);
    }
    const score =
      WEIGHTS.interruption * interrupted.size +
      WEIGHTS.minute * minutes +
      WEIGHTS.impossible * impossible +
      WEIGHTS.visit * visits.length +
      WEIGHTS.change * run.changes.length +
      WEIGHTS.within * within;
    return { changes: inOrder, run, score };
  }

  /** What all blocks together fill, in cards. */
  private filledShare(): number {
    const { modes = [], minutes } = this.cards;
    return this.blocks.reduce((sum, block) => {
      const mode = this.modeIn(block);
      return mode === undefined ? sum : sum + (block.toMin - block.fromMin) / (modes.find((one) => one.mode === mode)?.minutes ?? minutes);
    }, 0);
  }

  private modeIn(block: Block): string | undefined {
    return recordingMode(block, this.cards.deviceId, this.usual);
  }

  /** The visit that a moment belongs to. */
  private visitAt(minute: number): Span {
    let visit = this.visits.get(minute);
    if (!visit) {
      visit = visitAround(this.draws, minute);
      this.visits.set(minute, visit);
    }
    return visit;
  }
  private readonly visits = new Map<number, Span>();

  private isOneVisit(a: number, b: number): boolean {
    const { fromMin, toMin } = this.visitAt(a);
    return b >= fromMin && b <= toMin;
  }

  private isRecording(minute: number): boolean {
    return this.blocks.some((block) => block.fromMin <= minute && minute < block.toMin && this.modeIn(block) !== undefined);
  }

  private momentsOf(): readonly number[] {
    const { hands } = this.simulation;
    const found = new Set<number>(this.swapMins);
    const changeMin = this.cards.changeMin ?? USUAL_CARD_CHANGE_MIN;
    for (const { fromMin, toMin, placeId } of this.blocks) {
      for (const edge of [fromMin - changeMin, fromMin, toMin]) found.add(Math.ceil(edge));
      for (let minute = Math.ceil(fromMin / ROUND_MIN) * ROUND_MIN; minute < toMin; minute += ROUND_MIN) found.add(minute);
      for (const there of hands(placeId))
        for (const edge of [there.fromMin, Math.ceil(there.toMin) - 1]) if (Number.isFinite(edge)) found.add(edge);
    }
    this.blocks.slice(1).forEach(({ fromMin }, place) => {
      for (let minute = this.blocks[place]!.toMin; minute < fromMin; minute += PAUSE_STEP_MIN) found.add(Math.ceil(minute));
    });
    const [first, last] = [this.blocks[0]?.fromMin ?? 0, Math.max(0, ...this.blocks.map(({ toMin }) => toMin))];
    return [...found]
      .filter((minute) => minute >= Math.max(this.fromMin, first) && minute < last && isThere(hands(placeAt(this.blocks, minute)), minute))
      .sort((a, b) => a - b);
  }

  /** The last moments up to one: those outside recording, and with batteries, from further back. */
  private before(minute: number): readonly number[] {
    const up = this.moments.filter((one) => one <= minute);
    const calm = up.filter((one) => this.swapMins.includes(one) || !this.isRecording(one));
    return [...new Set([...calm.slice(-MOST_MOMENTS), ...up.slice(-2), Math.floor(minute)])].filter(
      (one) => one >= this.fromMin && isThere(this.simulation.hands(placeAt(this.blocks, one)), one),
    );
  }

  /** Two changes that follow each other brought into one visit. */
  private pairsMet(changes: readonly CardChange[], kept: readonly CardChange[]): readonly (readonly CardChange[])[] {
    return changes.slice(1).flatMap((later, place) => {
      const sooner = changes[place]!;
      const rest = [...kept, ...changes.filter((one) => one !== later && one !== sooner)];
      const moments = [...new Set([...this.around(sooner.atMin), ...this.around(later.atMin)])].sort((a, b) => a - b);
      // at once, or apart in one pause, so that what comes out first is copied by the second
      return moments.flatMap((first, at) =>
        moments
          .slice(at, at + MOST_APART)
          .filter((second) => this.isOneVisit(first, second))
          .map((second) => [...rest, this.changeAt(first), this.changeAt(second)]),
      );
    });
  }

  /** Moments to which a change may be moved: the calm ones next to it, and those with batteries. */
  private around(minute: number): readonly number[] {
    const place = this.moments.findIndex((one) => one >= minute);
    const near = place === -1 ? [] : this.moments.slice(Math.max(0, place - MOST_MOMENTS / 2), place + MOST_MOMENTS / 2);
    return [...new Set([...near.filter((one) => !this.isRecording(one)), ...this.swapMins.filter((one) => this.moments.includes(one))])];
  }
}
