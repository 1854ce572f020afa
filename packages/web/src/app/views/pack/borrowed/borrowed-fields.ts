import { borrowedShape } from '@viaggio/core/gear';

/** The fields of what is borrowed, by name. */
export const BORROWED = {
  from: borrowedShape.fields.from,
  state: borrowedShape.fields.out.of.fields.state.of,
} as const;
