import { SAME_DARK_MIN } from '../../../tables';
import { isThere, overlap } from '../../model';
import type { Drain, Drained, FlatDay, FlatRig } from '../judge';
import { leastWays } from './pool-bounds';
import type { LeastWay } from './pool-bounds';

/** What no plan can do without. */
export interface PlanBounds {
  /** Minutes without power, or below the reserve, that no plan avoids which interrupts nothing. */
  readonly gapMin: number;
  /** A rig does not get through without an interruption even by itself. */
  readonly isForced: boolean;
  /** Fewest changes of all plans that leave no more minutes off than so many. */
  fewestSwaps(gapMin: number): number;
}

/** A way through a rig's day: put in at a minute, having lost minutes and made changes so far. */
interface Label {
  readonly minute: number;
  readonly gapMin: number;
  readonly swaps: number;
  /** The way there, and when the change was begun. */
  readonly before?: Label;
  readonly atMin?: number;
}

/** Labels of one rig, after which its bound is given up. */
const MOST_LABELS = 4000;
const SEARCH_MIN = 1440;
const USUAL_STAY_MIN = 300;

/**
 * Bounds to hold a plan against: each rig with one seat alone, with whichever battery of the form lasts longest, full and as
 * often as wanted. A later start with a full battery never ends earlier, so of the moments that cost nothing only the last
 * before it must be matters, and within a block the last of all. Rigs with several seats, and built-in batteries, count for
 * nothing. `strict`: of plans that interrupt nothing that must not be.
 */
export function planBounds(flat: FlatDay, drain: Drain, strict: boolean): PlanBounds {
  const fronts = flat.rigs.map((rig, index) => frontOf(flat, drain, rig, index, strict));
  const pooled = flat.rigs.map((rig, index) => (fronts[index] === NOTHING ? undefined : leastWays(flat, drain, rig, index, strict)));
  const least = fronts.map((front, rig) => Math.max(leastGap(front), leastGap(pooled[rig] ?? [])));
  const sum = (values: readonly number[]): number => values.reduce((total, one) => total + one, 0);
  return {
    isForced: fronts.includes(FORCED),
    gapMin: sum(least),
    fewestSwaps: (gapMin) => {
      // what one rig leaves off beyond its least, no other can
      const spare = Math.max(0, gapMin - sum(least)) + SAME_DARK_MIN;
      return sum(fronts.map((front, rig) => Math.max(fewest(front, least[rig]! + spare), fewest(pooled[rig] ?? [], least[rig]! + spare))));
    },
  };
}

function leastGap(ways: readonly LeastWay[]): number {
  return ways.length === 0 ? 0 : Math.min(...ways.map(({ gapMin }) => gapMin));
}

/** Fewest changes of ways that leave no more minutes off than so many. */
function fewest(ways: readonly LeastWay[], gapMin: number): number {
  const swaps = ways.filter((way) => way.gapMin <= gapMin).map((way) => way.swaps);
  return swaps.length === 0 ? 0 : Math.min(...swaps);
}

const NOTHING: readonly Label[] = [{ minute: Infinity, gapMin: 0, swaps: 0 }];
/** The same, of a rig that does not get through without an interruption. */
const FORCED: readonly Label[] = [...NOTHING];

