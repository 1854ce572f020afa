import { worstVerdict } from '../../findings';
import type { Verdict } from '../../findings';
import { choice, number, object, optional } from '../../shape';
import type { Infer } from '../../shape';
import { COMFORTABLE_SHARE, DROPOUT_V, HOT_REGULATOR_W } from '../../tables';
import { figures } from './sized';
import type { Sized } from './sized';

export const converterQuestion = object('A converter', {
  kind: choice('Kind', { linear: 'linear regulator', 'step-down': 'step-down converter', 'step-up': 'step-up converter' }),
  packFullV: number('Pack, full', 'V', { above: 0, max: 100 }),
  packEmptyV: number('Pack, empty', 'V', { above: 0, max: 100 }),
  outputV: number('Output', 'V', { above: 0, max: 100 }),
  loadW: number('Load', 'W', { above: 0, max: 2000 }),
  efficiency: optional(number('Efficiency', 'fraction', { above: 0, max: 1 })),
  dropoutV: optional(number('Dropout', 'V', { min: 0, max: 20 })),
  maxInputV: optional(number('Highest input', 'V', { above: 0, max: 200 })),
  maxOutputA: optional(number('Most output current', 'A', { above: 0, max: 100 })),
});
export type ConverterQuestion = Infer<typeof converterQuestion>;

export interface ConverterSize {
  /** The highest, at the lowest input at which it still holds its output. */
  readonly inputA: number;
  /** The highest. */
  readonly heatW: number;
  readonly verdict: Verdict;
  readonly reasons: readonly string[];
}

const USUAL_EFFICIENCY = 0.9;
interface Judged {
  readonly verdict: Verdict;
  readonly reason: string;
}

/**
 * What a converter takes, how hot it gets and whether it goes with the pack, over the whole of its discharge. A figure of its
 * sheet that was not entered is never taken for good. Impossible: a pack that is emptier full than empty.
 *
 * @example sizeConverter({ kind: 'linear', packFullV: 16.8, packEmptyV: 12, outputV: 8, loadW: 8 }) // { inputA: 1, heatW: 8.8, … }
 */
export function sizeConverter(question: ConverterQuestion): Sized<ConverterSize> {
  const { kind, packFullV, packEmptyV, outputV, loadW } = question;
  if (packEmptyV > packFullV)
    return { error: `An empty pack of ${figures(packEmptyV)} V above a full one of ${figures(packFullV)} V.`, path: '/packEmptyV' };
  const efficiency = question.efficiency ?? USUAL_EFFICIENCY;
  const outputA = loadW / outputV;
  const dropoutV = question.dropoutV ?? DROPOUT_V[kind][1];
  const lowestV = kind === 'step-up' ? packEmptyV : Math.max(packEmptyV, Math.min(packFullV, outputV + dropoutV));
  const isLinear = kind === 'linear';
  const inputA = isLinear ? outputA : loadW / efficiency / lowestV;
  const heatW = isLinear ? Math.max(0, packFullV - outputV) * outputA : loadW * (1 / efficiency - 1);
  const judged = [...voltsOf(question), ...ampsOf(question, outputA), ...heatOf(question, heatW)];
  return {
    inputA,
    heatW,
    verdict: worstVerdict(judged.map(({ verdict }) => verdict)),
    reasons: judged.map(({ reason }) => reason),
    formula: isLinear
      ? `${figures(loadW)} W ÷ ${figures(outputV)} V = ${figures(inputA)} A in and out; (${figures(packFullV)} − ${figures(outputV)}) V × ${figures(outputA)} A = ${figures(heatW)} W of heat`
      : `${figures(loadW)} W ÷ ${figures(efficiency)} ÷ ${figures(lowestV)} V = ${figures(inputA)} A; ${figures(loadW)} W × (1 ÷ ${figures(efficiency)} − 1) = ${figures(heatW)} W of heat`,
    warnings: [
      ...(!isLinear && question.efficiency === undefined ? [`No efficiency was said: ${100 * USUAL_EFFICIENCY} % is taken.`] : []),
      'Its contacts as its data sheet says: parts of one look differ.',
      'Set it before the camera is attached: meter, a dummy load, lock the setting, label it, measure again.',
      'A charger on the pack may lift the input above a full pack.',
    ],
  };
}

