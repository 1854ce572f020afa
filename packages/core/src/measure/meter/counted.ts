/**
 * Watts from a counter of watt-hours: between two rows the rise over the time. A counter that shows whole steps stands for a
 * while: its rise counts from where it last rose; where it stands at the end, for no longer than before, it goes on so.
 * Where it goes back (a reset) nothing is known until the next row: NaN.
 *
 * @example [...wattsOfCounter(Float64Array.of(0, 3600, 7200), Float64Array.of(0, 5, 15), () => undefined)] // [5, 10, 10]
 */
export function wattsOfCounter(timeS: Float64Array, energyWh: Float64Array, onBack: (at: number) => void): Float64Array {
  const watts = new Float64Array(timeS.length);
  const last = timeS.length - 1;
  let from = 0;
  let before = { watts: 0, seconds: 0 };
  for (let at = 1; at <= last; at++) {
    const rise = energyWh[at]! - energyWh[from]!;
    if (rise === 0 && at < last) continue;
    const seconds = timeS[at]! - timeS[from]!;
    if (rise < 0) {
      onBack(at);
      watts.fill(Number.NaN, from, at);
    } else {
      const stands = rise === 0 && seconds <= before.seconds;
      const here = stands ? before.watts : seconds > 0 ? (rise * 3600) / seconds : Number.NaN;
      watts.fill(here, from, at);
      before = { watts: here, seconds };
    }
    from = at;
  }
  if (last > 0) watts[last] = watts[last - 1]!;
  return watts;
}
