import type { JsonSchema } from '@viaggio/core/units';
import { pascal } from '../http/pascal';

/** A list that stands so often is named once, as objects are; a reference costs more than a list that stands twice. */
const OFTEN = 3;

/** Schemas in which every titled list that stands often is told once, under a name, and referred to. */
export function withListsShared(schemas: Readonly<Record<string, JsonSchema>>): Readonly<Record<string, JsonSchema>> {
  const counts = new Map<string, number>();
  const isList = (node: JsonSchema): boolean => node['type'] === 'array' && typeof node['title'] === 'string';
  const count = (node: unknown): void => {
    if (typeof node !== 'object' || node === null) return;
    if (!Array.isArray(node) && isList(node as JsonSchema)) counts.set(JSON.stringify(node), (counts.get(JSON.stringify(node)) ?? 0) + 1);
    Object.values(node).forEach(count);
  };
  count(schemas);
  const named = new Map<string, readonly [string, JsonSchema]>();
  const nameOf = (node: JsonSchema): string => {
    const content = JSON.stringify(node);
    const known = named.get(content);
    if (known) return known[0];
    const wanted = `${pascal(String(node['title']))}List`;
    const taken = new Set([...Object.keys(schemas), ...[...named.values()].map(([name]) => name)]);
    let name = wanted;
    for (let at = 2; taken.has(name); at++) name = `${wanted}${at}`;
    named.set(content, [name, node]);
    return name;
  };
  const shared = (node: unknown): unknown => {
    if (Array.isArray(node)) return node.map(shared);
    if (typeof node !== 'object' || node === null) return node;
    const isOften = isList(node as JsonSchema) && (counts.get(JSON.stringify(node)) ?? 0) >= OFTEN;
    if (isOften) return { $ref: `#/components/schemas/${nameOf(node as JsonSchema)}` };
    return Object.fromEntries(Object.entries(node).map(([key, value]) => [key, shared(value)]));
  };
  const own = Object.entries(schemas).map(([name, schema]): [string, JsonSchema] => [name, shared(schema) as JsonSchema]);
  return Object.fromEntries([...own, ...named.values()].sort(([a], [b]) => a.localeCompare(b)));
}
