import type { Gear } from '../../gear';
import type { Rig } from '../../rig/drawn';
import { HANDHELD } from '../sheet';
import type { JointReading, SheetEntry, SheetOf } from '../sheet';
import { isOhms, judgeSteps } from './judge';
import type { CheckedStep, MeterReading } from './judge';
import { checkSteps } from './steps';
import type { CheckStep } from './step';

/** Where a rig's check stands. */
export interface CheckStanding {
  /** `none`: never measured; `open`: some steps are not; `stopped`: one says stop; `doubtful`: all measured, not all judged good; `passed`. */
  readonly is: 'none' | 'open' | 'stopped' | 'doubtful' | 'passed';
  readonly steps: readonly CheckedStep[];
  readonly done: number;
  /** Steps whose reading no longer counts, because the rig has changed. */
  readonly reopened: readonly string[];
  /** The step to measure next: the one that says stop, or the first that is open. */
  readonly nextId: string | undefined;
}

/**
 * How a sheet stands against the rig as it is now: each reading is held against what was expected when it was taken; where
 * what a step rests on has changed, it is to be measured again.
 *
 * @example standingOf(rig, gear, undefined).is // 'none'
 */
export function standingOf(rig: Rig, gear: ReadonlyMap<string, Gear>, sheet: SheetOf<'joints'> | undefined): CheckStanding {
  const now = checkSteps(rig, gear, sheet?.meter ?? HANDHELD);
  const last = new Map((sheet?.readings ?? []).map((reading) => [reading.step, reading]));
  const reopened: string[] = [];
  const readings = new Map<string, MeterReading>();
  const steps = now.map((step): CheckStep => {
    const kept = last.get(step.id);
    if (!kept) return step;
    if (kept.facts !== step.facts) {
      reopened.push(step.id);
      return step;
    }
    const reading = readingOf(step, kept);
    if (reading === undefined) return step;
    readings.set(step.id, reading);
    return { ...step, minV: kept.minV, maxV: kept.maxV, maxOhm: kept.maxOhm };
  });
  const checked = judgeSteps(steps, readings);
  const done = checked.filter(({ judged, closed }) => judged && !closed).length;
  const stop = checked.find(({ judged }) => judged?.verdict === 'stop');
  const open = checked.find(({ judged, closed }) => !judged && !closed);
  return {
    is: standing(checked, sheet !== undefined && sheet.readings.length > 0, done),
    steps: checked,
    done,
    reopened,
    nextId: (stop ?? open)?.step.id,
  };
}

function standing(checked: readonly CheckedStep[], isBegun: boolean, done: number): CheckStanding['is'] {
  if (!isBegun || checked.length === 0) return 'none';
  if (checked.some(({ judged }) => judged?.verdict === 'stop')) return 'stopped';
  if (done < checked.length) return 'open';
  return checked.every(({ judged }) => judged?.verdict === 'good') ? 'passed' : 'doubtful';
}

function readingOf(step: CheckStep, { volts, ohms, over }: JointReading): MeterReading | undefined {
  return over ? 'OL' : isOhms(step) ? ohms : volts;
}

/**
 * The sheet with one reading more, in the place of an older one of the same step; undefined takes it out.
 *
 * @example withReading({ kind: 'joints', rigId: 'r', at: '2026-01-12T08:00', readings: [] }, checkSteps(rig, gear)[0], 'OL').readings.length // 1
 */
export function withReading(sheet: SheetOf<'joints'>, step: CheckStep, reading: MeterReading | undefined): SheetOf<'joints'> {
  const others = sheet.readings.filter((one) => one.step !== step.id);
  if (reading === undefined) return { ...sheet, readings: others };
  const { id, minV, maxV, maxOhm, facts } = step;
  const read: JointReading = {
    step: id,
    facts,
    ...(reading === 'OL' ? { over: true } : isOhms(step) ? { ohms: reading } : { volts: reading }),
    ...(minV !== undefined && { minV }),
    ...(maxV !== undefined && { maxV }),
    ...(maxOhm !== undefined && { maxOhm }),
  };
  return { ...sheet, readings: [...others, read] };
}

/**
 * The newest sheet of a rig; undefined where nothing of it was measured.
 *
 * @example sheetOfRig([{ body: { kind: 'joints', rigId: 'r' } }], 'r').body.rigId // 'r'
 */
export function sheetOfRig<E extends Pick<SheetEntry, 'body'>>(sheets: Iterable<E>, rigId: string): E | undefined {
  let newest: E | undefined;
  for (const one of sheets)
    if (one.body.kind === 'joints' && one.body.rigId === rigId && (!newest || one.body.at >= newest.body.at)) newest = one;
  return newest;
}
