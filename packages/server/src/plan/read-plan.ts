import { issue, migratePlan, planIssues, planShape, setAside } from '@viaggio/core';
import type { Aside, Issue, Plan } from '@viaggio/core';
import { validate } from '../validation/validate';

export type ReadPlan =
  | { readonly ok: true; readonly plan: Plan; /** What this version does not know, to be kept. */ readonly aside: Aside }
  | { readonly ok: false; readonly issues: readonly Issue[] };

/** A plan document of any version, checked: brought up to date, what is not known set aside, the rest held to the shape. */
export function readPlan(received: unknown): ReadPlan {
  const migrated = migratePlan(received);
  if (!migrated.ok) return { ok: false, issues: [migrated.issue] };
  const { known, aside } = setAside(planShape, migrated.document);
  const checked = validate(planShape, known);
  if (!checked.ok) return checked;
  const issues = planIssues(checked.value);
  return issues.length > 0 ? { ok: false, issues } : { ok: true, plan: checked.value, aside };
}

/** A plan document from text. */
export function parsePlan(text: string): ReadPlan {
  let received: unknown;
  try {
    received = JSON.parse(text);
  } catch (error) {
    return { ok: false, issues: [issue('', 'not-json', 'a JSON document', (error as Error).message)] };
  }
  return readPlan(received);
}
