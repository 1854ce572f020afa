import type { FlatDay } from './flat-day';

/** A battery put into a seat, by number. */
export interface FlatSwap {
  readonly seat: number;
  readonly battery: number;
  readonly atMin: number;
  /** It stays where it is: a person locked it, or it has happened. */
  readonly kept?: boolean;
}

/** Something that happens to a battery at a minute of a run. */
export interface Move {
  readonly seat: number;
  readonly battery: number;
  readonly atMin: number;
  readonly kind: 'seat' | 'charge' | 'lost';
  readonly first: boolean;
  readonly charger: number;
  readonly offMin: number;
  /** A charge of a battery that stays in its seat. */
  readonly inPlace?: boolean;
}

/** Charges that stay as they are. */
export interface KeptCharge {
  readonly battery: number;
  readonly charger: number;
  readonly fromMin: number;
  readonly toMin: number;
  readonly inPlace?: boolean;
}

/** Swaps, charges that stay, what rigs start with and what is lost, in the order of time, as the exact run has it. */
export function movesOf({ seats, rigs }: FlatDay, swaps: readonly FlatSwap[], others: readonly Move[]): readonly Move[] {
  const moves: Move[] = [...others];
  const isFirst = ({ seat, atMin }: FlatSwap): boolean => atMin <= rigs[seats[seat]!.rig]!.fromMin;
  const isGiven = new Uint8Array(seats.length);
  for (const swap of swaps) if (isFirst(swap)) isGiven[swap.seat] = 1;
  for (let seat = 0; seat < seats.length; seat++) {
    const { rig, own } = seats[seat]!;
    const { fromMin, blocks } = rigs[rig]!;
    if (!isGiven[seat] && own !== -1 && blocks.length > 0)
      moves.push({ kind: 'seat', seat, battery: own, atMin: fromMin, first: true, charger: -1, offMin: 0 });
  }
  for (const swap of swaps) {
    const { seat, battery, atMin } = swap;
    moves.push({ kind: 'seat', seat, battery, atMin, first: isFirst(swap), charger: -1, offMin: 0 });
  }
  // at one minute what a rig starts with comes first, then changes, then charges, then what is lost: as the exact run has it
  return moves.sort((a, b) => a.atMin - b.atMin || RANK[a.kind] - RANK[b.kind]);
}

/** Charges that stay, and what is lost. */
export function otherMoves({ batteries }: FlatDay, keptCharges: readonly KeptCharge[]): readonly Move[] {
  const none = { seat: -1, first: false, charger: -1, offMin: 0 };
  return [
    ...keptCharges.map(({ battery, charger, fromMin, toMin, inPlace }): Move => ({
      ...none,
      kind: 'charge',
      battery,
      charger,
      atMin: fromMin,
      offMin: toMin,
      ...(inPlace && { inPlace }),
    })),
    ...batteries.flatMap(({ lostMin }, battery): Move[] =>
      lostMin < Infinity ? [{ ...none, kind: 'lost', battery, atMin: lostMin }] : [],
    ),
  ];
}

/** The order of kinds at one minute. */
const RANK: Readonly<Record<Move['kind'], number>> = { seat: 0, charge: 1, lost: 2 };
