import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { Store, provideStore } from '@ngrx/store';
import { LOW_WATER, LOW_WATER_DAY } from '@viaggio/core/demo';
import type { Rig } from '@viaggio/core/gear';
import { NEVER, Subject, of, throwError } from 'rxjs';
import { Api, KINDS } from '../api/api';
import type { Problem, Saved } from '../api/api';
import { AUTOSAVE_AFTER_MS, ItemsEffects, RETRY_AFTER_MS } from './items.effects';
import { Items } from './items.actions';
import { itemsReducer } from './items.reducer';
import { selectItems } from './items.selectors';

const RIG = LOW_WATER.rigs[0]!;
const ref = { kind: 'rigs', id: RIG.id } as const;
const saved = (body: Rig, revision: number): Saved<Rig> => ({ id: RIG.id, revision, updatedAt: '', body });
const away: Problem = { code: 'database-away', title: 'Away', detail: '', remedy: '' };

class FakeApi {
  readonly list = jest.fn(() => NEVER);
  readonly save = jest.fn();
  readonly change = jest.fn();
}

let api: FakeApi;
let store: Store;
const rig = () => store.selectSignal(selectItems)().rigs.entities[RIG.id]!;
const edit = (wantedMin: number) =>
  store.dispatch(Items.edit({ ...ref, body: { ...rig().body, wantedMin }, field: 'wantedMin', at: Date.now() }));

beforeEach(() => {
  jest.useFakeTimers();
  api = new FakeApi();
  TestBed.configureTestingModule({
    providers: [provideRouter([]), provideStore({ items: itemsReducer }), provideEffects(ItemsEffects), { provide: Api, useValue: api }],
  });
  store = TestBed.inject(Store);
  store.dispatch(Items.loaded({ saved: { gear: [], rigs: [saved(RIG.body, 1)] } }));
});
afterEach(() => jest.useRealTimers());

describe('autosave', () => {
  it('waits for the hands to rest, then sends the newest state once, over the revision it knows', () => {
    api.save.mockImplementation((_kind: string, _id: string, revision: number, body: Rig) => of(saved(body, revision + 1)));
    edit(1);
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS - 1);
    edit(2);
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS - 1);
    expect(api.save).not.toHaveBeenCalled();
    jest.advanceTimersByTime(1);
    expect(api.save).toHaveBeenCalledTimes(1);
    expect(api.save).toHaveBeenCalledWith('rigs', RIG.id, 1, expect.objectContaining({ wantedMin: 2 }));
    expect(rig()).toMatchObject({ revision: 2, sync: { is: 'saved' } });
  });

  it('sends what was edited during a save afterwards, over the new revision', () => {
    const first = new Subject<Saved<Rig>>();
    api.save.mockReturnValueOnce(first);
    edit(1);
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS);
    const sent = rig().body;
    edit(2);
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS * 3);
    expect(api.save).toHaveBeenCalledTimes(1);
    api.save.mockImplementation((_kind: string, _id: string, revision: number, body: Rig) => of(saved(body, revision + 1)));
    first.next(saved(sent, 2));
    first.complete();
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS);
    expect(api.save).toHaveBeenLastCalledWith('rigs', RIG.id, 2, expect.objectContaining({ wantedMin: 2 }));
    expect(rig()).toMatchObject({ revision: 3, sync: { is: 'saved' } });
  });

  it('tries again by itself while the database is away, and keeps the edit', () => {
    api.save.mockReturnValueOnce(throwError(() => away));
    edit(5);
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS);
    expect(rig().sync).toEqual({ is: 'failed', problem: away });
    api.save.mockImplementation((_kind: string, _id: string, revision: number, body: Rig) => of(saved(body, revision + 1)));
    jest.advanceTimersByTime(RETRY_AFTER_MS);
    expect(rig()).toMatchObject({ sync: { is: 'saved' }, body: { wantedMin: 5 } });
  });

  it('does not try again what the server refused', () => {
    api.save.mockReturnValue(throwError(() => ({ ...away, code: 'invalid-fields' })));
    edit(5);
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS + 10 * RETRY_AFTER_MS);
    expect(api.save).toHaveBeenCalledTimes(1);
    expect(rig().sync.is).toBe('failed');
  });

  it('turns a stale revision into a conflict, and saves over theirs once that is decided', () => {
    const theirs = saved({ ...RIG.body, wantedMin: 99 }, 4);
    api.save.mockReturnValueOnce(throwError(() => ({ ...away, code: 'revision-stale', current: theirs })));
    edit(5);
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS);
    expect(rig().sync).toEqual({ is: 'conflict', theirs });
    jest.advanceTimersByTime(10 * RETRY_AFTER_MS);
    expect(api.save).toHaveBeenCalledTimes(1);
    api.save.mockImplementation((_kind: string, _id: string, revision: number, body: Rig) => of(saved(body, revision + 1)));
    store.dispatch(Items.keepMine({ ...ref, at: 0 }));
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS);
    expect(api.save).toHaveBeenLastCalledWith('rigs', RIG.id, 4, expect.objectContaining({ wantedMin: 5 }));
  });

  it('saves what undo brought back', () => {
    api.save.mockImplementation((_kind: string, _id: string, revision: number, body: Rig) => of(saved(body, revision + 1)));
    edit(5);
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS);
    store.dispatch(Items.undo());
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS);
    expect(api.save).toHaveBeenLastCalledWith('rigs', RIG.id, 2, RIG.body);
  });

  it('sends what is unsaved when the page is left', () => {
    api.save.mockReturnValue(NEVER);
    edit(5);
    window.dispatchEvent(new Event('pagehide'));
    expect(api.save).toHaveBeenCalledWith('rigs', RIG.id, 1, expect.objectContaining({ wantedMin: 5 }), { leaving: true });
  });
});

