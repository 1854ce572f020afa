import type { NamedSegment } from '../log';
import { peaksOf } from './peaks';
import { steadySegments } from './segments';
import { keptSlots } from './slots-view';
import { bridged, inSlots, usualStepS } from './trace';
import type { Slots, Trace } from './trace';

/** What is kept of a recording. */
export interface TraceReading {
  readonly slots: Slots;
  readonly segments: readonly NamedSegment[];
  readonly seconds: number;
}

/** Segments are looked for in slots of a second; in a short recording in finer ones, in a long one in coarser. */
const SLOT_S = 1;
const FEWEST_SLOTS = 300;
const FINEST_S = 0.1;
const MOST_SLOTS = 500_000;
/** A longer pause is a gap: so many usual steps, or so many seconds where the steps are short. */
const PAUSE_STEPS = 10;
const PAUSE_S = 2;
/** Shorter is no mode; in a recording of a minute two seconds are one. */
const LEAST_S = 8;
const FEWEST_STRETCHES = 30;
/** Nor is a single slot: it may hold a bit of what is before it and a bit of what is after. */
const LEAST_SLOTS = 2;

/**
 * A recording as it is kept: its slots, and its steady segments with their peaks.
 *
 * Cost: about 0.3 µs a sample and 2 µs a second of it. Throws as `inSlots`.
 *
 * @example readTrace(trace).segments.length // 3
 */
export function readTrace(trace: Trace): TraceReading {
  const { timeS } = trace;
  const seconds = timeS.length === 0 ? 0 : timeS[timeS.length - 1]! - timeS[0]!;
  const stepS = usualStepS(trace);
  const fine = Math.min(SLOT_S, Math.max(FINEST_S, seconds / FEWEST_SLOTS));
  const slotS = Math.max(fine, stepS, seconds / MOST_SLOTS);
  const leastS = Math.max(LEAST_SLOTS * slotS, Math.min(LEAST_S, Math.max(SLOT_S, seconds / FEWEST_STRETCHES)));
  const slots = bridged(inSlots(trace, slotS), trace, Math.max(PAUSE_STEPS * stepS, PAUSE_S));
  const found = steadySegments(slots, { leastS });
  const peaks = peaksOf(trace, found);
  const segments = found.map(({ fromS, toS, meanW, spreadW }, index): NamedSegment => {
    const { peakW, peakMs, peaks: count, startUp } = peaks[index]!;
    return { fromS, toS, meanW, spreadW, peakW, peakMs, peaks: count, ...(startUp && { startUp }) };
  });
  return { slots: keptSlots(trace), segments, seconds };
}
