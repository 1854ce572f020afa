import { byKind, ITEM_KINDS, migratePlan, PLAN_KINDS, planShape, setAside } from '@viaggio/core/document';
import type { Plan, PlanKind } from '@viaggio/core/document';
import { idShape } from '@viaggio/core/gear';
import { issue, pointer } from '@viaggio/core/units';
import type { Issue } from '@viaggio/core/units';
import { AppError } from '../errors';
import type { NewItem } from '../items/item-service';
import { itemsOf } from '../plan/plan-items';
import { validate } from '../validation/validate';
import { parsedJson } from '../http/json-body';
import { DELETED_FILE, PLAN_FILE } from './backup-format';

/**
 * The items of a backup, live and deleted, of this version or an older one. Each is held against its shape; how many there
 * are is not, since they were kept. Throws `backup-unreadable`, `invalid-fields`.
 */
export function backedUpItems(live: Uint8Array, deleted: Uint8Array): Readonly<Record<PlanKind, readonly NewItem[]>> {
  const [here, gone] = [itemsIn(PLAN_FILE, live), itemsIn(DELETED_FILE, deleted)];
  return byKind((kind) => [...here[kind], ...gone[kind]]);
}

/** Lists of things with an identifier and a body: what is in them is looked at later. */
function requireItems(file: string, document: unknown): asserts document is Plan {
  const refuse = (path: string, expected: string, received: unknown): never => {
    const what = issue(path, 'wrong-type', expected, received);
    throw new AppError('backup-unreadable', `${file}: ${what.message}`, { issues: [what] });
  };
  if (typeof document !== 'object' || document === null) return refuse('', 'a plan document', document);
  for (const kind of PLAN_KINDS) {
    const all = (document as Readonly<Record<string, unknown>>)[kind] ?? [];
    if (!Array.isArray(all)) return refuse(`/${kind}`, 'a list', all);
    for (const [index, item] of (all as unknown[]).entries()) {
      const { id, body } = (item ?? {}) as Partial<NewItem>;
      if (!validate(idShape, id).ok) refuse(pointer([kind, index, 'id']), 'an identifier', id);
      if (typeof body !== 'object' || Array.isArray(body)) refuse(pointer([kind, index, 'body']), 'an object', body);
    }
  }
}

function itemsIn(file: string, bytes: Uint8Array): Readonly<Record<PlanKind, readonly NewItem[]>> {
  const migrated = migratePlan(parsedJson(bytes));
  if (!migrated.ok) throw new AppError('backup-unreadable', `${file}: ${migrated.issue.message}`, { issues: [migrated.issue] });
  const { known, aside } = setAside(planShape, migrated.document);
  requireItems(file, known);
  const { rest: _beside, ...items } = itemsOf(known, aside);
  const issues: Issue[] = [];
  const sound = byKind((kind) => {
    return items[kind].map(({ id, body }, index) => {
      const checked = validate(ITEM_KINDS[kind].shape, body);
      if (checked.ok) return { id, body: checked.value as object };
      issues.push(...checked.issues.map((one) => ({ ...one, path: pointer([kind, index, 'body']) + one.path })));
      return { id, body };
    });
  });
  if (issues.length > 0) throw new AppError('invalid-fields', `${file}: ${issues[0]!.message}`, { issues: issues.slice(0, 50) });
  return sound;
}
