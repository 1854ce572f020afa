import type { Chance } from '../../../run';
import type { FlatDay, FlatSwap } from '../judge';
import { pickOf } from './pick-of';
import { canChange } from './plan-moments';
import type { Moments } from './plan-moments';
import { inOrder } from './plan-order';
import type { PlanWays } from './plan-ways';

type Swaps = readonly FlatSwap[];

/** Small changes of a plan by chance; undefined where there is nothing to change so. What is kept stays. */
export class PlanChanges {
  constructor(
    private readonly flat: FlatDay,
    private readonly random: Chance,
    private readonly moments: readonly Moments[],
    private readonly ways: PlanWays,
    private readonly fromMin: number,
  ) {}

  /** A rig with some batteries of those that fit put in before it starts; its own stay where they are picked. */
  anyStart(rig: number): FlatSwap[] {
    const { seats, fromMin } = this.flat.rigs[rig]!;
    return seats.flatMap((seat) => {
      const fitting = this.ways.fitting(seat);
      const battery = fitting[pickOf(this.random, fitting.length)];
      return battery === undefined || battery === this.flat.seats[seat]!.own ? [] : [{ seat, battery, atMin: fromMin }];
    });
  }

  withoutOne(swaps: Swaps): Swaps | undefined {
    const place = this.pick(swaps);
    return place === undefined ? undefined : swaps.filter((_, index) => index !== place);
  }

  otherBattery(swaps: Swaps): Swaps | undefined {
    const place = this.pick(swaps);
    if (place === undefined) return undefined;
    const swap = swaps[place]!;
    const fitting = this.ways.fitting(swap.seat);
    const battery = fitting[pickOf(this.random, fitting.length)];
    if (battery === undefined || battery === swap.battery) return undefined;
    return swaps.map((one, index) => (index === place ? { ...one, battery } : one));
  }

  otherMoment(swaps: Swaps): Swaps | undefined {
    const place = this.pick(swaps);
    if (place === undefined) return undefined;
    const swap = swaps[place]!;
    const { rig } = this.flat.seats[swap.seat]!;
    const { all, edges } = this.moments[rig]!;
    if (all.length === 0) return undefined;
    const dice = this.random.uniform();
    const { seats } = this.flat.rigs[rig]!;
    const seat = seats.length > 1 && dice < 0.3 ? seats[pickOf(this.random, seats.length)]! : swap.seat;
    const at = all.findIndex((minute) => minute >= swap.atMin);
    const step = Math.ceil(this.random.uniform() ** 2 * 12) * (this.random.uniform() < 0.5 ? -1 : 1);
    const near = all[Math.max(0, Math.min(all.length - 1, (at === -1 ? all.length - 1 : at) + step))]!;
    const atMin = this.random.uniform() < 0.25 ? edges[pickOf(this.random, edges.length)]! : near;
    return inOrder(swaps.map((one, index) => (index === place ? { ...one, seat, atMin } : one)));
  }

  exchanged(swaps: Swaps): Swaps | undefined {
    const [one, other] = [this.pick(swaps), this.pick(swaps)];
    if (one === undefined || other === undefined || one === other) return undefined;
    const [a, b] = [swaps[one]!, swaps[other]!];
    if (a.battery === b.battery || !this.ways.fits(a.seat, b.battery) || !this.ways.fits(b.seat, a.battery)) return undefined;
    return swaps.map((swap, index) =>
      index === one ? { ...swap, battery: b.battery } : index === other ? { ...swap, battery: a.battery } : swap,
    );
  }

  /** A change more, anywhere: often the battery that is there already, put back after it was charged. */
  withOneMore(swaps: Swaps): Swaps | undefined {
    if (this.flat.seats.length === 0) return undefined;
    const seat = pickOf(this.random, this.flat.seats.length);
    const { all } = this.moments[this.flat.seats[seat]!.rig]!;
    if (all.length === 0) return undefined;
    const atMin = all[pickOf(this.random, all.length)]!;
    const there = swaps.findLast((swap) => swap.seat === seat && swap.atMin < atMin)?.battery ?? this.flat.seats[seat]!.own;
    const fitting = this.ways.fitting(seat);
    const battery = this.random.uniform() < 0.4 && there !== -1 ? there : fitting[pickOf(this.random, fitting.length)];
    return battery === undefined ? undefined : inOrder([...swaps, { seat, battery, atMin }]);
  }

  /** One day as the day before it went. */
  asTheDayBefore(swaps: Swaps): Swaps | undefined {
    const { midnights, day } = this.flat;
    if (day.days < 2) return undefined;
    const index = 1 + pickOf(this.random, day.days - 1);
    const before = pickOf(this.random, index);
    const [from, to, source, end] = [midnights[index]!, midnights[index + 1]!, midnights[before]!, midnights[before + 1]!];
    const rig = this.random.uniform() < 0.5 ? -1 : pickOf(this.random, this.flat.rigs.length);
    const isIt = ({ seat }: FlatSwap): boolean => rig === -1 || this.flat.seats[seat]!.rig === rig;
    const copied = swaps
      .filter((swap) => isIt(swap) && swap.atMin >= source && swap.atMin < end)
      .map((swap) => ({ ...swap, atMin: swap.atMin - source + from, kept: false }));
    const rest = swaps.filter((swap) => swap.kept || !isIt(swap) || swap.atMin < from || swap.atMin >= to);
    return inOrder([
      ...rest,
      ...copied.filter(({ seat, atMin }) => canChange(this.flat, this.flat.rigs[this.flat.seats[seat]!.rig]!, atMin, this.fromMin)),
    ]);
  }

  /** A change that may be moved or taken away. */
  private pick(swaps: Swaps): number | undefined {
    if (swaps.length === 0) return undefined;
    const place = pickOf(this.random, swaps.length);
    return swaps[place]!.kept ? undefined : place;
  }
}
