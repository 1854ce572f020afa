import { issue, pointer } from '../issue';
import type { Issue } from '../issue';
import { describe } from './describe';
import type { Fields, Shape } from './shape';

/**
 * The required fields that are not there, and lists that are too short or too long: what is left to check of a value
 * whose every given field has been checked by itself. Cost: one visit of each field.
 *
 * @example missingFields(object('Thing', { name: text('Name', 40) }), {})[0].path // '/name'
 */
export function missingFields(shape: Shape, value: unknown, path: readonly (string | number)[] = []): readonly Issue[] {
  if (value === undefined) return [issue(pointer(path), 'missing', describe(shape), undefined)];
  switch (shape.kind) {
    case 'object':
      return inFields(shape.fields, value, path);
    case 'tagged': {
      const tag = (value as Record<string, unknown>)[shape.tag];
      const fields = shape.variants[String(tag)];
      return fields ? inFields(fields, value, path) : [issue(pointer([...path, shape.tag]), 'missing', describe(shape), tag)];
    }
    case 'list': {
      const items = value as readonly unknown[];
      const length = items.length < shape.minItems || items.length > shape.maxItems;
      return [
        ...(length ? [issue(pointer(path), 'bad-length', describe(shape), items)] : []),
        ...items.flatMap((item, index) => missingFields(shape.item, item, [...path, index])),
      ];
    }
    default:
      return [];
  }
}

function inFields(fields: Fields, value: unknown, path: readonly (string | number)[]): readonly Issue[] {
  return Object.entries(fields).flatMap(([key, field]) => {
    const inner = (value as Record<string, unknown>)[key];
    if (field.kind === 'optional') return inner === undefined ? [] : missingFields(field.of, inner, [...path, key]);
    return missingFields(field, inner, [...path, key]);
  });
}
