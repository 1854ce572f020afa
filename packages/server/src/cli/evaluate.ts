import { evaluate } from '@viaggio/core/document';
import type { Issue } from '@viaggio/core/units';
import { parsePlan } from '../plan/read-plan';
import type { Output } from './solve';

/** `viaggio evaluate FILE`: everything computed for a plan document, as one JSON document. Returns the exit code. */
export function evaluateText(text: string, { out, err }: Output): number {
  const read = parsePlan(text);
  if (!read.ok) return tellIssues(read.issues, err);
  out(JSON.stringify(evaluate(read.plan), undefined, 2));
  return 0;
}

export function tellIssues(issues: readonly Issue[], err: Output['err']): number {
  for (const { message, path } of issues) err(`${path === '' ? '' : `${path}: `}${message}`);
  return 1;
}
