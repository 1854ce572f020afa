import type { Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { Store, provideStore } from '@ngrx/store';
import type { Sheet, SheetOf } from '@viaggio/core/bench';
import { LOW_WATER, LOW_WATER_SHEETS } from '@viaggio/core/demo';
import { NEVER, Subject, of } from 'rxjs';
import { InPageCore } from '../../../../testing/in-page-core';
import { render } from '../../../../testing/sheet';
import { Api } from '../../api/api';
import type { Saved, SavedItems } from '../../api/api';
import { RecordingsApi } from '../../api/recordings-api';
import { Items } from '../../state/items.actions';
import { ItemsEffects } from '../../state/items.effects';
import { itemsReducer } from '../../state/items.reducer';
import { CoreWorkers } from '../../workers/core-workers';
import { BenchSheets } from '../../parts/bench-sheets';
import { BuildPage } from './build/build-page';
import { TOOL_NAMES } from './build/tools';
import { CheckPage } from './check/check-page';
import { ContactsSheet } from './contacts/contacts-sheet';
import { TapsSheet } from './contacts/taps-sheet';
import { FaultPage } from './fault/fault-page';

const api = { list: jest.fn(() => NEVER), change: jest.fn(), save: jest.fn((): unknown => NEVER) };
const meters = { meters: jest.fn(() => of([])), read: jest.fn() };
const saved = <B>({ id, body }: { id: string; body: B }): Saved<B> => ({ id, revision: 1, updatedAt: '', body });
const host = (fixture: ComponentFixture<unknown>) => fixture.nativeElement as HTMLElement;
const text = (fixture: ComponentFixture<unknown>) => host(fixture).textContent.replace(/\s+/g, ' ');
const rigId = (name: string) => LOW_WATER.rigs.find(({ body }) => body.name === name)!.id;
const sheetOf = <K extends Sheet['kind']>(kind: K) =>
  LOW_WATER_SHEETS.find(({ body }) => body.kind === kind)! as { id: string; body: SheetOf<K> };

/** A worker answers some turns later. */
async function answered(fixture: ComponentFixture<unknown>): Promise<void> {
  for (let turn = 0; turn < 5; turn++) {
    await new Promise((resolve) => setTimeout(resolve, 10));
    await fixture.whenStable();
  }
}

async function opened<C>(page: Type<C>, inputs: Readonly<Record<string, unknown>>): Promise<ComponentFixture<C>> {
  const fixture = await render(page, inputs);
  await answered(fixture);
  return fixture;
}

async function press(fixture: ComponentFixture<unknown>, label: string): Promise<void> {
  [...host(fixture).querySelectorAll<HTMLButtonElement>('button')].find((one) => one.textContent?.trim().startsWith(label))!.click();
  await answered(fixture);
}
async function type(fixture: ComponentFixture<unknown>, selector: string, value: string): Promise<void> {
  const field = host(fixture).querySelector<HTMLInputElement>(selector)!;
  field.value = value;
  field.dispatchEvent(new Event('input'));
  await fixture.whenStable();
}

beforeEach(() => {
  jest.clearAllMocks();
  sessionStorage.clear();
  globalThis.structuredClone ??= <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
  TestBed.configureTestingModule({
    providers: [
      provideRouter([{ path: '**', children: [] }]),
      provideStore({ items: itemsReducer }),
      provideEffects(ItemsEffects),
      { provide: Api, useValue: api },
      { provide: RecordingsApi, useValue: meters },
      { provide: CoreWorkers, useClass: InPageCore },
    ],
  });
  const loaded: SavedItems = { gear: LOW_WATER.gear.map(saved), rigs: LOW_WATER.rigs.map(saved), sheets: LOW_WATER_SHEETS.map(saved) };
  TestBed.inject(Store).dispatch(Items.loaded({ saved: loaded }));
});

describe('a check before power', () => {
  it('judges what is typed at once, before it is kept', async () => {
    const fixture = await opened(CheckPage, { id: rigId('Deck') });
    await type(fixture, '#reading', '-5');
    expect(text(fixture)).toContain('plus and minus are exchanged');
    await type(fixture, '#reading', 'much');
    expect(text(fixture)).toContain('expected volts such as 16,4 or -8.1, or OL; got “much”');
    expect(api.change).not.toHaveBeenCalled();
  });

  it('loses no reading while the server has not answered the first: what came meanwhile is sent then', async () => {
    const answer = new Subject<SavedItems>();
    api.change.mockReturnValue(answer);
    const fixture = await opened(CheckPage, { id: rigId('Deck') });
    await type(fixture, '#reading', '5.02');
    await press(fixture, 'Keep reading');
    await type(fixture, '#reading', '8.0');
    await press(fixture, 'Keep reading');
    expect(api.change).toHaveBeenCalledTimes(1);
    expect(text(fixture)).toContain('2 of 3 measured');
    const [[{ id, body }]] = api.change.mock.calls[0] as [[{ id: string; body: SheetOf<'joints'> }]];
    expect(body.readings).toHaveLength(1);
    answer.next({ sheets: [saved({ id, body: body })] });
    answer.complete();
    await fixture.whenStable();
    await new Promise((resolve) => setTimeout(resolve, 1200));
    expect(text(fixture)).toContain('2 of 3 measured');
    const sent = (api.save.mock.calls as unknown as [string, string, number, SheetOf<'joints'>][]).find(([kind]) => kind === 'sheets');
    expect(sent?.[3].readings.map(({ volts }) => volts)).toEqual([5.02, 8]);
  });

  it('brings a sheet that had not arrived when the tab was left, once everything is loaded', async () => {
    api.change.mockReturnValue(NEVER);
    const body: SheetOf<'joints'> = { kind: 'joints', at: '2026-01-12', rigId: rigId('Deck'), readings: [] };
    sessionStorage.setItem('viaggio.bench-coming', JSON.stringify([['0d7ecb1e-5a0f-4a4b-9d57-2f1f5c1f7a10', body]]));
    const fixture = await opened(CheckPage, { id: rigId('Deck') });
    await answered(fixture);
    expect(api.change).toHaveBeenCalledTimes(1);
    expect(api.change.mock.calls[0]).toMatchObject([[{ id: '0d7ecb1e-5a0f-4a4b-9d57-2f1f5c1f7a10', body }]]);
  });

  it('closes what lies behind a stop, and offers what the reading corrects', async () => {
    const fixture = await opened(CheckPage, { id: rigId('Skuadon on the blue board') });
    expect(text(fixture)).toContain('Stopped: no power');
    expect(text(fixture)).toContain('Enter 9.4 V as its output, measured');
    expect(text(fixture)).toContain('closed until the stop before it is measured again');
    await press(fixture, 'Enter 9.4 V');
    const module = [...TestBed.inject(BenchSheets).gear().values()].find(({ name }) => name.startsWith('Step-down module'));
    expect(module).toMatchObject({ output: { voltageV: 9.4 }, from: { voltageV: 'measured' } });
  });
});

describe('contacts and packs', () => {
  it('tell what differs and the sound ways on, and never a way round', async () => {
    const { id, body } = sheetOf('contacts');
    const fixture = await render(ContactsSheet, { id, sheet: body });
    expect(text(fixture)).toContain('4.96 V, on the original dead');
    expect(text(fixture)).toContain('Viaggio tells no way round it');
  });

  it('count the groups from minus where the taps were read so', async () => {
    const { id, body } = sheetOf('taps');
    const fixture = await render(TapsSheet, { id, sheet: body });
    expect(text(fixture)).toContain('Group 2 is weak');
    host(fixture).querySelector<HTMLInputElement>('input[type="checkbox"]')!.click();
    await fixture.whenStable();
    await type(fixture, 'li:nth-child(2) input', '8.03');
    expect(TestBed.inject(BenchSheets).sheet(id)).toMatchObject({ volts: [4.02, 4.01] });
  });
});

describe('the tools', () => {
  it.each(TOOL_NAMES)('%s answers before anything is typed, with its formula', async (tool) => {
    const fixture = await render(BuildPage, { tool });
    expect(host(fixture).querySelector('.formula')?.textContent).toMatch(/\d/);
    expect(text(fixture)).not.toMatch(/undefined|NaN|\[object/);
  });
});

describe('a pack and a holder', () => {
  it.each(['pack', 'holder'])('%s say what they give at their load, warm and cold', async (tool) => {
    const fixture = await render(BuildPage, { tool });
    expect(text(fixture)).toMatch(/At this load it gives [\d.]+.Wh.*at 20.°C;.*at 0.°C;.*at -10.°C/);
  });
});

describe('a fault', () => {
  it('follows the way in its address; what no table knows is left out', async () => {
    const fixture = await opened(FaultPage, {
      rig: rigId('Wheelhouse'),
      symptom: 'flashes-and-dies',
      tried: 'when-it-comes.when-touched,pray.gone,wiggle.changes,feel-warm.usual,own-battery.gone,lighter-mode.stays',
    });
    expect(text(fixture)).toContain('Sure enough to act on');
    expect(text(fixture)).toContain('A plug or contact is loose');
    expect(host(fixture).querySelectorAll('.way li')).toHaveLength(5);
  });
});
