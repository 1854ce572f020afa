import type { Routes } from '@angular/router';

export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'rigs' },
  { path: 'rigs', title: 'Rigs · Viaggio', loadComponent: () => import('./rigs/rigs-page').then((m) => m.RigsPage) },
  { path: 'rigs/new', title: 'Three questions · Viaggio', loadComponent: () => import('./rigs/new-rig-page').then((m) => m.NewRigPage) },
  { path: 'rigs/:id', title: 'Rig · Viaggio', loadComponent: () => import('./rigs/rig-page').then((m) => m.RigPage) },
  { path: '**', title: 'Not found · Viaggio', loadComponent: () => import('./shared/not-found-page').then((m) => m.NotFoundPage) },
];
