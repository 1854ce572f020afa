import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { Router, provideRouter } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { Store, provideStore } from '@ngrx/store';
import { namedByDay } from '@viaggio/core/day';
import { LOW_WATER, LOW_WATER_DAY } from '@viaggio/core/demo';
import type { Gear } from '@viaggio/core/gear';
import { NEVER, of, throwError } from 'rxjs';
import { textOf } from '../../../../testing/component';
import { InPageCore } from '../../../../testing/in-page-core';
import { render } from '../../../../testing/sheet';
import { Api } from '../../api/api';
import type { Saved } from '../../api/api';
import { Items } from '../../state/items.actions';
import { ItemsEffects } from '../../state/items.effects';
import { itemsReducer } from '../../state/items.reducer';
import { selectItems } from '../../state/items.selectors';
import { CoreWorkers } from '../../workers/core-workers';
import { ImportPage } from './import-page';
import { KitPage } from './kit-page';

const api = {
  list: jest.fn(() => NEVER),
  change: jest.fn(),
  readPlan: jest.fn(),
  save: jest.fn(() => NEVER),
  photos: jest.fn(() => of([])),
};
const saved = ({ id, body }: { id: string; body: Gear }): Saved<Gear> => ({ id, revision: 1, updatedAt: '', body });
const host = (fixture: ComponentFixture<unknown>) => fixture.nativeElement as HTMLElement;
const items = () => TestBed.inject(Store).selectSignal(selectItems)();
const lines = (fixture: ComponentFixture<unknown>) => host(fixture).querySelectorAll('tbody tr').length;
async function press(fixture: ComponentFixture<unknown>, text: string): Promise<void> {
  [...host(fixture).querySelectorAll<HTMLButtonElement>('button')].find((one) => one.textContent?.trim().startsWith(text))!.click();
  await fixture.whenStable();
}
async function searchFor(fixture: ComponentFixture<unknown>, text: string): Promise<void> {
  const field = host(fixture).querySelector<HTMLInputElement>('input[type="search"]')!;
  field.value = text;
  field.dispatchEvent(new Event('input'));
  await fixture.whenStable();
}

beforeEach(() => {
  jest.clearAllMocks();
  Element.prototype.scrollIntoView ??= () => undefined;
  globalThis.structuredClone ??= <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
  TestBed.configureTestingModule({
    providers: [
      provideRouter([{ path: '**', children: [] }]),
      provideStore({ items: itemsReducer }),
      provideEffects(ItemsEffects),
      { provide: Api, useValue: api },
      { provide: CoreWorkers, useClass: InPageCore },
    ],
  });
  TestBed.inject(Store).dispatch(Items.loaded({ saved: { gear: LOW_WATER.gear.map(saved), rigs: [] } }));
});

