import { createEntityAdapter } from '@ngrx/entity';
import type { EntityState } from '@ngrx/entity';
import type { Bodies, Kind, Problem, Saved } from '../api/api';

/** How an item stands with the server. */
export type Sync =
  | { readonly is: 'saved' }
  | { readonly is: 'edited' }
  | { readonly is: 'saving' }
  | { readonly is: 'failed'; readonly problem: Problem }
  | { readonly is: 'conflict'; readonly theirs: Saved<Bodies[Kind]> };

/** An item as it is worked on here, and what is known of it on the server. */
export interface Entry<K extends Kind = Kind> {
  readonly id: string;
  readonly origin: Saved<unknown>['origin'];
  /** The revision that an edit is based on. */
  readonly revision: number;
  readonly body: Bodies[K];
  readonly sync: Sync;
}

/** One step that can be undone. Steps on the same field in quick succession count as one. */
export interface Step {
  readonly kind: Kind;
  readonly id: string;
  readonly field: string;
  readonly at: number;
  readonly before: Bodies[Kind];
  readonly after: Bodies[Kind];
}

export type Loading = { readonly is: 'loading' } | { readonly is: 'loaded' } | { readonly is: 'failed'; readonly problem: Problem };

export interface ItemsState {
  readonly loading: Loading;
  readonly gear: EntityState<Entry<'gear'>>;
  readonly rigs: EntityState<Entry<'rigs'>>;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
}

const adapter = createEntityAdapter<Entry>();

export const initialItems: ItemsState = {
  loading: { is: 'loading' },
  gear: adapter.getInitialState() as EntityState<Entry<'gear'>>,
  rigs: adapter.getInitialState() as EntityState<Entry<'rigs'>>,
  past: [],
  future: [],
};

export function entryOf<K extends Kind>(saved: Saved<Bodies[K]>): Entry<K> {
  const { id, origin, revision, body } = saved;
  return { id, origin, revision, body, sync: { is: 'saved' } };
}

export function findEntry(state: ItemsState, kind: Kind, id: string): Entry | undefined {
  return state[kind].entities[id];
}

/** The same state with one entry changed; the same reference when it is not there. */
export function changeEntry(state: ItemsState, kind: Kind, id: string, changes: Partial<Omit<Entry, 'id'>>): ItemsState {
  return state[kind].entities[id] ? { ...state, [kind]: adapter.updateOne({ id, changes }, table(state, kind)) } : state;
}

export function putEntries(state: ItemsState, kind: Kind, entries: readonly Entry[]): ItemsState {
  return entries.length === 0 ? state : { ...state, [kind]: adapter.setMany([...entries], table(state, kind)) };
}

export function dropEntry(state: ItemsState, kind: Kind, id: string): ItemsState {
  return { ...state, [kind]: adapter.removeOne(id, table(state, kind)) };
}

function table(state: ItemsState, kind: Kind): EntityState<Entry> {
  return state[kind] as EntityState<Entry>;
}
