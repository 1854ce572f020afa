import type { Sized, SizeSaid } from '../../../bench/size';
import { saySize } from './size-words';

/**
 * A size as documents, the command and pages show it: its sentences said, everything else as it was worked out.
 *
 * @example tellSize(SIZE_TOOLS.fuse.size({ continuousA: 4, wireMaxA: 6 })).fuseA // 5
 */
export function tellSize(size: Sized<object>): { readonly [field: string]: unknown } {
  if ('error' in size) return { ...size, error: saySize(size.error) };
  const { formula, warnings, ...rest } = size;
  const { reasons } = rest as { readonly reasons?: readonly SizeSaid[] };
  return { ...rest, ...(reasons && { reasons: reasons.map(saySize) }), formula: saySize(formula), warnings: warnings.map(saySize) };
}

/**
 * What is kept with a thing that was built by a size: when, and how its figures came about.
 *
 * @example sayBuilt('2026-01-12', SIZE_TOOLS.fuse.size({ continuousA: 4, wireMaxA: 6 })) // 'Built 2026-01-12. 1.25 × 4 A = 5 A at least, 6 A at most (wire); sold: 1, 2, 3, 4, 5, 7.5, 10, 15, 20 A'
 */
export function sayBuilt(at: string, size: Sized<object>): string {
  return 'error' in size ? `Built ${at}.` : `Built ${at}. ${saySize(size.formula)}`.slice(0, MOST_NOTE);
}

/** Letters that a note of the kit has room for. */
const MOST_NOTE = 500;
