import { createReducer, on } from '@ngrx/store';
import { mergedBody } from '@viaggio/core/document';
import { KINDS } from '../api/api';
import type { Bodies, Kind } from '../api/api';
import { Items } from './items.actions';
import { NO_ITEMS, changeEntry, dropEntry, findEntry, initialItems, onlyEdits, putEntries, putSaved } from './items';
import type { Acting, Change, Entry, ItemsState, Step } from './items';

/** Edits of one field no further apart than this are one step for undo. */
const ONE_STEP_MS = 1500;
const MOST_STEPS = 200;

export const itemsReducer = createReducer(
  initialItems,
  on(Items.load, (state): ItemsState => (state.loading.is === 'loaded' ? state : { ...state, loading: { is: 'loading' } })),
  on(Items.loaded, (state, { saved }): ItemsState =>
    keepUnsaved(state, putSaved({ ...state, ...NO_ITEMS, loading: { is: 'loaded' } }, saved)),
  ),
  on(Items.loadFailed, (state, { problem }): ItemsState => ({ ...state, loading: { is: 'failed', problem } })),

  on(Items.edit, (state, { kind, id, body, field, at }) => {
    const before = findEntry(state, kind, id)?.body;
    // the step of an edit that goes on after a reload was kept too
    if (before && state.past.at(-1)?.changes.some((change) => change.id === id && change.after === body))
      return place(state, kind, id, body);
    return before ? remember(place(state, kind, id, body), { changes: [{ kind, id, before, after: body }], field, at }) : state;
  }),
  on(Items.undo, (state) => {
    const step = state.past.at(-1);
    if (!step || state.acting) return state;
    if (!onlyEdits(step)) return { ...state, acting: { step, how: 'undo' } };
    return stepped(
      step.changes.reduce((next, { kind, id, before }) => place(next, kind, id, before!), state),
      { step, how: 'undo' },
    );
  }),
  on(Items.redo, (state) => {
    const step = state.future.at(-1);
    if (!step || state.acting) return state;
    if (!onlyEdits(step)) return { ...state, acting: { step, how: 'redo' } };
    return stepped(
      step.changes.reduce((next, { kind, id, after }) => place(next, kind, id, after!), state),
      { step, how: 'redo' },
    );
  }),

  on(Items.stepsKept, (state, { past, future }): ItemsState => ({ ...state, past: [...past, ...state.past], future })),

  on(Items.saveStarted, (state, { kind, id }) => changeEntry(state, kind, id, { sync: { is: 'saving' } })),
  on(Items.saved, (state, { kind, id, saved, sent }) => {
    const unchanged = findEntry(state, kind, id)?.body === sent;
    return changeEntry(state, kind, id, { revision: saved.revision, sync: { is: unchanged ? 'saved' : 'edited' } });
  }),
  on(Items.saveFailed, (state, { kind, id, problem }) => changeEntry(state, kind, id, { sync: { is: 'failed', problem } })),
  on(Items.conflictFound, (state, { kind, id, theirs }) => changeEntry(state, kind, id, { sync: { is: 'conflict', theirs } })),
  on(Items.merge, (state, { kind, id, base, theirs }) => {
    const mine = findEntry(state, kind, id)?.body;
    const body = mine && mergedBody(kind, base as never, mine as never, theirs.body as never);
    if (!body) return changeEntry(state, kind, id, { sync: { is: 'conflict', theirs } });
    return rebased(changeEntry(state, kind, id, { body, revision: theirs.revision, sync: { is: 'edited' } }), kind, id, base, theirs.body);
  }),
  on(Items.seen, (state, { kind, id, now }) => {
    const entry = findEntry(state, kind, id);
    // what is being edited here meets the newer state when it is saved
    if (entry?.sync.is !== 'saved' || now.revision <= entry.revision) return state;
    return rebased(changeEntry(state, kind, id, { body: now.body, revision: now.revision }), kind, id, entry.body, now.body);
  }),
  on(Items.keepMine, (state, { kind, id, at }) => {
    const entry = findEntry(state, kind, id);
    if (entry?.sync.is !== 'conflict') return state;
    const { revision, body: theirs } = entry.sync.theirs;
    const kept = changeEntry(state, kind, id, { revision, sync: { is: 'edited' } });
    return remember(kept, { changes: [{ kind, id, before: theirs, after: entry.body }], field: 'conflict', at });
  }),
  on(Items.takeTheirs, (state, { kind, id, at }) => takeTheirs(state, kind, id, at)),
  on(Items.keepBoth, (state, { kind, id, at }) => takeTheirs(state, kind, id, at)),

  on(Items.change, (state, { step }): ItemsState => (state.acting ? state : { ...state, acting: { step, how: 'do' } })),
  on(Items.changed, (state, { acting, saved }): ItemsState => {
    const put = putSaved(state, saved);
    const gone = acting.step.changes.filter((change) => (acting.how === 'undo' ? change.before : change.after) === undefined);
    return {
      ...stepped(
        gone.reduce((next, { kind, id }) => dropEntry(next, kind, id), put),
        acting,
      ),
      acting: undefined,
    };
  }),
  on(Items.changeFailed, (state): ItemsState => ({ ...state, acting: undefined })),
  // what was edited is not wanted any more either
  on(Items.demoWasReset, (state): ItemsState => ({ ...state, ...NO_ITEMS, loading: { is: 'loading' }, past: [], future: [] })),
);

