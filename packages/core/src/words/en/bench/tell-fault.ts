import type { FaultCause, FoundFault, NextTest } from '../../../bench/fault';
import { FAULT_TESTS } from '../../../tables';
import type { FaultTest, FaultTestId } from '../../../tables';
import { sayFaultFact } from './fault-fact-words';
import { CAUSE_WORDS, TEST_WORDS } from './fault-words';

/** A cause as documents and pages show it. */
export interface ToldCause extends Omit<FaultCause, 'answers' | 'fact'> {
  readonly says: string;
  readonly mend: string;
  readonly why: string;
}

/** A test with the names of this rig's parts, and what may be seen. */
export interface ToldTest extends Omit<NextTest, 'spare'> {
  readonly says: string;
  readonly mind: string | undefined;
  readonly answers: readonly { readonly id: string; readonly says: string }[];
  readonly why: string;
}

export interface ToldFault extends Omit<FoundFault, 'causes' | 'next' | 'others'> {
  readonly causes: readonly ToldCause[];
  readonly next: ToldTest | undefined;
  readonly others: readonly ToldTest[];
}

/** Causes named at most where it is told what a test parts. */
const MOST_NAMED = 3;

/** What is behind a fault, in words beside the same numbers. */
export function tellFault({ is, causes, along, next, others }: FoundFault): ToldFault {
  return { is, causes: causes.map(tellCause), along, next: next && tellTest(next), others: others.map(tellTest) };
}

function tellCause({ cause, part, partName, probability, answers, fact }: FaultCause): ToldCause {
  const { says, mend } = CAUSE_WORDS[cause];
  const because = [
    ...answers.map(({ test, answer, speaks }) => {
      const seen = `${lower(TEST_WORDS[test].says)} – ${lower(sayAnswer(test, answer))}`;
      return `${speaks === 'for' ? 'For it' : 'Against it'}: ${seen}.`;
    }),
    ...(fact ? [sayFaultFact(fact)] : []),
  ];
  const why = because.length > 0 ? because.join(' ') : 'By how often it is behind this; nothing of this rig speaks for or against it.';
  return { cause, says, mend, probability, part, partName, why };
}

function tellTest({ test, spare, effortMin, parts }: NextTest): ToldTest {
  const { says, mind } = TEST_WORDS[test];
  const { answers }: FaultTest = FAULT_TESTS[test];
  const named = parts.slice(0, MOST_NAMED).map((cause) => lower(CAUSE_WORDS[cause].says));
  return {
    test,
    says: spare === undefined ? says : `${says}: ${spare}`,
    mind,
    answers: answers.map((id) => ({ id, says: sayAnswer(test, id) })),
    effortMin,
    parts,
    why: named.length === 0 ? 'It tells a little of each.' : `It tells whether it is this: ${named.join('; ')}.`,
  };
}

/**
 * What an answer of the table is called; itself where the table has none.
 *
 * @example sayAnswer(FAULT_TEST_IDS[0], FAULT_TESTS[FAULT_TEST_IDS[0]].answers[0]).length > 0 // true
 */
export function sayAnswer(test: FaultTestId, answer: string): string {
  return TEST_WORDS[test].answers[answer] ?? answer;
}

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
