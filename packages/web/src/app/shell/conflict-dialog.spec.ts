import { TestBed } from '@angular/core/testing';
import { NgbActiveModal } from '@ng-bootstrap/ng-bootstrap/modal';
import { Store, provideStore } from '@ngrx/store';
import { LOW_WATER } from '@viaggio/core/demo';
import { textOf } from '../../../testing/component';
import { Items } from '../state/items.actions';
import { itemsReducer } from '../state/items.reducer';
import { ConflictDialog } from './conflict-dialog';
import { SaveStatus } from './save-status';

const RIG = LOW_WATER.rigs[0]!;
const BATTERY = LOW_WATER.gear.find(({ body }) => body.kind === 'battery')!;
const saved = <T>(id: string, body: T) => ({ id, body, revision: 1, updatedAt: '' }) as const;
const close = jest.fn();
let store: Store;

beforeEach(() => {
  close.mockReset();
  TestBed.configureTestingModule({ providers: [provideStore({ items: itemsReducer }), { provide: NgbActiveModal, useValue: { close } }] });
  store = TestBed.inject(Store);
  store.dispatch(Items.loaded({ saved: { gear: [saved(BATTERY.id, BATTERY.body)], rigs: [saved(RIG.id, RIG.body)] } }));
});

describe('the conflict dialog', () => {
  it('shows each field that differs, yours beside theirs, and offers to keep both of a rig', async () => {
    const ref = { kind: 'rigs', id: RIG.id } as const;
    store.dispatch(Items.edit({ ...ref, body: { ...RIG.body, wantedMin: 300 }, field: 'wantedMin', at: 0 }));
    store.dispatch(Items.conflictFound({ ...ref, theirs: saved(RIG.id, { ...RIG.body, wantedMin: 180, temperatureC: -9 }) }));
    const fixture = TestBed.createComponent(ConflictDialog);
    await fixture.whenStable();
    expect(textOf(fixture, 'h2')).toBe('“Wheelhouse” was changed in two places');
    expect(textOf(fixture, 'tbody')).toBe('Must run 5 h 3 h Temperature of the battery 4 °C -9 °C');
    const buttons = [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')];
    expect(buttons.map(({ textContent }) => textContent.trim())).toEqual(['Keep both, mine as a copy', 'Take theirs', 'Keep mine']);
    for (const button of buttons) button.click();
    expect(close.mock.calls).toEqual([['both'], ['theirs'], ['mine']]);
  });

  it('of gear has no copy to offer', async () => {
    const ref = { kind: 'gear', id: BATTERY.id } as const;
    store.dispatch(Items.edit({ ...ref, body: { ...BATTERY.body, name: 'Mine' }, field: 'name', at: 0 }));
    store.dispatch(Items.conflictFound({ ...ref, theirs: saved(BATTERY.id, BATTERY.body) }));
    const fixture = TestBed.createComponent(ConflictDialog);
    await fixture.whenStable();
    expect(textOf(fixture, 'tbody')).toBe('Name Mine Holmvik 95');
    expect(textOf(fixture, '.modal-footer')).not.toContain('Keep both');
  });
});

describe('the save status', () => {
  it('tells saved, saving, failed and conflict apart', async () => {
    const ref = { kind: 'rigs', id: RIG.id } as const;
    const fixture = TestBed.createComponent(SaveStatus);
    const says = async () => {
      await fixture.whenStable();
      return textOf(fixture);
    };
    expect(await says()).toBe('Saved');
    store.dispatch(Items.edit({ ...ref, body: { ...RIG.body, wantedMin: 1 }, field: 'wantedMin', at: 0 }));
    expect(await says()).toBe('Saving …');
    store.dispatch(
      Items.saveFailed({ ...ref, problem: { code: 'database-away', title: 'The database is not answering', detail: '', remedy: '' } }),
    );
    expect(await says()).toBe('Not saved: the database is not answering');
    store.dispatch(Items.conflictFound({ ...ref, theirs: saved(RIG.id, RIG.body) }));
    expect(await says()).toBe('Not saved: conflict');
  });

  it('does not say saved where the server did not answer at all', async () => {
    const fixture = TestBed.createComponent(SaveStatus);
    store.dispatch(Items.loadFailed({ problem: { code: 'no-answer', title: 'The server is not answering', detail: '', remedy: '' } }));
    await fixture.whenStable();
    expect(textOf(fixture)).toBe('No server');
  });
});
