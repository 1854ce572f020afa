import { DAY_S } from '../../quantity';
import type { MeterColumns } from '../log';
import { usualStepS } from '../trace';
import type { RemarkCode } from './remarks';

/** Rows as they were read: seconds as they stand in the file, and the line of each. */
export interface RawRows {
  readonly timeS: Float64Array;
  readonly values: Float64Array;
  readonly lines: Float64Array;
}

/** A pause of more than so many usual steps is a gap. */
const GAP_STEPS = 20;
/** Further from both beside it than so many usual steps, and than so many seconds, one time alone is wild. */
const WILD_STEPS = 100;
const WILD_S = 60;
/** A clock without a date that goes back by so much has passed midnight. */
const MIDNIGHT_S = 0.5 * DAY_S;

/**
 * Rows with times that rise: turned round where the newest came first, past midnight, without single wild times, and going
 * on one usual step later where the clock was set back, or jumped by days. Rows of one moment are spread until the next.
 * Gaps stay gaps. `remark` is told of each, by its line.
 *
 * Cost: some passes over the rows, in place.
 */
export function straightened(
  raw: RawRows,
  { timeForm, jumpsKept }: Pick<MeterColumns, 'timeForm' | 'jumpsKept'>,
  remark: (code: RemarkCode, line: number) => void,
): Omit<RawRows, 'lines'> {
  const { timeS, values, lines } = raw;
  if (isNewestFirst(timeS)) {
    for (const each of [timeS, values, lines]) each.reverse();
    remark('newest-first', lines[lines.length - 1]!);
  }
  if (timeForm === 'clock' || timeForm === 'clock-hours') pastMidnight(timeS);
  const usualS = usualStepS({ timeS: positiveOnly(timeS), powerW: values });
  const kept = withoutWild(raw, usualS, remark);
  const [times, rest] = [timeS.subarray(0, kept), values.subarray(0, kept)];
  onwards(times, lines, usualS, jumpsKept === true, remark);
  spread(times);
  return { timeS: times.slice(), values: rest.slice() };
}

function isNewestFirst(timeS: Float64Array): boolean {
  let falling = 0;
  let rising = 0;
  for (let at = 1; at < timeS.length; at++) {
    if (timeS[at]! < timeS[at - 1]!) falling++;
    else if (timeS[at]! > timeS[at - 1]!) rising++;
  }
  return falling > 1 && falling > rising;
}

function pastMidnight(timeS: Float64Array): void {
  let days = 0;
  let before = timeS[0]!;
  for (let at = 1; at < timeS.length; at++) {
    const clock = timeS[at]!;
    if (before - clock > MIDNIGHT_S) days++;
    before = clock;
    timeS[at] = clock + days * DAY_S;
  }
}

/** Steps of a clock that was set back say nothing of how often the meter writes. */
function positiveOnly(timeS: Float64Array): Float64Array {
  const every = Math.max(1, Math.floor(timeS.length / 20_000));
  const steps: number[] = [0];
  for (let at = 1; at < timeS.length; at += every) {
    const step = timeS[at]! - timeS[at - 1]!;
    if (step > 0) steps.push(steps.at(-1)! + step);
  }
  return Float64Array.from(steps);
}

/** Moves what is kept to the front; how many there are. */
function withoutWild({ timeS, values, lines }: RawRows, usualS: number, remark: (code: RemarkCode, line: number) => void): number {
  const far = Math.max(WILD_S, WILD_STEPS * usualS);
  const near = Math.max(GAP_STEPS * usualS, 1);
  let kept = 0;
  for (let at = 0; at < timeS.length; at++) {
    const here = timeS[at]!;
    const before = kept > 0 ? timeS[kept - 1]! : undefined;
    const after = timeS[at + 1];
    // those beside it belong together, or it stands at an end before a day that is not its own
    const isWild =
      before !== undefined && after !== undefined
        ? after >= before && after - before <= near && (here < before || here - after > far)
        : timeS.length > 2 && Math.abs(here - (before ?? after ?? here)) > Math.max(far, DAY_S);
    if (isWild) remark('wild-time', lines[at]!);
    else {
      timeS[kept] = here;
      values[kept] = values[at]!;
      lines[kept++] = lines[at]!;
    }
  }
  return kept;
}

function onwards(
  timeS: Float64Array,
  lines: Float64Array,
  usualS: number,
  jumpsKept: boolean,
  remark: (code: RemarkCode, line: number) => void,
): void {
  let offsetS = 0;
  for (let at = 1; at < timeS.length; at++) {
    const lastS = timeS[at - 1]!;
    const written = timeS[at]!;
    const step = written + offsetS - lastS;
    if (step < 0) {
      remark('clock-back', lines[at]!);
      offsetS += usualS - step;
    } else if (step > DAY_S && step > WILD_STEPS * usualS) {
      remark('clock-jump', lines[at]!);
      if (!jumpsKept) offsetS += usualS - step;
    } else if (usualS > 0 && step > GAP_STEPS * usualS) remark('gap', lines[at]!);
    // the sum may round to a hair before it
    timeS[at] = Math.max(lastS, written + offsetS);
  }
}

/** A clock of whole seconds, several rows in each. */
function spread(timeS: Float64Array): void {
  let from = 0;
  let lastS = 0;
  while (from < timeS.length) {
    const here = timeS[from]!;
    let to = from + 1;
    while (to < timeS.length && timeS[to] === here) to++;
    const count = to - from;
    const room = to < timeS.length ? timeS[to]! - here : lastS;
    // before a gap they came as quickly as before
    const step = lastS > 0 ? Math.min(room, 2 * lastS) : room;
    if (count > 1) for (let at = from + 1; at < to; at++) timeS[at] = here + (step * (at - from)) / count;
    if (to < timeS.length) lastS = lastS > 0 ? Math.min(room, 2 * lastS) : room;
    from = to;
  }
}
