/**
 * One thing wrong with what came in, told so that a person can mend it.
 * `path` is a JSON Pointer (RFC 6901) into what was sent; the empty string is the whole of it.
 */
export interface Issue {
  readonly path: string;
  readonly code: string;
  readonly expected: string;
  readonly received: string;
  readonly message: string;
}

/**
 * Builds the one sentence of an issue from its parts, so that all issues read alike.
 *
 * @example issue('/outletW', 'too-low', '0 W or more', -1).message // 'outletW: expected 0 W or more; got -1.'
 */
export function issue(path: string, code: string, expected: string, received: unknown): Issue {
  const shown = showReceived(received);
  const field = path === '' ? 'The whole' : fieldName(path);
  return { path, code, expected, received: shown, message: `${field}: expected ${expected}; got ${shown}.` };
}

/** What came in, cut to a length that fits a message: 5 000 characters of text become their first 40 and a count. */
export function showReceived(received: unknown): string {
  if (received === undefined) return 'nothing';
  if (typeof received === 'string') {
    if (received.trim() === '') return 'an empty text';
    return received.length > 40 ? `“${received.slice(0, 40)}…” (${received.length} characters)` : `“${received}”`;
  }
  if (Array.isArray(received)) return `a list of ${received.length}`;
  if (received !== null && typeof received === 'object') return 'an object';
  // eslint-disable-next-line @typescript-eslint/no-base-to-string -- objects are told above
  return String(received);
}

/**
 * `['feeds', 0, 'maxA']` as `/feeds/0/maxA`.
 *
 * @example pointer(['gear', 0, 'name']) // '/gear/0/name'
 */
export function pointer(path: readonly (string | number)[]): string {
  return path.map((key) => `/${String(key).replaceAll('~', '~0').replaceAll('/', '~1')}`).join('');
}

function fieldName(path: string): string {
  return path.slice(1).replaceAll('/', '.').replaceAll('~1', '/').replaceAll('~0', '~');
}
