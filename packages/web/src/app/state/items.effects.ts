import { Injectable, inject } from '@angular/core';
import { Router } from '@angular/router';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import type { Action } from '@ngrx/store';
import { Store } from '@ngrx/store';
import type { Day } from '@viaggio/core/day';
import { byKind, ITEM_KINDS } from '@viaggio/core/document';
import type { Rig } from '@viaggio/core/gear';
import {
  EMPTY,
  catchError,
  concatMap,
  exhaustMap,
  filter,
  finalize,
  forkJoin,
  from,
  fromEvent,
  groupBy,
  map,
  mergeMap,
  of,
  startWith,
  switchMap,
  take,
  tap,
  timer,
} from 'rxjs';
import type { Observable } from 'rxjs';
import { Api } from '../api/api';
import type { Bodies, ChangeRequest, Kind, Problem, Saved } from '../api/api';
import { Items } from './items.actions';
import type { ItemRef } from './items.actions';
import { findEntry } from './items';
import type { Acting, Change, Entry, ItemsState } from './items';
import { selectItems, selectUnsaved } from './items.selectors';
import { isSameBody, leaveBehind, missingEdits } from './left-behind';
import { bodiesAfter, keepSteps, takeKeptSteps } from './kept-steps';
import type { Steps } from './kept-steps';

export const AUTOSAVE_AFTER_MS = 500;
export const RETRY_AFTER_MS = 3000;
/** Failures that pass by themselves. */
const PASSING = new Set(['unreachable', 'database-away', 'internal']);

/** Where an item that was just made is opened. */
const OPENED: { readonly [K in Kind]?: string } = { rigs: '/rigs', days: '/days', trips: '/pack/trips' };

@Injectable()
export class ItemsEffects {
  private readonly actions = inject(Actions);
  private readonly api = inject(Api);
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly items = this.store.selectSignal(selectItems);
  private readonly unsaved = this.store.selectSignal(selectUnsaved);
  /** What is being saved, by item; and what was when the page was left before, which is no one else’s work if it arrives now. */
  private readonly onItsWay = new Map<string, Bodies[Kind]>();
  private readonly fromBefore = new Map<string, Bodies[Kind]>();

  readonly load = createEffect(() =>
    this.actions.pipe(
      ofType(Items.load, Items.demoWasReset),
      switchMap(() =>
        forkJoin(this.lists()).pipe(
          map((saved) => Items.loaded({ saved })),
          catchError((problem: Problem) => of(Items.loadFailed({ problem }))),
        ),
      ),
    ),
  );

  /** What was left in the middle of an edit goes on here: as an edit, or as a conflict where somebody else was there first. */
  readonly resume = createEffect(() =>
    this.actions.pipe(
      ofType(Items.loaded),
      mergeMap(({ saved }) => {
        const missing = missingEdits(saved);
        const steps = takeKeptSteps(
          bodiesAfter(
            saved,
            missing.map(({ edit }) => edit),
          ),
        );
        const resumed = missing.flatMap(({ edit: { kind, id, body, onItsWay }, loaded, isStale }): Action[] => {
          if (onItsWay) this.fromBefore.set(keyOf({ kind, id }), onItsWay);
          return [
            Items.edit({ kind, id, body: sameAs(steps, id, body), field: 'left-behind', at: Date.now() }),
            ...(isStale ? [Items.conflictFound({ kind, id, theirs: loaded })] : []),
          ];
        });
        return [...(steps.past.length + steps.future.length > 0 ? [Items.stepsKept(steps)] : []), ...resumed];
      }),
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
      ofType(Items.edit, Items.undo, Items.redo, Items.saved, Items.saveFailed, Items.keepMine, Items.merge),
      mergeMap((action) => from(this.toSave(action))),
      groupBy(({ ref }) => keyOf(ref)),
      mergeMap((one) =>
        one.pipe(
          // a retry waits longer than an edit; whichever comes last decides
          switchMap(({ ref, waitMs }) => timer(waitMs).pipe(map(() => ref))),
          concatMap((ref) => this.save(ref)),
        ),
      ),
    ),
  );

  /**
   * Leaving the page does not wait for the pause after an edit: the browser is to finish these requests by itself, and what
   * does not arrive, or not in time for the next load, is kept here.
   */
  readonly leave = createEffect(
    () =>
      fromEvent(window, 'pagehide').pipe(
        tap(() => {
          keepSteps(this.items());
          const mine = this.unsaved().filter(({ entry: { sync } }) => sync.is !== 'conflict');
          leaveBehind(
            mine.map(({ kind, entry: { id, revision, body } }) => {
              const onItsWay = this.onItsWay.get(keyOf({ kind, id }));
              return { kind, id, revision, body, ...(onItsWay && onItsWay !== body && { onItsWay }) };
            }),
          );
          for (const { kind, entry } of mine.filter(({ entry: { sync } }) => sync.is === 'edited'))
            this.api.save(kind, entry.id, entry.revision, entry.body, { leaving: true }).subscribe({ error: () => undefined });
        }),
      ),
    { dispatch: false },
  );

