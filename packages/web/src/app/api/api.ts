import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { PLAN_KINDS } from '@viaggio/core/document';
import type { ItemBodies, PlanKind, Saved, SavedRevision } from '@viaggio/core/document';
import type { Issue } from '@viaggio/core/units';
import { inWorld } from './world';
import { catchError, throwError } from 'rxjs';
import type { Observable } from 'rxjs';

/** What the server keeps, by kind. */
export type Bodies = ItemBodies;
export type Kind = PlanKind;
export const KINDS = PLAN_KINDS;

export type { Saved, SavedRevision };

/** Of kinds that are not named there are none. */
export type SavedItems = { readonly [K in Kind]?: readonly Saved<Bodies[K]>[] };

/** What an imported document held beside its items, and what it says was deleted and is still named. */
export interface Beside {
  readonly rest?: object;
  readonly deleted?: object;
}

/** A plan document taken apart. */
export type ReadItems = { readonly [K in Kind]?: readonly { readonly id: string; readonly body: Bodies[K] }[] } & Beside;

/** One item of a step: new without a revision, deleted without a body. */
export interface ChangeRequest {
  readonly kind: Kind;
  readonly id: string;
  readonly revision?: number;
  readonly body?: Bodies[Kind];
}

/** Why a request failed: the server's problem details (RFC 9457), or `unreachable` when it did not answer at all. */
export interface Problem {
  readonly code: string;
  readonly title: string;
  readonly detail: string;
  readonly remedy: string;
  readonly issues?: readonly Issue[];
  readonly current?: unknown;
}

/** Browsers refuse a request that outlives its page when its body is larger than 64 KiB (Fetch, section 4.5). */
const KEEPALIVE_BYTES = 60 * 1024;

function fitsKeepalive(body: unknown): boolean {
  return new Blob([JSON.stringify(body)]).size <= KEEPALIVE_BYTES;
}

/** The server's API over HTTP. Every error is a `Problem`. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  list<K extends Kind>(kind: K): Observable<readonly Saved<Bodies[K]>[]> {
    return told(this.http.get<readonly Saved<Bodies[K]>[]>(`/api/${kind}`));
  }

  item<K extends Kind>(kind: K, id: string): Observable<Saved<Bodies[K]>> {
    return told(this.http.get<Saved<Bodies[K]>>(`/api/${kind}/${id}`));
  }

  /** `leaving`: the page is about to go, so the browser is to finish the request by itself. */
  save<K extends Kind>(kind: K, id: string, revision: number, body: Bodies[K], { leaving = false } = {}): Observable<Saved<Bodies[K]>> {
    const options = { headers: { 'If-Match': `"${revision}"` }, keepalive: leaving && fitsKeepalive(body) };
    return told(this.http.put<Saved<Bodies[K]>>(`/api/${kind}/${id}`, body, options));
  }

  /** All of it, or none. */
  change(changes: readonly ChangeRequest[], beside?: Beside): Observable<SavedItems> {
    const of = (wanted: Kind) => changes.filter(({ kind }) => kind === wanted).map(({ kind: _kind, ...change }) => change);
    const named = KINDS.map((kind) => [kind, of(kind)] as const).filter(([, own]) => own.length > 0);
    return told(this.http.post<SavedItems>('/api/changes', { ...Object.fromEntries(named), ...beside }));
  }

  /** Every state an item was saved in, the newest first. */
  revisions<K extends Kind>(kind: K, id: string): Observable<readonly SavedRevision<Bodies[K]>[]> {
    return told(this.http.get<readonly SavedRevision<Bodies[K]>[]>(`/api/${kind}/${id}/revisions`));
  }

  /** A plan document's items as they would be kept; nothing is. */
  readPlan(document: unknown): Observable<ReadItems> {
    return told(this.http.post<ReadItems>('/api/plan/read', document));
  }

  exportPlan(): Observable<object> {
    return told(this.http.get<object>('/api/plan'));
  }

  /** Identifiers of a piece of gear's photographs, the oldest first. */
  photos(gearId: string): Observable<readonly { readonly id: string }[]> {
    return told(this.http.get<readonly { readonly id: string }[]>(`/api/gear/${gearId}/photos`));
  }

  keepPhoto(id: string, gearId: string, jpeg: Blob): Observable<unknown> {
    return told(this.http.put(`/api/photos/${id}`, jpeg, { params: { gear: gearId }, headers: { 'Content-Type': 'image/jpeg' } }));
  }

  deletePhoto(id: string): Observable<unknown> {
    return told(this.http.delete(`/api/photos/${id}`));
  }

  /** Of the demo crew, whatever world the pages are of. */
  listOfDemo<K extends Kind>(kind: K): Observable<readonly Saved<Bodies[K]>[]> {
    return told(this.http.get<readonly Saved<Bodies[K]>[]>(inWorld(`/api/${kind}`, 'demo')));
  }

  /** From the demo crew to one's own side, with what it names. */
  copyToOwn(kind: Kind, id: string): Observable<SavedItems> {
    return told(this.http.post<SavedItems>(`${location.origin}${inWorld('/api/demo/copy', 'own')}`, { kind, id }));
  }

  resetDemo(): Observable<unknown> {
    return told(this.http.post('/api/demo/reset', null));
  }
}

/** Errors of a request as problems. */
export function told<T>(request: Observable<T>): Observable<T> {
  return request.pipe(catchError((error: unknown) => throwError(() => toProblem(error))));
}

/** What went wrong with a request, as a person is told. */
export function toProblem(error: unknown): Problem {
  if (error instanceof HttpErrorResponse && typeof error.error === 'object' && error.error !== null && 'code' in error.error) {
    return error.error as Problem;
  }
  return {
    code: 'unreachable',
    title: 'No connection',
    detail: 'Viaggio’s server did not answer.',
    remedy: 'Kept here until there is one: it is tried again by itself.',
  };
}
