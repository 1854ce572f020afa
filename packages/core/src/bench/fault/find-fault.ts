import { gearTitle } from '../../gear';
import type { Gear } from '../../gear';
import { chancesOf, FAULT_TESTS } from '../../tables';
import type { CauseId, FaultTest, FaultTestId, Symptom } from '../../tables';
import { diagnose } from './diagnose';
import type { FaultAnswer, Likely } from './diagnose';
import { faultFacts } from './facts';
import type { FactsFrom, RigFacts } from './facts';
import type { FaultSaid } from './says';

/** An answer that made a cause likelier, or less likely. */
export interface AnswerSpeaks extends FaultAnswer {
  readonly speaks: 'for' | 'against';
}

/** One cause with how likely it is, and why. */
export interface FaultCause {
  readonly cause: CauseId;
  /** The piece of gear that it would lie in. */
  readonly part: string | undefined;
  readonly partName: string | undefined;
  readonly probability: number;
  readonly answers: readonly AnswerSpeaks[];
  /** What the rig itself says of it. */
  readonly fact: FaultSaid | undefined;
}

/** What to try next. */
export interface NextTest {
  readonly test: FaultTestId;
  /** Something of the kit to try it with. */
  readonly spare: string | undefined;
  readonly effortMin: number;
  /** The causes that it parts from the others. */
  readonly parts: readonly CauseId[];
}

export interface FoundFault {
  /** `found`: sure enough to act; `open`: try on; `help`: nothing is left to try that would tell. */
  readonly is: 'found' | 'open' | 'help';
  /** The likeliest first. */
  readonly causes: readonly FaultCause[];
  /** The parts from the source to the device with how likely it lies in each: the sum of its causes. */
  readonly along: readonly { readonly id: string; readonly name: string; readonly probability: number }[];
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
/** An answer that makes a cause so many times as likely, or as unlikely, is named. */
const SPEAKS_TIMES = 2;

/**
 * What is behind a fault of a rig, by what it is, what is known of the rig, and what was tried: causes with how likely each
 * is and why, and the next test that tells most for its minutes. Deterministic; some milliseconds.
 *
 * @example findFault({ rig, gear, symptom: 'will-not-start', answers: [] }).is // 'open'
 */
export function findFault(question: FaultQuestion): FoundFault {
  const { symptom, answers, gear } = question;
  const facts = faultFacts(question);
  const { likely, tests, is } = diagnose(symptom, facts, answers);
  const told = tests.slice(0, 1 + MOST_OTHERS).map(({ test }) => testOf(test, likely, facts, gear));
  const [next, ...others] = told;
  const causes = likely.map((one) => causeOf(one, answers, facts, gear));
  return {
    is,
    causes,
    along: facts.along.flatMap((id) => {
      const part = gear.get(id);
      const probability = causes.reduce((sum, cause) => sum + (cause.part === id ? cause.probability : 0), 0);
      return part ? [{ id, name: gearTitle(part), probability }] : [];
    }),
    next: is === 'found' ? undefined : next,
    others: is === 'found' ? told : others,
  };
}

function causeOf(
  { cause, probability }: Likely,
  answers: readonly FaultAnswer[],
  facts: RigFacts,
  gear: ReadonlyMap<string, Gear>,
): FaultCause {
  const part = facts.parts.get(cause);
  const known = part === undefined ? undefined : gear.get(part);
  return { cause, probability, part, partName: known && gearTitle(known), answers: speaking(cause, answers), fact: facts.why.get(cause) };
}

/** Answers that made a cause at least twice as likely, or half. */
function speaking(cause: CauseId, answers: readonly FaultAnswer[]): readonly AnswerSpeaks[] {
  return answers.flatMap(({ test, answer }): readonly AnswerSpeaks[] => {
    const { answers: possible, otherwise }: FaultTest = FAULT_TESTS[test];
    const place = possible.indexOf(answer);
    if (place < 0) return [];
    const times = chancesOf(test, cause)[place]! / otherwise[place]!;
    if (times > 1 / SPEAKS_TIMES && times < SPEAKS_TIMES) return [];
    return [{ test, answer, speaks: times >= SPEAKS_TIMES ? 'for' : 'against' }];
  });
}

function testOf(test: FaultTestId, likely: readonly Likely[], facts: RigFacts, gear: ReadonlyMap<string, Gear>): NextTest {
  const { effortMin, otherwise }: FaultTest = FAULT_TESTS[test];
  const spare = facts.spares.get(test);
  const piece = spare === undefined ? undefined : gear.get(spare);
  const parts = likely
    .filter(({ cause }) => chancesOf(test, cause).some((chance, place) => Math.abs(chance - otherwise[place]!) > PARTS))
    .map(({ cause }) => cause);
  return { test, spare: piece && gearTitle(piece), effortMin, parts };
}
