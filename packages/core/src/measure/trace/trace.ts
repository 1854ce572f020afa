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
 * A recording in equal slots: samples of any spacing, gaps left as gaps. The mean of a slot is that of its samples.
 * Throws `RangeError` where the slots would be more than two million.
 *
 * @example [...inSlots({ timeS: Float64Array.of(0, 0.5, 3), powerW: Float64Array.of(4, 6, 8) }, 1).meanW] // [5, 0, 0, 8]
 */
export function inSlots({ timeS, powerW }: Trace, slotS: number): Slots {
  const count = timeS.length === 0 ? 0 : Math.floor((timeS[timeS.length - 1]! - timeS[0]!) / slotS + 1e-9) + 1;
  if (count > MOST_SLOTS) throw new RangeError(`slotS: expected a length that makes at most ${MOST_SLOTS} slots, got ${slotS}`);
  const meanW = new Float64Array(count);
  const lowestW = new Float64Array(count);
  const highestW = new Float64Array(count);
  const samples = new Uint32Array(count);
  for (let index = 0; index < timeS.length; index++) {
    const slot = Math.min(count - 1, Math.floor((timeS[index]! - timeS[0]!) / slotS + 1e-9));
    const watts = powerW[index]!;
    meanW[slot] = meanW[slot]! + watts;
    lowestW[slot] = samples[slot] === 0 ? watts : Math.min(lowestW[slot]!, watts);
    highestW[slot] = samples[slot] === 0 ? watts : Math.max(highestW[slot]!, watts);
    samples[slot] = samples[slot]! + 1;
  }
  for (let slot = 0; slot < count; slot++) if (samples[slot]! > 0) meanW[slot] = meanW[slot]! / samples[slot]!;
  return { slotS, meanW, lowestW, highestW, samples };
}

/**
 * The slots of a recording with short pauses bridged: empty ones between two samples that together last no longer than
 * `mostS` hold the sample before them, as one. A meter that answers late has not been away. (The sample, not the slot: that
 * may hold a bit of the mode before.)
 *
 * @example [...bridged(inSlots(sparse, 1), sparse, 5).meanW] // [5, 6, 6, 8]
 */
export function bridged(slots: Slots, { timeS, powerW }: Trace, mostS: number): Slots {
  const samples = slots.samples.slice();
  const [meanW, lowestW, highestW] = [slots.meanW.slice(), slots.lowestW.slice(), slots.highestW.slice()];
  let before = 0;
  for (let index = 1; index < timeS.length; index++) {
    const slot = Math.min(samples.length - 1, Math.floor((timeS[index]! - timeS[0]!) / slots.slotS + 1e-9));
    if (slot - before > 1 && (slot - before - 1) * slots.slotS <= mostS) {
      for (const values of [meanW, lowestW, highestW]) values.fill(powerW[index - 1]!, before + 1, slot);
      samples.fill(1, before + 1, slot);
    }
    before = slot;
  }
  return { slotS: slots.slotS, meanW, lowestW, highestW, samples };
}

/** Seconds from one sample to the next: the middle one of them; 0 with fewer than two samples. */
export function usualStepS({ timeS }: Trace): number {
  const every = Math.max(1, Math.floor(timeS.length / MOST_STEPS));
  const steps: number[] = [];
  for (let index = 1; index < timeS.length; index += every) steps.push(timeS[index]! - timeS[index - 1]!);
  steps.sort((a, b) => a - b);
  return steps[steps.length >> 1] ?? 0;
}
