import { LOW_WATER } from '@viaggio/core/demo';
import { byKind } from '@viaggio/core/document';
import { withThing } from '@viaggio/core/travel';
import type { Trip } from '@viaggio/core/travel';
import { KINDS } from '../api/api';
import type { Kind, Problem, Saved, SavedItems } from '../api/api';
import { findEntry, initialItems } from './items';
import type { Acting, Change, ItemsState, Step } from './items';
import { Items } from './items.actions';
import { itemsReducer } from './items.reducer';
import { selectConflict, selectUnsaved } from './items.selectors';

const saved = <T>(id: string, body: T, revision = 1): Saved<T> => ({
  id,
  revision,

  updatedAt: '2026-01-07T08:00:00.000Z',
  body,
});
const RIG = LOW_WATER.rigs[0]!;
const ref = { kind: 'rigs', id: RIG.id } as const;
const PROBLEM: Problem = { code: 'unreachable', title: 'Away', detail: '', remedy: '' };

const loaded = itemsReducer(
  initialItems,
  Items.loaded({
    saved: {
      gear: LOW_WATER.gear.map(({ id, body }) => saved(id, body)),
      rigs: LOW_WATER.rigs.map(({ id, body }) => saved(id, body)),
    },
  }),
);
const edit = (state: ItemsState, wantedMin: number, at = 0, field = 'wantedMin') =>
  itemsReducer(state, Items.edit({ ...ref, body: { ...state.rigs.entities[RIG.id]!.body, wantedMin }, field, at }));
const rigIn = (state: ItemsState) => state.rigs.entities[RIG.id]!;
const wanted = (state: ItemsState) => rigIn(state).body.wantedMin;

describe('loading', () => {
  it('fills both tables and can fail', () => {
    expect(loaded.loading).toEqual({ is: 'loaded' });
    expect(loaded.gear.ids).toHaveLength(LOW_WATER.gear.length);
    expect(itemsReducer(initialItems, Items.loadFailed({ problem: PROBLEM })).loading).toEqual({ is: 'failed', problem: PROBLEM });
  });

  it('does not go back to “loading” once it is there', () => {
    expect(itemsReducer(loaded, Items.load())).toBe(loaded);
  });
});

describe('editing', () => {
  it('changes one thing, marks it, and leaves all other references alone', () => {
    const edited = edit(loaded, 300);
    expect(wanted(edited)).toBe(300);
    expect(rigIn(edited).sync).toEqual({ is: 'edited' });
    expect(edited.gear).toBe(loaded.gear);
    expect(edited.rigs.entities[LOW_WATER.rigs[1]!.id]).toBe(loaded.rigs.entities[LOW_WATER.rigs[1]!.id]);
    expect(selectUnsaved({ items: edited })).toHaveLength(1);
  });

  it('of something that is not there changes nothing', () => {
    expect(itemsReducer(loaded, Items.edit({ kind: 'rigs', id: 'ghost', body: RIG.body, field: 'x', at: 0 }))).toBe(loaded);
  });

  it('can be undone and redone, and a new edit ends what could be redone', () => {
    const twice = edit(edit(loaded, 300, 0), 400, 5000);
    const undone = itemsReducer(twice, Items.undo());
    expect(wanted(undone)).toBe(300);
    expect(wanted(itemsReducer(undone, Items.undo()))).toBe(RIG.body.wantedMin);
    expect(wanted(itemsReducer(undone, Items.redo()))).toBe(400);
    expect(edit(undone, 500, 9000).future).toEqual([]);
    expect(itemsReducer(loaded, Items.undo())).toBe(loaded);
    expect(itemsReducer(loaded, Items.redo())).toBe(loaded);
  });

  it('counts typing into one field as one step, other fields and later typing as others', () => {
    const typed = edit(edit(edit(loaded, 3, 0), 30, 200), 300, 400);
    expect(typed.past).toHaveLength(1);
    expect(wanted(itemsReducer(typed, Items.undo()))).toBe(RIG.body.wantedMin);
    expect(edit(typed, 301, 400 + 1501).past).toHaveLength(2);
    expect(edit(typed, 301, 500, 'reserve').past).toHaveLength(2);
  });
});

