export { isWithin, readField } from './check-number';
export { describe } from './describe';
export { differences, isSameValue } from './differences';
export { toJsonSchema } from './json-schema';
export type { JsonSchema } from './json-schema';
export { missingFields } from './missing-fields';
export { unkeepable } from './plain-data';
export { choice, flag, list, number, object, optional, record, tagged, text, tuple } from './shape';
export type {
  AnyShape,
  ChoiceShape,
  Fields,
  Infer,
  LazyShape,
  ListShape,
  NumberShape,
  ObjectShape,
  OptionalShape,
  Shape,
  TextShape,
} from './shape';
export { withChanges } from './with-changes';
export type { Changes } from './with-changes';
