import type { Gear } from '../../gear';
import type { Rig } from '../../rig/drawn';
import { blocksOf, comesTo, dayOfMinute, isThere, leavesBy, minuteAt, nextThere, placeAt, without } from '../model';
import type { DayOf, Hands, Span } from '../model';
import { recordingMode } from '../shape';
import type { Block, CardChange, Cards, Day } from '../shape';
import { limitedRecording } from './recording';
import type { RecordingStop, TakeEnd } from './recording';

/** A card in its device; cards are numbered from 1. */
export interface CardStay extends Span {
  readonly cardsId: string;
  readonly rigId: string;
  readonly card: number;
  /** Shares of it that are filled. */
  readonly fromFull: number;
  readonly toFull: number;
  /** How full it is over time; straight between points. */
  readonly filling: readonly { readonly minute: number; readonly full: number }[];
}

/** A card that is copied and emptied. */
export interface CardCopy extends Span {
  readonly cardsId: string;
  readonly card: number;
  readonly full: number;
}

/** A card put in for another. */
export interface ChangedCard {
  readonly cardsId: string;
  readonly rigId: string;
  readonly atMin: number;
  readonly out: number;
  readonly outFull: number;
  /** Undefined where there is none that is less full: the one that is in stays. */
  readonly card: number | undefined;
  readonly inFull: number;
  /** Minutes that are not recorded for it. */
  readonly takesMin: number;
  /** Nobody is there to change it. */
  readonly isAlone: boolean;
}

/** The cards of one device through a day. */
export interface LotRun {
  readonly cardsId: string;
  readonly rigId: string;
  /** Cards that are not empty at the end. */
  readonly notCopied: number;
}

/** Recording media through a day. */
export interface CardsRun {
  readonly stops: readonly RecordingStop[];
  readonly takeEnds: readonly TakeEnd[];
  readonly changes: readonly ChangedCard[];
  readonly stays: readonly CardStay[];
  readonly copies: readonly CardCopy[];
  readonly lots: readonly LotRun[];
}

/** Taken where it is not entered how long a change of card takes. */
export const USUAL_CARD_CHANGE_MIN = 1;
/** Less than this of a card is nothing. */
const LITTLE = 1e-9;

/**
 * Runs the recording media of a day: what each card holds by when, where recording stops for want of one, and when cards
 * are copied. A change takes out the fullest card and puts in the emptiest that is there; into a device that has gone on to
 * its next card it stops nothing. Cards are copied one after the other, where and when somebody is there, and are empty
 * then. Power is left out: a rig that goes dark is taken to have filled its card. Never throws for sound shapes.
 */
export function runCards(
  day: Day,
  gear: ReadonlyMap<string, Gear>,
  rigs: ReadonlyMap<string, Rig>,
  hands: Hands,
  changes: readonly CardChange[] = day.cardChanges ?? [],
): CardsRun {
  const lots = day.cards ?? [];
  const runs = lots.map((cards) => {
    const own = changes.filter(({ cardsId }) => cardsId === cards.id);
    return cardsRunner(day, cards, gear, rigs.get(cards.rigId), hands)(own);
  });
  const withCards = new Set(lots.map(({ deviceId, rigId }) => `${rigId} ${deviceId}`));
  const others = day.rigIds.flatMap((rigId) => {
    const rig = rigs.get(rigId);
    return (rig?.devices ?? [])
      .filter(({ gearId }) => !withCards.has(`${rigId} ${gearId}`))
      .map(({ gearId }) => limitedRecording(day, rigId, gearId, gear, rig, hands, []));
  });
  return {
    stops: [...runs, ...others].flatMap(({ stops }) => stops).concat(mediaStops(day, rigs)),
    takeEnds: [...runs, ...others].flatMap(({ takeEnds }) => takeEnds).sort((a, b) => a.atMin - b.atMin),
    changes: runs.flatMap((run) => run.changes).sort((a, b) => a.atMin - b.atMin),
    stays: runs.flatMap(({ stays }) => stays),
    copies: runs.flatMap(({ copies }) => copies).sort((a, b) => a.fromMin - b.fromMin),
    lots: runs.map(({ lot }) => lot),
  };
}

/** Blocks that say themselves how much media there is, of rigs whose cards are not entered. */
function mediaStops(day: Day, rigs: ReadonlyMap<string, Rig>): readonly RecordingStop[] {
  return day.blocks.flatMap((block): RecordingStop[] => {
    const { id, rigId, kind, mediaMin, fromMin, toMin } = block;
    if (mediaMin === undefined || kind !== 'record' || fromMin + mediaMin >= toMin || (day.cards ?? []).some((one) => one.rigId === rigId))
      return [];
    const deviceId = rigs.get(rigId)?.devices[0]?.gearId ?? '';
    return [{ rigId, blockId: id, deviceId, why: 'card-full', fromMin: fromMin + mediaMin, toMin }];
  });
}

interface Slot {
  readonly card: number;
  /** From when it was put in on. */
  readonly filling: { minute: number; full: number }[];
}

