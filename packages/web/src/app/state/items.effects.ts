import { Injectable, inject } from '@angular/core';
import { Router } from '@angular/router';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import type { Action } from '@ngrx/store';
import { Store } from '@ngrx/store';
import type { Rig } from '@viaggio/core';
import {
  EMPTY,
  catchError,
  concatMap,
  exhaustMap,
  filter,
  forkJoin,
  from,
  fromEvent,
  groupBy,
  map,
  mergeMap,
  of,
  startWith,
  switchMap,
  tap,
  timer,
} from 'rxjs';
import type { Observable } from 'rxjs';
import { Api } from '../api/api';
import type { Bodies, Kind, Problem, Saved } from '../api/api';
import { Items } from './items.actions';
import type { ItemRef } from './items.actions';
import { loadAfterFlush, rememberFlushed } from './flushed';
import { findEntry } from './items';
import type { Entry } from './items';
import { selectItems, selectUnsaved } from './items.selectors';

export const AUTOSAVE_AFTER_MS = 500;
export const RETRY_AFTER_MS = 3000;
/** Failures that pass by themselves. */
const PASSING = new Set(['unreachable', 'database-away', 'internal']);

@Injectable()
export class ItemsEffects {
  private readonly actions = inject(Actions);
  private readonly api = inject(Api);
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly items = this.store.selectSignal(selectItems);
  private readonly unsaved = this.store.selectSignal(selectUnsaved);

  readonly load = createEffect(() =>
    this.actions.pipe(
      ofType(Items.load, Items.demoWasReset),
      switchMap(() =>
        loadAfterFlush(() => forkJoin({ gear: this.api.list('gear'), rigs: this.api.list('rigs') })).pipe(
          map((loaded) => Items.loaded(loaded)),
          catchError((problem: Problem) => of(Items.loadFailed({ problem }))),
        ),
      ),
    ),
  );

  readonly reload = createEffect(() =>
    this.actions.pipe(
      ofType(Items.loadFailed),
      filter(({ problem }) => PASSING.has(problem.code)),
      switchMap(() => timer(RETRY_AFTER_MS).pipe(map(() => Items.load()))),
    ),
  );

  /** Each item is saved by itself: a moment after its last edit, one request at a time, always its newest state. */
  readonly autosave = createEffect(() =>
    this.actions.pipe(
      ofType(Items.edit, Items.undo, Items.redo, Items.saved, Items.saveFailed, Items.keepMine),
      mergeMap((action) => from(this.toSave(action))),
      groupBy(({ ref }) => `${ref.kind}/${ref.id}`),
      mergeMap((one) =>
        one.pipe(
          // a retry waits longer than an edit; whichever comes last decides
          switchMap(({ ref, waitMs }) => timer(waitMs).pipe(map(() => ref))),
          concatMap((ref) => this.save(ref)),
        ),
      ),
    ),
  );

  /** Leaving the page does not wait for the pause after an edit; the browser finishes these requests by itself. */
  readonly flush = createEffect(
    () =>
      fromEvent(window, 'pagehide').pipe(
        tap(() => {
          const edited = this.unsaved().filter(({ entry }) => entry.sync.is === 'edited');
          rememberFlushed(edited.map(({ kind, entry: { id, revision } }) => ({ kind, id, revision: revision + 1 })));
          for (const { kind, entry } of edited)
            this.api.save(kind, entry.id, entry.revision, entry.body as Bodies[typeof kind]).subscribe({ error: () => undefined });
        }),
      ),
    { dispatch: false },
  );

  readonly add = createEffect(() =>
    this.actions.pipe(
      ofType(Items.add),
      exhaustMap(({ part }) =>
        this.api.addPlan(part).pipe(
          map((added) => Items.added(added)),
          catchError((problem: Problem) => of(Items.addFailed({ problem }))),
        ),
      ),
    ),
  );

  readonly open = createEffect(
    () =>
      this.actions.pipe(
        ofType(Items.added),
        tap(({ rigs: [first] }) => first && void this.router.navigate(['/rigs', first.id])),
      ),
    { dispatch: false },
  );

  /** “Keep both” of a conflict: theirs stays, mine becomes a rig of its own. */
  readonly keepBoth = createEffect(() =>
    this.actions.pipe(
      ofType(Items.keepBoth),
      map(({ id, copyId }) => {
        const mine = this.items().past.at(-1);
        const body = mine?.id === id ? (mine.before as Rig) : undefined;
        return Items.add({
          part: { gear: [], rigs: body ? [{ id: copyId, body: { ...body, name: `${body.name} (mine)`.slice(0, 120) } }] : [] },
        });
      }),
    ),
  );

  readonly remove = createEffect(() =>
    this.actions.pipe(
      ofType(Items.remove),
      concatMap(({ kind, id, name }) => {
        const entry = findEntry(this.items(), kind, id);
        if (!entry) return EMPTY;
        return this.api.remove(kind, id, entry.revision).pipe(
          map(() => Items.removed({ kind, id, name })),
          catchError((problem: Problem) => of(Items.actFailed({ problem }))),
        );
      }),
    ),
  );

  readonly restore = createEffect(() =>
    this.actions.pipe(
      ofType(Items.restore),
      concatMap(({ kind, id }) =>
        this.api.restore(kind, id).pipe(
          map((saved) => Items.restored({ kind, saved })),
          catchError((problem: Problem) => of(Items.actFailed({ problem }))),
        ),
      ),
    ),
  );

  readonly resetDemo = createEffect(() =>
    this.actions.pipe(
      ofType(Items.resetDemo),
      exhaustMap(() =>
        this.api.resetDemo().pipe(
          map(() => Items.demoWasReset()),
          catchError((problem: Problem) => of(Items.actFailed({ problem }))),
        ),
      ),
    ),
  );

  /** What an action leaves to be saved, and how long to wait first. */
  private toSave(action: Action & Partial<ItemRef>): readonly { ref: ItemRef; waitMs: number }[] {
    if (action.type === Items.undo.type || action.type === Items.redo.type) {
      return this.unsaved().map(({ kind, entry }) => ({ ref: { kind, id: entry.id }, waitMs: AUTOSAVE_AFTER_MS }));
    }
    const { kind, id } = action as ItemRef;
    const sync = findEntry(this.items(), kind, id)?.sync;
    if (sync?.is === 'edited') return [{ ref: { kind, id }, waitMs: AUTOSAVE_AFTER_MS }];
    if (sync?.is === 'failed' && PASSING.has(sync.problem.code)) return [{ ref: { kind, id }, waitMs: RETRY_AFTER_MS }];
    return [];
  }

  private save({ kind, id }: ItemRef): Observable<Action> {
    const entry: Entry | undefined = findEntry(this.items(), kind, id);
    if (!entry || (entry.sync.is !== 'edited' && entry.sync.is !== 'failed')) return EMPTY;
    const { body: sent, revision } = entry;
    return this.api.save(kind, id, revision, sent as Bodies[typeof kind]).pipe(
      map((saved): Action => Items.saved({ kind, id, saved: saved as Saved<Bodies[Kind]>, sent })),
      catchError((problem: Problem) =>
        of(
          problem.code === 'revision-stale'
            ? Items.conflictFound({ kind, id, theirs: problem.current as Saved<Bodies[Kind]> })
            : Items.saveFailed({ kind, id, problem }),
        ),
      ),
      startWith(Items.saveStarted({ kind, id })),
    );
  }
}
