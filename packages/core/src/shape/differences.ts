import { pointer } from '../issue';
import { formatQuantity } from '../quantity';
import type { Fields, Shape } from './shape';

/** One field in which two states of the same thing differ, in words. */
export interface Difference {
  readonly path: string;
  readonly title: string;
  readonly one: string;
  readonly other: string;
}

/**
 * Where two states differ, field by field, told in the words and units of their shape. The order of keys does not count.
 *
 * @example differences(rigShape, { ...rig, wantedMin: 60 }, { ...rig, wantedMin: 90 })[0].other // '1 h 30 min'
 */
export function differences(
  shape: Shape,
  one: unknown,
  other: unknown,
  path: readonly (string | number)[] = [],
  title = shape.title,
): Difference[] {
  if (isSameValue(one, other)) return [];
  const fields = fieldsOf(shape, one, other);
  if (fields) {
    return Object.entries(fields).flatMap(([key, field]) => {
      const inner = field.kind === 'optional' ? field.of : field;
      return differences(inner, valueAt(one, key), valueAt(other, key), [...path, key], inner.title);
    });
  }
  if (shape.kind === 'list' && Array.isArray(one) && Array.isArray(other) && one.length === other.length) {
    return one.flatMap((item: unknown, index) => differences(shape.item, item, other[index], [...path, index], `${title} ${index + 1}`));
  }
  return [{ path: pointer(path), title, one: tell(shape, one), other: tell(shape, other) }];
}

/** The fields to compare, when both are objects of the same kind. */
function fieldsOf(shape: Shape, one: unknown, other: unknown): Fields | undefined {
  if (!isObject(one) || !isObject(other)) return undefined;
  if (shape.kind === 'object') return shape.fields;
  if (shape.kind !== 'tagged' || one[shape.tag] !== other[shape.tag]) return undefined;
  return shape.variants[String(one[shape.tag])];
}

function tell(shape: Shape, value: unknown): string {
  if (value === undefined) return 'not given';
  if (shape.kind === 'number' && typeof value === 'number') return formatQuantity(value, shape.unit);
  if (shape.kind === 'choice' && typeof value === 'string') return shape.options[value] ?? value;
  if (shape.kind === 'boolean') return value === true ? 'yes' : 'no';
  if (shape.kind === 'tagged' && isObject(value)) {
    const variant = shape.variants[String(value[shape.tag])] ?? {};
    return Object.entries(variant)
      .filter(([key]) => value[key] !== undefined)
      .map(([key, field]) => tell(field.kind === 'optional' ? field.of : field, value[key]))
      .join(', ');
  }
  if (shape.kind === 'record' && isObject(value))
    return Object.entries(value)
      .map(([key, one]) => `${key} ${tell(shape.value, one)}`)
      .join(', ');
  if (Array.isArray(value)) return value.length === 1 ? 'one entry' : `${value.length} entries`;
  if (isObject(value)) return 'given';
  return typeof value === 'string' ? value : JSON.stringify(value);
}

/** Whether two plain values say the same; the order of keys does not count. */
export function isSameValue(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  if (Array.isArray(one) && Array.isArray(other))
    return one.length === other.length && one.every((item, index) => isSameValue(item, other[index]));
  if (!isObject(one) || !isObject(other) || Array.isArray(one) !== Array.isArray(other)) return false;
  return [...new Set([...Object.keys(one), ...Object.keys(other)])].every((key) => isSameValue(one[key], other[key]));
}

function isObject(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null;
}

function valueAt(value: unknown, key: string): unknown {
  return isObject(value) ? value[key] : undefined;
}