describe('the kit', () => {
  it('is searched by every word, and the numbers beside the kinds follow', async () => {
    const fixture = await render(KitPage);
    expect(lines(fixture)).toBe(LOW_WATER.gear.length);
    await searchFor(fixture, 'holm case 1');
    expect(lines(fixture)).toBe(3);
    expect(textOf(fixture, '.kinds')).toContain('Batteries 3');
    expect(textOf(fixture, '.kinds')).toContain('Devices 0');
    await searchFor(fixture, 'nothing like it');
    expect(textOf(fixture)).toContain('Nothing is found.');
    await press(fixture, 'Show all');
    expect(lines(fixture)).toBe(LOW_WATER.gear.length);
  });

  it('makes only the first lines of a long one, and more as they are asked for', async () => {
    const many = Array.from({ length: 300 }, (_, index) =>
      saved({ id: `x${index}`, body: { ...LOW_WATER.gear[3]!.body, tag: `X${index}` } }),
    );
    TestBed.inject(Store).dispatch(Items.loaded({ saved: { gear: many, rigs: [] } }));
    const fixture = await render(KitPage);
    expect(lines(fixture)).toBe(40);
    await press(fixture, '260 more');
    expect(lines(fixture)).toBe(160);
    await searchFor(fixture, 'x29');
    expect(lines(fixture)).toBe(11);
  });

  it('keeps what is put away out of sight until it is looked for', async () => {
    const [first] = LOW_WATER.gear;
    const gear = [saved({ id: first!.id, body: { ...first!.body, archived: true } }), ...LOW_WATER.gear.slice(1).map(saved)];
    TestBed.inject(Store).dispatch(Items.loaded({ saved: { gear, rigs: [] } }));
    const fixture = await render(KitPage);
    expect(lines(fixture)).toBe(LOW_WATER.gear.length - 1);
    const box = host(fixture).querySelector<HTMLInputElement>('.filters input[type="checkbox"]')!;
    box.checked = true;
    box.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    expect(lines(fixture)).toBe(1);
  });

  it('opens the first thing as a step of its own, so that Back closes it; others and closing take its place', async () => {
    const fixture = await render(KitPage);
    const go = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    const open = async (place: number): Promise<void> => {
      host(fixture).querySelectorAll<HTMLElement>('tbody tr')[place]!.click();
      await fixture.whenStable();
    };
    const replaces = () => go.mock.calls.at(-1)![1]!.replaceUrl;
    await open(0);
    expect(replaces()).toBe(false);
    fixture.componentRef.setInput('item', LOW_WATER.gear[0]!.id);
    await fixture.whenStable();
    await open(2);
    expect(replaces()).toBe(true);
  });

  it('says of a thing which rigs and days name it; what only a day names can be deleted', async () => {
    const charger = LOW_WATER_DAY.body.chargers![0]!.gearId;
    const rigs = LOW_WATER.rigs.map(({ id, body }) => ({ id, body, revision: 1, updatedAt: '' }));
    const days = [{ ...LOW_WATER_DAY, revision: 1, updatedAt: '' }];
    TestBed.inject(Store).dispatch(Items.loaded({ saved: { gear: LOW_WATER.gear.map(saved), rigs, days } }));
    const fixture = await render(KitPage, { item: charger });
    expect(textOf(fixture, 'app-item-panel')).toContain('Planned with in Day 2, out with the pilots.');
    const remove = (): HTMLButtonElement => [...host(fixture).querySelectorAll<HTMLButtonElement>('app-page-menu button')].find(({ textContent }) => textContent.trim().startsWith('Delete'))!; // prettier-ignore
    expect(remove().disabled).toBe(false);
    const planned = new Set(namedByDay(LOW_WATER_DAY.body).map(({ id }) => id));
    const inRigs = LOW_WATER.rigs.flatMap(({ body }) => body.devices.map(({ gearId }) => gearId));
    fixture.componentRef.setInput(
      'item',
      inRigs.find((id) => !planned.has(id)),
    );
    await fixture.whenStable();
    expect(textOf(fixture, 'app-item-panel')).not.toContain('Planned with');
    expect(remove().disabled).toBe(true);
  });

  it('does with several at once what is asked: moved, charged, tagged on from a number; each is one step', async () => {
    api.change.mockImplementation((changes: readonly { id: string; body: Gear }[]) => of({ gear: changes.map(saved), rigs: [] }));
    const fixture = await render(KitPage);
    await searchFor(fixture, 'holm case 1');
    host(fixture).querySelector<HTMLInputElement>('input[aria-label^="Choose all: Batteries"]')!.click();
    await fixture.whenStable();
    expect(textOf(fixture, 'app-chosen-bar')).toContain('3 chosen');
    const submit = async (label: string, text: string): Promise<void> => {
      const field = host(fixture).querySelector<HTMLInputElement>(`app-chosen-bar input[aria-label="${label}"]`)!;
      field.value = text;
      field.form!.dispatchEvent(new Event('submit'));
      await fixture.whenStable();
    };
    await submit('Charge of all chosen batteries', 'much');
    expect(textOf(fixture, 'app-chosen-bar')).toContain('Expected full, flat or');
    expect(items().past).toHaveLength(0);
    await submit('Charge of all chosen batteries', '80 %');
    await submit('Tags from', 'X1');
    await submit('Move to', 'case 1, left');
    expect(items().past).toHaveLength(3);
    const now = Object.values(items().gear.entities).map((entry) => entry!.body).filter(({ where }) => where === 'case 1, left'); // prettier-ignore
    expect(now.map(({ tag }) => tag).sort()).toEqual(['X1', 'X2', 'X3']);
    expect(now.every((body) => body.kind === 'battery' && body.charge === 0.8)).toBe(true);
  });

  it('says what to do when there is nothing in it', async () => {
    TestBed.inject(Store).dispatch(Items.loaded({ saved: { gear: [], rigs: [] } }));
    expect(textOf(await render(KitPage))).toContain('Nothing in the kit yet');
  });
});

describe('an import', () => {
  const CSV = 'kind,tag,name,years\nbattery,V1,Holmvik 95,3\nbattery,V2,Holmvik 95,old\ncharger,,,';
  async function paste(text: string): Promise<ComponentFixture<ImportPage>> {
    const fixture = await render(ImportPage);
    host(fixture).querySelector<HTMLTextAreaElement>('textarea')!.value = text;
    await press(fixture, 'Preview');
    await new Promise((resolve) => setTimeout(resolve)); // the worker's answer
    await fixture.whenStable();
    return fixture;
  }

  it('shows what would change and what is wrong, and writes nothing', async () => {
    const fixture = await paste(CSV);
    expect(textOf(fixture)).toContain('0 new, 1 changed, 0 as they are, 5 faults');
    expect(textOf(fixture)).toContain('3 years a number of years, such as 3 “old”');
    expect(textOf(fixture)).toContain('Age: not given → 3 years');
    expect(api.change).not.toHaveBeenCalled();
  });

  it('is one step; refused, what was read stays to be tried again', async () => {
    const fixture = await paste(CSV);
    api.change.mockReturnValueOnce(throwError(() => ({ code: 'database-away', title: 'Away', detail: '', remedy: '' })));
    await press(fixture, 'Accept the sound rows');
    expect(textOf(fixture)).toContain('Age: not given → 3 years');
    const v1 = LOW_WATER.gear.find(({ body }) => body.tag === 'V1')!;
    api.change.mockReturnValueOnce(of({ gear: [saved({ id: v1.id, body: { ...v1.body, years: 3 } as Gear })], rigs: [] }));
    await press(fixture, 'Accept the sound rows');
    expect(items().past).toHaveLength(1);
    expect(items().gear.entities[v1.id]?.body).toMatchObject({ years: 3 });
  });

  it('of a plan document takes what the server made of it, with what stands beside gear and rigs', async () => {
    const [first] = LOW_WATER.gear;
    api.readPlan.mockReturnValueOnce(
      of({ gear: [{ id: 'n', body: first!.body }], rigs: [], days: [], log: [], recordings: [], rest: { name: 'Elsewhere', aside: [] } }),
    );
    const fixture = await paste('{"format":"viaggio-plan"}');
    expect(textOf(fixture)).toContain('1 new, 0 changed');
    api.change.mockReturnValueOnce(NEVER);
    await press(fixture, 'Accept');
    expect(api.change).toHaveBeenCalledWith([{ kind: 'gear', id: 'n', body: first!.body }], { rest: { name: 'Elsewhere', aside: [] } });
  });

  it('that is no JSON after all says so', async () => {
    expect(textOf(await paste('{"format":'))).toContain('The file is not JSON');
  });
});
