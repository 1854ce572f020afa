import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Gear, Issue, PlanPart, Rig } from '@viaggio/core';
import { catchError, throwError } from 'rxjs';
import type { Observable } from 'rxjs';

/** What the server keeps, by kind. */
export interface Bodies {
  readonly gear: Gear;
  readonly rigs: Rig;
}
export type Kind = keyof Bodies;

export interface Saved<T> {
  readonly id: string;
  readonly revision: number;
  readonly origin: 'demo' | 'own';
  readonly updatedAt: string;
  readonly body: T;
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

/** The server's API over HTTP. Every error is a `Problem`. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  list<K extends Kind>(kind: K): Observable<readonly Saved<Bodies[K]>[]> {
    return told(this.http.get<readonly Saved<Bodies[K]>[]>(`/api/${kind}`));
  }

  save<K extends Kind>(kind: K, id: string, revision: number, body: Bodies[K]): Observable<Saved<Bodies[K]>> {
    return told(this.http.put<Saved<Bodies[K]>>(`/api/${kind}/${id}`, body, { headers: { 'If-Match': `"${revision}"` }, keepalive: true }));
  }

  remove(kind: Kind, id: string, revision: number): Observable<void> {
    return told(this.http.delete<undefined>(`/api/${kind}/${id}`, { headers: { 'If-Match': `"${revision}"` } }));
  }

  restore<K extends Kind>(kind: K, id: string): Observable<Saved<Bodies[K]>> {
    return told(this.http.post<Saved<Bodies[K]>>(`/api/${kind}/${id}/restore`, null));
  }

  addPlan(part: PlanPart): Observable<{ readonly gear: readonly Saved<Gear>[]; readonly rigs: readonly Saved<Rig>[] }> {
    return told(this.http.post<{ gear: Saved<Gear>[]; rigs: Saved<Rig>[] }>('/api/plan', part));
  }

  resetDemo(): Observable<unknown> {
    return told(this.http.post('/api/demo/reset', null));
  }
}

function told<T>(request: Observable<T>): Observable<T> {
  return request.pipe(catchError((error: unknown) => throwError(() => toProblem(error))));
}

function toProblem(error: unknown): Problem {
  if (error instanceof HttpErrorResponse && typeof error.error === 'object' && error.error !== null && 'code' in error.error) {
    return error.error as Problem;
  }
  return {
    code: 'unreachable',
    title: 'The server is not answering',
    detail: 'Viaggio’s server did not answer.',
    remedy: 'Nothing is lost: it is tried again by itself. Is “npm start” still running?',
  };
}