/** What a run of some cards needs and no change of them alters. */
interface CardsWorld {
  readonly day: Day;
  readonly cards: Cards;
  readonly gear: ReadonlyMap<string, Gear>;
  readonly rig: Rig | undefined;
  readonly hands: Hands;
  /** Of their rig, in the order of time. */
  readonly blocks: readonly Block[];
  readonly dayOf: DayOf;
  readonly endMin: number;
  /** The mode that the rig gives the device. */
  readonly usual: string | undefined;
}

/** What becomes of one lot of cards. */
export type OneCardsRun = Pick<CardsRun, 'stops' | 'takeEnds' | 'changes' | 'stays' | 'copies'> & { readonly lot: LotRun };

/** Runs one lot of cards with any changes: made once for a search that tries many. */
export function cardsRunner(
  day: Day,
  cards: Cards,
  gear: ReadonlyMap<string, Gear>,
  rig: Rig | undefined,
  hands: Hands,
): (changes: readonly Pick<CardChange, 'atMin'>[]) => OneCardsRun {
  const blocks = blocksOf(day, cards.rigId);
  const endMin = Math.max(minuteAt(day, day.days, 0), ...blocks.map(({ toMin }) => toMin));
  const usual = rig?.devices.find(({ gearId }) => gearId === cards.deviceId)?.modeId;
  const world: CardsWorld = { day, cards, gear, rig, hands, blocks, dayOf: dayOfMinute(day), endMin, usual };
  return (changes) =>
    new CardsRunning(
      world,
      [...changes].sort((a, b) => a.atMin - b.atMin),
    ).result();
}

class CardsRunning {
  private readonly stops: RecordingStop[] = [];
  private readonly takeEnds: readonly TakeEnd[];
  private readonly changed: ChangedCard[] = [];
  private readonly stays: CardStay[] = [];
  private readonly copies: CardCopy[] = [];
  private readonly cards: Cards;
  private readonly blocks: readonly Block[];
  /** By card, from 0: how full it is. */
  private readonly full: number[];
  /** By card: from when on it can go in where the rig then is; infinite while it is in. */
  private readonly freeMin: number[];
  private readonly slots: Slot[] = [];
  /** Cards that are out and not empty, as they came out. */
  private readonly waiting: { readonly card: number; readonly fromMin: number }[] = [];
  /** Cards that lie where they were copied. */
  private readonly copied = new Set<number>();
  private readerMin = -Infinity;
  private readonly offs: readonly Span[];

  constructor(
    private readonly world: CardsWorld,
    changes: readonly Pick<CardChange, 'atMin'>[],
  ) {
    const { day, cards, gear, rig, hands, blocks, endMin } = world;
    const { rigId, deviceId, count, full = 0, slots = 1 } = cards;
    this.cards = cards;
    this.blocks = blocks;
    const startMin = day.startsAt ?? 0;
    this.full = Array.from({ length: count }, (_, card) => (card < full ? 1 : 0));
    this.freeMin = Array.from({ length: count }, () => startMin);
    const emptiest = [...this.full.keys()].sort((a, b) => this.full[a]! - this.full[b]! || a - b);
    const firstMin = blocks[0]?.fromMin ?? startMin;
    for (const card of emptiest.slice(0, slots)) this.putIn(card, firstMin);
    for (const card of emptiest.slice(slots)) if (this.full[card]! > LITTLE) this.waiting.push({ card, fromMin: startMin });
    const limited = limitedRecording(day, rigId, deviceId, gear, rig, hands, slots === 1 ? changes.map(({ atMin }) => atMin) : []);
    this.takeEnds = limited.takeEnds;
    this.offs = limited.stops;
    this.stops.push(...limited.stops);
    let at = Math.min(firstMin, changes[0]?.atMin ?? Infinity);
    for (const { atMin } of changes) {
      this.record(at, atMin);
      at = Math.max(at, atMin + this.change(atMin));
    }
    this.record(at, endMin);
    for (const slot of [...this.slots]) this.takeOut(slot, Math.max(at, ...blocks.map(({ toMin }) => toMin)));
    this.copy(endMin);
  }

  result(): OneCardsRun {
    const { stops, takeEnds, changed: changes, stays, copies } = this;
    const { id: cardsId, rigId } = this.cards;
    return {
      stops,
      takeEnds,
      changes,
      stays,
      copies,
      lot: { cardsId, rigId, notCopied: this.full.filter((full) => full > LITTLE).length },
    };
  }

  private putIn(card: number, atMin: number): void {
    const waits = this.waiting.findIndex((one) => one.card === card);
    if (waits !== -1) this.waiting.splice(waits, 1);
    this.slots.push({ card, filling: [{ minute: atMin, full: this.full[card]! }] });
    this.freeMin[card] = Infinity;
  }

  private takeOut(slot: Slot, atMin: number): void {
    const { card, filling } = slot;
    const toFull = this.full[card]!;
    filling.push({ minute: atMin, full: toFull });
    this.slots.splice(this.slots.indexOf(slot), 1);
    const { id: cardsId, rigId } = this.cards;
    this.stays.push({
      cardsId,
      rigId,
      card: card + 1,
      fromMin: filling[0]!.minute,
      toMin: atMin,
      fromFull: filling[0]!.full,
      toFull,
      filling,
    });
    this.freeMin[card] = atMin;
    if (this.full[card]! > LITTLE) this.waiting.push({ card, fromMin: atMin });
  }

