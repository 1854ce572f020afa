import { CAUSE_IDS, CAUSES, chancesOf, FAULT_SURE, FAULT_TESTS, TEST_BEGINNING_MIN, TEST_LEAST_BITS } from '../../tables';
import type { Cause, CauseId, FaultTest, FaultTestId, Symptom } from '../../tables';

/** What was seen when something was tried. */
export interface FaultAnswer {
  readonly test: FaultTestId;
  /** One of the test’s own. */
  readonly answer: string;
}

/** What is known of a rig before anything is tried. */
export interface FaultFacts {
  /** Causes that the rig could have at all. */
  readonly possible: ReadonlySet<CauseId>;
  /** By how much more, or less, likely a cause is because of what is known; 1 where nothing speaks for or against it. */
  readonly times: ReadonlyMap<CauseId, number>;
  /** Tests that can be made with what there is. */
  readonly tests: readonly FaultTestId[];
}

export interface Likely {
  readonly cause: CauseId;
  readonly probability: number;
}

export type Chances = (test: FaultTestId, cause: CauseId) => readonly number[];

/**
 * How likely each cause is after the answers, the likeliest first: Bayes’ rule over the tables of causes and tests, each
 * answer taken by itself. Answers that the tables do not know change nothing. No cause that a rig could have is ever at 0.
 *
 * @example likelihoods('will-not-start', faultFacts({ rig, gear }), [])[0].cause // 'start-threshold'
 */
export function likelihoods(
  symptom: Symptom,
  facts: FaultFacts,
  answers: readonly FaultAnswer[],
  chances: Chances = chancesOf,
): readonly Likely[] {
  const weights = CAUSE_IDS.map((cause): Likely => {
    const { weight }: Cause = CAUSES[cause];
    let probability = facts.possible.has(cause) ? (weight[symptom] ?? 0) * (facts.times.get(cause) ?? 1) : 0;
    for (const { test, answer } of answers) {
      const place = FAULT_TESTS[test].answers.findIndex((one) => one === answer);
      if (place >= 0) probability *= chances(test, cause)[place] ?? 1;
    }
    return { cause, probability };
  }).filter(({ probability }) => probability > 0);
  const all = weights.reduce((sum, { probability }) => sum + probability, 0);
  return weights.map(({ cause, probability }) => ({ cause, probability: probability / all })).sort((a, b) => b.probability - a.probability);
}

/** The tests that are left, those that tell most for their minutes first, with the bits that each tells. */
export function nextTests(
  likely: readonly Likely[],
  facts: FaultFacts,
  answers: readonly FaultAnswer[],
): readonly { readonly test: FaultTestId; readonly bits: number }[] {
  const made = new Set(answers.map(({ test }) => test));
  return facts.tests
    .filter((test) => !made.has(test))
    .map((test) => ({ test, bits: bitsOf(test, likely) }))
    .filter(({ bits }) => bits >= TEST_LEAST_BITS)
    .sort((a, b) => worth(b.test, b.bits) - worth(a.test, a.bits));
}

function worth(test: FaultTestId, bits: number): number {
  return bits / (TEST_BEGINNING_MIN + FAULT_TESTS[test].effortMin);
}

/** Whether it can be acted on, goes on, or needs somebody else. */
export function verdictOfFault(likely: readonly Likely[], hasNext: boolean): 'found' | 'open' | 'help' {
  if ((likely[0]?.probability ?? 0) >= FAULT_SURE) return 'found';
  return hasNext ? 'open' : 'help';
}

/** By how much a test is expected to make the causes surer (Shannon’s information, in bits). */
function bitsOf(test: FaultTestId, likely: readonly Likely[]): number {
  const { answers }: FaultTest = FAULT_TESTS[test];
  return answers.reduce((sum, _answer, place) => {
    const joint = likely.map(({ cause, probability }) => probability * chancesOf(test, cause)[place]!);
    const all = joint.reduce((total, one) => total + one, 0);
    return all <= 0
      ? sum
      : sum + joint.reduce((bits, one, at) => bits + (one > 0 ? one * Math.log2(one / all / likely[at]!.probability) : 0), 0);
  }, 0);
}
