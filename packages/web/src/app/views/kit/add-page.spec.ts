import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { Store, provideStore } from '@ngrx/store';
import { NEVER, of } from 'rxjs';
import { field, fields, press, textOf, type } from '../../../../testing/component';
import { render } from '../../../../testing/sheet';
import { Api } from '../../api/api';
import { Items } from '../../state/items.actions';
import { ItemsEffects } from '../../state/items.effects';
import { itemsReducer } from '../../state/items.reducer';
import { AddPage } from './add-page';

const api = { list: jest.fn(() => NEVER), change: jest.fn(() => NEVER), save: jest.fn(() => NEVER), photos: jest.fn(() => of([])) };

beforeEach(() => {
  jest.clearAllMocks();
  TestBed.configureTestingModule({
    providers: [
      provideRouter([{ path: '**', children: [] }]),
      provideStore({ items: itemsReducer }),
      provideEffects(ItemsEffects),
      { provide: Api, useValue: api },
    ],
  });
  TestBed.inject(Store).dispatch(Items.loaded({ saved: {} }));
});

const adding = (fixture: ComponentFixture<unknown>): HTMLButtonElement =>
  [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')].find((one) => /^Add (it|all)/.test(one.textContent.trim()))!;

async function byLabel(): Promise<ComponentFixture<AddPage>> {
  const fixture = await render(AddPage);
  await press(fixture, 'By a battery’s label');
  return fixture;
}

describe('what is added to the kit', () => {
  it.each([
    ['How many', '0'],
    ['How many', 'banana'],
    ['What does it say?', 'banana'],
    ['What does it say?', '-7.2 V 14 Wh'],
  ])('waits for a field in which nothing sound stands, and names it: %s “%s”', async (label, text) => {
    const fixture = await byLabel();
    await type(fixture, 'What does it say?', '7.2 V 2040 mAh');
    expect(adding(fixture).disabled).toBe(false);
    await type(fixture, label, text);
    expect(adding(fixture).disabled).toBe(true);
    expect(textOf(fixture)).toContain(`Put right, or empty: “${label}”.`);
    adding(fixture).click();
    expect(api.change).not.toHaveBeenCalled();
    await type(fixture, label, label === 'How many' ? '2' : '7.2 V 14.7 Wh');
    expect(adding(fixture).disabled).toBe(false);
  });

  it('keeps nothing of a label before the one that cannot be read', async () => {
    const fixture = await byLabel();
    await type(fixture, 'What does it say?', '7.2 V 2040 mAh');
    expect(textOf(fixture)).toContain('Energy 14.7 Wh');
    await type(fixture, 'What does it say?', 'banana');
    expect(textOf(fixture)).toContain('Energy unknown');
  });

  it('begins anew with another thing of the list: a figure typed for the one before is gone, and hinders nothing', async () => {
    const fixture = await render(AddPage);
    const things = [...(fixture.nativeElement as HTMLElement).querySelectorAll<HTMLButtonElement>('button')].filter((one) =>
      /^(Small|Mid-size) .*camera/.test(one.textContent.trim()),
    );
    things[0]!.click();
    await fixture.whenStable();
    await type(fixture, 'Mass', '-5');
    expect(adding(fixture).disabled).toBe(true);
    things[1]!.click();
    await fixture.whenStable();
    expect(field(fixture, 'Mass').value).not.toBe('-5');
    expect(adding(fixture).disabled).toBe(false);
    expect(fields(fixture, 'How many')).toHaveLength(1);
  });
});