  /** Fills cards from one minute to another, and notes where there is none that can be filled. */
  private record(fromMin: number, toMin: number): void {
    for (const block of this.blocks) {
      if (block.toMin <= fromMin || block.fromMin >= toMin) continue;
      const mode = recordingMode(block, this.cards.deviceId, this.world.usual);
      if (mode === undefined) continue;
      const minutes = this.cards.modes?.find((one) => one.mode === mode)?.minutes ?? this.cards.minutes;
      for (const span of without({ fromMin: Math.max(fromMin, block.fromMin), toMin: Math.min(toMin, block.toMin) }, this.offs)) {
        let at = span.fromMin;
        for (const { card, filling } of this.slots) {
          filling.push({ minute: at, full: this.full[card]! });
          const taken = Math.min(span.toMin - at, (1 - this.full[card]!) * minutes);
          this.full[card] = Math.min(1, this.full[card]! + taken / minutes);
          if (1 - this.full[card] < LITTLE) this.full[card] = 1;
          at += taken;
          filling.push({ minute: at, full: this.full[card] });
        }
        if (span.toMin - at > 1e-6) this.stop(block, 'card-full', at, span.toMin);
      }
    }
  }

  private stop(block: Block, why: RecordingStop['why'], fromMin: number, toMin: number): void {
    const { rigId, deviceId } = this.cards;
    const last = this.stops.at(-1);
    if (last && last.blockId === block.id && last.why === why && Math.abs(last.toMin - fromMin) < 1e-6)
      this.stops[this.stops.length - 1] = { ...last, toMin };
    else this.stops.push({ rigId, blockId: block.id, deviceId, why, fromMin, toMin });
  }

  /** Makes a change, and gives the minutes in which nothing is recorded for it. */
  private change(atMin: number): number {
    this.copy(atMin);
    const { id: cardsId, rigId, copyPlaceId, changeMin = USUAL_CARD_CHANGE_MIN } = this.cards;
    const fullest = [...this.slots].sort((a, b) => this.full[b.card]! - this.full[a.card]!)[0];
    if (!fullest) return 0;
    const outFull = this.full[fullest.card]!;
    const byMin = copyPlaceId === undefined ? atMin : leavesBy(this.blocks, copyPlaceId, atMin, this.world.dayOf);
    // what was copied somewhere else must have left there with the rig; what was never there is in somebody's pocket
    const isHere = (card: number): boolean => this.freeMin[card]! <= (this.copied.has(card) ? byMin : atMin);
    const best = [...this.full.keys()]
      .filter((card) => isHere(card) && this.full[card]! < outFull - LITTLE)
      .sort((a, b) => this.full[a]! - this.full[b]! || a - b)[0];
    const block = this.blocks.find(
      (one) => one.fromMin <= atMin && atMin < one.toMin && recordingMode(one, this.cards.deviceId, this.world.usual),
    );
    const goesOn = this.slots.length > 1 && outFull > 1 - LITTLE && this.slots.some(({ card }) => this.full[card]! < 1 - LITTLE);
    const takesMin = best === undefined || !block || goesOn ? 0 : Math.min(changeMin, block.toMin - atMin);
    const isAlone = !isThere(this.world.hands(placeAt(this.blocks, atMin)), atMin);
    this.changed.push({
      cardsId,
      rigId,
      atMin,
      out: fullest.card + 1,
      outFull,
      card: best === undefined ? undefined : best + 1,
      inFull: best === undefined ? outFull : this.full[best]!,
      takesMin,
      isAlone,
    });
    if (best === undefined) return 0;
    this.takeOut(fullest, atMin);
    this.putIn(best, atMin + takesMin);
    this.copied.delete(best);
    if (takesMin > 0) this.stop(block!, 'card-change', atMin, atMin + takesMin);
    return takesMin;
  }

  /** Copies what has come out, one card after the other, whenever somebody is there, as far as it begins before a minute. */
  private copy(untilMin: number): void {
    const { id: cardsId, copyMin, copyPlaceId } = this.cards;
    if (copyMin === undefined) return;
    while (this.waiting.length > 0) {
      const { card, fromMin } = this.waiting[0]!;
      const comesMin = copyPlaceId === undefined ? fromMin : comesTo(this.blocks, copyPlaceId, fromMin, this.world.dayOf);
      const place = copyPlaceId ?? placeAt(this.blocks, comesMin);
      const beginMin = nextThere(this.world.hands(place), Math.max(comesMin, this.readerMin));
      if (beginMin >= untilMin) return;
      const full = this.full[card]!;
      const doneMin = beginMin + full * copyMin;
      if (doneMin > untilMin) return;
      this.waiting.shift();
      this.copies.push({ cardsId, card: card + 1, full, fromMin: beginMin, toMin: doneMin });
      this.readerMin = doneMin;
      this.full[card] = 0;
      this.freeMin[card] = doneMin;
      this.copied.add(card);
    }
  }
}