  /** A step that puts or takes away items is made by the server as a whole; only then it shows, and can be undone as one. */
  readonly change = createEffect(() =>
    this.actions.pipe(
      ofType(Items.change, Items.undo, Items.redo),
      exhaustMap((action) => {
        const { acting } = this.items();
        if (!acting) return EMPTY;
        const { open, beside } = action.type === Items.change.type ? action : {};
        return this.untilQuiet(acting).pipe(
          switchMap(() => this.api.change(requestOf(this.items(), acting), beside)),
          map((saved) => Items.changed({ acting, saved, ...(open !== undefined && { open }) })),
          catchError((problem: Problem) => of(Items.changeFailed({ problem }))),
        );
      }),
    ),
  );

  readonly open = createEffect(
    () =>
      this.actions.pipe(
        ofType(Items.changed),
        tap(({ acting, open }) => {
          if (open === undefined) return;
          const kind = acting.step.changes.find(({ id }) => id === open)?.kind;
          void this.router.navigate([(kind && OPENED[kind]) ?? '/rigs', open]);
        }),
      ),
    { dispatch: false },
  );

  /** “Keep both” of a conflict: theirs stays, mine becomes a rig or a day of its own. */
  readonly keepBoth = createEffect(() =>
    this.actions.pipe(
      ofType(Items.keepBoth),
      mergeMap(({ kind, id, copyId, at }) => {
        const mine = this.items()
          .past.at(-1)
          ?.changes.find((change) => change.id === id)?.before as Rig | Day | undefined;
        if (!mine) return EMPTY;
        const change = { kind, id: copyId, after: { ...mine, name: `${mine.name} (mine)`.slice(0, 120) } } as Change;
        return of(Items.change({ step: { changes: [change], field: 'keep-both', at }, open: copyId }));
      }),
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

  private lists(): { [K in Kind]: Observable<readonly Saved<Bodies[K]>[]> } {
    return byKind((kind) => this.api.list(kind)) as { [K in Kind]: Observable<readonly Saved<Bodies[K]>[]> };
  }

  /** A save that is on its way, or about to be, would make the revisions stale that a step is based on. */
  private untilQuiet({ step }: Acting): Observable<unknown> {
    const busy = (state: ItemsState): boolean =>
      step.changes.some(({ kind, id }) => {
        const is = findEntry(state, kind, id)?.sync.is;
        return is === 'saving' || is === 'edited';
      });
    return this.store.select(selectItems).pipe(
      filter((state) => !busy(state)),
      take(1),
    );
  }

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

  /** Of kinds that can be put together what both began with is asked for; else, and where it is gone, a person decides. */
  private asMerged({ kind, id }: ItemRef, revision: number, theirs: Saved<Bodies[Kind]>): Observable<Action> {
    const conflict = Items.conflictFound({ kind, id, theirs });
    if (!ITEM_KINDS[kind].merge) return of(conflict);
    return this.api.revisions(kind, id).pipe(
      map((all) => {
        const base = all.find((one) => one.revision === revision)?.body;
        return base ? Items.merge({ kind, id, base, theirs }) : conflict;
      }),
      catchError(() => of(conflict)),
    );
  }

  private save({ kind, id }: ItemRef): Observable<Action> {
    const entry: Entry | undefined = findEntry(this.items(), kind, id);
    if (!entry || (entry.sync.is !== 'edited' && entry.sync.is !== 'failed')) return EMPTY;
    const { body: sent, revision } = entry;
    const key = keyOf({ kind, id });
    this.onItsWay.set(key, sent);
    return this.api.save(kind, id, revision, sent).pipe(
      map((saved): Action => Items.saved({ kind, id, saved: saved, sent })),
      catchError((problem: Problem): Observable<Action> => {
        if (problem.code !== 'revision-stale') return of(Items.saveFailed({ kind, id, problem }));
        const theirs = problem.current as Saved<Bodies[Kind]>;
        // sent on leaving, and arrived after the next load
        if (isSameBody(kind, theirs.body, sent)) return of(Items.saved({ kind, id, saved: theirs, sent }));
        const before = this.fromBefore.get(key);
        if (before && isSameBody(kind, theirs.body, before)) return of(Items.saved({ kind, id, saved: theirs, sent: before }));
        return this.asMerged({ kind, id }, revision, theirs);
      }),
      startWith(Items.saveStarted({ kind, id })),
      finalize(() => this.onItsWay.delete(key)),
    );
  }
}

function keyOf({ kind, id }: ItemRef): string {
  return `${kind}/${id}`;
}

/** A step as the server takes it: new items without a revision, deletions without a body. */
function requestOf(state: ItemsState, { step, how }: Acting): readonly ChangeRequest[] {
  return step.changes.flatMap(({ kind, id, before, after }): ChangeRequest[] => {
    const body = how === 'undo' ? before : after;
    const entry = findEntry(state, kind, id);
    if (!body && !entry) return [];
    return [{ kind, id, ...(entry && { revision: entry.revision }), ...(body && { body }) }];
  });
}

/** The very body of the last step where it says the same: the edit that goes on is that step. */
function sameAs({ past }: Steps, id: string, body: Bodies[Kind]): Bodies[Kind] {
  const last = past.at(-1)?.changes.find((change) => change.id === id);
  return last?.after && isSameBody(last.kind, last.after, body) ? last.after : body;
}