describe('an edit that was left behind', () => {
  const load = (body: Rig, revision: number) => store.dispatch(Items.loaded({ saved: { gear: [], rigs: [saved(body, revision)] } }));
  const leaveWith = (wantedMin: number) => {
    api.save.mockReturnValue(NEVER);
    edit(wantedMin);
    window.dispatchEvent(new Event('pagehide'));
  };

  it('goes on after the next load, and is saved over the state that it knew', () => {
    leaveWith(5);
    load(RIG.body, 1);
    expect(rig().body).toMatchObject({ wantedMin: 5 });
    api.save.mockReturnValue(of(saved({ ...RIG.body, wantedMin: 5 }, 2)));
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS);
    expect(api.save).toHaveBeenLastCalledWith('rigs', RIG.id, 1, expect.objectContaining({ wantedMin: 5 }));
    expect(rig().sync).toEqual({ is: 'saved' });
  });

  it('is kept while its request is on its way too, which ends with the page', () => {
    api.save.mockReturnValue(NEVER);
    edit(5);
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS);
    expect(rig().sync).toEqual({ is: 'saving' });
    window.dispatchEvent(new Event('pagehide'));
    load(RIG.body, 1);
    expect(rig().body).toMatchObject({ wantedMin: 5 });
  });

  it('is a conflict where somebody else saved another state since', () => {
    leaveWith(5);
    load({ ...RIG.body, wantedMin: 99 }, 2);
    expect(rig()).toMatchObject({ body: { wantedMin: 5 }, sync: { is: 'conflict', theirs: { body: { wantedMin: 99 } } } });
  });

  it('that arrives after the load is saved, not a conflict with itself', () => {
    leaveWith(5);
    load(RIG.body, 1);
    const mine = saved({ ...RIG.body, wantedMin: 5 }, 2);
    api.save.mockReturnValue(throwError(() => ({ ...away, code: 'revision-stale', current: mine })));
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS);
    expect(rig()).toMatchObject({ revision: 2, sync: { is: 'saved' } });
  });
});

describe('an edit over a save that was on its way when the page was left', () => {
  it('is saved over that earlier state of its own, should it arrive late', () => {
    const unanswered = new Subject<Saved<Rig>>();
    api.save.mockReturnValue(unanswered);
    edit(5);
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS);
    store.dispatch(Items.edit({ ...ref, body: RIG.body, field: 'back', at: 0 }));
    window.dispatchEvent(new Event('pagehide'));
    unanswered.complete();
    // the state that was edited back to is there, the save of the one before has yet to arrive
    store.dispatch(Items.loaded({ saved: { gear: [], rigs: [saved({ ...RIG.body }, 1)] } }));
    const late = saved({ ...RIG.body, wantedMin: 5 }, 2);
    api.save.mockReturnValueOnce(throwError(() => ({ ...away, code: 'revision-stale', current: late })));
    api.save.mockReturnValueOnce(of(saved(RIG.body, 3)));
    jest.advanceTimersByTime(2 * AUTOSAVE_AFTER_MS);
    expect(api.save).toHaveBeenLastCalledWith('rigs', RIG.id, 2, RIG.body);
    expect(rig()).toMatchObject({ revision: 3, sync: { is: 'saved' } });
  });
});

describe('a deletion', () => {
  it('right after an edit waits until that is saved, and is based on what it made', () => {
    api.change.mockReturnValue(NEVER);
    api.save.mockReturnValue(of(saved({ ...RIG.body, wantedMin: 5 }, 2)));
    edit(5);
    store.dispatch(Items.change({ step: { changes: [{ ...ref, before: rig().body }], field: 'delete', at: 0 } }));
    expect(api.change).not.toHaveBeenCalled();
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS);
    expect(api.change).toHaveBeenCalledWith([{ ...ref, revision: 2 }], undefined);
  });
});

