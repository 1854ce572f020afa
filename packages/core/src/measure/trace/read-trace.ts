import type { NamedSegment } from '../log';
import { levelsOf } from './levels';
import { peaksOf } from './peaks';
import { spansOf } from './sample-boundaries';
import { steadySegments } from './segments';
import { keptSlots } from './slots-view';
import { inSlots, pausesIn, usualStepS } from './trace';
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
/** Slots are no finer than the steps of the quickest quarter of the samples: a logger may write seldom while little is drawn. */
const QUICK = 0.25;
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
  const fine = Math.min(SLOT_S, Math.max(FINEST_S, seconds / FEWEST_SLOTS));
  const slotS = Math.max(fine, usualStepS(trace, QUICK), seconds / MOST_SLOTS);
  const leastS = Math.max(LEAST_SLOTS * slotS, Math.min(LEAST_S, Math.max(SLOT_S, seconds / FEWEST_STRETCHES)));
  const found = steadySegments(inSlots(trace, slotS, pausesIn(trace, usualStepS(trace))), { leastS });
  const spans = spansOf(trace, found);
  const [levels, peaks] = [
    levelsOf(trace, spans),
    peaksOf(
      trace,
      found.map((segment, index) => ({ ...segment, ...spans[index] })),
    ),
  ];
  const segments = found.map(({ meanW, spreadW }, index): NamedSegment => {
    const { peakW, peakMs, peaks: count, startUp } = peaks[index]!;
    return { ...spans[index]!, spreadW, peakW, peakMs, peaks: count, ...(startUp && { startUp }), ...(levels[index] ?? { meanW }) };
  });
  return { slots: keptSlots(trace), segments, seconds };
}
