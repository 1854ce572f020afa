/** Levels of lists and objects within one another that are kept: the deepest plan has a dozen, a network of feeds some dozens. */
export const MOST_DEEP = 64;

/**
 * Why a value cannot be kept, as what was expected instead, with the JSON Pointer to where; undefined where it can. What is
 * kept has a bounded depth, and no name or text with a character that databases refuse (NUL, half a surrogate pair). Walks
 * without recursion: nothing is too deep for it.
 *
 * @example unkeepable({ a: [1, 'two'] }) // undefined
 * @example unkeepable({ 'a\0': 1 }).expected // 'a name without control characters'
 */
export function unkeepable(value: unknown): { readonly path: string; readonly expected: string } | undefined {
  const left: { readonly value: unknown; readonly path: readonly string[] }[] = [{ value, path: [] }];
  const at = (path: readonly string[]): string => path.map((key) => `/${key.replaceAll('~', '~0').replaceAll('/', '~1')}`).join('');
  for (let next = left.pop(); next; next = left.pop()) {
    const { value: one, path } = next;
    if (typeof one === 'string' && !isKeepable(one)) return { path: at(path), expected: 'text without control characters' };
    if (typeof one !== 'object' || one === null) continue;
    if (path.length >= MOST_DEEP) return { path: at(path.slice(0, 4)), expected: `at most ${MOST_DEEP} levels` };
    for (const [key, inner] of Object.entries(one)) {
      if (!isKeepable(key)) return { path: at(path), expected: 'a name without control characters' };
      left.push({ value: inner, path: [...path, key] });
    }
  }
  return undefined;
}

function isKeepable(text: string): boolean {
  return !text.includes('\0') && !/\p{Surrogate}/u.test(text);
}
