/** Changes to a body: a field that is given changes, one that is given as undefined is taken out. */
export type Changes<T> = { readonly [K in keyof T]?: T[K] | undefined };

/**
 * A copy with the changes in. What was never there stays away, so that a body says "not entered" in one way only.
 *
 * @example withChanges({ name: 'Quay', outletW: 100 }, { outletW: undefined }) // { name: 'Quay' }
 */
export function withChanges<T extends object>(body: T, changes: Changes<T>): T {
  return Object.fromEntries(Object.entries({ ...body, ...changes }).filter(([, value]) => value !== undefined)) as T;
}
