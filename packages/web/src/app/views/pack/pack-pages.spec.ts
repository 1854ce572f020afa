import { HttpClient } from '@angular/common/http';
import type { Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Store, provideStore } from '@ngrx/store';
import { LOW_WATER, LOW_WATER_DAY, LOW_WATER_RULES, LOW_WATER_TRIPS } from '@viaggio/core/demo';
import { byKind } from '@viaggio/core/document';
import type { Trip } from '@viaggio/core/travel';
import { NEVER, of } from 'rxjs';
import { InPageCore } from '../../../../testing/in-page-core';
import { render } from '../../../../testing/sheet';
import { Api } from '../../api/api';
import type { Saved } from '../../api/api';
import { Items } from '../../state/items.actions';
import { itemsReducer } from '../../state/items.reducer';
import { selectGearBodies, selectTrips } from '../../state/items.selectors';
import { CoreWorkers } from '../../workers/core-workers';
import { BorrowedPage } from './borrowed/borrowed-page';
import { ChargePage } from './charge/charge-page';
import { Prints } from '../../parts/prints';
import { RulesPage } from './rules/rules-page';
import { TagsPage } from './tags/tags-page';
import { BagsPage } from './trip/bags-page';
import { FlyingPage } from './trip/flying-page';
import { GatePage } from './trip/gate-page';
import { ListPage } from './trip/list-page';
import { TripSheet } from './trip/trip-sheet';
import { TripsPage } from './trips-page';

const TRIP = LOW_WATER_TRIPS[0]!;
const api = { item: jest.fn(() => NEVER), list: jest.fn(() => NEVER) };
const post = jest.fn();
const saved = <B>({ id, body }: { id: string; body: B }): Saved<B> => ({ id, revision: 1, updatedAt: '', body });
const host = (fixture: ComponentFixture<unknown>) => fixture.nativeElement as HTMLElement;
const text = (fixture: ComponentFixture<unknown>) => host(fixture).textContent.replace(/\s+/g, ' ');
const idOf = (tag: string): string => LOW_WATER.gear.find(({ body }) => body.tag === tag)!.id;
const store = () => TestBed.inject(Store);
const trip = (): Trip => store().selectSignal(selectTrips)()[0]!.body;

async function answered(fixture: ComponentFixture<unknown>): Promise<void> {
  for (let turn = 0; turn < 6; turn++) {
    await new Promise((resolve) => setTimeout(resolve, 10));
    await fixture.whenStable();
  }
}
async function opened<C>(page: Type<C>, inputs: Readonly<Record<string, unknown>> = {}): Promise<ComponentFixture<C>> {
  const fixture = await render(page, inputs);
  await answered(fixture);
  return fixture;
}
async function press(fixture: ComponentFixture<unknown>, label: RegExp): Promise<void> {
  const named = [...host(fixture).querySelectorAll<HTMLButtonElement>('button')].find((one) =>
    label.test(one.getAttribute('aria-label') ?? one.textContent.trim()),
  );
  named!.click();
  await answered(fixture);
}

beforeEach(() => {
  jest.clearAllMocks();
  localStorage.clear();
  TestBed.configureTestingModule({
    providers: [
      provideRouter([{ path: '**', children: [] }]),
      provideStore({ items: itemsReducer }),
      TripSheet,
      { provide: Api, useValue: api },
      { provide: HttpClient, useValue: { post } },
      { provide: CoreWorkers, useClass: InPageCore },
    ],
  });
  const loaded = {
    ...byKind(() => []),
    gear: LOW_WATER.gear.map(saved),
    rigs: LOW_WATER.rigs.map(saved),
    days: [saved(LOW_WATER_DAY)],
    rules: LOW_WATER_RULES.map(saved),
    trips: [saved(TRIP)],
  };
  store().dispatch(Items.loaded({ saved: loaded }));
  TestBed.inject(TripSheet).id.set(TRIP.id);
});