/** The ends of a rig's day that no other is better than in both minutes and changes. */
function frontOf(flat: FlatDay, drain: Drain, rig: FlatRig, index: number, strict: boolean): readonly Label[] {
  const [seat] = rig.seats;
  if (
    seat === undefined ||
    rig.seats.length !== 1 ||
    drain.builtInOf(index).length > 0 ||
    rig.spans.some(({ span }) => span.power.length > 0 && !isAlone(flat, rig))
  )
    return NOTHING;
  const { swapMin } = flat.seats[seat]!;
  const kinds = Array.from({ length: flat.kinds }, (_, kind) => kind).filter((kind) => flat.seats[seat]!.takes[kind]);
  const lasts = lastsOf(flat, drain, rig, index, kinds);
  const guarded = rig.blocks.filter(({ uninterrupted }) => uninterrupted);
  const isGuarded = (fromMin: number, toMin: number): boolean =>
    strict && guarded.some((block) => block.fromMin < toMin - 1e-9 && block.toMin > fromMin + 1e-9);
  const { free: inPauses, any: all } = momentsOf(flat, rig, swapMin);
  const moments = { free: inPauses, any: all.filter((minute) => !isGuarded(minute, minute + swapMin)) };
  const darkMin = (fromMin: number, toMin: number): number => rig.draws.reduce((sum, draw) => sum + overlap(draw, { fromMin, toMin }), 0);
  let open: Label[] = [{ minute: rig.fromMin, gapMin: 0, swaps: 0 }];
  const done: Label[] = [];
  for (let turn = 0; open.length > 0; turn++) {
    if (turn > MOST_LABELS) return NOTHING;
    open.sort((a, b) => a.minute - b.minute);
    const label = open.shift()!;
    const { troubleMin, darkFromMin } = lasts(label.minute);
    if (troubleMin >= rig.toMin) {
      done.push(label);
      continue;
    }
    // it may also stay as it is until the end; on its reserve it is not interrupted
    if (!isGuarded(darkFromMin, rig.toMin))
      done.push({ ...label, minute: Infinity, gapMin: label.gapMin + darkMin(troubleMin, rig.toMin) });
    const next: Label[] = [];
    const free = lastBefore(moments.free, troubleMin);
    if (free > label.minute + 1e-6) next.push({ minute: free, gapMin: label.gapMin, swaps: label.swaps + 1, before: label, atMin: free });
    const late = lastBefore(moments.any, troubleMin);
    if (late > label.minute + 1e-6 && late > free)
      next.push({
        minute: late + swapMin,
        gapMin: label.gapMin + darkMin(late, late + swapMin),
        swaps: label.swaps + 1,
        before: label,
        atMin: late,
      });
    for (const after of [moments.free, moments.any]) {
      const at = after.find((minute) => minute > Math.max(troubleMin, label.minute) + 1e-6);
      if (at !== undefined && !isGuarded(darkFromMin, at))
        next.push({ minute: at, gapMin: label.gapMin + darkMin(troubleMin, at), swaps: label.swaps + 1, before: label, atMin: at });
    }
    for (const one of next) {
      if (open.some((other) => isBetter(other, one))) continue;
      open = open.filter((other) => !isBetter(one, other));
      open.push(one);
    }
  }
  // where nothing gets through without an interruption the bound says nothing else
  return done.length === 0 ? FORCED : done;
}

function isBetter(a: Label, b: Label): boolean {
  return a.minute >= b.minute - 1e-9 && a.gapMin <= b.gapMin + 1e-9 && a.swaps <= b.swaps;
}

function isAlone(flat: FlatDay, rig: FlatRig): boolean {
  const seat = flat.seats[rig.seats[0]!]!;
  const kind = seat.own === -1 ? -1 : flat.batteries[seat.own]!.kind;
  return flat.stateOf(rig, [kind], rig.spans[0]?.span.temperatureC).state.sourceIds.length === 1;
}

/** When a rig would be changed if it were alone, with a full battery of the best kind each time; undefined where that is not known. */
export function bestMoments(flat: FlatDay, drain: Drain, index: number): readonly number[] | undefined {
  const front = frontOf(flat, drain, flat.rigs[index]!, index, true);
  if (front === NOTHING || front === FORCED) return undefined;
  let label: Label | undefined = front.reduce((a, b) =>
    b.gapMin < a.gapMin - SAME_DARK_MIN || (b.gapMin < a.gapMin + SAME_DARK_MIN && b.swaps < a.swaps) ? b : a,
  );
  const moments: number[] = [];
  for (; label; label = label.before) if (label.atMin !== undefined) moments.unshift(label.atMin);
  return moments;
}

