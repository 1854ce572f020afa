import type { LearningSays } from '../../../measure/learning';
import { sayer } from '../words-of';
import type { WordsOf } from '../words-of';

/** By how much, in whole per cents. */
function off(bias: number): string {
  return `${Math.round(Math.abs(bias - 1) * 100)} %`;
}

function ofRuns(count: number): string {
  return count === 1 ? 'in the one run that ended dead' : `in the middle of ${count} runs that ended dead`;
}

const LEARNING: WordsOf<LearningSays> = {
  'all-swapped': () => 'Every run was swapped before it died: the plan was not too long, more is not known.',
  'not-on-that-battery': () => 'It cannot be worked out on that battery.',
  'plan-right': ({ bias, count }) => `The plan was right within ${off(bias)} ${ofRuns(count)}.`,
  'plan-short': ({ bias, count }) => `It ran ${off(bias)} shorter than planned ${ofRuns(count)}.`,
  'plan-long': ({ bias, count }) => `It ran ${off(bias)} longer than planned ${ofRuns(count)}.`,
};

export const sayLearning = sayer(LEARNING);
