import type { SizeSaid } from './says';
/** How a size came about: its formula with the numbers in it, and what to mind beside it. */
export interface Explained {
  readonly formula: SizeSaid;
  readonly warnings: readonly SizeSaid[];
}

/** A question that nothing can answer: why, and by which of its fields. `path` is a JSON Pointer. */
export interface Impossible {
  readonly error: SizeSaid;
  readonly path: string;
}

export type Sized<T> = (T & Explained) | Impossible;

/** So many figures, without noughts at the end: for formulas, where a unit stands beside it. */
export function figures(value: number, digits = 3): string {
  return String(Number(value.toPrecision(digits)));
}
