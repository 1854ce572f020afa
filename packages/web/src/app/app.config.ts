import { APP_BASE_HREF } from '@angular/common';
import { provideHttpClient, withFetch, withInterceptors } from '@angular/common/http';
import type { ApplicationConfig } from '@angular/core';
import { provideBrowserGlobalErrorListeners, provideZonelessChangeDetection } from '@angular/core';
import { provideRouter, withComponentInputBinding, withInMemoryScrolling } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideStore } from '@ngrx/store';
import { routes } from './app.routes';
import { askInWorld, thisWorld, WORLD_BASES } from './api/world';
import { ItemsEffects } from './state/items.effects';
import { itemsReducer } from './state/items.reducer';

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    provideZonelessChangeDetection(),
    { provide: APP_BASE_HREF, useFactory: () => WORLD_BASES[thisWorld()] },
    provideHttpClient(withFetch(), withInterceptors([askInWorld])),
    provideRouter(routes, withComponentInputBinding(), withInMemoryScrolling({ scrollPositionRestoration: 'enabled' })),
    provideStore({ items: itemsReducer }, { runtimeChecks: { strictStateImmutability: true, strictActionImmutability: true } }),
    provideEffects(ItemsEffects),
  ],
};
