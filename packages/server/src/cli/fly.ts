import { flyIssues, flyQuestion, whatMayFly } from '@viaggio/core/travel';
import { tellFly } from '@viaggio/core/words';
import { validate } from '../validation/validate';
import { tellIssues } from './evaluate';
import type { Output } from './solve';

/** `viaggio fly`: what may fly, and who carries what, as one line of JSON. Returns the exit code. */
export function flyText(text: string, { out, err }: Output): number {
  let received: unknown;
  try {
    received = JSON.parse(text);
  } catch (error) {
    err(`not JSON: ${(error as Error).message}`);
    return 1;
  }
  const checked = validate(flyQuestion, received);
  if (!checked.ok) return tellIssues(checked.issues, err);
  const issues = flyIssues(checked.value);
  if (issues.length > 0) return tellIssues(issues, err);
  out(JSON.stringify(tellFly(whatMayFly(checked.value))));
  return 0;
}
