import { createFeatureSelector, createSelector } from '@ngrx/store';
import { assess } from '@viaggio/core';
import type { Answer, Gear } from '@viaggio/core';
import type { Entry, ItemsState } from './items';

export const selectItems = createFeatureSelector<ItemsState>('items');
export const selectLoading = createSelector(selectItems, ({ loading }) => loading);

const present = <T>(values: readonly (T | undefined)[]): T[] => values.filter((value) => value !== undefined);

export const selectGear = createSelector(
  createSelector(selectItems, ({ gear }) => gear),
  ({ ids, entities }): readonly Entry<'gear'>[] => present(ids.map((id) => entities[id])),
);
export const selectRigs = createSelector(
  createSelector(selectItems, ({ rigs }) => rigs),
  ({ ids, entities }): readonly Entry<'rigs'>[] => present(ids.map((id) => entities[id])),
);

export const selectGearBodies = createSelector(
  selectGear,
  (gear): ReadonlyMap<string, Gear> => new Map(gear.map(({ id, body }) => [id, body])),
);

/** Answers are kept by rig, and made anew only when the rig or the gear has changed. */
export interface RigAnswer {
  readonly entry: Entry<'rigs'>;
  readonly answer: Answer;
}
export const selectRigAnswers = createSelector(selectRigs, selectGearBodies, (rigs, gear): readonly RigAnswer[] =>
  rigs.map((entry) => ({ entry, answer: assess(entry.body, gear, { tracePoints: 0 }) })),
);

/** The next step that undo would take back, and redo would do again. */
export const selectUndo = createSelector(selectItems, ({ past }) => past.at(-1));
export const selectRedo = createSelector(selectItems, ({ future }) => future.at(-1));

/** Everything that is not safely on the server. */
export const selectUnsaved = createSelector(selectGear, selectRigs, (gear, rigs) => [
  ...gear.filter(({ sync }) => sync.is !== 'saved').map((entry) => ({ kind: 'gear' as const, entry })),
  ...rigs.filter(({ sync }) => sync.is !== 'saved').map((entry) => ({ kind: 'rigs' as const, entry })),
]);
export const selectConflict = createSelector(selectUnsaved, (unsaved) => unsaved.find(({ entry }) => entry.sync.is === 'conflict'));
