import type { Unit } from '../quantity';

/**
 * One description of a thing, from which all others come: its TypeScript type (`Infer`), the check at the server's
 * edge, its JSON Schema, its OpenAPI entry, and the label, unit and range of its field on the screen.
 */
export type Shape =
  | NumberShape
  | TextShape
  | BooleanShape
  | ChoiceShape<string>
  | ListShape<Shape>
  | TupleShape
  | ObjectShape<Fields>
  | RecordShape
  | TaggedShape<string, Variants>
  | LazyShape
  | AnyShape;

export interface NumberShape {
  readonly kind: 'number';
  readonly title: string;
  readonly unit: Unit;
  /** Smallest and greatest value allowed, both included unless `aboveMin`. */
  readonly min: number;
  readonly max: number;
  readonly aboveMin: boolean;
  readonly integer: boolean;
}
export interface TextShape {
  readonly kind: 'text';
  readonly title: string;
  readonly maxLength: number;
  readonly pattern?: { readonly regex: RegExp; readonly says: string };
}
export interface BooleanShape {
  readonly kind: 'boolean';
  readonly title: string;
}
export interface ChoiceShape<T extends string> {
  readonly kind: 'choice';
  readonly title: string;
  /** Each allowed value with the words a person reads for it. */
  readonly options: Readonly<Record<T, string>>;
}
export interface ListShape<S extends Shape> {
  readonly kind: 'list';
  readonly title: string;
  readonly item: S;
  readonly minItems: number;
  readonly maxItems: number;
}
/** A list of fixed length: `[soc, volts]`. */
export interface TupleShape {
  readonly kind: 'tuple';
  readonly title: string;
  readonly items: readonly NumberShape[];
}
/** Any names as keys, one shape of value. */
export interface RecordShape {
  readonly kind: 'record';
  readonly title: string;
  readonly value: NumberShape;
  readonly maxKeys: number;
}
export interface OptionalShape<S extends Shape> {
  readonly kind: 'optional';
  readonly of: S;
}
export type Fields = Readonly<Record<string, Shape | OptionalShape<Shape>>>;
export interface ObjectShape<F extends Fields> {
  readonly kind: 'object';
  readonly title: string;
  readonly fields: F;
}
export type Variants = Readonly<Record<string, Fields>>;
/** One of several objects, told apart by the text in the field named `tag`. */
export interface TaggedShape<K extends string, V extends Variants> {
  readonly kind: 'tagged';
  readonly title: string;
  readonly tag: K;
  readonly variants: V;
}
/** A shape that holds itself, such as a feed of feeds. `name` stands for it in schemas. */
export interface LazyShape {
  readonly kind: 'lazy';
  readonly title: string;
  readonly name: string;
  readonly of: () => Shape;
}

/** Anything at all: kept, never read. */
export interface AnyShape {
  readonly kind: 'any';
  readonly title: string;
}

type NumberOptions = { min?: number; max: number; above?: number; integer?: boolean };

/**
 * A figure in a unit. `above: 0` shuts 0 out; `min: 0` lets it in.
 *
 * @example number('Watts', 'W', { max: 100 }).max // 100
 */
export function number(title: string, unit: Unit, { min = 0, max, above, integer = false }: NumberOptions): NumberShape {
  return { kind: 'number', title, unit, min: above ?? min, max, aboveMin: above !== undefined, integer };
}
/**
 * A field of text, of so many characters at most; `pattern` says what may stand in it.
 *
 * @example text('Name', 40).title // 'Name'
 */
export function text(title: string, maxLength: number, pattern?: TextShape['pattern']): TextShape {
  return { kind: 'text', title, maxLength, ...(pattern && { pattern }) };
}
/**
 * A field that is yes or no.
 *
 * @example flag('Marked').title // 'Marked'
 */
export function flag(title: string): BooleanShape {
  return { kind: 'boolean', title };
}
/**
 * A field of one of several, each with what it is called.
 *
 * @example choice('Size', { s: 'Small', l: 'Large' }).options.s // 'Small'
 */
export function choice<const T extends string>(title: string, options: Readonly<Record<T, string>>): ChoiceShape<T> {
  return { kind: 'choice', title, options };
}
/**
 * Several of one kind, at most so many.
 *
 * @example list('Names', text('Name', 40), { max: 3 }).item.title // 'Name'
 */
export function list<S extends Shape>(title: string, item: S, { min = 0, max }: { min?: number; max: number }): ListShape<S> {
  return { kind: 'list', title, item, minItems: min, maxItems: max };
}
export function tuple(title: string, items: readonly NumberShape[]): TupleShape {
  return { kind: 'tuple', title, items };
}
export function record(title: string, value: NumberShape, maxKeys: number): RecordShape {
  return { kind: 'record', title, value, maxKeys };
}
/**
 * Several fields together.
 *
 * @example object('Thing', { name: text('Name', 40) }).title // 'Thing'
 */
export function object<F extends Fields>(title: string, fields: F): ObjectShape<F> {
  return { kind: 'object', title, fields };
}
export function tagged<const K extends string, V extends Variants>(title: string, tag: K, variants: V): TaggedShape<K, V> {
  return { kind: 'tagged', title, tag, variants };
}
/**
 * A field that may be absent.
 *
 * @example optional(flag('Marked')).of.title // 'Marked'
 */
export function optional<S extends Shape>(of: S): OptionalShape<S> {
  return { kind: 'optional', of };
}

type Flat<T> = { readonly [K in keyof T]: T[K] };
type InferFields<F extends Fields> = Flat<
  { [K in keyof F as F[K] extends OptionalShape<Shape> ? never : K]: F[K] extends Shape ? Infer<F[K]> : never } & {
    [K in keyof F as F[K] extends OptionalShape<Shape> ? K : never]?: F[K] extends OptionalShape<infer S> ? Infer<S> : never;
  }
>;
type InferVariants<K extends string, V extends Variants> = { [T in keyof V]: Flat<{ readonly [P in K]: T } & InferFields<V[T]>> }[keyof V];

/** The TypeScript type of what a shape describes. */
export type Infer<S extends Shape> = S extends NumberShape
  ? number
  : S extends TextShape
    ? string
    : S extends BooleanShape
      ? boolean
      : S extends ChoiceShape<infer T>
        ? T
        : S extends ListShape<infer I>
          ? readonly Infer<I>[]
          : S extends ObjectShape<infer F>
            ? InferFields<F>
            : S extends TaggedShape<infer K, infer V>
              ? InferVariants<K, V>
              : S extends RecordShape
                ? Readonly<Record<string, number>>
                : unknown;
