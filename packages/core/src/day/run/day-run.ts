import type { CardsRun } from '../cards';
import type { Filled } from '../charging';
import { without } from '../model';
import type { Span } from '../model';
import type { Block } from '../shape';
import type { GapSaid } from './says';
import type { Seated } from './seating';

/** Minutes in which a rig has no power though a block of it wants some. */
export interface PowerGap extends Span {
  readonly rigId: string;
  readonly blockId: string;
  /** A planned change of battery, a battery that gave out, a seat with none in it, or a rig that cannot run so. */
  readonly why: 'change' | 'gave-out' | 'empty-seat' | 'cannot-run';
  readonly says: GapSaid;
}

/** A battery in a rig, from when it is put in until it is taken out. */
export interface Stay extends Span {
  readonly rigId: string;
  readonly batteryId: string;
  readonly fromCharge: number;
  readonly toCharge: number;
}

/** Something that is to be done where nobody is: a battery put into a rig, put on a charger or taken off it; a card changed. */
export type LonelyMove = {
  readonly atMin: number;
  /** The rig, or the charger. */
  readonly whereId: string;
  readonly placeId: string | undefined;
} & (
  | { readonly move: 'into-rig' | 'onto-charger' | 'off-charger'; readonly batteryId: string }
  | { readonly move: 'card'; readonly cardsId: string }
);

export interface BlockRun {
  readonly blockId: string;
  /** Minutes without power, planned changes left out. */
  readonly gapMin: number;
  /** Minutes without power through a change of battery. */
  readonly changeMin: number;
  /** Minutes not recorded though there is power. */
  readonly unrecordedMin: number;
  /** 1 where it must not be interrupted and goes dark or does not record, for whatever reason. */
  readonly interruptions: number;
}

/** A day as it goes: every charge, gap and charger. */
export interface DayRun {
  readonly seated: readonly Seated[];
  readonly stays: readonly Stay[];
  readonly gaps: readonly PowerGap[];
  readonly blocks: readonly BlockRun[];
  readonly filled: readonly Filled[];
  /** What the recording media hold, and where recording stops for want of them, from heat, or because a take is over. */
  readonly cards: CardsRun;
  /** Charge of each battery over time, the batteries built into devices by `builtInId`; straight between points. */
  readonly charge: ReadonlyMap<string, readonly ChargePoint[]>;
  /** Charge at the end of the plan: what the next day starts with. */
  readonly endCharge: ReadonlyMap<string, number>;
  /** Batteries whose charge at the start is not entered. */
  readonly takenAsFull: readonly string[];
  /** Moves at moments when nobody is there to make them; of runs by chance none are told. */
  readonly nobodyThere: readonly LonelyMove[];
  /** Stays that end below the reserve. */
  readonly intoReserve: readonly Stay[];
}

export interface ChargePoint {
  readonly minute: number;
  readonly charge: number;
}

/** Gaps and stays that are nearer than this are one. */
export const TOUCH_MIN = 1e-3;

/** Stays of one battery in one rig that follow each other at once are one. */
export function joined(pieces: readonly Stay[]): readonly Stay[] {
  const stays: Stay[] = [];
  const last = new Map<string, number>();
  for (const piece of [...pieces].sort((a, b) => a.fromMin - b.fromMin)) {
    const key = `${piece.rigId} ${piece.batteryId}`;
    const before = last.get(key);
    if (before !== undefined && Math.abs(stays[before]!.toMin - piece.fromMin) < TOUCH_MIN)
      stays[before] = { ...stays[before]!, toMin: piece.toMin, toCharge: piece.toCharge };
    else last.set(key, stays.push(piece) - 1);
  }
  return stays;
}

/** Gaps of several devices at once are one of the rig, and so are those that follow each other for one reason. */
export function joinedGaps(gaps: readonly PowerGap[]): readonly PowerGap[] {
  const result: PowerGap[] = [];
  const last = new Map<string, number>();
  for (const gap of [...gaps].sort((a, b) => a.fromMin - b.fromMin)) {
    const key = `${gap.blockId} ${gap.why}`;
    const before = last.get(key);
    if (before !== undefined && result[before]!.toMin >= gap.fromMin - TOUCH_MIN)
      result[before] = { ...result[before]!, toMin: Math.max(result[before]!.toMin, gap.toMin) };
    else last.set(key, result.push(gap) - 1);
  }
  return result;
}

/** What a run came to in one block. */
export function blockRun({ id, uninterrupted }: Block, gaps: readonly PowerGap[], { stops, takeEnds }: CardsRun): BlockRun {
  const own = gaps.filter(({ blockId }) => blockId === id);
  const stopped = stops.filter(({ blockId }) => blockId === id);
  const ends = takeEnds.some(({ blockId }) => blockId === id);
  const minutes = (of: readonly Span[]): number => of.reduce((sum, { fromMin, toMin }) => sum + toMin - fromMin, 0);
  return {
    blockId: id,
    gapMin: minutes(own.filter(({ why }) => why !== 'change')),
    changeMin: minutes(own.filter(({ why }) => why === 'change')),
    // what is dark, or stopped on two devices at once, counts once
    unrecordedMin: minutes(stopped.flatMap((stop, place) => without(stop, [...own, ...stopped.slice(0, place)]))),
    interruptions: uninterrupted && (ends || own.length + stopped.length > 0) ? 1 : 0,
  };
}
