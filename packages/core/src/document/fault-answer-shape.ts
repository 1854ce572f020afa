import { localId } from '../gear';
import { choice, object } from '../shape';
import { FAULT_TEST_IDS } from '../tables';
import type { FaultTestId } from '../tables';
import { TEST_WORDS } from '../words';

/** One try with what was seen; both by the names of the table. */
export const faultAnswerShape = object('A try', {
  test: choice('Test', Object.fromEntries(FAULT_TEST_IDS.map((id) => [id, TEST_WORDS[id].says])) as Record<FaultTestId, string>),
  answer: localId('Answer'),
});
