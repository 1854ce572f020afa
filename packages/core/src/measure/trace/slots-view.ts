import { inSlots } from './trace';
import type { Slots, Trace } from './trace';

/** A window of a recording in so many columns of a picture. A column without samples is a gap: all null. */
export interface SlotsView {
  readonly columns: readonly {
    /** Middle of the column. */
    readonly timeS: number;
    readonly meanW: number | null;
    readonly lowestW: number | null;
    readonly highestW: number | null;
  }[];
}

/** About so many slots are kept of a recording, however long: what can be zoomed into afterwards. */
export const KEPT_SLOTS = 262_144;
/** Slots of whole multiples of these read well. */
const NICE_S = [0.001, 0.002, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 30, 60, 120, 300, 600];

/**
 * Slots as fine as a recording's samples, but no more than `KEPT_SLOTS` of them.
 *
 * @example keptSlots(trace).slotS // 1
 */
export function keptSlots(trace: Trace): Slots {
  const { timeS } = trace;
  const seconds = timeS.length === 0 ? 0 : timeS[timeS.length - 1]! - timeS[0]!;
  const step = timeS.length < 2 ? 1 : seconds / (timeS.length - 1);
  const least = Math.max(step, seconds / KEPT_SLOTS);
  // a hair below a nice length is that length: clocks are not exact
  const fine = inSlots(trace, niceAbove(least * 0.999));
  return hasHoles(fine) ? inSlots(trace, niceAbove(2 * least)) : fine;
}

function niceAbove(seconds: number): number {
  return NICE_S.find((nice) => nice >= seconds) ?? seconds;
}

/** Single empty slots between full ones are no gaps: the samples come less evenly than the slots. */
function hasHoles({ samples }: Slots): boolean {
  for (let slot = 1; slot < samples.length - 1; slot++) {
    if (samples[slot] === 0 && samples[slot - 1]! > 0 && samples[slot + 1]! > 0) return true;
  }
  return false;
}

/** Coarser slots from finer ones, `factor` to one. */
export function coarser({ slotS, meanW, lowestW, highestW, samples }: Slots, factor: number): Slots {
  const count = Math.ceil(meanW.length / factor);
  const full = new Uint32Array(count);
  const next = {
    slotS: slotS * factor,
    meanW: new Float64Array(count),
    lowestW: new Float64Array(count),
    highestW: new Float64Array(count),
    samples: new Uint32Array(count),
  };
  for (let slot = 0; slot < meanW.length; slot++) {
    if (samples[slot] === 0) continue;
    const into = Math.floor(slot / factor);
    const first = next.samples[into] === 0;
    next.lowestW[into] = first ? lowestW[slot]! : Math.min(next.lowestW[into]!, lowestW[slot]!);
    next.highestW[into] = first ? highestW[slot]! : Math.max(next.highestW[into]!, highestW[slot]!);
    next.meanW[into] = next.meanW[into]! + meanW[slot]!;
    next.samples[into] = next.samples[into]! + samples[slot]!;
    full[into] = full[into]! + 1;
  }
  for (let slot = 0; slot < count; slot++) if (full[slot]! > 0) next.meanW[slot] = next.meanW[slot]! / full[slot]!;
  return next;
}

/**
 * A window of a recording reduced to at most `most` columns by their lowest, mean and highest, so that no spike is lost.
 * Times are from the recording's start. Cost: one pass over the slots of the window.
 *
 * @example slotsView(slots, 0, 150, 50).columns.length // 50
 */
export function slotsView(slots: Slots, fromS: number, toS: number, most: number): SlotsView {
  const { slotS, meanW, lowestW, highestW, samples } = slots;
  const first = Math.max(0, Math.floor(fromS / slotS));
  const last = Math.min(meanW.length, Math.ceil(toS / slotS));
  const each = Math.max(1, Math.ceil((last - first) / most));
  const columns: SlotsView['columns'][number][] = [];
  for (let at = first; at < last; at += each) {
    const end = Math.min(at + each, last);
    let [sum, count, low, high] = [0, 0, Infinity, -Infinity];
    for (let slot = at; slot < end; slot++) {
      if (samples[slot] === 0) continue;
      sum += meanW[slot]!;
      count++;
      low = Math.min(low, lowestW[slot]!);
      high = Math.max(high, highestW[slot]!);
    }
    const timeS = ((at + end) / 2) * slotS;
    columns.push(
      count === 0 ? { timeS, meanW: null, lowestW: null, highestW: null } : { timeS, meanW: sum / count, lowestW: low, highestW: high },
    );
  }
  return { columns };
}
