import { pointer } from '../issue';
import type { Fields, Shape } from '../shape';

/** Values that a shape does not know, by where they stood (JSON Pointer, RFC 6901). */
export type Aside = readonly { readonly path: string; readonly value?: unknown }[];

/**
 * Takes out of a value what its shape does not know, so that the rest can be checked strictly and nothing is lost:
 * `putBack` makes the whole again.
 *
 * @example setAside(rigShape, { ...rig, colour: 'red' }).aside // [{ path: '/colour', value: 'red' }]
 */
export function setAside(shape: Shape, value: unknown): { readonly known: unknown; readonly aside: Aside } {
  const aside: { path: string; value: unknown }[] = [];
  const known = strip(shape, value, [], aside);
  return { known, aside };
}

/**
 * The value with what was set aside where it stood. What no longer has a place (its list is shorter now) is dropped.
 *
 * @example putBack({ a: 1 }, []) // { a: 1 }
 */
export function putBack(known: unknown, aside: Aside): unknown {
  return aside.reduce<unknown>((whole, { path, value }) => (path.startsWith('/') ? insert(whole, keysOf(path), value) : whole), known);
}

function strip(shape: Shape, value: unknown, path: (string | number)[], aside: { path: string; value: unknown }[]): unknown {
  if (shape.kind === 'lazy') return strip(shape.of(), value, path, aside);
  if (shape.kind === 'list' && Array.isArray(value))
    return value.map((item: unknown, index) => strip(shape.item, item, [...path, index], aside));
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value;
  const entries = value as Record<string, unknown>;
  const fields = fieldsOf(shape, entries);
  if (!fields) return value;
  const kept: Record<string, unknown> = {};
  for (const [key, inner] of Object.entries(entries)) {
    const field = Object.hasOwn(fields, key) ? fields[key] : undefined;
    if (shape.kind === 'tagged' && key === shape.tag) kept[key] = inner;
    else if (field) kept[key] = strip(field.kind === 'optional' ? field.of : field, inner, [...path, key], aside);
    else aside.push({ path: pointer([...path, key]), value: inner });
  }
  return kept;
}

function fieldsOf(shape: Shape, value: Record<string, unknown>): Fields | undefined {
  if (shape.kind === 'object') return shape.fields;
  const tag = shape.kind === 'tagged' ? String(value[shape.tag]) : '';
  return shape.kind === 'tagged' && Object.hasOwn(shape.variants, tag) ? shape.variants[tag] : undefined;
}

function keysOf(path: string): readonly string[] {
  return path
    .split('/')
    .slice(1)
    .map((key) => key.replaceAll('~1', '/').replaceAll('~0', '~'));
}

function insert(whole: unknown, [key, ...rest]: readonly string[], value: unknown): unknown {
  if (key === undefined) return value;
  if (typeof whole !== 'object' || whole === null) return whole;
  if (Array.isArray(whole)) {
    return whole.map((item: unknown, index) => (String(index) === key ? insert(item, rest, value) : item));
  }
  const entries = whole as Record<string, unknown>;
  return rest.length > 0 && !Object.hasOwn(entries, key) ? whole : { ...entries, [key]: insert(entries[key], rest, value) };
}