/**
 * What was edited here and is not on the server yet outlives a second load: it is saved over the revision it knows, and
 * becomes a conflict where there is a newer one.
 */
function keepUnsaved(before: ItemsState, loaded: ItemsState): ItemsState {
  return KINDS.reduce((next, kind) => putEntries(next, kind, unsaved(before, kind)), loaded);
}

function unsaved(state: ItemsState, kind: Kind): readonly Entry[] {
  return (Object.values(state[kind].entities) as (Entry | undefined)[])
    .filter((entry) => entry !== undefined)
    .filter(({ sync }) => sync.is !== 'saved');
}

/** Puts a body in place as an unsaved edit; a conflict stays a conflict until it is decided. */
function place(state: ItemsState, kind: Kind, id: string, body: Bodies[Kind]): ItemsState {
  const entry = findEntry(state, kind, id);
  if (!entry || entry.body === body) return state;
  return changeEntry(state, kind, id, { body, ...(entry.sync.is !== 'conflict' && { sync: { is: 'edited' } }) });
}

function remember(state: ItemsState, step: Step): ItemsState {
  const last = state.past.at(-1);
  const [one, before] = [step.changes[0], last?.changes[0]];
  const same = last?.changes.length === 1 && before?.kind === one?.kind && before?.id === one?.id && onlyEdits(last);
  if (!same || !one || !before || last.field !== step.field || step.at - last.at >= ONE_STEP_MS)
    return { ...state, past: [...state.past, step].slice(-MOST_STEPS), future: [] };
  const joined: Step = { ...step, changes: [{ ...one, ...(before.before && { before: before.before }) }] };
  return { ...state, past: [...state.past.slice(0, -1), joined], future: [] };
}

/** The step moved to where it belongs once it was made, undone or made again. */
function stepped(state: ItemsState, { step, how }: Acting): ItemsState {
  switch (how) {
    case 'do':
      return { ...state, past: [...state.past, step].slice(-MOST_STEPS), future: [] };
    case 'undo':
      return { ...state, past: state.past.slice(0, -1), future: [...state.future, step] };
    case 'redo':
      return { ...state, past: [...state.past, step], future: state.future.slice(0, -1) };
  }
}

/** Steps on an item as they are over a newer state of it: undo takes back what was done here, and nothing of what others did. */
function rebased(state: ItemsState, kind: Kind, id: string, base: Bodies[Kind], theirs: Bodies[Kind]): ItemsState {
  const over = (body: Bodies[Kind] | undefined): Bodies[Kind] | undefined =>
    body && (mergedBody(kind, base as never, body as never, theirs as never) ?? body);
  const change = (one: Change): Change => {
    if (one.id !== id || one.kind !== kind) return one;
    const [before, after] = [over(one.before), over(one.after)];
    return { kind, id, ...(before && { before }), ...(after && { after }) };
  };
  const step = (one: Step): Step => ({ ...one, changes: one.changes.map(change) });
  return { ...state, past: state.past.map(step), future: state.future.map(step) };
}

/** Whichever state is kept, undo brings the other. */
function takeTheirs(state: ItemsState, kind: Kind, id: string, at: number): ItemsState {
  const entry = findEntry(state, kind, id);
  if (entry?.sync.is !== 'conflict') return state;
  const { revision, body } = entry.sync.theirs;
  const taken = changeEntry(state, kind, id, { body, revision, sync: { is: 'saved' } });
  return remember(taken, { changes: [{ kind, id, before: entry.body, after: body }], field: 'conflict', at });
}