describe('the list of a trip', () => {
  it('ticks by a press, and says what is missing', async () => {
    const fixture = await opened(ListPage);
    expect(text(fixture)).toMatch(/0 of \d+ \d+ missing/);
    const boxes = [...host(fixture).querySelectorAll<HTMLInputElement>('input[type=checkbox]')];
    boxes[0]!.click();
    await answered(fixture);
    expect(trip().things!.filter(({ out }) => out !== undefined)).toHaveLength(1);
    expect(text(fixture)).toMatch(/1 of \d+/);
  });

  it('ticks by a typed tag and Enter; anything else is looked for', async () => {
    const fixture = await opened(ListPage);
    const box = host(fixture).querySelector<HTMLInputElement>('#pack-search')!;
    const type = async (value: string) => {
      box.value = value;
      box.dispatchEvent(new Event('input'));
      box.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
      await answered(fixture);
    };
    await type('v3');
    expect(trip().things!.find(({ id }) => id === idOf('V3'))!.out).toBeDefined();
    expect(text(fixture)).toMatch(/V3: packed\. \d+ still missing\./);
    await type('plate');
    expect(text(fixture)).toContain('Kjolen plate');
    expect(host(fixture).querySelectorAll('.lines li').length).toBeLessThan(5);
  });

  it('own items are typed with their number, and none twice', async () => {
    const fixture = await opened(ListPage);
    const before = trip().own!.length;
    const field = host(fixture).querySelector<HTMLInputElement>('#own-item')!;
    for (const typed of ['4 × sandbag', '4 × sandbag', ' ']) {
      field.value = typed;
      field.form!.dispatchEvent(new Event('submit'));
      await answered(fixture);
    }
    expect(trip().own!.slice(before)).toMatchObject([{ name: 'sandbag', count: 4 }]);
  });
});

describe('bags', () => {
  it('are filled by a suggestion, and a thing is moved by a press', async () => {
    const fixture = await opened(BagsPage);
    expect(text(fixture)).toContain('In no bag');
    await press(fixture, /^Suggest bags for the rest/);
    expect(text(fixture)).not.toContain('In no bag');
    const v3 = () => trip().things!.find(({ id }) => id === idOf('V3'))!.bagId;
    const before = v3();
    await press(fixture, /^V3 /);
    await press(fixture, before === 'siv-bag' ? /^Tobb’s cabin bag/ : /^Siv’s cabin bag/);
    expect(v3()).not.toBe(before);
  });
});

describe('what is in a bag', () => {
  const bags = (fixture: ComponentFixture<unknown>) => [...host(fixture).querySelectorAll<HTMLElement>('.bag:not(.loose)')];
  const widths = (bag: HTMLElement) => [...bag.querySelectorAll<HTMLElement>('.meter span')].map((part) => parseFloat(part.style.width));

  it('is drawn as shares of what it may weigh: the bag itself, then spares, the heaviest first', async () => {
    const things = ['V3', 'K1'].map((tag) => ({ id: idOf(tag), bagId: 'ine-bag' }));
    store().dispatch(Items.edit({ kind: 'trips', id: TRIP.id, body: { ...TRIP.body, things }, field: 'x', at: 0 }));
    const fixture = await opened(BagsPage);
    const bag = bags(fixture).find((one) => one.textContent.includes('Ine’s cabin bag'))!;
    const own = TRIP.body.bags!.find(({ id }) => id === 'ine-bag')!;
    const massOf = (tag: string): number => LOW_WATER.gear.find(({ body }) => body.tag === tag)!.body.massG!;
    const mostG = 8000;
    expect(widths(bag)).toEqual([own.ownG!, massOf('V3'), massOf('K1')].map((massG) => expect.closeTo((100 * massG) / mostG, 3) as number));
    expect([...bag.querySelectorAll('.meter .battery')]).toHaveLength(2);
    expect(bag.querySelector('.meter .itself')!.getAttribute('title')).toContain('the bag itself');
  });

  it('of the list of trips says how far each is packed, and how heavy each bag is', async () => {
    const fixture = await opened(TripsPage);
    expect(text(fixture)).toMatch(/0 of \d+ in a bag, 0 packed/);
    expect(host(fixture).querySelectorAll('.bag')).toHaveLength(TRIP.body.bags!.length);
    expect(text(fixture)).toMatch(/Ine’s cabin bag\s*1\.4 kg of 8 kg/);
  });
});

describe('flying', () => {
  it('is never shown as good while a carrier has to agree, or its rules are old', async () => {
    const sent = (bagId: string) => ['V5', 'P1'].map((tag) => ({ id: idOf(tag), bagId }));
    store().dispatch(Items.edit({ kind: 'trips', id: TRIP.id, body: { ...TRIP.body, things: sent('crate') }, field: 'x', at: 0 }));
    const fixture = await opened(FlyingPage);
    expect(text(fixture)).toMatch(/◆ Everybody keeps the limits, if the carrier agrees, by rules that may have changed\./);
    expect(text(fixture)).not.toContain('● Everything may fly');
  });

  it('the gate shows printed watt-hours with their computation, person by person, and nothing that stays', async () => {
    const fixture = await opened(GatePage);
    expect(text(fixture)).toMatch(/147 Wh\s*V3: Holmvik 147\s*14\.4 V × 10\.21 Ah = 147 Wh\s*with the carrier’s approval/);
    expect(text(fixture)).not.toContain('Holmvik 196');
  });
});

