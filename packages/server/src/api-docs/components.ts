import type { JsonSchema } from '@viaggio/core/units';
import { pascal } from '../http/pascal';

/**
 * Names every titled object of a document once, under `components`, and refers to it from wherever it stands: a client
 * made from the document then has names, and the document a hundredth of its size.
 */
export class Components {
  private readonly named = new Map<string, string>();
  private readonly contents = new Map<string, JsonSchema>();

  /** The same schema with its titled objects by reference. */
  of(schema: unknown, under = ''): unknown {
    if (Array.isArray(schema)) return schema.map((one) => this.of(one, under));
    if (typeof schema !== 'object' || schema === null) return schema;
    const given = schema as JsonSchema;
    const title = typeof given['title'] === 'string' ? given['title'] : undefined;
    const isNamed = title !== undefined && ('properties' in given || 'oneOf' in given);
    // variants are titled by their tag alone: they are called by what they are variants of
    const name = isNamed ? pascal(/^[a-z]/.test(title) ? `${under} ${title}` : title) : under;
    const inner = Object.fromEntries(Object.entries(given).map(([key, value]) => [key, key === 'examples' ? value : this.of(value, name)]));
    return isNamed ? { $ref: `#/components/schemas/${this.nameFor(name, inner)}` } : inner;
  }

  /** Everything named so far, in the order of names. */
  all(): Readonly<Record<string, JsonSchema>> {
    return Object.fromEntries([...this.contents].sort(([a], [b]) => a.localeCompare(b)));
  }

  private nameFor(wanted: string, schema: JsonSchema): string {
    const content = JSON.stringify(schema);
    const known = this.named.get(content);
    if (known !== undefined) return known;
    let name = wanted;
    for (let count = 2; this.contents.has(name); count++) name = `${wanted}${count}`;
    this.named.set(content, name);
    this.contents.set(name, schema);
    return name;
  }
}
