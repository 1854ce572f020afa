import {
  CAUSE_IDS,
  CAUSES,
  chancesOf,
  FAULT_PROVEN,
  FAULT_SURE,
  FAULT_TESTS,
  RARE_CAUSE,
  RISKS_REVERSED,
  TEST_BEGINNING_MIN,
  TEST_LEAST_BITS,
} from '../../tables';
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
 * `evenly`: as if every cause were as frequent as another, so that only what was seen counts.
 *
 * @example likelihoods('will-not-start', faultFacts({ rig, gear }), [])[0].cause // 'start-threshold'
 */
export function likelihoods(
  symptom: Symptom,
  facts: FaultFacts,
  answers: readonly FaultAnswer[],
  chances: Chances = chancesOf,
  evenly = false,
): readonly Likely[] {
  // the same try twice is one try: what was seen last counts
  const given = new Map(answers.map(({ test, answer }) => [test, answer]));
  const weights = CAUSE_IDS.map((cause): Likely => {
    const { weight }: Cause = CAUSES[cause];
    let probability = facts.possible.has(cause) ? (evenly ? 1 : (weight[symptom] ?? RARE_CAUSE)) * (facts.times.get(cause) ?? 1) : 0;
    for (const [test, answer] of given) {
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
  const reversed = likely.find(({ cause }) => cause === 'reversed')?.probability ?? 0;
  // risk before information: polarity is measured before anything is powered again
  const isFirst = (test: FaultTestId): boolean => test === 'end-volts' && reversed >= RISKS_REVERSED;
  return facts.tests
    .filter((test) => !made.has(test))
    .map((test) => ({ test, bits: bitsOf(test, likely) }))
    .filter(({ bits }) => bits >= TEST_LEAST_BITS)
    .sort((a, b) => Number(isFirst(b.test)) - Number(isFirst(a.test)) || worth(b.test, b.bits) - worth(a.test, a.bits));
}

function worth(test: FaultTestId, bits: number): number {
  return bits / (TEST_BEGINNING_MIN + FAULT_TESTS[test].effortMin);
}

export interface Diagnosis {
  readonly likely: readonly Likely[];
  /** `found`: it can be acted on; `open`: try on; `help`: it needs somebody else. */
  readonly is: 'found' | 'open' | 'help';
  readonly tests: readonly { readonly test: FaultTestId; readonly bits: number }[];
}

/**
 * Where a search stands. A cause is found where it is sure, and would be so if every cause were as frequent as another: that
 * something is often behind a symptom is where to look first, and no proof.
 */
export function diagnose(symptom: Symptom, facts: FaultFacts, answers: readonly FaultAnswer[], chances: Chances = chancesOf): Diagnosis {
  const likely = likelihoods(symptom, facts, answers, chances);
  const even = likelihoods(symptom, facts, answers, chances, true);
  const [first] = likely;
  const isLikely = first !== undefined && first.probability >= FAULT_SURE;
  const isProven = isLikely && even[0]?.cause === first.cause && even[0].probability >= FAULT_PROVEN;
  const tests = nextTests(isLikely ? even : likely, facts, answers);
  // that it is something else is no cause to act on
  if (isProven) return { likely, tests, is: first.cause === 'none-of-these' ? 'help' : 'found' };
  return { likely, tests, is: tests.length > 0 ? 'open' : 'help' };
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
