import type { Bodies, Kind, SavedItems } from '../api/api';
import { keyInWorld } from '../api/world';
import type { Change, ItemsState, Step } from './items';
import { isSameBody } from './left-behind';

/** The steps that undo and redo would take, as the tab keeps them over a reload. */
export type Steps = Pick<ItemsState, 'past' | 'future'>;

const KEY = 'viaggio-steps';
/** Older ones are let go: what was done an hour ago nobody takes back step by step. */
const MOST_KEPT = 60;
const MOST_CHARACTERS = 2_000_000;

const LONG_AGO = 0;

/** Kept in this tab until its next load; the oldest are let go until there is room. */
export function keepSteps({ past, future }: Steps): void {
  for (let most = MOST_KEPT; most >= 1; most = Math.floor(most / 2)) {
    const text = JSON.stringify({ past: past.slice(-most), future: future.slice(-most) });
    if (text.length > MOST_CHARACTERS) continue;
    try {
      sessionStorage.setItem(keyInWorld(KEY), text);
      return;
    } catch {
      // no room: fewer of them
    }
  }
  sessionStorage.removeItem(keyInWorld(KEY));
}

/** What was kept, once: as far back, and forth, as it fits what is there now. */
export function takeKeptSteps(bodyOf: (kind: Kind, id: string) => Bodies[Kind] | undefined): Steps {
  const text = sessionStorage.getItem(keyInWorld(KEY));
  sessionStorage.removeItem(keyInWorld(KEY));
  if (text === null) return { past: [], future: [] };
  const { past, future } = JSON.parse(text) as Steps;
  return {
    past: fitting(past, bodyOf, ({ before, after }) => ({ now: after, then: before })),
    future: fitting(future, bodyOf, ({ before, after }) => ({ now: before, then: after })),
  };
}

/** The steps from the next one on for which each state is the one that the step before it leaves. */
function fitting(
  steps: readonly Step[],
  bodyOf: (kind: Kind, id: string) => Bodies[Kind] | undefined,
  sides: (change: Change) => { readonly now: Bodies[Kind] | undefined; readonly then: Bodies[Kind] | undefined },
): readonly Step[] {
  const left = new Map<string, Bodies[Kind] | undefined>();
  let place = steps.length;
  for (; place > 0; place--) {
    const { changes } = steps[place - 1]!;
    const fits = changes.every((change) => {
      const key = `${change.kind} ${change.id}`;
      const there = left.has(key) ? left.get(key) : bodyOf(change.kind, change.id);
      const { now } = sides(change);
      return now === undefined || there === undefined ? now === there : isSameBody(change.kind, there, now);
    });
    if (!fits) break;
    for (const change of changes) left.set(`${change.kind} ${change.id}`, sides(change).then);
  }
  // a load lies between: what is done next is a step of its own, however quickly it comes
  return steps.slice(place).map((step) => ({ ...step, at: LONG_AGO }));
}

/** What an item says after a load, with edits that go on in their place. */
export function bodiesAfter(
  saved: SavedItems,
  edits: readonly { readonly kind: Kind; readonly id: string; readonly body: Bodies[Kind] }[],
) {
  return (kind: Kind, id: string): Bodies[Kind] | undefined =>
    edits.find((edit) => edit.kind === kind && edit.id === id)?.body ?? saved[kind]?.find((one) => one.id === id)?.body;
}