/** Minutes of drawing that the battery which lasts longest carries a rig, put in full at its start; 300 where the rig has several seats. */
export function longestStay(flat: FlatDay, drain: Drain, index: number): number {
  const rig = flat.rigs[index]!;
  const [seat] = rig.seats;
  if (seat === undefined || rig.seats.length !== 1) return USUAL_STAY_MIN;
  const kinds = Array.from({ length: flat.kinds }, (_, kind) => kind).filter((kind) => flat.seats[seat]!.takes[kind]);
  const endMin = Math.min(rig.toMin, lastsOf(flat, drain, rig, index, kinds)(rig.fromMin).troubleMin);
  return Math.max(
    30,
    rig.draws.reduce((sum, draw) => sum + overlap(draw, { fromMin: rig.fromMin, toMin: endMin }), 0),
  );
}

/** From when on a battery is on its reserve or the rig without power, and from when on without power. */
interface Lasts {
  readonly troubleMin: number;
  readonly darkFromMin: number;
}

/** How long a full battery put in at a minute lasts, whichever lasts longest; known minutes are kept. */
function lastsOf(flat: FlatDay, drain: Drain, rig: FlatRig, index: number, kinds: readonly number[]): (minute: number) => Lasts {
  const known = new Map<number, Lasts>();
  const soc = new Float64Array(flat.batteries.length);
  return (minute) => {
    const before = known.get(minute);
    if (before) return before;
    const each = kinds.map((kind) => {
      const battery = flat.ofKind(kind)[0]!;
      soc[battery] = 1;
      return lastsWith(drain, rig, index, battery, soc, minute);
    });
    const longest: Lasts = {
      troubleMin: Math.max(minute, ...each.map(({ troubleMin }) => troubleMin)),
      darkFromMin: Math.max(minute, ...each.map(({ darkFromMin }) => darkFromMin)),
    };
    known.set(minute, longest);
    return longest;
  };
}

function lastsWith(drain: Drain, rig: FlatRig, index: number, battery: number, soc: Float64Array, fromMin: number): Lasts {
  const out: Drained = { gaps: [], lowFromMin: Infinity, lowToMin: -Infinity };
  const own = new Float64Array(drain.builtInOf(index).length).fill(1);
  let lowFromMin = Infinity;
  for (const span of rig.spans) {
    if (span.toMin <= fromMin) continue;
    out.gaps.length = 0;
    out.lowFromMin = Infinity;
    drain.through(rig, index, span, Math.max(fromMin, span.fromMin), span.toMin, [battery], soc, own, out);
    lowFromMin = Math.min(lowFromMin, out.lowFromMin);
    const darkFromMin = out.gaps[0] ?? Infinity;
    if (darkFromMin < Infinity) return { troubleMin: Math.min(lowFromMin, darkFromMin), darkFromMin };
  }
  return { troubleMin: lowFromMin, darkFromMin: Infinity };
}

/** Minutes at which somebody can change a battery: those that cost nothing, and all. */
function momentsOf(flat: FlatDay, rig: FlatRig, swapMin: number): { readonly free: readonly number[]; readonly any: readonly number[] } {
  const free: number[] = [];
  const any: number[] = [];
  for (let minute = Math.ceil(rig.fromMin); minute < Math.min(rig.toMin, rig.fromMin + 31 * SEARCH_MIN); minute++) {
    if (!isThere(flat.hands(flat.places[flat.placeOf(rig, minute)]), minute)) continue;
    any.push(minute);
    // one that was taken out before takes no time to put back
    if (rig.draws.every((draw) => draw.toMin <= minute || draw.fromMin >= minute + (swapMin > 0 ? 0 : 1e-9))) free.push(minute);
  }
  return swapMin === 0 ? { free: any, any } : { free, any };
}

function lastBefore(minutes: readonly number[], minute: number): number {
  let [low, high] = [0, minutes.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (minutes[middle]! <= minute + 1e-9) low = middle + 1;
    else high = middle;
  }
  return low === 0 ? -Infinity : minutes[low - 1]!;
}
