/**
 * Something a room says, as data: a code, and the numbers that its sentence needs. `M` has the numbers by code; `words` has
 * the sentence of each, in a map that does not compile when one is missing.
 */
export type Said<M> = { readonly [K in keyof M]: { readonly code: K; readonly numbers: M[K] } }[keyof M];

/** Of a code that needs none. */
export type NoNumbers = Readonly<Record<string, never>>;

const NO_NUMBERS: NoNumbers = {};

/**
 * A code with its numbers.
 *
 * @example said('too-long', { lengthM: 3 }) // { code: 'too-long', numbers: { lengthM: 3 } }
 */
export function said<C extends string, const N extends object>(code: C, numbers: N): { readonly code: C; readonly numbers: N };
export function said<C extends string>(code: C): { readonly code: C; readonly numbers: NoNumbers };
export function said(code: string, numbers: object = NO_NUMBERS): { readonly code: string; readonly numbers: object } {
  return { code, numbers };
}
