import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { Store, provideStore } from '@ngrx/store';
import type { BackupComparison } from '@viaggio/core/document';
import { textOf } from '../../../../testing/component';
import { render, until } from '../../../../testing/sheet';
import { KINDS } from '../../api/api';
import type { Problem } from '../../api/api';
import { Items } from '../../state/items.actions';
import { itemsReducer } from '../../state/items.reducer';
import { BackupPage } from './backup-page';
import { Backups } from './backups';
import type { Sent } from './backups';

const NOTHING = { new: 0, same: 3, different: 0, onlyHere: 0 };
const NAMES = [...KINDS, 'samples', 'photos'] as const;
/** So many new and different pieces of gear. */
const compared = (fresh: number, different: number): BackupComparison => ({
  madeAt: '2026-01-07T10:00:00Z',
  kinds: { ...(Object.fromEntries(NAMES.map((name) => [name, NOTHING])) as BackupComparison['kinds']), gear: { new: fresh, same: 1, different, onlyHere: 0 } },
  different: different > 0 ? [{ kind: 'gear', id: 'g', title: 'V1: Holmvik 95', says: 'another charge' }] : [],
}); // prettier-ignore
const BUSY: Problem = { code: 'busy', title: 'Busy', detail: 'Others wait.', remedy: 'Come again.' };

const sent = (answer: Promise<BackupComparison>, cancel = jest.fn()): Sent => ({ answer, cancel });
const backups = { compare: jest.fn<Sent, [File, unknown]>(), restore: jest.fn<Sent, [File, string, unknown]>() };
let fixture: ComponentFixture<BackupPage>;
let dispatched: jest.SpyInstance;
const host = () => fixture.nativeElement as HTMLElement;

beforeEach(async () => {
  backups.compare.mockReset().mockReturnValue(sent(Promise.resolve(compared(2, 1))));
  backups.restore.mockReset().mockReturnValue(sent(Promise.resolve(compared(2, 1))));
  TestBed.configureTestingModule({ providers: [provideStore({ items: itemsReducer }), { provide: Backups, useValue: backups }] });
  dispatched = jest.spyOn(TestBed.inject(Store), 'dispatch');
  fixture = await render(BackupPage);
});

async function choose(): Promise<void> {
  const input = host().querySelector<HTMLInputElement>('input[type=file]')!;
  Object.defineProperty(input, 'files', { value: [{ name: 'all.zip', size: 9 }], configurable: true });
  input.dispatchEvent(new Event('change'));
  await fixture.whenStable();
}
async function press(name: RegExp): Promise<void> {
  [...host().querySelectorAll('button')].find(({ textContent }) => name.test(textContent.trim()))!.click();
  await fixture.whenStable();
}

describe('a backup that comes in', () => {
  it('is compared first, and says what it would bring', async () => {
    await choose();
    await until(() => textOf(fixture).includes('all.zip of'));
    expect(textOf(fixture)).toContain('2 things that are not here, 1 different.');
    expect(textOf(fixture)).toContain('Gear: V1: Holmvik 95, another charge');
    expect(host().querySelector('button.btn-primary')!.textContent.trim()).toBe('Restore 2 things');
    host().querySelector<HTMLInputElement>('#take')!.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    expect(host().querySelector('button.btn-primary')!.textContent.trim()).toBe('Restore 3 things');
    expect(backups.restore).not.toHaveBeenCalled();
  });

  it('tells what the server brought, not what was to be seen before', async () => {
    backups.restore.mockReturnValue(sent(Promise.resolve(compared(1, 1))));
    await choose();
    await until(() => textOf(fixture).includes('all.zip of'));
    await press(/^Restore 2/);
    await until(() => textOf(fixture).includes('1 thing was brought from all.zip.'));
    expect(backups.restore.mock.calls[0]![1]).toBe('keep');
    expect(dispatched).toHaveBeenCalledWith(Items.load());
  });

  it('that is refused says why, and one that was cancelled is as if it had not been', async () => {
    backups.compare.mockReturnValue(sent(jest.fn<Promise<BackupComparison>, []>().mockRejectedValue(BUSY)()));
    await choose();
    await until(() => textOf(fixture).includes('Others wait.'));
    const cancel = jest.fn();
    backups.compare.mockReturnValue(sent(new Promise(() => undefined), cancel));
    // the file is chosen where it was chosen before
    await choose();
    await until(() => textOf(fixture).includes('Reading all.zip'));
    await press(/^Cancel/);
    expect(cancel).toHaveBeenCalled();
  });
});
