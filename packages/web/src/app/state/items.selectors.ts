import { createFeatureSelector, createSelector } from '@ngrx/store';
import { assess, gearIdsOf } from '@viaggio/core';
import type { Answer, Gear, Log, Rig } from '@viaggio/core';
import { KINDS } from '../api/api';
import type { Kind } from '../api/api';
import type { Entry, ItemsState, Tables } from './items';

export const selectItems = createFeatureSelector<ItemsState>('items');
export const selectLoading = createSelector(selectItems, ({ loading }) => loading);

const present = <T>(values: readonly (T | undefined)[]): T[] => values.filter((value) => value !== undefined);

const entriesIn = ({ ids, entities }: Tables[Kind]): readonly Entry[] => present(ids.map((id) => entities[id] as Entry | undefined));

/** The entries of one kind, in the order in which they came. */
function entriesOf<K extends Kind>(kind: K) {
  return createSelector(
    createSelector(selectItems, (items) => items[kind]),
    (table): readonly Entry<K>[] => entriesIn(table) as readonly Entry<K>[],
  );
}

export const selectGear = entriesOf('gear');
export const selectRigs = entriesOf('rigs');
export const selectDays = entriesOf('days');
export const selectLog = entriesOf('log');
export const selectRecordings = entriesOf('recordings');

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
  rigs.map((entry) => ({ entry, answer: answerOf(entry.body, gear) })),
);

/** The last answer of each rig, with the gear that it was made from. */
const answers = new WeakMap<Rig, { readonly parts: readonly (Gear | undefined)[]; readonly answer: Answer }>();

function answerOf(rig: Rig, gear: ReadonlyMap<string, Gear>): Answer {
  const parts = gearIdsOf(rig).map((id) => gear.get(id));
  const known = answers.get(rig);
  if (known?.parts.every((part, index) => part === parts[index])) return known.answer;
  const answer = assess(rig, gear, { tracePoints: 0 });
  answers.set(rig, { parts, answer });
  return answer;
}

/** The gear that rigs are fed from: all that is not archived. */
export const selectUsableGear = createSelector(
  selectGearBodies,
  (gear): ReadonlyMap<string, Gear> => new Map([...gear].filter(([, { archived }]) => archived !== true)),
);

/** Everything observed, and what it was observed with: what the Log learns from. */
export const selectWholeLog = createSelector(
  selectLog,
  selectRecordings,
  selectGearBodies,
  selectRigs,
  (log, recordings, gear, rigs): Log => ({
    observations: log.map(({ id, body }) => ({ id, body })),
    recordings: recordings.map(({ id, body }) => ({ id, body })),
    gear,
    rigs: new Map(rigs.map(({ id, body }) => [id, body])),
  }),
);

/** The next step that undo would take back, and redo would do again. */
export const selectUndo = createSelector(selectItems, ({ past }) => past.at(-1));
export const selectRedo = createSelector(selectItems, ({ future }) => future.at(-1));

/** Everything that is not safely on the server. */
export const selectUnsaved = createSelector(selectItems, (items) =>
  KINDS.flatMap((kind) =>
    entriesIn(items[kind])
      .filter(({ sync }) => sync.is !== 'saved')
      .map((entry) => ({ kind, entry })),
  ),
);
export const selectConflict = createSelector(selectUnsaved, (unsaved) => unsaved.find(({ entry }) => entry.sync.is === 'conflict'));
