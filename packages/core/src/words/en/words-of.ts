import type { Said } from '../../said';

/** A sentence for each code of a room; does not compile where one is missing, or asks for a number that is not there. */
export type WordsOf<M> = { readonly [K in keyof M]: (numbers: M[K]) => string };

/** What says anything that a room says, by its map of words. */
export function sayer<M>(words: WordsOf<M>): (said: Said<M>) => string {
  return ({ code, numbers }) => words[code](numbers);
}
