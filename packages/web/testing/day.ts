import { Injector, runInInjectionContext } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Store, provideStore } from '@ngrx/store';
import type { Day } from '@viaggio/core/day';
import { LOW_WATER, LOW_WATER_DAY } from '@viaggio/core/demo';
import type { Bodies, Kind, Saved } from '../src/app/api/api';
import { DaySheet } from '../src/app/views/day/sheet/day-sheet';
import { ForecastApi } from '../src/app/views/day/setup/forecast-api';
import { Theme } from '../src/app/device/theme';
import { Items } from '../src/app/state/items.actions';
import { itemsReducer } from '../src/app/state/items.reducer';
import { CoreWorkers } from '../src/app/workers/core-workers';
import { InPageCore } from './in-page-core';

const saved = <K extends Kind>({ id, body }: { id: string; body: Bodies[K] }): Saved<Bodies[K]> => ({ id, revision: 1, updatedAt: '', body }); // prettier-ignore

/** The demo with its day, changed as wanted, in the store, and a sheet of it, for the components that show it. */
export function showDemoDay(changes: Partial<Day> = {}, more: readonly { id: string; body: Day }[] = [], forecast: object = {}): DaySheet {
  TestBed.configureTestingModule({
    providers: [
      provideRouter([{ path: '**', children: [] }]),
      provideStore({ items: itemsReducer }),
      { provide: CoreWorkers, useClass: InPageCore },
      { provide: Theme, useValue: { dark: () => false } },
      { provide: ForecastApi, useValue: forecast },
      DaySheet,
    ],
  });
  const days = [{ id: LOW_WATER_DAY.id, body: { ...LOW_WATER_DAY.body, ...changes } }, ...more];
  TestBed.inject(Store).dispatch(
    Items.loaded({
      saved: { gear: LOW_WATER.gear.map(saved<'gear'>), rigs: LOW_WATER.rigs.map(saved<'rigs'>), days: days.map(saved<'days'>) },
    }),
  );
  const sheet = runInInjectionContext(TestBed.inject(Injector), () => TestBed.inject(DaySheet));
  sheet.id.set(LOW_WATER_DAY.id);
  return sheet;
}