function voltsOf({ kind, packFullV, packEmptyV, outputV, dropoutV, maxInputV }: ConverterQuestion): readonly Judged[] {
  const input: Judged =
    maxInputV === undefined
      ? { verdict: 'unknown', reason: `Its highest input is not entered; a full pack gives ${figures(packFullV)} V.` }
      : packFullV > maxInputV
        ? { verdict: 'stop', reason: `A full pack gives ${figures(packFullV)} V; it bears ${figures(maxInputV)} V.` }
        : { verdict: 'good', reason: `A full pack of ${figures(packFullV)} V stays within ${figures(maxInputV)} V.` };
  return [input, kind === 'step-up' ? stepUp(packFullV, outputV) : stepDown(kind, packFullV, packEmptyV, outputV, dropoutV)];
}

/** Below its setting a step-up lifts; above it the pack comes straight through. */
function stepUp(packFullV: number, outputV: number): Judged {
  return packFullV > outputV
    ? { verdict: 'stop', reason: `A full pack of ${figures(packFullV)} V comes through a step-up that is set to ${figures(outputV)} V.` }
    : { verdict: 'good', reason: `It lifts at most ${figures(packFullV)} V to ${figures(outputV)} V.` };
}

function stepDown(
  kind: 'linear' | 'step-down',
  packFullV: number,
  packEmptyV: number,
  outputV: number,
  dropoutV: number | undefined,
): Judged {
  const [leastV, mostV] = dropoutV === undefined ? DROPOUT_V[kind] : [dropoutV, dropoutV];
  const needs = (extraV: number): number => outputV + extraV;
  if (packFullV < needs(leastV))
    return {
      verdict: 'stop',
      reason: `It needs ${figures(needs(leastV))} V to hold ${figures(outputV)} V; a full pack gives ${figures(packFullV)} V.`,
    };
  if (packEmptyV < needs(leastV))
    return {
      verdict: 'caution',
      reason: `Below ${figures(needs(leastV))} V it holds ${figures(outputV)} V no longer; the pack is empty at ${figures(packEmptyV)} V.`,
    };
  if (packEmptyV < needs(mostV))
    return {
      verdict: 'unknown',
      reason: `Its dropout is not entered: of ${figures(leastV)} to ${figures(mostV)} V, and an empty pack is ${figures(packEmptyV - outputV)} V above its output.`,
    };
  return { verdict: 'good', reason: `An empty pack of ${figures(packEmptyV)} V still holds ${figures(outputV)} V.` };
}

function ampsOf({ maxOutputA }: ConverterQuestion, outputA: number): readonly Judged[] {
  if (maxOutputA === undefined)
    return [{ verdict: 'unknown', reason: `What it may give is not entered; the load takes ${figures(outputA)} A.` }];
  if (outputA > maxOutputA)
    return [{ verdict: 'stop', reason: `The load takes ${figures(outputA)} A; it may give ${figures(maxOutputA)} A.` }];
  if (outputA > COMFORTABLE_SHARE * maxOutputA)
    return [{ verdict: 'caution', reason: `The load takes ${figures(outputA)} A of ${figures(maxOutputA)} A: less than a fifth is left.` }];
  return [{ verdict: 'good', reason: `The load takes ${figures(outputA)} A of ${figures(maxOutputA)} A.` }];
}

function heatOf({ kind }: ConverterQuestion, heatW: number): readonly Judged[] {
  if (kind !== 'linear' || heatW <= HOT_REGULATOR_W) return [];
  return [{ verdict: 'caution', reason: `${figures(heatW)} W of heat: it needs a heat sink, or better a switching converter.` }];
}
