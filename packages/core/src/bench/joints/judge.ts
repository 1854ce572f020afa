import type { Verdict } from '../../findings';
import { isAbove, JOIN_TOLD_SHARE, NOTHING_SHARE, SHORT_TIMES } from '../../tables';
import type { CheckStep } from './step';

/** What a meter showed: a figure, or that it was over its range: an open circuit, where ohms are measured. */
export type MeterReading = number | 'OL';

export type ReadingCode =
  | 'as-expected'
  | 'reversed'
  | 'nothing-there'
  | 'too-high'
  | 'too-low'
  | 'near-limit'
  | 'high-later'
  | 'not-as-expected'
  | 'broken'
  | 'high-ohm'
  | 'short'
  | 'not-known'
  | 'flows-on-joining'
  | 'too-far-apart';

export interface Judged {
  readonly verdict: Verdict;
  readonly code: ReadingCode;
}

/** A step, what was read at it and what follows; `closed`: a step before it said stop. */
export interface CheckedStep {
  readonly step: CheckStep;
  readonly reading?: MeterReading;
  readonly judged?: Judged;
  readonly closed: boolean;
}

/** Rounding of a product of cells and volts. */
const EQUAL = 1e-9;
/** Whether a step is measured in ohms, with no power on it. */
export const isOhms = ({ is }: Pick<CheckStep, 'is'>): boolean => is === 'lead' || is === 'across';

/**
 * What one reading says. Never good where the next part's highest voltage is passed, or is not known; never good reversed.
 *
 * @example judgeReading(checkSteps(rig, gear)[1], -8.1) // { verdict: 'stop', code: 'reversed' }
 */
export function judgeReading(step: CheckStep, reading: MeterReading): Judged {
  if (step.is === 'across') return judgeAcross(step, reading);
  if (step.is === 'apart') return judgeApart(step, reading);
  return step.is === 'lead' ? judgeOhms(step, reading) : judgeVolts(step, reading);
}

function judgeOhms({ maxOhm }: CheckStep, reading: MeterReading): Judged {
  if (reading === 'OL') return { verdict: 'stop', code: 'broken' };
  if (maxOhm === undefined) return { verdict: 'unknown', code: 'not-known' };
  return reading <= maxOhm ? { verdict: 'good', code: 'as-expected' } : { verdict: 'caution', code: 'high-ohm' };
}

function judgeAcross({ maxOhm = 1 }: CheckStep, reading: MeterReading): Judged {
  if (reading === 'OL') return { verdict: 'good', code: 'as-expected' };
  return reading <= SHORT_TIMES * maxOhm ? { verdict: 'stop', code: 'short' } : { verdict: 'caution', code: 'not-as-expected' };
}

/** Volts between two batteries: what flows when they are joined goes by them, whichever is the fuller. */
function judgeApart({ maxV }: CheckStep, reading: MeterReading): Judged {
  if (maxV === undefined) return { verdict: 'unknown', code: 'not-known' };
  if (reading === 'OL' || isAbove(Math.abs(reading), maxV)) return { verdict: 'stop', code: 'too-far-apart' };
  return Math.abs(reading) > JOIN_TOLD_SHARE * maxV
    ? { verdict: 'caution', code: 'flows-on-joining' }
    : { verdict: 'good', code: 'as-expected' };
}

function judgeVolts({ minV, maxV, next, highV, meter }: CheckStep, reading: MeterReading): Judged {
  // over the range of the meter is over everything that hangs on it
  if (reading === 'OL') return { verdict: 'stop', code: 'too-high' };
  const nothingV = NOTHING_SHARE * (minV ?? next.minV ?? 1);
  if (Math.abs(reading) <= nothingV) return { verdict: 'stop', code: 'nothing-there' };
  if (reading < 0) return { verdict: 'stop', code: 'reversed' };
  if (next.maxV !== undefined && reading > next.maxV) return { verdict: 'stop', code: 'too-high' };
  if (next.minV !== undefined && reading < next.minV) return { verdict: 'stop', code: 'too-low' };
  if (next.maxV === undefined || next.minV === undefined || minV === undefined || maxV === undefined)
    return { verdict: 'unknown', code: 'not-known' };
  if (reading < minV || reading > maxV) return { verdict: 'caution', code: 'not-as-expected' };
  // sound now, on a battery that is not full: it will not stay so
  if (highV !== undefined && highV > next.maxV * (1 + EQUAL)) return { verdict: 'caution', code: 'high-later' };
  // what is too little does no harm; what is too much does, and the meter may be off
  return reading + meter.share * reading + meter.volts > next.maxV
    ? { verdict: 'caution', code: 'near-limit' }
    : { verdict: 'good', code: 'as-expected' };
}

/**
 * Every step with its reading judged; behind a stop nothing is judged until that is measured again.
 *
 * @example judgeSteps(checkSteps(rig, gear), new Map([[checkSteps(rig, gear)[0].id, 'OL']]))[0].judged?.code // 'too-high'
 */
export function judgeSteps(steps: readonly CheckStep[], readings: ReadonlyMap<string, MeterReading>): readonly CheckedStep[] {
  const stopped = new Set<string>();
  return steps.map((step): CheckedStep => {
    const closed = step.after.some((id) => stopped.has(id));
    const reading = readings.get(step.id);
    if (closed || reading === undefined) return { step, closed, ...(reading !== undefined && { reading }) };
    const judged = judgeReading(step, reading);
    if (judged.verdict === 'stop') stopped.add(step.id);
    return { step, reading, judged, closed };
  });
}
