import { Injector, runInInjectionContext } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import type { Type } from '@angular/core';
import { provideRouter } from '@angular/router';
import { Store, provideStore } from '@ngrx/store';
import { LOW_WATER } from '@viaggio/core/demo';
import type { Gear, Rig } from '@viaggio/core/gear';
import type { Saved } from '../src/app/api/api';
import { RigSheet } from '../src/app/views/rigs/sheet/rig-sheet';
import { Items } from '../src/app/state/items.actions';
import { itemsReducer } from '../src/app/state/items.reducer';
import { CoreWorkers } from '../src/app/workers/core-workers';
import { InPageCore } from './in-page-core';

const saved = <T extends Gear | Rig>({ id, body }: { id: string; body: T }): Saved<T> => ({
  id,
  revision: 1,

  updatedAt: '',
  body,
});

/** The demo in the store, the core in the page, and a sheet of one of its rigs, for the components that show it. */
export function showDemoRig(name: string): RigSheet {
  TestBed.configureTestingModule({
    providers: [provideRouter([]), provideStore({ items: itemsReducer }), { provide: CoreWorkers, useClass: InPageCore }, RigSheet],
  });
  TestBed.inject(Store).dispatch(Items.loaded({ saved: { gear: LOW_WATER.gear.map(saved), rigs: LOW_WATER.rigs.map(saved) } }));
  const sheet = runInInjectionContext(TestBed.inject(Injector), () => TestBed.inject(RigSheet));
  sheet.id.set(LOW_WATER.rigs.find(({ body }) => body.name === name)!.id);
  return sheet;
}

/** Until a condition holds: what a worker answers comes some turns later. */
export async function until(condition: () => boolean): Promise<void> {
  for (let turn = 0; turn < 400 && !condition(); turn++) {
    TestBed.tick();
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
  if (!condition()) throw new Error('it did not come to that');
}

export async function render<C>(component: Type<C>, inputs: Readonly<Record<string, unknown>> = {}): Promise<ComponentFixture<C>> {
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
  return fixture;
}

export function idOf(name: string, tag?: string): string {
  return LOW_WATER.gear.find(({ body }) => body.name === name && (tag === undefined || body.tag === tag))!.id;
}