describe('a second load', () => {
  const own = '0d0c0000-0000-4000-8000-00000000ffff';
  const acting: Acting = { step: { changes: [], field: 'new', at: 0 }, how: 'do' };
  const body = { name: 'Mine' };
  const onServer = (kind: Kind, revision: number) => ({ [kind]: [saved(own, body, revision)] }) as SavedItems;
  const nothing = byKind(() => []) as SavedItems;

  it.each(KINDS)('drops what was deleted elsewhere, and keeps an edit of one’s own that is not saved: %s', (kind) => {
    const there = itemsReducer(loaded, Items.changed({ acting, saved: onServer(kind, 3) }));
    expect(findEntry(itemsReducer(there, Items.loaded({ saved: nothing })), kind, own)).toBeUndefined();
    const edited = itemsReducer(there, Items.edit({ kind, id: own, body: { ...body, note: 'mine' }, field: 'note', at: 0 }));
    const again = itemsReducer(edited, Items.loaded({ saved: { ...nothing, ...onServer(kind, 4) } }));
    expect(findEntry(again, kind, own)).toMatchObject({ revision: 3, sync: { is: 'edited' }, body: { note: 'mine' } });
    expect(selectUnsaved({ items: again }).map(({ entry }) => entry.id)).toEqual([own]);
  });
});

describe('saving', () => {
  const sent = (state: ItemsState) => rigIn(state).body;

  it('ends as saved with the new revision', () => {
    const edited = edit(loaded, 300);
    const done = itemsReducer(
      itemsReducer(edited, Items.saveStarted(ref)),
      Items.saved({ ...ref, saved: saved(RIG.id, sent(edited), 2), sent: sent(edited) }),
    );
    expect(rigIn(done)).toMatchObject({ revision: 2, sync: { is: 'saved' } });
  });

  it('stays unsaved when it was edited meanwhile, on the new revision', () => {
    const edited = edit(loaded, 300);
    const again = edit(itemsReducer(edited, Items.saveStarted(ref)), 400, 5000);
    const done = itemsReducer(again, Items.saved({ ...ref, saved: saved(RIG.id, sent(edited), 2), sent: sent(edited) }));
    expect(rigIn(done)).toMatchObject({ revision: 2, sync: { is: 'edited' } });
    expect(wanted(done)).toBe(400);
  });

  it('that fails keeps the edit and the reason', () => {
    const failed = itemsReducer(edit(loaded, 300), Items.saveFailed({ ...ref, problem: PROBLEM }));
    expect(rigIn(failed).sync).toEqual({ is: 'failed', problem: PROBLEM });
    expect(wanted(failed)).toBe(300);
  });
});

describe('a conflict', () => {
  const theirs = saved(RIG.id, { ...RIG.body, wantedMin: 99 }, 7);
  const conflict = itemsReducer(edit(loaded, 300), Items.conflictFound({ ...ref, theirs }));

  it('keeps both states until it is decided, through further edits and undo', () => {
    expect(selectConflict({ items: conflict })?.entry.sync).toEqual({
      is: 'conflict',
      theirs,
    });
    expect(rigIn(edit(conflict, 301, 5000)).sync.is).toBe('conflict');
    expect(rigIn(itemsReducer(conflict, Items.undo())).sync.is).toBe('conflict');
  });

  it('mine is saved over theirs, and undo brings theirs', () => {
    const kept = itemsReducer(conflict, Items.keepMine({ ...ref, at: 9000 }));
    expect(rigIn(kept)).toMatchObject({ revision: 7, sync: { is: 'edited' } });
    expect(wanted(kept)).toBe(300);
    expect(wanted(itemsReducer(kept, Items.undo()))).toBe(99);
  });

  it('theirs is taken, and undo brings mine', () => {
    const taken = itemsReducer(conflict, Items.takeTheirs({ ...ref, at: 9000 }));
    expect(rigIn(taken)).toMatchObject({ revision: 7, sync: { is: 'saved' } });
    expect(wanted(taken)).toBe(99);
    expect(wanted(itemsReducer(taken, Items.undo()))).toBe(300);
    expect(wanted(itemsReducer(conflict, Items.keepBoth({ kind: 'rigs', id: RIG.id, copyId: 'c', at: 9000 })))).toBe(99);
  });

  it('that is none cannot be decided', () => {
    expect(itemsReducer(loaded, Items.keepMine({ ...ref, at: 0 }))).toBe(loaded);
    expect(itemsReducer(loaded, Items.takeTheirs({ ...ref, at: 0 }))).toBe(loaded);
  });
});