describe('keeping both of a conflict', () => {
  it('adds mine as a rig of its own', () => {
    api.change.mockReturnValue(NEVER);
    api.save.mockReturnValueOnce(
      throwError(() => ({ ...away, code: 'revision-stale', current: saved({ ...RIG.body, wantedMin: 99 }, 4) })),
    );
    edit(5);
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS);
    store.dispatch(Items.keepBoth({ kind: 'rigs', id: RIG.id, copyId: 'copy', at: 0 }));
    expect(api.change).toHaveBeenCalledWith(
      [{ kind: 'rigs', id: 'copy', body: { ...RIG.body, wantedMin: 5, name: 'Wheelhouse (mine)' } }],
      undefined,
    );
    expect(rig().body).toMatchObject({ wantedMin: 99 });
  });

  it('adds mine as a day of its own where it is one', () => {
    api.change.mockReturnValue(NEVER);
    const { id, body } = LOW_WATER_DAY;
    const theirs = { id, body: { ...body, note: 'theirs' }, revision: 4, updatedAt: '' };
    store.dispatch(Items.loaded({ saved: { gear: [], rigs: [], days: [{ ...theirs, body, revision: 1 }] } }));
    store.dispatch(Items.edit({ kind: 'days', id, body: { ...body, note: 'mine' }, field: 'note', at: 0 }));
    store.dispatch(Items.conflictFound({ kind: 'days', id, theirs }));
    store.dispatch(Items.keepBoth({ kind: 'days', id, copyId: 'copy', at: 0 }));
    expect(api.change).toHaveBeenLastCalledWith(
      [{ kind: 'days', id: 'copy', body: { ...body, note: 'mine', name: `${body.name} (mine)` } }],
      undefined,
    );
  });
});

describe('a step of several items', () => {
  const put = { changes: [{ kind: 'rigs', id: 'new', after: RIG.body } as const], field: 'new', at: 0 };
  const nothing = { gear: [], rigs: [] };

  it('is sent as a whole, undone by what was, and made again', () => {
    api.change.mockReturnValueOnce(of({ gear: [], rigs: [{ ...saved(RIG.body, 1), id: 'new' }] }));
    store.dispatch(Items.change({ step: put }));
    expect(api.change).toHaveBeenLastCalledWith([{ kind: 'rigs', id: 'new', body: RIG.body }], undefined);
    api.change.mockReturnValueOnce(of(nothing));
    store.dispatch(Items.undo());
    expect(api.change).toHaveBeenLastCalledWith([{ kind: 'rigs', id: 'new', revision: 1 }], undefined);
    api.change.mockReturnValueOnce(of({ gear: [], rigs: [{ ...saved(RIG.body, 3), id: 'new' }] }));
    store.dispatch(Items.redo());
    expect(api.change).toHaveBeenLastCalledWith([{ kind: 'rigs', id: 'new', body: RIG.body }], undefined);
    expect(store.selectSignal(selectItems)().rigs.entities['new']?.revision).toBe(3);
  });

  it('waits for a save that is on its way, and goes by the revision that it makes', () => {
    const save = new Subject<Saved<Rig>>();
    api.save.mockReturnValueOnce(save);
    edit(5);
    jest.advanceTimersByTime(AUTOSAVE_AFTER_MS);
    const before = rig().body;
    api.change.mockReturnValueOnce(of(nothing));
    store.dispatch(Items.change({ step: { changes: [{ kind: 'rigs', id: RIG.id, before }], field: 'delete', at: 0 } }));
    expect(api.change).not.toHaveBeenCalled();
    save.next(saved(before, 2));
    save.complete();
    expect(api.change).toHaveBeenCalledWith([{ kind: 'rigs', id: RIG.id, revision: 2 }], undefined);
  });

  it('that fails can be tried again', () => {
    api.change.mockReturnValueOnce(throwError(() => away)).mockReturnValueOnce(of(nothing));
    store.dispatch(Items.change({ step: put }));
    expect(store.selectSignal(selectItems)().acting).toBeUndefined();
    store.dispatch(Items.change({ step: put }));
    expect(api.change).toHaveBeenCalledTimes(2);
  });
});

describe('loading', () => {
  it('tries again by itself while the server is away', () => {
    api.list.mockReturnValue(throwError(() => away));
    store.dispatch(Items.load());
    expect(api.list).toHaveBeenCalledTimes(KINDS.length);
    jest.advanceTimersByTime(RETRY_AFTER_MS);
    expect(api.list).toHaveBeenCalledTimes(2 * KINDS.length);
  });
});
