import { defer, map, retry, timer } from 'rxjs';
import type { Observable } from 'rxjs';
import type { Kind, Saved } from '../api/api';

/** What was sent on leaving the page, and the revision that each will have once it has arrived. */
export interface Flushed {
  readonly kind: Kind;
  readonly id: string;
  readonly revision: number;
}

type Lists = Readonly<Record<Kind, readonly Pick<Saved<unknown>, 'id' | 'revision'>[]>>;

const KEY = 'viaggio-flushed';
const WAIT_MS = 200;
const TRIES = 10;

export function rememberFlushed(flushed: readonly Flushed[]): void {
  if (flushed.length > 0) sessionStorage.setItem(KEY, JSON.stringify(flushed));
}

/**
 * Loads, and loads again while what this tab sent on leaving has not arrived: a quick reload would otherwise show the
 * state before the last edit. After two seconds what is there counts.
 */
export function loadAfterFlush<L extends Lists>(load: () => Observable<L>): Observable<L> {
  const flushed = JSON.parse(sessionStorage.getItem(KEY) ?? '[]') as readonly Flushed[];
  sessionStorage.removeItem(KEY);
  if (flushed.length === 0) return load();
  let tries = 0;
  return defer(load).pipe(
    map((lists) => {
      const late = flushed.some(({ kind, id, revision }) => lists[kind].some((item) => item.id === id && item.revision < revision));
      if (late && tries++ < TRIES) throw new Late();
      return lists;
    }),
    retry({
      delay: (error: unknown) => {
        if (error instanceof Late) return timer(WAIT_MS);
        throw error;
      },
    }),
  );
}

class Late extends Error {}