describe('a step of several items', () => {
  const step = (changes: readonly Change[]): Step => ({ changes, field: 'several', at: 0, title: 'Done' });
  const done = (state: ItemsState, savedItems: SavedItems) =>
    itemsReducer(state, Items.changed({ acting: state.acting!, saved: savedItems }));

  it('shows only once the server has made it, and is then one step', () => {
    const asked = itemsReducer(loaded, Items.change({ step: step([{ kind: 'rigs', id: 'new', after: RIG.body }]) }));
    expect(asked.rigs).toBe(loaded.rigs);
    const made = done(asked, { gear: [], rigs: [saved('new', RIG.body)] });
    expect(made.rigs.ids).toContain('new');
    expect([made.acting, made.past.length]).toEqual([undefined, 1]);
  });

  it('is undone by the server too, and made again', () => {
    const made = done(itemsReducer(loaded, Items.change({ step: step([{ kind: 'rigs', id: 'new', after: RIG.body }]) })), { gear: [], rigs: [saved('new', RIG.body)] }); // prettier-ignore
    const asked = itemsReducer(made, Items.undo());
    expect(asked.acting?.how).toBe('undo');
    expect(itemsReducer(asked, Items.undo())).toBe(asked); // one at a time
    const undone = done(asked, { gear: [], rigs: [] });
    expect(undone.rigs.ids).not.toContain('new');
    expect([undone.past.length, undone.future.length]).toEqual([0, 1]);
    const again = done(itemsReducer(undone, Items.redo()), { gear: [], rigs: [saved('new', RIG.body, 3)] });
    expect(again.rigs.entities['new']?.revision).toBe(3);
    expect([again.past.length, again.future.length]).toEqual([1, 0]);
  });

  it('takes an item out and puts it back', () => {
    const asked = itemsReducer(loaded, Items.change({ step: step([{ kind: 'rigs', id: RIG.id, before: RIG.body }]) }));
    const gone = done(asked, { gear: [], rigs: [] });
    expect(gone.rigs.ids).not.toContain(RIG.id);
    const back = done(itemsReducer(gone, Items.undo()), { gear: [], rigs: [saved(RIG.id, RIG.body, 4)] });
    expect(rigIn(back)).toMatchObject({ revision: 4, sync: { is: 'saved' } });
  });

  it('that fails leaves everything as it was, and the next can be tried', () => {
    const asked = itemsReducer(loaded, Items.change({ step: step([{ kind: 'rigs', id: RIG.id, before: RIG.body }]) }));
    const failed = itemsReducer(asked, Items.changeFailed({ problem: PROBLEM }));
    expect(failed).toEqual(loaded);
  });

  it('does not join with typing into a field', () => {
    const made = done(itemsReducer(loaded, Items.change({ step: step([{ kind: 'rigs', id: 'new', after: RIG.body }]) })), { gear: [], rigs: [saved('new', RIG.body)] }); // prettier-ignore
    expect(edit(made, 300, 1).past).toHaveLength(2);
  });

  it('forgets what could be undone when the demo is put back', () => {
    expect(itemsReducer(edit(loaded, 300), Items.demoWasReset()).past).toEqual([]);
  });
});

describe('a trip that two people tick', () => {
  const ID = 'a-trip';
  const trip = (...ids: string[]): Trip =>
    ids.reduce<Trip>((next, id) => withThing(next, id, { out: '2026-01-11T18:00:00Z' }), { name: 'Out' });
  const base = trip('V1');
  const of = { kind: 'trips', id: ID } as const;
  const start = itemsReducer(initialItems, Items.loaded({ saved: { trips: [saved(ID, base)] } }));
  const bodyOf = (state: ItemsState) => state.trips.entities[ID]!.body;
  const ticked = itemsReducer(
    start,
    Items.edit({ ...of, body: withThing(base, 'V2', { out: '2026-01-11T18:00:00Z' }), field: 'V2', at: 0 }),
  );

  it('is put together where each ticked something else, to be saved over the newer state', () => {
    const merged = itemsReducer(ticked, Items.merge({ ...of, base, theirs: saved(ID, trip('V1', 'V3'), 2) }));
    expect(bodyOf(merged)).toEqual(trip('V1', 'V2', 'V3'));
    expect(merged.trips.entities[ID]).toMatchObject({ revision: 2, sync: { is: 'edited' } });
    // undo takes back one's own tick, and nobody else's
    expect(bodyOf(itemsReducer(merged, Items.undo()))).toEqual(trip('V1', 'V3'));
  });

  it('is asked about where both changed the same', () => {
    const mine = itemsReducer(start, Items.edit({ ...of, body: { ...base, name: 'Mine' }, field: 'name', at: 0 }));
    const merged = itemsReducer(mine, Items.merge({ ...of, base, theirs: saved(ID, { ...base, name: 'Theirs' }, 2) }));
    expect(merged.trips.entities[ID]!.sync.is).toBe('conflict');
  });

  it('shows what the other ticked when it is looked at again, unless something is being edited here', () => {
    const now = saved(ID, trip('V1', 'V3'), 2);
    expect(bodyOf(itemsReducer(start, Items.seen({ ...of, now })))).toEqual(trip('V1', 'V3'));
    expect(itemsReducer(ticked, Items.seen({ ...of, now }))).toBe(ticked);
    expect(itemsReducer(start, Items.seen({ ...of, now: saved(ID, base, 1) }))).toBe(start);
  });
});
