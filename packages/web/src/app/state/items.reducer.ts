import { createReducer, on } from '@ngrx/store';
import type { Bodies, Kind } from '../api/api';
import { Items } from './items.actions';
import { changeEntry, dropEntry, entryOf, findEntry, initialItems, putEntries } from './items';
import type { ItemsState, Step } from './items';

/** Edits of one field no further apart than this are one step for undo. */
const ONE_STEP_MS = 1500;
const MOST_STEPS = 200;

export const itemsReducer = createReducer(
  initialItems,
  on(Items.load, (state): ItemsState => (state.loading.is === 'loaded' ? state : { ...state, loading: { is: 'loading' } })),
  on(Items.loaded, (state, { gear, rigs }): ItemsState => {
    const emptied: ItemsState = { ...state, loading: { is: 'loaded' }, gear: initialItems.gear, rigs: initialItems.rigs };
    return putEntries(putEntries(emptied, 'gear', gear.map(entryOf)), 'rigs', rigs.map(entryOf));
  }),
  on(Items.loadFailed, (state, { problem }): ItemsState => ({ ...state, loading: { is: 'failed', problem } })),

  on(Items.edit, (state, { kind, id, body, field, at }) => {
    const before = findEntry(state, kind, id)?.body;
    return before ? remember(place(state, kind, id, body), { kind, id, field, at, before, after: body }) : state;
  }),
  on(Items.undo, (state) => {
    const step = state.past.at(-1);
    if (!step) return state;
    return { ...place(state, step.kind, step.id, step.before), past: state.past.slice(0, -1), future: [...state.future, step] };
  }),
  on(Items.redo, (state) => {
    const step = state.future.at(-1);
    if (!step) return state;
    return { ...place(state, step.kind, step.id, step.after), past: [...state.past, step], future: state.future.slice(0, -1) };
  }),

  on(Items.saveStarted, (state, { kind, id }) => changeEntry(state, kind, id, { sync: { is: 'saving' } })),
  on(Items.saved, (state, { kind, id, saved, sent }) => {
    const unchanged = findEntry(state, kind, id)?.body === sent;
    return changeEntry(state, kind, id, { revision: saved.revision, sync: { is: unchanged ? 'saved' : 'edited' } });
  }),
  on(Items.saveFailed, (state, { kind, id, problem }) => changeEntry(state, kind, id, { sync: { is: 'failed', problem } })),
  on(Items.conflictFound, (state, { kind, id, theirs }) => changeEntry(state, kind, id, { sync: { is: 'conflict', theirs } })),
  on(Items.keepMine, (state, { kind, id, at }) => {
    const entry = findEntry(state, kind, id);
    if (entry?.sync.is !== 'conflict') return state;
    const { revision, body: theirs } = entry.sync.theirs;
    const kept = changeEntry(state, kind, id, { revision, sync: { is: 'edited' } });
    return remember(kept, { kind, id, field: 'conflict', at, before: theirs, after: entry.body });
  }),
  on(Items.takeTheirs, (state, { kind, id, at }) => takeTheirs(state, kind, id, at)),
  on(Items.keepBoth, (state, { id, at }) => takeTheirs(state, 'rigs', id, at)),

  on(Items.added, (state, { gear, rigs }) => putEntries(putEntries(state, 'gear', gear.map(entryOf)), 'rigs', rigs.map(entryOf))),
  on(Items.removed, (state, { kind, id }) => dropEntry(state, kind, id)),
  on(Items.restored, (state, { kind, saved }) => putEntries(state, kind, [entryOf(saved)])),
  on(Items.demoWasReset, (state): ItemsState => ({ ...state, past: [], future: [] })),
);

/** Puts a body in place as an unsaved edit; a conflict stays a conflict until it is decided. */
function place(state: ItemsState, kind: Kind, id: string, body: Bodies[Kind]): ItemsState {
  const entry = findEntry(state, kind, id);
  if (!entry || entry.body === body) return state;
  return changeEntry(state, kind, id, { body, ...(entry.sync.is !== 'conflict' && { sync: { is: 'edited' } }) });
}

function remember(state: ItemsState, step: Step): ItemsState {
  const last = state.past.at(-1);
  const joins = last?.kind === step.kind && last.id === step.id && last.field === step.field && step.at - last.at < ONE_STEP_MS;
  const past = joins ? [...state.past.slice(0, -1), { ...step, before: last.before }] : [...state.past, step].slice(-MOST_STEPS);
  return { ...state, past, future: [] };
}

/** Whichever state is kept, undo brings the other. */
function takeTheirs(state: ItemsState, kind: Kind, id: string, at: number): ItemsState {
  const entry = findEntry(state, kind, id);
  if (entry?.sync.is !== 'conflict') return state;
  const { revision, body } = entry.sync.theirs;
  const taken = changeEntry(state, kind, id, { body, revision, sync: { is: 'saved' } });
  return remember(taken, { kind, id, field: 'conflict', at, before: entry.body, after: body });
}
