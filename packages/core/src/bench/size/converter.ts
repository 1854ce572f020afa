import { worstVerdict } from '../../findings';
import type { Verdict } from '../../findings';
import { said } from '../../said';
import { choice, number, object, optional } from '../../shape';
import type { Infer } from '../../shape';
import { ASSUMED, COMFORTABLE_SHARE, DROPOUT_V, HOT_REGULATOR_W } from '../../tables';
import type { SizeSaid } from './says';
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
  readonly reasons: readonly SizeSaid[];
}

interface Judged {
  readonly verdict: Verdict;
  readonly reason: SizeSaid;
}

/**
 * What a converter takes, how hot it gets and whether it goes with the pack, over the whole of its discharge. A figure of its
 * sheet that was not entered is never taken for good. Impossible: a pack that is emptier full than empty.
 *
 * @example sizeConverter({ kind: 'linear', packFullV: 16.8, packEmptyV: 12, outputV: 8, loadW: 8 }) // { inputA: 1, heatW: 8.8, … }
 */
export function sizeConverter(question: ConverterQuestion): Sized<ConverterSize> {
  const { kind, packFullV, packEmptyV, outputV, loadW } = question;
  if (packEmptyV > packFullV) return { error: said('empty-above-full', { packEmptyV, packFullV }), path: '/packEmptyV' };
  const efficiency = question.efficiency ?? ASSUMED.converterEfficiency.typical;
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
      ? said('linear-formula', { loadW, outputV, inputA, packFullV, outputA, heatW })
      : said('converter-formula', { loadW, efficiency, lowestV, inputA, heatW }),
    warnings: [
      ...(!isLinear && question.efficiency === undefined ? [said('efficiency-assumed')] : []),
      said('contacts-by-sheet'),
      said('set-before'),
      said('charger-lifts'),
    ],
  };
}

function voltsOf({ kind, packFullV, packEmptyV, outputV, dropoutV, maxInputV }: ConverterQuestion): readonly Judged[] {
  const input: Judged =
    maxInputV === undefined
      ? { verdict: 'unknown', reason: said('input-not-entered', { packFullV }) }
      : packFullV > maxInputV
        ? { verdict: 'stop', reason: said('input-passed', { packFullV, maxInputV }) }
        : { verdict: 'good', reason: said('input-within', { packFullV, maxInputV }) };
  return [input, kind === 'step-up' ? stepUp(packFullV, outputV) : stepDown(kind, packFullV, packEmptyV, outputV, dropoutV)];
}

/** Below its setting a step-up lifts; above it the pack comes straight through. */
function stepUp(packFullV: number, outputV: number): Judged {
  return packFullV > outputV
    ? { verdict: 'stop', reason: said('step-up-passed', { packFullV, outputV }) }
    : { verdict: 'good', reason: said('step-up-lifts', { packFullV, outputV }) };
}

function stepDown(
  kind: 'linear' | 'step-down',
  packFullV: number,
  packEmptyV: number,
  outputV: number,
  dropoutV: number | undefined,
): Judged {
  const [leastV, mostV] = dropoutV === undefined ? DROPOUT_V[kind] : [dropoutV, dropoutV];
  const neededV = outputV + leastV;
  if (packFullV < neededV)
    return {
      verdict: 'stop',
      reason: said('cannot-hold', { neededV, outputV, packFullV }),
    };
  if (packEmptyV < neededV)
    return {
      verdict: 'caution',
      reason: said('holds-no-longer', { neededV, outputV, packEmptyV }),
    };
  if (packEmptyV < outputV + mostV)
    return {
      verdict: 'unknown',
      reason: said('dropout-not-entered', { leastV, mostV, packEmptyV, outputV }),
    };
  return { verdict: 'good', reason: said('still-holds', { packEmptyV, outputV }) };
}

function ampsOf({ maxOutputA }: ConverterQuestion, outputA: number): readonly Judged[] {
  if (maxOutputA === undefined) return [{ verdict: 'unknown', reason: said('output-not-entered', { outputA }) }];
  if (outputA > maxOutputA) return [{ verdict: 'stop', reason: said('output-passed', { outputA, maxOutputA }) }];
  if (outputA > COMFORTABLE_SHARE * maxOutputA) return [{ verdict: 'caution', reason: said('output-near', { outputA, maxOutputA }) }];
  return [{ verdict: 'good', reason: said('output-within', { outputA, maxOutputA }) }];
}

function heatOf({ kind }: ConverterQuestion, heatW: number): readonly Judged[] {
  if (kind !== 'linear' || heatW <= HOT_REGULATOR_W) return [];
  return [{ verdict: 'caution', reason: said('regulator-hot', { heatW }) }];
}
