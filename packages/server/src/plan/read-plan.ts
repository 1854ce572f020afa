import { migratePlan, planIssues, planShape, setAside } from '@viaggio/core/document';
import type { Aside, Plan } from '@viaggio/core/document';
import { MOST_ASIDE, MOST_ASIDE_PATH } from '@viaggio/core/gear';
import { issue, unkeepable } from '@viaggio/core/units';
import type { Issue } from '@viaggio/core/units';
import { AppError } from '../errors';
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
  const issues = [...asideIssues(aside), ...planIssues(checked.value)];
  return issues.length > 0 ? { ok: false, issues } : { ok: true, plan: checked.value, aside };
}

/** The same for whoever cannot go on without. Throws `invalid-fields`. */
export function planOrThrow(received: unknown): Extract<ReadPlan, { ok: true }> {
  const read = readPlan(received);
  if (!read.ok) throw new AppError('invalid-fields', read.issues[0]?.message ?? 'The plan is not as expected.', { issues: read.issues });
  return read;
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

/** Fields that are set aside have to fit where they are kept: what comes in comes out again, and may come in again. */
function asideIssues(aside: Aside): readonly Issue[] {
  const counts = new Map<string, number>();
  return aside.flatMap(({ path, value }): readonly Issue[] => {
    const [, kind = '', index = ''] = path.split('/');
    const item = `/${kind}/${index}`;
    const count = (counts.get(item) ?? 0) + 1;
    counts.set(item, count);
    const found = unkeepable(value);
    if (path.length > MOST_ASIDE_PATH)
      return [issue(path.slice(0, 60), 'too-long', `a path of at most ${MOST_ASIDE_PATH} characters`, path)];
    if (unkeepable(path)) return [issue(item, 'bad-text', 'names without control characters', path)];
    if (found) return [issue(path, 'bad-text', found.expected, value)];
    return count === MOST_ASIDE + 1 ? [issue(item, 'wrong-length', `at most ${MOST_ASIDE} fields that are not known here`, value)] : [];
  });
}