describe('charge tonight', () => {
  // the demo crew’s day shows how it looks, though it is over
  beforeEach(() => history.replaceState(null, '', '/demo/'));
  afterEach(() => history.replaceState(null, '', '/'));

  it('says why there is nothing to charge, and where to go', async () => {
    const without = (kind: string) => LOW_WATER.gear.filter(({ body }) => body.kind !== kind).map(saved);
    const chargeOf = async (gear: ReturnType<typeof without>): Promise<ComponentFixture<unknown>> => {
      store().dispatch(Items.loaded({ saved: { ...byKind(() => []), gear } }));
      return opened(ChargePage);
    };
    const none = await chargeOf(without('battery'));
    expect(text(none)).toContain('No rechargeable battery is at hand.');
    expect(host(none).querySelector('a[href="/kit/add"]')).not.toBeNull();
    none.destroy();
    expect(text(await chargeOf(without('charger').filter(({ body }) => body.kind === 'battery' && body.form === 'v-mount')))).toContain('No charger of the kit fits');
  }); // prettier-ignore

  it('plugged in and full go to the kit; the list stays as it was', async () => {
    const fixture = await opened(ChargePage);
    const total = /of (\d+) full/.exec(text(fixture))![1];
    await press(fixture, /^V3: .* is plugged in/);
    const v3 = () => store().selectSignal(selectGearBodies)().get(idOf('V3')) as { charge?: number; plugged?: object };
    expect(v3().plugged).toBeDefined();
    await press(fixture, /^V3: .* is full/);
    expect(v3()).toMatchObject({ charge: 1 });
    expect(v3().plugged).toBeUndefined();
    expect(text(fixture)).toMatch(new RegExp(`1 of ${total} full`));
  });
});

describe('tags', () => {
  it('lead nowhere but to an address, and are made for what is chosen', async () => {
    post.mockReturnValue(of({ body: new Blob(), headers: { get: () => null } }));
    URL.createObjectURL = () => 'blob:x';
    URL.revokeObjectURL = () => undefined;
    const fixture = await opened(TagsPage);
    const origin = host(fixture).querySelector<HTMLInputElement>('#tag-origin')!;
    const type = async (value: string) => {
      origin.value = value;
      origin.dispatchEvent(new Event('input'));
      await answered(fixture);
    };
    await type('javascript:alert(1)');
    await press(fixture, /^Make the PDF/);
    expect(post).not.toHaveBeenCalled();
    await type('http://192.168.1.20:4377/');
    await press(fixture, /^Make the PDF/);
    const [, order] = post.mock.calls[0] as [string, { gearIds: string[]; origin: string }];
    expect(order.origin).toBe('http://192.168.1.20:4377');
    expect(order.gearIds).toContain(idOf('V3'));
  });

  it('what the server refuses is told, not saved as a file', async () => {
    const dispatched = jest.spyOn(store(), 'dispatch');
    post.mockImplementation(() => {
      throw new Error('away');
    });
    await TestBed.inject(Prints).ofRig('x');
    expect(dispatched.mock.calls.flat()).toContainEqual(expect.objectContaining({ type: Items.actFailed.type }));
  });
});

it('rules that are old say so; the usual ones cannot be changed', async () => {
  const fixture = await opened(RulesPage, { item: LOW_WATER_RULES[0]!.id });
  expect(text(fixture)).toContain('◆ as of 2026-01: look them up again');
  const usual = await opened(RulesPage);
  expect(text(usual)).toContain('cannot be changed');
  expect(host(usual).querySelector('section input')).toBeNull();
});

it('what is overdue is loud, and given back keeps the day', async () => {
  const fixture = await opened(BorrowedPage);
  expect(text(fixture)).toContain('■ overdue: back by Sun 18 Jan 2026');
  await press(fixture, /^Given back/);
  const back = [...store().selectSignal(selectGearBodies)().values()].filter(({ borrowed }) => borrowed?.back);
  expect(back).toHaveLength(1);
});
