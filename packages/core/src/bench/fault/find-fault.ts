import { gearTitle } from '../../gear';
import type { Gear } from '../../gear';
import { CAUSES } from './causes';
import type { CauseId, Symptom } from './causes';
import { likelihoods, nextTests, verdictOfFault } from './diagnose';
import type { FaultAnswer, Likely } from './diagnose';
import { faultFacts } from './facts';
import type { FactsFrom, RigFacts } from './facts';
import { chancesOf, FAULT_TESTS } from './tests';
import type { FaultTest, FaultTestId } from './tests';

/** One cause with how likely it is, and why. */
export interface FaultCause {
  readonly cause: CauseId;
  readonly says: string;
  /** The piece of gear that it would lie in. */
  readonly part: string | undefined;
  readonly partName: string | undefined;
  readonly probability: number;
  readonly why: string;
  readonly mend: string;
}

/** What to try next. */
export interface NextTest {
  readonly test: FaultTestId;
  /** With the names of this rig's parts. */
  readonly says: string;
  readonly mind: string | undefined;
  readonly answers: FaultTest['answers'];
  readonly effortMin: number;
  /** The causes that it parts from the others. */
  readonly parts: readonly CauseId[];
  readonly why: string;
}

export interface FoundFault {
  /** `found`: sure enough to act; `open`: try on; `help`: nothing is left to try that would tell. */
  readonly is: 'found' | 'open' | 'help';
  /** The likeliest first. */
  readonly causes: readonly FaultCause[];
  readonly next: NextTest | undefined;
  /** Other tests that would tell something, the most first. */
  readonly others: readonly NextTest[];
}

export interface FaultQuestion extends FactsFrom {
  readonly symptom: Symptom;
  readonly answers: readonly FaultAnswer[];
}

/** How many others are offered beside the next test. */
const MOST_OTHERS = 4;
/** A cause that a test parts makes its answers so different from the others'. */
const PARTS = 0.3;

/**
 * What is behind a fault of a rig, by what it is, what is known of the rig, and what was tried: causes with how likely each
 * is and why, and the next test that tells most for its minutes. Deterministic; some milliseconds.
 *
 * @example findFault({ rig, gear, symptom: 'will-not-start', answers: [] }).is // 'open'
 */
export function findFault(question: FaultQuestion): FoundFault {
  const { symptom, answers, gear } = question;
  const facts = faultFacts(question);
  const likely = likelihoods(symptom, facts, answers);
  const tests = nextTests(likely, facts, answers);
  const told = tests.slice(0, 1 + MOST_OTHERS).map(({ test }) => tellTest(test, likely, facts, gear));
  const is = verdictOfFault(likely, tests.length > 0);
  const [next, ...others] = told;
  return {
    is,
    causes: likely.map((one) => tellCause(one, answers, facts, gear)),
    next: is === 'found' ? undefined : next,
    others: is === 'found' ? told : others,
  };
}

function tellCause(
  { cause, probability }: Likely,
  answers: readonly FaultAnswer[],
  facts: RigFacts,
  gear: ReadonlyMap<string, Gear>,
): FaultCause {
  const { says, mend } = CAUSES[cause];
  const part = facts.parts.get(cause);
  const known = part === undefined ? undefined : gear.get(part);
  const because = [...speaking(cause, answers), facts.why.get(cause)].filter((why) => why !== undefined);
  return {
    cause,
    says,
    mend,
    probability,
    part,
    partName: known && gearTitle(known),
    why: because.length > 0 ? because.join(' ') : 'By how often it is behind this; nothing of this rig speaks for or against it.',
  };
}

/** Answers that made a cause likelier, or less likely, in words. */
function speaking(cause: CauseId, answers: readonly FaultAnswer[]): readonly string[] {
  return answers.flatMap(({ test, answer }) => {
    const { says, answers: possible, otherwise }: FaultTest = FAULT_TESTS[test];
    const place = possible.findIndex(({ id }) => id === answer);
    if (place < 0) return [];
    const times = chancesOf(test, cause)[place]! / otherwise[place]!;
    if (times > 0.5 && times < 2) return [];
    return [`${times >= 2 ? 'For it' : 'Against it'}: ${lower(says)} – ${lower(possible[place]!.says)}.`];
  });
}

function tellTest(test: FaultTestId, likely: readonly Likely[], facts: RigFacts, gear: ReadonlyMap<string, Gear>): NextTest {
  const { says, mind, answers, effortMin, otherwise }: FaultTest = FAULT_TESTS[test];
  const spare = facts.spares.get(test);
  const piece = spare === undefined ? undefined : gear.get(spare);
  const parts = likely
    .filter(({ cause }) => chancesOf(test, cause).some((chance, place) => Math.abs(chance - otherwise[place]!) > PARTS))
    .map(({ cause }) => cause);
  return {
    test,
    says: piece ? `${says}: ${gearTitle(piece)}` : says,
    mind,
    answers,
    effortMin,
    parts,
    why: parts.length === 0 ? 'It tells a little of each.' : `It tells whether it is this: ${parts.slice(0, 3).map((cause) => lower(CAUSES[cause].says)).join('; ')}.`, // prettier-ignore
  };
}

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
