import { discharge, networkCaseShape, networkIssues } from '@viaggio/core/answer';
import type { NetworkCase } from '@viaggio/core/answer';
import { issue } from '@viaggio/core/units';
import type { Issue } from '@viaggio/core/units';
import { validate } from '../validation/validate';

export interface Output {
  readonly out: (line: string) => void;
  readonly err: (line: string) => void;
}

/**
 * `viaggio solve FILE`: a file of network cases (one, or a list) to one JSON line each. A malformed case is told on the
 * error output by its name and field, the others are still solved. Returns the exit code.
 */
export function solveText(text: string, { out, err }: Output): number {
  let cases: unknown;
  try {
    cases = JSON.parse(text);
  } catch (error) {
    err(`not JSON: ${(error as Error).message}`);
    return 1;
  }
  let failed = false;
  (Array.isArray(cases) ? cases : [cases]).forEach((received: unknown, index) => {
    const answer = solveCase(received);
    if ('line' in answer) {
      out(JSON.stringify(answer.line));
      return;
    }
    failed = true;
    for (const { message, path } of answer.issues) err(`case ${caseName(received, index)}: ${path === '' ? '' : `${path}: `}${message}`);
  });
  return failed ? 1 : 0;
}

function solveCase(received: unknown): { line: object } | { issues: readonly Issue[] } {
  const checked = validate(networkCaseShape, received);
  if (!checked.ok) return checked;
  const network = checked.value as unknown as NetworkCase;
  const issues = networkIssues(network);
  if (issues.length > 0) return { issues };
  try {
    return { line: lineOf(network) };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { issues: [issue('/profile', 'too-long', 'a profile of fewer or longer phases', error.message)] };
  }
}

function lineOf(network: NetworkCase): object {
  const { minutes, cause, at, packWh, loadsWh, endSoc, start } = discharge(network);
  return {
    id: network.id,
    minutes,
    cause,
    at,
    packWh,
    loadsWh,
    endSoc,
    startPackV: start?.packV ?? null,
    startPackA: start?.packA ?? null,
    startFeeds: start?.feeds.map(({ id, currentA, inputV }) => ({ id, amps: currentA, inputV })) ?? [],
  };
}

function caseName(received: unknown, index: number): string {
  const id = (received as { id?: unknown } | null)?.id;
  return typeof id === 'string' ? `“${id.slice(0, 60)}”` : `number ${index + 1}`;
}
