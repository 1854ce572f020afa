import { checkSteps, isOhms, judgeSteps } from '@viaggio/core/bench';
import type { CheckStep, MeterReading } from '@viaggio/core/bench';
import { tellStep } from '@viaggio/core/document';
import { list, number, object, optional, parseQuantity, text } from '@viaggio/core/units';
import { parsePlan } from '../plan/read-plan';
import { validate } from '../validation/validate';
import { tellIssues } from './evaluate';
import { rigIn } from './item-in';
import type { Output } from './solve';

/** Readings as they come in: of a step by its identifier; a number in volts or ohms, or “OL”. */
const readingsShape = list(
  'Readings',
  object('A reading', { step: text('Step', 200), value: number('Value', 'V', { min: -1e6, max: 1e6 }), unit: optional(text('Unit', 10)) }),
  { max: 1000 },
);

/**
 * `viaggio check FILE --rig ID`: the joints of a rig in the order of measuring, one JSON line each; with readings, judged.
 * Returns the exit code.
 */
export function checkText(plan: string, rigId: string, readings: string | undefined, output: Output): number {
  const { out, err } = output;
  const read = parsePlan(plan);
  if (!read.ok) return tellIssues(read.issues, err);
  const rig = rigIn(read.plan, rigId, err);
  if (!rig) return 1;
  const steps = checkSteps(rig.body, new Map(read.plan.gear.map(({ id, body }) => [id, body])));
  const known = readings === undefined ? new Map<string, MeterReading>() : readingsOf(readings, steps, err);
  if (!known) return 1;
  for (const checked of judgeSteps(steps, known)) out(JSON.stringify(tellStep(checked)));
  return 0;
}

function readingsOf(source: string, steps: readonly CheckStep[], err: Output['err']): Map<string, MeterReading> | undefined {
  let received: unknown;
  try {
    received = JSON.parse(source);
  } catch (error) {
    err(`--readings: not JSON: ${(error as Error).message}`);
    return undefined;
  }
  const overs = new Set<number>();
  // “OL” is what meters show, and no number
  const numbers = Array.isArray(received)
    ? received.map((one: unknown, index) => {
        const { value, step } = (one ?? {}) as { value?: unknown; step?: unknown };
        if (value !== 'OL' || typeof step !== 'string') return one;
        overs.add(index);
        return { ...(one as object), value: 0 };
      })
    : received;
  const checked = validate(readingsShape, numbers);
  if (!checked.ok) {
    tellIssues(checked.issues, (line) => err(`--readings: ${line}`));
    return undefined;
  }
  const read = new Map<string, MeterReading>();
  for (const [index, { step: id, value, unit }] of checked.value.entries()) {
    const step = steps.find((one) => one.id === id);
    if (!step) {
      err(`--readings: /${index}/step: expected steps of this rig (${steps.map((one) => one.id).join(', ')}); got “${id.slice(0, 60)}”.`);
      return undefined;
    }
    const reading = overs.has(index) ? 'OL' : inBase(step, value, unit);
    if (reading === undefined) {
      const expected = isOhms(step) ? 'ohms of 0 or more' : 'volts';
      err(`--readings: /${index}/value: expected ${expected}; got “${value} ${unit ?? ''}”.`);
      return undefined;
    }
    // what was measured last counts
    read.set(id, reading);
  }
  return read;
}

/** Volts, or ohms of a lead; a unit that is said is read, and one of another kind is not taken for it. */
function inBase(step: CheckStep, value: number, unit: string | undefined): number | undefined {
  if (isOhms(step) && value < 0) return undefined;
  if (unit === undefined) return value;
  const size = parseQuantity(`${Math.abs(value)} ${unit}`, isOhms(step) ? 'ohm' : 'V');
  return size.ok ? Math.sign(value) * size.value : undefined;
}
