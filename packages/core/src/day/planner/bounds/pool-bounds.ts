import type { Battery } from '../../../gear';
import { chargeAfter } from '../../../physics/cell';
import { canChargeInPlace, wattsOf } from '../../charging';
import { isThere, nextThere, overlap } from '../../model';
import type { Span } from '../../model';
import type { Drain, Drained, FlatDay, FlatRig } from '../judge';

/** What a way through a rig's day costs at the least. */
export interface LeastWay {
  readonly gapMin: number;
  readonly swaps: number;
}

/** With more batteries or rigs a day is not small. */
const MOST_BATTERIES = 6;
const MOST_RIGS = 3;
/** Ways that are followed, after which the bound is given up. */
const MOST_LABELS = 6000;
const SAME = 1e-6;

/** A stretch in which a rig draws, and what lies before it. */
interface Stretch extends Span {
  /** It must not be interrupted. */
  readonly guarded: boolean;
  /** Minutes without drawing before it, and whether somebody is there in them; none where it follows another at once. */
  readonly pauseMin: number;
  readonly canChange: boolean;
  /** Whether a battery can be changed within it. */
  readonly canChangeWithin: boolean;
}

interface Label extends LeastWay {
  readonly battery: number;
  /** By place among the rig's batteries: its charge, and since when it lies beside a charger. */
  readonly soc: readonly number[];
  readonly sinceMin: readonly number[];
}

/**
 * The least that one rig with one seat costs on a small day, if all the batteries of the day were for it alone: what every
 * plan needs, since others only take from it. What a battery holds is followed; what cannot be followed cheaply is given
 * away, so that no plan is better: each battery has a slot of its own on the strongest charger whenever an outlet is live;
 * where one is changed within a stretch of drawing, that costs its minutes, and neither battery anything of its charge.
 * Undefined where the day is not small, or the rig has no single seat.
 */
export function leastWays(flat: FlatDay, drain: Drain, rig: FlatRig, index: number, strict: boolean): readonly LeastWay[] | undefined {
  const seat = rig.seats[0];
  if (seat === undefined || rig.seats.length !== 1 || flat.rigs.length > MOST_RIGS) return undefined;
  const batteries = flat.batteries.flatMap(({ kind }, battery) => (flat.seats[seat]!.takes[kind] ? [battery] : []));
  if (batteries.length === 0 || batteries.length > MOST_BATTERIES) return undefined;
  return new PoolBound(flat, drain, rig, index, batteries, strict).front();
}

class PoolBound {
  private readonly swapMin: number;
  private readonly stretches: readonly Stretch[];
  private readonly soc: Float64Array;
  private readonly own: Float64Array;
  private readonly out: Drained = { gaps: [], lowFromMin: Infinity, lowToMin: -Infinity };
  /** By place among the batteries: the most watts that a charger gives it, and when one of them has power. */
  private readonly filled: readonly { readonly watts: number; readonly live: readonly Span[] }[];

  /** By place among the batteries: whether it is charged where it sits, without a change. */
  private readonly inPlace: readonly boolean[];

  constructor(
    private readonly flat: FlatDay,
    private readonly drain: Drain,
    private readonly rig: FlatRig,
    private readonly index: number,
    private readonly batteries: readonly number[],
    private readonly strict: boolean,
  ) {
    this.swapMin = flat.seats[rig.seats[0]!]!.swapMin;
    this.soc = new Float64Array(flat.batteries.length);
    this.own = new Float64Array(drain.builtInOf(index).length).fill(1);
    this.stretches = stretchesOf(flat, rig);
    this.inPlace = batteries.map((battery) => {
      const body = flat.simulation.gear.get(flat.batteries[battery]!.id) as Battery;
      return flat.chargers.some(({ charger, takes }) => takes[battery] && canChargeInPlace(charger, body));
    });
    this.filled = batteries.map((battery) => {
      const chargers = flat.chargers.filter(({ takes }) => takes[battery]);
      return { watts: Math.max(0, ...chargers.map(({ charger }) => wattsOf(charger, 1) ?? 0)), live: chargers.flatMap(({ live }) => live) };
    });
  }

  front(): readonly LeastWay[] | undefined {
    const { flat, batteries } = this;
    const own = batteries.indexOf(flat.seats[this.rig.seats[0]!]!.own);
    const soc = batteries.map((battery) => flat.batteries[battery]!.startCharge);
    const sinceMin = batteries.map(() => flat.startMin);
    // what it starts with is put in before, and is no change
    let open: Label[] = batteries.map((_, battery) => ({ battery, soc, sinceMin, gapMin: 0, swaps: 0 }));
    if (own !== -1) open.sort((a, b) => Number(b.battery === own) - Number(a.battery === own));
    let made = 0;
    for (const [place, stretch] of this.stretches.entries()) {
      const next: Label[] = [];
      for (const label of open) {
        for (const begun of place === 0 ? this.started(label, stretch) : this.changed(label, stretch)) {
          for (const after of this.through(begun, stretch)) {
            if (++made > MOST_LABELS) return undefined;
            if (next.some((other) => isBetter(other, after))) continue;
            for (let at = next.length - 1; at >= 0; at--) if (isBetter(after, next[at]!)) next.splice(at, 1);
            next.push(after);
          }
        }
      }
      if (next.length === 0) return undefined;
      open = next;
    }
    return open.map(({ gapMin, swaps }) => ({ gapMin, swaps }));
  }

