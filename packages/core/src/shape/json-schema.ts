import { describe } from './describe';
import type { Fields, Shape } from './shape';

export type JsonSchema = Readonly<Record<string, unknown>>;

/**
 * JSON Schema (2020-12, as OpenAPI 3.1 uses it) of a shape. A lazy shape becomes a reference to `refBase` + its name,
 * so that recursion ends; collect those with `namedShapes`. `open`: fields that are not named are allowed, and kept.
 *
 * @example toJsonSchema(flag('Marked')) // { type: 'boolean', title: 'Marked' }
 */
export function toJsonSchema(shape: Shape, refBase = '#/components/schemas/', open = false): JsonSchema {
  const inner = (of: Shape): JsonSchema => toJsonSchema(of, refBase, open);
  const title = shape.title;
  switch (shape.kind) {
    case 'number':
      return {
        type: shape.integer ? 'integer' : 'number',
        title,
        description: `${describe(shape)}; unit: ${shape.unit}`,
        [shape.aboveMin ? 'exclusiveMinimum' : 'minimum']: shape.min,
        maximum: shape.max,
      };
    case 'text':
      return {
        type: 'string',
        title,
        minLength: 1,
        maxLength: shape.maxLength,
        ...(shape.pattern && { pattern: shape.pattern.regex.source }),
      };
    case 'boolean':
      return { type: 'boolean', title };
    case 'choice':
      return { type: 'string', title, enum: Object.keys(shape.options) };
    case 'list':
      return { type: 'array', title, items: inner(shape.item), minItems: shape.minItems, maxItems: shape.maxItems };
    case 'tuple':
      return { type: 'array', title, prefixItems: shape.items.map(inner), minItems: shape.items.length, maxItems: shape.items.length };
    case 'record':
      return { type: 'object', title, additionalProperties: inner(shape.value), maxProperties: shape.maxKeys };
    case 'object':
      return fieldsSchema(title, shape.fields, inner, open);
    case 'tagged':
      return {
        title,
        oneOf: Object.entries(shape.variants).map(([tag, fields]) => {
          const variant = fieldsSchema(tag, fields, inner, open);
          return {
            ...variant,
            properties: { [shape.tag]: { const: tag }, ...(variant['properties'] as object) },
            required: [shape.tag, ...(variant['required'] as string[])],
          };
        }),
      };
    case 'any':
      return { title };
    case 'lazy':
      return { $ref: `${refBase}${shape.name}` };
  }
}

function fieldsSchema(title: string, fields: Fields, inner: (of: Shape) => JsonSchema, open: boolean): JsonSchema {
  const entries = Object.entries(fields);
  return {
    type: 'object',
    title,
    properties: Object.fromEntries(entries.map(([key, field]) => [key, inner(field.kind === 'optional' ? field.of : field)])),
    required: entries.filter(([, field]) => field.kind !== 'optional').map(([key]) => key),
    additionalProperties: open,
  };
}
