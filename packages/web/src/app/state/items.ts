import { createEntityAdapter } from '@ngrx/entity';
import type { EntityState } from '@ngrx/entity';
import { byKind } from '@viaggio/core/document';
import { KINDS } from '../api/api';
import type { Bodies, Kind, Problem, Saved, SavedItems } from '../api/api';

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
  /** The revision that an edit is based on. */
  readonly revision: number;
  readonly body: Bodies[K];
  readonly sync: Sync;
}

/** One item as it was and as it is: without `before` it was put there, without `after` it was taken away. */
export interface Change<K extends Kind = Kind> {
  readonly kind: K;
  readonly id: string;
  readonly before?: Bodies[K];
  readonly after?: Bodies[K];
}

/** One step that can be undone. Steps on the same field in quick succession count as one. */
export interface Step {
  readonly changes: readonly Change[];
  readonly field: string;
  readonly at: number;
  /** What it did, for the message that offers undo: `“Deck” is deleted`. */
  readonly title?: string;
}

/** Whether a step only changes what is there: such a step is made here at once, and saved item by item. */
export function onlyEdits({ changes }: Step): boolean {
  return changes.every(({ before, after }) => before !== undefined && after !== undefined);
}

/** A step that the server makes as a whole before it shows here. */
export interface Acting {
  readonly step: Step;
  readonly how: 'do' | 'undo' | 'redo';
}

export type Loading = { readonly is: 'loading' } | { readonly is: 'loaded' } | { readonly is: 'failed'; readonly problem: Problem };

/** Every kind's entries. */
export type Tables = { readonly [K in Kind]: EntityState<Entry<K>> };

export interface ItemsState extends Tables {
  readonly loading: Loading;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  readonly acting: Acting | undefined;
}

const adapter = createEntityAdapter<Entry>();

/** Nothing of any kind: what a load starts from. */
export const NO_ITEMS = byKind(() => adapter.getInitialState()) as unknown as Tables;

export const initialItems: ItemsState = {
  ...NO_ITEMS,
  loading: { is: 'loading' },
  past: [],
  future: [],
  acting: undefined,
};

export function entryOf<K extends Kind>(saved: Saved<Bodies[K]>): Entry<K> {
  const { id, revision, body } = saved;
  return { id, revision, body, sync: { is: 'saved' } };
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

/** Entries of every kind that there are. */
export function putSaved(state: ItemsState, saved: SavedItems): ItemsState {
  return KINDS.reduce(
    (next, kind) =>
      putEntries(
        next,
        kind,
        (saved[kind] ?? []).map((one) => entryOf(one as Saved<Bodies[Kind]>)),
      ),
    state,
  );
}

export function dropEntry(state: ItemsState, kind: Kind, id: string): ItemsState {
  return { ...state, [kind]: adapter.removeOne(id, table(state, kind)) };
}

function table(state: ItemsState, kind: Kind): EntityState<Entry> {
  return state[kind];
}
