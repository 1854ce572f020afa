/** A meter's recording: seconds from its start, rising, and the watts at each. */
export interface Trace {
  readonly timeS: Float64Array;
  readonly powerW: Float64Array;
}

/** A recording in slots of one length: the mean of each, its lowest and highest, and whether the meter said anything in it. */
export interface Slots {
  readonly slotS: number;
  readonly meanW: Float64Array;
  readonly lowestW: Float64Array;
  readonly highestW: Float64Array;
  /** 0: a gap. */
  readonly samples: Uint32Array;
}

/** More slots than this would be neither seen nor needed. */
const MOST_SLOTS = 2_000_000;
/** Enough of them to know the usual one. */
const MOST_STEPS = 10_000;

/**
 * A recording in equal slots: samples of any spacing, gaps left as gaps. A sample stands until the next one, and a slot's
 * mean is that over its time, not over its rows: some loggers write more often under load. Slots that no sample fell in are
 * taken for full between two samples no further apart than `isPause` says; without it they are gaps.
 * Throws `RangeError` where the slots would be more than two million.
 *
 * @example [...inSlots({ timeS: Float64Array.of(0, 0.8, 3), powerW: Float64Array.of(4, 9, 8) }, 1).meanW] // [5, 0, 0, 8]
 */
export function inSlots(trace: Trace, slotS: number, isPause: (index: number) => boolean = () => true): Slots {
  const { timeS, powerW } = trace;
  const origin = timeS[0] ?? 0;
  const slotOf = (seconds: number): number => Math.floor((seconds - origin) / slotS + 1e-9);
  const count = timeS.length === 0 ? 0 : slotOf(timeS[timeS.length - 1]!) + 1;
  if (count > MOST_SLOTS) throw new RangeError(`slotS: expected a length that makes at most ${MOST_SLOTS} slots, got ${slotS}`);
  const meanW = new Float64Array(count);
  const lowestW = new Float64Array(count);
  const highestW = new Float64Array(count);
  const samples = new Uint32Array(count);
  const standsS = new Float64Array(count);
  const stand = (slot: number, watts: number, seconds: number): void => {
    meanW[slot] = meanW[slot]! + watts * seconds;
    standsS[slot] = standsS[slot]! + seconds;
  };
  for (let index = 0; index < timeS.length; index++) {
    const atS = timeS[index]!;
    const slot = slotOf(atS);
    const watts = powerW[index]!;
    lowestW[slot] = samples[slot] === 0 ? watts : Math.min(lowestW[slot]!, watts);
    highestW[slot] = samples[slot] === 0 ? watts : Math.max(highestW[slot]!, watts);
    samples[slot] = samples[slot]! + 1;
    const endS = origin + (slot + 1) * slotS;
    const nextS = timeS[index + 1] ?? endS;
    // the shortest stand keeps samples of one moment from counting for nothing
    stand(slot, watts, Math.max(1e-9, Math.min(nextS, endS) - atS));
    const next = index + 1 < timeS.length ? slotOf(nextS) : slot;
    if (next === slot) continue;
    const goesOn = !isPause(index + 1);
    if (goesOn)
      for (let between = slot + 1; between < next; between++) {
        lowestW[between] = highestW[between] = watts;
        samples[between] = 1;
        stand(between, watts, slotS);
      }
    if (goesOn || next === slot + 1) stand(next, watts, Math.max(0, nextS - (origin + next * slotS)));
  }
  for (let slot = 0; slot < count; slot++) if (samples[slot]! > 0) meanW[slot] = meanW[slot]! / standsS[slot]!;
  return { slotS, meanW, lowestW, highestW, samples };
}

/** A longer step is a pause, if it is so many usual ones, so many of both beside it, and so many seconds. */
const PAUSE_STEPS = 10;
const PAUSE_BESIDE = 3;
const PAUSE_S = 2;

/**
 * Whether the meter was away before a sample. One that answers late has not been away, nor has a logger that writes
 * seldom while little is drawn: its steps are long beside each other.
 */
export function pausesIn({ timeS }: Trace, stepS: number): (index: number) => boolean {
  const step = (index: number): number => (index > 0 && index < timeS.length ? timeS[index]! - timeS[index - 1]! : 0);
  const mostS = Math.max(PAUSE_STEPS * stepS, PAUSE_S);
  return (index) => {
    const own = step(index);
    return own > mostS + 1e-9 && own > PAUSE_BESIDE * Math.max(step(index - 1), step(index + 1));
  };
}

/**
 * Seconds from one sample to the next: the middle one of them, or that of another `share`; 0 with fewer than two samples.
 *
 * @example usualStepS(trace) // 1
 */
export function usualStepS({ timeS }: Trace, share = 0.5): number {
  const every = Math.max(1, Math.floor(timeS.length / MOST_STEPS));
  const steps: number[] = [];
  for (let index = 1; index < timeS.length; index += every) steps.push(timeS[index]! - timeS[index - 1]!);
  steps.sort((a, b) => a - b);
  return steps[Math.floor(share * steps.length)] ?? 0;
}
