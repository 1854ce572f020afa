import { createFeatureSelector, createSelector } from '@ngrx/store';
import type { Day } from '@viaggio/core/day';
import type { Gear, Rig } from '@viaggio/core/gear';
import type { Log } from '@viaggio/core/measure';
import type { FlightRules } from '@viaggio/core/travel';
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
export const selectSheets = entriesOf('sheets');
export const selectRules = entriesOf('rules');
export const selectTrips = entriesOf('trips');

export const selectGearBodies = createSelector(
  selectGear,
  (gear): ReadonlyMap<string, Gear> => new Map(gear.map(({ id, body }) => [id, body])),
);

export const selectRigBodies = createSelector(
  selectRigs,
  (rigs): ReadonlyMap<string, Rig> => new Map(rigs.map(({ id, body }) => [id, body])),
);

/** Days by identifier, and rules. */
export const selectDayBodies = createSelector(
  selectDays,
  (days): ReadonlyMap<string, Day> => new Map(days.map(({ id, body }) => [id, body])),
);

export const selectRuleBodies = createSelector(
  selectRules,
  (rules): ReadonlyMap<string, FlightRules> => new Map(rules.map(({ id, body }) => [id, body])),
);

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
  selectRigBodies,
  (log, recordings, gear, rigs): Log => ({
    observations: log.map(({ id, body }) => ({ id, body })),
    recordings: recordings.map(({ id, body }) => ({ id, body })),
    gear,
    rigs,
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
