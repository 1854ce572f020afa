import { ITEM_KINDS } from '@viaggio/core/document';
import { differences } from '@viaggio/core/units';
import type { Bodies, Kind, Saved, SavedItems } from '../api/api';
import { keyInWorld } from '../api/world';

/** An edit that was not known to be saved when the page was left, and the revision that it is based on. */
export interface LeftBehind<K extends Kind = Kind> {
  readonly kind: K;
  readonly id: string;
  readonly revision: number;
  readonly body: Bodies[K];
  /** An earlier state of it whose save was on its way then: it may arrive after the next load. */
  readonly onItsWay?: Bodies[K];
}

const KEY = 'viaggio-left-behind';

/** Kept in this tab until its next load: a request that is on its way ends with the page, and a sent one may arrive late. */
export function leaveBehind(edits: readonly LeftBehind[]): void {
  try {
    if (edits.length === 0) sessionStorage.removeItem(keyInWorld(KEY));
    else sessionStorage.setItem(keyInWorld(KEY), JSON.stringify(edits));
  } catch {
    // no room: what was sent on leaving has to do
  }
}

/** What was left behind, once. */
function takeLeftBehind(): readonly LeftBehind[] {
  const kept = sessionStorage.getItem(keyInWorld(KEY));
  sessionStorage.removeItem(keyInWorld(KEY));
  return kept === null ? [] : (JSON.parse(kept) as readonly LeftBehind[]);
}

/** An edit that what was loaded does not hold, and what is there instead. */
export interface Missing {
  readonly edit: LeftBehind;
  readonly loaded: Saved<Bodies[Kind]>;
  /** Somebody has saved another state since. */
  readonly isStale: boolean;
}

/** Edits left behind that did not arrive. One whose item is gone has nothing to go to. */
export function missingEdits(saved: SavedItems): readonly Missing[] {
  return takeLeftBehind().flatMap((edit) => {
    const loaded = saved[edit.kind]?.find(({ id }) => id === edit.id) as Saved<Bodies[Kind]> | undefined;
    if (!loaded) return [];
    const isThere = (body: Bodies[Kind] | undefined): boolean => body !== undefined && isSameBody(edit.kind, loaded.body, body);
    // what is there may still be overwritten by what is on its way
    const mayYetArrive = edit.onItsWay !== undefined && !isThere(edit.onItsWay);
    if (isThere(edit.body) && !mayYetArrive) return [];
    return [{ edit, loaded, isStale: loaded.revision !== edit.revision && !isThere(edit.onItsWay) && !isThere(edit.body) }];
  });
}

/** Whether two states say the same, whatever the order in which the database keeps their fields. */
export function isSameBody(kind: Kind, one: Bodies[Kind], other: Bodies[Kind]): boolean {
  return differences(ITEM_KINDS[kind].shape, one, other).length === 0;
}