  private started(label: Label, { fromMin }: Stretch): readonly Label[] {
    return [this.seated(label, label.battery, fromMin)];
  }

  /** What may be done before a stretch: nothing, the same battery charged and put back, another put in. */
  private changed(label: Label, { fromMin, pauseMin, canChange, guarded }: Stretch): readonly Label[] {
    const isFilled = this.inPlace[label.battery]! && pauseMin > 0;
    const ways = [isFilled ? this.seated(this.unseated(label, fromMin - pauseMin), label.battery, fromMin) : label];
    // where nothing lies between two guarded stretches, nothing can be changed
    const costMin = Math.max(0, this.swapMin - pauseMin);
    if (!canChange || (this.strict && guarded && costMin > 0)) return ways;
    const changing = { ...label, gapMin: label.gapMin + costMin, swaps: label.swaps + 1 };
    for (const battery of this.batteries.keys()) {
      if (battery === label.battery && pauseMin === 0) continue;
      ways.push(this.seated(this.unseated(changing, fromMin - pauseMin), battery, fromMin));
    }
    return ways;
  }

  private unseated(label: Label, minute: number): Label {
    return { ...label, sinceMin: label.sinceMin.map((since, place) => (place === label.battery ? minute : since)) };
  }

  /** With a battery in, filled as far as it can be by then. */
  private seated(label: Label, battery: number, minute: number): Label {
    const { watts, live } = this.filled[battery]!;
    const { filling } = this.flat.batteries[this.batteries[battery]!]!;
    const since = label.sinceMin[battery]!;
    const minutes = Math.min(
      minute - since,
      live.reduce((sum, span) => sum + overlap(span, { fromMin: since, toMin: minute }), 0),
    );
    const charge = filling && watts > 0 && minutes > 0 ? chargeAfter(filling, label.soc[battery]!, watts, minutes) : label.soc[battery]!;
    return { ...label, battery, soc: label.soc.map((one, place) => (place === battery ? charge : one)) };
  }

  /** A stretch with what sits in; and with a change within it, which takes from no battery. */
  private through(label: Label, stretch: Stretch): readonly Label[] {
    const battery = this.batteries[label.battery]!;
    const { soc, out, own } = this;
    soc[battery] = label.soc[label.battery]!;
    let [offMin, darkMin] = [0, 0];
    for (const span of this.rig.spans) {
      const [from, to] = [Math.max(span.fromMin, stretch.fromMin), Math.min(span.toMin, stretch.toMin)];
      if (to <= from) continue;
      out.gaps.length = 0;
      out.lowFromMin = Infinity;
      this.drain.through(this.rig, this.index, span, from, to, [battery], soc, own, out);
      const off = Math.min(out.lowFromMin, out.gaps[0] ?? Infinity);
      offMin += to - Math.min(to, off);
      darkMin += to - Math.min(to, out.gaps[0] ?? Infinity);
    }
    const after = {
      ...label,
      soc: label.soc.map((one, place) => (place === label.battery ? soc[battery]! : one)),
      gapMin: label.gapMin + offMin,
    };
    const ways: Label[] = this.strict && stretch.guarded && darkMin > SAME ? [] : [after];
    if (stretch.canChangeWithin && !(this.strict && stretch.guarded && this.swapMin > 0))
      for (const other of this.batteries.keys()) {
        const changing = { ...this.unseated(label, stretch.fromMin), gapMin: label.gapMin + this.swapMin, swaps: label.swaps + 1 };
        ways.push(this.seated(changing, other, stretch.toMin));
      }
    return ways;
  }
}

/** No later, no dearer, and every battery at least as full. */
function isBetter(a: Label, b: Label): boolean {
  return (
    a.battery === b.battery &&
    a.gapMin <= b.gapMin + SAME &&
    a.swaps <= b.swaps &&
    a.soc.every((charge, place) => charge >= b.soc[place]! - SAME && a.sinceMin[place]! <= b.sinceMin[place]! + SAME)
  );
}

/** When a rig draws, cut where a block that must not be interrupted begins or ends. */
function stretchesOf(flat: FlatDay, rig: FlatRig): readonly Stretch[] {
  const guarded = rig.blocks.filter(({ uninterrupted }) => uninterrupted);
  const hands = (minute: number) => flat.hands(flat.places[flat.placeOf(rig, minute)]);
  const comes = (fromMin: number, toMin: number): boolean =>
    isThere(hands(fromMin), fromMin) || nextThere(hands(fromMin), fromMin) <= toMin;
  return rig.draws.flatMap((draw, place) => {
    const cuts = [...new Set([draw.fromMin, draw.toMin, ...guarded.flatMap(({ fromMin, toMin }) => [fromMin, toMin])])]
      .filter((minute) => minute >= draw.fromMin && minute <= draw.toMin)
      .sort((a, b) => a - b);
    return cuts.slice(1).map((toMin, cut): Stretch => {
      const fromMin = cuts[cut]!;
      const pauseMin = cut > 0 ? 0 : place === 0 ? Infinity : fromMin - rig.draws[place - 1]!.toMin;
      const isGuarded = (minute: number): boolean => guarded.some((block) => block.fromMin <= minute && minute < block.toMin);
      return {
        fromMin,
        toMin,
        guarded: isGuarded(fromMin),
        pauseMin,
        canChange: pauseMin > 0 ? comes(fromMin - Math.min(pauseMin, fromMin), fromMin) : comes(fromMin, fromMin),
        canChangeWithin: comes(fromMin, toMin),
      };
    });
  });
}
