import type { Chance } from '../../../run';
import { FULL_SHARE } from '../../../tables';
import type { FlatDay, FlatSwap } from '../judge';
import { pickOf } from './pick-of';
import type { Moments } from './plan-moments';

/** Batteries that are tried at one moment. */
const MOST_BATTERIES = 8;

/** What may be put where and when to help a rig. */
export class PlanWays {
  constructor(
    private readonly flat: FlatDay,
    private readonly random: Chance,
    private readonly moments: readonly Moments[],
    private readonly fromMin: number,
  ) {}

  /** Changes that would help a rig before it wants for power. */
  waysFor(swaps: readonly FlatSwap[], index: number, byMin: number): readonly FlatSwap[] {
    const rig = this.flat.rigs[index]!;
    return rig.seats.flatMap((seat) => {
      const last = swaps.findLast((swap) => swap.seat === seat && swap.atMin <= byMin);
      const there = last?.battery ?? this.flat.seats[seat]!.own;
      const batteries = this.offered(swaps, seat, there);
      return this.helpful(index, Math.max(last?.atMin ?? rig.fromMin - 1, this.fromMin - 1), byMin).flatMap((atMin) =>
        batteries.map((battery): FlatSwap => ({ seat, battery, atMin })),
      );
    });
  }

  /** Minutes at which a change would help: the start, the last pauses, and the last round minute. */
  private helpful(index: number, afterMin: number, byMin: number): readonly number[] {
    const { all, edges, inBlocks, mornings } = this.moments[index]!;
    const isPossible = (minute: number): boolean => minute > afterMin && minute <= byMin + 1e-6;
    const later = all.find((minute) => minute > byMin);
    // with what a rig starts its day much is decided
    const dawns = mornings.filter(isPossible).slice(-1);
    return [
      ...new Set([
        ...dawns,
        ...edges.filter(isPossible).slice(-5),
        ...inBlocks.filter(isPossible).slice(-2),
        ...(later === undefined ? [] : [later]),
      ]),
    ];
  }

  /** Batteries to try in a seat: one of each kind that was not used and is in no other rig, what is there, and some of the others. */
  private offered(swaps: readonly FlatSwap[], seat: number, there: number): readonly number[] {
    const fitting = this.fitting(seat);
    if (fitting.length <= MOST_BATTERIES) return fitting;
    const used = new Set([...swaps.map(({ battery }) => battery), ...this.flat.seats.map(({ own }) => own)]);
    const found = new Set<number>([there].filter((battery) => battery !== -1));
    const kinds = new Set<number>();
    for (const battery of fitting) {
      const { kind, startCharge } = this.flat.batteries[battery]!;
      if (used.has(battery) || kinds.has(kind) || startCharge < FULL_SHARE) continue;
      kinds.add(kind);
      found.add(battery);
    }
    for (let turn = 0; turn < 3 * MOST_BATTERIES && found.size < MOST_BATTERIES; turn++)
      found.add(fitting[pickOf(this.random, fitting.length)]!);
    return [...found];
  }

  /** Batteries that a seat takes. */
  fitting(seat: number): readonly number[] {
    return (this.fittings[seat] ??= this.flat.batteries.flatMap((_, battery) => (this.fits(seat, battery) ? [battery] : [])));
  }
  private readonly fittings: (readonly number[])[] = [];

  fits(seat: number, battery: number): boolean {
    return this.flat.seats[seat]!.takes[this.flat.batteries[battery]!.kind]!;
  }
}
