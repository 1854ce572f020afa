import type { RemarkCode } from './remarks';

/**
 * Watts from a counter of watt-hours: between two rows the rise over the time. A counter that shows whole steps stands for a
 * while: its rise counts from where it last rose. Where it goes back (a reset) nothing is known until the next row.
 *
 * @example [...wattsOfCounter(Float64Array.of(0, 3600, 7200), Float64Array.of(0, 5, 15), () => undefined)] // [5, 10, 10]
 */
export function wattsOfCounter(timeS: Float64Array, energyWh: Float64Array, onBack: (at: number) => void): Float64Array {
  const watts = new Float64Array(timeS.length);
  let from = 0;
  for (let at = 1; at < timeS.length; at++) {
    const rise = energyWh[at]! - energyWh[from]!;
    if (rise < 0) onBack(at);
    const seconds = timeS[at]! - timeS[from]!;
    if (rise === 0 && at < timeS.length - 1) continue;
    watts.fill(rise > 0 && seconds > 0 ? (rise * 3600) / seconds : 0, from, at);
    from = at;
  }
  if (timeS.length > 1) watts[timeS.length - 1] = watts[timeS.length - 2]!;
  return watts;
}

/** What the remarks call a counter that was begun anew. */
export const COUNTER_BACK: RemarkCode = 'counter-back';
