import { SIZE_TOOLS } from '@viaggio/core/bench';
import type { SizeToolName } from '@viaggio/core/bench';
import { tellSize } from '@viaggio/core/words';
import { validate } from '../validation/validate';
import type { Output } from './solve';

/** More at once than anybody asks by hand, and few enough to be answered at once. */
const MOST_QUESTIONS = 10_000;

/**
 * `viaggio size TOOL`: a list of questions to one JSON line each, in their order; a question that cannot be answered, or is
 * not as the tool expects, has `{error, path}` in its place. Returns the exit code.
 */
export function sizeText(text: string, name: SizeToolName, { out, err }: Output): number {
  let questions: unknown;
  try {
    questions = JSON.parse(text);
  } catch (error) {
    err(`not JSON: ${(error as Error).message}`);
    return 1;
  }
  if (!Array.isArray(questions) || questions.length > MOST_QUESTIONS) {
    err(`expected a list of at most ${MOST_QUESTIONS} questions`);
    return 1;
  }
  const { question, size } = SIZE_TOOLS[name];
  for (const received of questions) {
    const checked = validate(question, received);
    out(JSON.stringify(checked.ok ? tellSize(size(checked.value)) : { error: checked.issues[0]!.message, path: checked.issues[0]!.path }));
  }
  return 0;
}

export function refuseTool(name: string, { err }: Output): number {
  err(`“${name.slice(0, 40)}” is no tool: one of ${Object.keys(SIZE_TOOLS).join(', ')}`);
  return 2;
}

export function isTool(name: string): name is SizeToolName {
  return Object.hasOwn(SIZE_TOOLS, name);
}
