import Joi from 'joi';
import { unkeepable } from '@viaggio/core/units';
import type { Fields, Shape } from '@viaggio/core/units';

/** Names in a record are words of a list, not texts. */
const MOST_KEY = 120;

/** Joi schemas by the shape they come from: built once, used at every request. */
const built = new WeakMap<Shape, Joi.Schema>();

/** The Joi schema of a shape. Nothing is converted: a number sent as text is an error, not a guess. */
export function toJoi(shape: Shape): Joi.Schema {
  let schema = built.get(shape);
  if (!schema) {
    const named = new Map<string, Joi.Schema>();
    schema = build(shape, named);
    for (const inner of named.values()) schema = (schema as Joi.ObjectSchema).shared(inner);
    schema = schema.prefs({ convert: false, abortEarly: false });
    built.set(shape, schema);
  }
  return schema;
}

function build(shape: Shape, named: Map<string, Joi.Schema>): Joi.Schema {
  switch (shape.kind) {
    case 'number': {
      const ranged = (shape.aboveMin ? Joi.number().greater(shape.min) : Joi.number().min(shape.min)).max(shape.max);
      return shape.integer ? ranged.integer() : ranged;
    }
    case 'text': {
      const plain = Joi.string().max(shape.maxLength).custom(storable);
      return shape.pattern ? plain.pattern(shape.pattern.regex) : plain;
    }
    case 'boolean':
      return Joi.boolean();
    case 'choice':
      return Joi.valid(...Object.keys(shape.options));
    case 'list':
      return Joi.array().items(build(shape.item, named)).min(shape.minItems).max(shape.maxItems);
    case 'tuple':
      return Joi.array()
        .ordered(...shape.items.map((item) => build(item, named).required()))
        .length(shape.items.length);
    case 'record':
      return Joi.object().pattern(Joi.string().max(MOST_KEY).custom(storable), build(shape.value, named)).max(shape.maxKeys);
    case 'object':
      return Joi.object(keys(shape.fields, named));
    case 'tagged': {
      const tags = Object.keys(shape.variants);
      const untagged: Joi.Schema = Joi.object({ [shape.tag]: Joi.valid(...tags).required() }).unknown();
      return Object.entries(shape.variants).reduceRight(
        (otherwise, [tag, fields]) =>
          Joi.alternatives().conditional(Joi.object({ [shape.tag]: Joi.valid(tag).required() }).unknown(), {
            then: Joi.object({ [shape.tag]: Joi.valid(tag).required(), ...keys(fields, named) }),
            otherwise,
          }),
        untagged,
      );
    }
    case 'any':
      return Joi.any().custom((value: unknown, helpers) => (unkeepable(value) ? helpers.error('string.unstorable') : value));
    case 'lazy':
      if (!named.has(shape.name)) {
        named.set(shape.name, Joi.any()); // stands in while the shape meets itself
        named.set(shape.name, build(shape.of(), named).id(shape.name));
      }
      return Joi.link(`#${shape.name}`);
  }
}

function keys(fields: Fields, named: Map<string, Joi.Schema>): Joi.SchemaMap {
  return Object.fromEntries(
    Object.entries(fields).map(([key, field]) => [
      key,
      field.kind === 'optional' ? build(field.of, named).optional() : build(field, named).required(),
    ]),
  );
}

/** PostgreSQL keeps neither the character NUL nor half a surrogate pair, and a name of blanks names nothing. */
function storable(value: string, helpers: Joi.CustomHelpers): string | Joi.ErrorReport {
  if (value.trim() === '') return helpers.error('string.empty');
  return value.includes('\0') || /\p{Surrogate}/u.test(value) ? helpers.error('string.unstorable') : value;
}
