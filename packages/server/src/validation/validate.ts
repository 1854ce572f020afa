import { describe, issue, pointer } from '@viaggio/core/units';
import type { Infer, Issue, Shape } from '@viaggio/core/units';
import type { ValidationErrorItem, ValidationResult } from 'joi';
import { toJoi } from './to-joi';

export type Validated<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly issues: readonly Issue[] };

/** More than this is not read by anybody. */
const MAX_ISSUES = 50;
/** No shape has as many. */
const MOST_FIELDS = 400;

/** Checks what came in against a shape; every issue with its path, what was expected and what came. */
export function validate<S extends Shape>(shape: S, received: unknown): Validated<Infer<S>> {
  const long = overlong(shape, received);
  if (long) return { ok: false, issues: [long] };
  const checked = checkedByJoi(shape, received);
  if (!checked.error) return { ok: true, value: checked.value };
  // what is wrong with the whole before what is wrong inside it: a list too long may hold thousands of wrong items
  const details = [...checked.error.details].sort((a, b) => a.path.length - b.path.length);
  return { ok: false, issues: details.slice(0, MAX_ISSUES).map((detail) => toIssue(shape, detail)) };
}

/** All that is wrong; only the first where that is more than can be gathered. */
function checkedByJoi<S extends Shape>(shape: S, received: unknown): ValidationResult<Infer<S>> {
  const joi = toJoi(shape).required();
  try {
    return joi.validate(received);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return joi.validate(received, { abortEarly: true });
  }
}

/** The first list, or object, that holds more than it may: looking into each of a hundred thousand wrong things helps nobody. */
function overlong(shape: Shape, received: unknown, path: readonly (string | number)[] = []): Issue | undefined {
  if (shape.kind === 'lazy') return overlong(shape.of(), received, path);
  if (shape.kind === 'list' && Array.isArray(received)) {
    if (received.length > shape.maxItems) return issue(pointer(path), 'wrong-length', describe(shape), received);
    return first(received, (item, index) => overlong(shape.item, item, [...path, index]));
  }
  if ((shape.kind !== 'object' && shape.kind !== 'tagged') || typeof received !== 'object' || received === null) return undefined;
  const entries = Object.entries(received);
  if (entries.length > MOST_FIELDS) return issue(pointer(path), 'wrong-length', `at most ${MOST_FIELDS} fields`, received);
  const fields = shape.kind === 'object' ? shape.fields : (shape.variants[String((received as Record<string, unknown>)[shape.tag])] ?? {});
  return first(entries, ([key, value]) => {
    const field = Object.hasOwn(fields, key) ? fields[key] : undefined;
    return field && overlong(field.kind === 'optional' ? field.of : field, value, [...path, key]);
  });
}

/** What the first one gives of which there is something. */
function first<T, R>(all: readonly T[], of: (one: T, index: number) => R | undefined): R | undefined {
  for (const [index, one] of all.entries()) {
    const found = of(one, index);
    if (found !== undefined) return found;
  }
  return undefined;
}

const CODES: readonly (readonly [RegExp, string])[] = [
  [/^any\.required$/, 'required'],
  [/^(any\.only)$/, 'not-allowed'],
  [/^object\.unknown$/, 'unknown-field'],
  [/^number\.(min|max|greater)$/, 'out-of-range'],
  [/^number\.(base|infinity|unsafe)$/, 'not-a-number'],
  [/^number\.integer$/, 'not-whole'],
  [/^string\.empty$/, 'empty'],
  [/^string\.max$/, 'too-long'],
  [/^string\.(pattern|unstorable)/, 'bad-text'],
  [/^array\.(min|max|length)|^object\.max$/, 'wrong-length'],
];

function toIssue(shape: Shape, { path, type, context }: ValidationErrorItem): Issue {
  const code = CODES.find(([pattern]) => pattern.test(type))?.[1] ?? 'wrong-type';
  const expected = code === 'unknown-field' ? 'no field of this name' : expectedAt(shape, path);
  return issue(pointer(path), code, expected, (context as { value?: unknown } | undefined)?.value);
}

/** What the shape wants at a path. Inside one of several variants it is any of them that knows the field. */
function expectedAt(shape: Shape, path: readonly (string | number)[]): string {
  const [key, ...rest] = path;
  if (key === undefined) return describe(shape);
  switch (shape.kind) {
    case 'object':
      return inField(shape.fields[key], rest);
    case 'list':
      return expectedAt(shape.item, rest);
    case 'tuple':
      return expectedAt(shape.items[Number(key)] ?? shape, []);
    case 'record':
      return expectedAt(shape.value, rest);
    case 'lazy':
      return expectedAt(shape.of(), path);
    case 'tagged': {
      if (key === shape.tag) return `one of ${Object.keys(shape.variants).join(', ')}`;
      const fields = Object.values(shape.variants).flatMap((variant) => variant[key] ?? []);
      return fields.length === 0 ? describe(shape) : inField(fields[0], rest);
    }
    default:
      return describe(shape);
  }
}

function inField(field: Shape | { kind: 'optional'; of: Shape } | undefined, rest: readonly (string | number)[]): string {
  if (field === undefined) return 'a known field';
  return expectedAt(field.kind === 'optional' ? field.of : field, rest);
}
