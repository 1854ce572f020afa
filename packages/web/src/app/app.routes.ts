import type { Routes } from '@angular/router';
import type { Section } from './parts/section-page';

/** What is measured before power, compared, built, and searched when it fails. */
const BENCH: Section = {
  name: 'Bench',
  tabs: [
    { title: 'Before power', link: '/bench/check' },
    { title: 'Contacts and packs', link: '/bench/contacts' },
    { title: 'Build', link: '/bench/build' },
    { title: 'Find the fault', link: '/bench/fault' },
  ],
};
/** The night before: trips with their bags, what is charged, tags, what carriers let fly, what goes back to whom. */
const PACK: Section = {
  name: 'Pack',
  tabs: [
    { title: 'Trips', link: '/pack/trips' },
    { title: 'Charge tonight', link: '/pack/charge' },
    { title: 'Tags', link: '/pack/tags' },
    { title: 'Flight rules', link: '/pack/rules' },
    { title: 'Borrowed', link: '/pack/borrowed' },
  ],
};

export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'today' },
  { path: 'today', title: 'Today · Viaggio', loadComponent: () => import('./views/today/today-page').then((m) => m.TodayPage) },
  { path: 'kit', title: 'Kit · Viaggio', loadComponent: () => import('./views/kit/kit-page').then((m) => m.KitPage) },
  { path: 'kit/add', title: 'Add gear · Viaggio', loadComponent: () => import('./views/kit/add-page').then((m) => m.AddPage) },
  { path: 'kit/import', title: 'Import · Viaggio', loadComponent: () => import('./views/kit/import-page').then((m) => m.ImportPage) },
  {
    path: 'kit/label',
    title: 'What does this label mean? · Viaggio',
    loadComponent: () => import('./views/kit/label-page').then((m) => m.LabelPage),
  },
  { path: 'rigs', title: 'Rigs · Viaggio', loadComponent: () => import('./views/rigs/rigs-page').then((m) => m.RigsPage) },
  {
    path: 'rigs/new',
    title: 'Three questions · Viaggio',
    loadComponent: () => import('./views/rigs/new-rig-page').then((m) => m.NewRigPage),
  },
  {
    path: 'rigs/side-by-side',
    title: 'Side by side · Viaggio',
    loadComponent: () => import('./views/rigs/compare/side-by-side-page').then((m) => m.SideBySidePage),
  },
  {
    path: 'rigs/:id',
    title: 'Rig · Viaggio',
    loadComponent: () => import('./views/rigs/rig-page').then((m) => m.RigPage),
    children: [
      { path: '', loadComponent: () => import('./views/rigs/rig-overview').then((m) => m.RigOverview) },
      {
        path: 'compare',
        title: 'Compare · Viaggio',
        loadComponent: () => import('./views/rigs/compare/compare-page').then((m) => m.ComparePage),
      },
      {
        path: 'balance',
        title: 'Balance · Viaggio',
        loadComponent: () => import('./views/rigs/balance/balance-page').then((m) => m.BalancePage),
      },
      {
        path: 'unattended',
        title: 'Unattended · Viaggio',
        loadComponent: () => import('./views/rigs/unattended/unattended-page').then((m) => m.UnattendedPage),
      },
      {
        path: 'history',
        title: 'History · Viaggio',
        loadComponent: () => import('./views/rigs/history/history-page').then((m) => m.HistoryPage),
      },
    ],
  },
  { path: 'days', title: 'Days · Viaggio', loadComponent: () => import('./views/day/page/days-page').then((m) => m.DaysPage) },
  { path: 'days/:id', title: 'Day · Viaggio', loadComponent: () => import('./views/day/page/day-page').then((m) => m.DayPage) },
  {
    path: 'bench',
    title: 'Bench · Viaggio',
    loadComponent: () => import('./parts/section-page').then((m) => m.SectionPage),
    data: { section: BENCH },
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'check' },
      { path: 'check', loadComponent: () => import('./views/bench/check/checks-page').then((m) => m.ChecksPage) },
      {
        path: 'check/:id',
        title: 'Before power · Viaggio',
        loadComponent: () => import('./views/bench/check/check-page').then((m) => m.CheckPage),
      },
      {
        path: 'contacts',
        title: 'Contacts · Viaggio',
        loadComponent: () => import('./views/bench/contacts/sheets-page').then((m) => m.SheetsPage),
      },
      {
        path: 'contacts/:id',
        title: 'Contacts · Viaggio',
        loadComponent: () => import('./views/bench/contacts/sheet-page').then((m) => m.SheetPage),
      },
      { path: 'build', title: 'Build · Viaggio', loadComponent: () => import('./views/bench/build/build-page').then((m) => m.BuildPage) },
      {
        path: 'build/:tool',
        title: 'Build · Viaggio',
        loadComponent: () => import('./views/bench/build/build-page').then((m) => m.BuildPage),
      },
      {
        path: 'fault',
        title: 'Find the fault · Viaggio',
        loadComponent: () => import('./views/bench/fault/fault-page').then((m) => m.FaultPage),
      },
    ],
  },
  {
    path: 'pack',
    title: 'Pack · Viaggio',
    loadComponent: () => import('./parts/section-page').then((m) => m.SectionPage),
    data: { section: PACK },
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'trips' },
      { path: 'trips', loadComponent: () => import('./views/pack/trips-page').then((m) => m.TripsPage) },
      {
        path: 'trips/:id',
        title: 'Trip · Viaggio',
        loadComponent: () => import('./views/pack/trip/trip-page').then((m) => m.TripPage),
        children: [
          { path: '', loadComponent: () => import('./views/pack/trip/list-page').then((m) => m.ListPage) },
          { path: 'bags', title: 'Bags · Viaggio', loadComponent: () => import('./views/pack/trip/bags-page').then((m) => m.BagsPage) },
          {
            path: 'flying',
            title: 'Flying · Viaggio',
            loadComponent: () => import('./views/pack/trip/flying-page').then((m) => m.FlyingPage),
          },
          {
            path: 'gate',
            title: 'At the gate · Viaggio',
            loadComponent: () => import('./views/pack/trip/gate-page').then((m) => m.GatePage),
          },
          { path: 'setup', title: 'Trip · Viaggio', loadComponent: () => import('./views/pack/trip/setup-page').then((m) => m.SetupPage) },
        ],
      },
      {
        path: 'charge',
        title: 'Charge tonight · Viaggio',
        loadComponent: () => import('./views/pack/charge/charge-page').then((m) => m.ChargePage),
      },
      { path: 'tags', title: 'Tags · Viaggio', loadComponent: () => import('./views/pack/tags/tags-page').then((m) => m.TagsPage) },
      {
        path: 'rules',
        title: 'Flight rules · Viaggio',
        loadComponent: () => import('./views/pack/rules/rules-page').then((m) => m.RulesPage),
      },
      {
        path: 'borrowed',
        title: 'Borrowed · Viaggio',
        loadComponent: () => import('./views/pack/borrowed/borrowed-page').then((m) => m.BorrowedPage),
      },
    ],
  },
  // what the code on a tag leads to
  { path: 'g/:id', loadComponent: () => import('./parts/scan/tag-link').then((m) => m.TagLink) },
  {
    path: 'log',
    title: 'Log · Viaggio',
    loadComponent: () => import('./views/log/log-page').then((m) => m.LogPage),
    children: [
      { path: '', loadComponent: () => import('./views/log/observations/observations-page').then((m) => m.ObservationsPage) },
      {
        path: 'new',
        title: 'Add entry · Viaggio',
        loadComponent: () => import('./views/log/observations/entry-page').then((m) => m.EntryPage),
      },
      {
        path: 'entry/:id',
        title: 'Correct · Viaggio',
        loadComponent: () => import('./views/log/observations/entry-page').then((m) => m.EntryPage),
      },
      { path: 'draws', title: 'Draws · Viaggio', loadComponent: () => import('./views/log/learnt/draws-page').then((m) => m.DrawsPage) },
      {
        path: 'batteries',
        title: 'Batteries · Viaggio',
        loadComponent: () => import('./views/log/learnt/health-page').then((m) => m.HealthPage),
      },
      {
        path: 'batteries/:id',
        title: 'Battery · Viaggio',
        loadComponent: () => import('./views/log/learnt/battery-page').then((m) => m.BatteryPage),
      },
      {
        path: 'plans',
        title: 'Plan and day · Viaggio',
        loadComponent: () => import('./views/log/learnt/plans-page').then((m) => m.PlansPage),
      },
      {
        path: 'recordings',
        title: 'Recordings · Viaggio',
        loadComponent: () => import('./views/log/recordings/recordings-page').then((m) => m.RecordingsPage),
      },
      {
        path: 'recordings/import',
        title: 'A meter’s file · Viaggio',
        loadComponent: () => import('./views/log/recordings/import/import-recording-page').then((m) => m.ImportRecordingPage),
      },
      {
        path: 'recordings/live',
        title: 'A meter live · Viaggio',
        loadComponent: () => import('./views/log/recordings/live-page').then((m) => m.LivePage),
      },
      {
        path: 'recordings/:id',
        title: 'Recording · Viaggio',
        loadComponent: () => import('./views/log/recordings/recording-page').then((m) => m.RecordingPage),
      },
    ],
  },
  {
    path: 'backup',
    title: 'Backup and restore · Viaggio',
    loadComponent: () => import('./views/backup/backup-page').then((m) => m.BackupPage),
  },
  {
    path: 'preferences',
    title: 'Preferences · Viaggio',
    loadComponent: () => import('./views/preferences/preferences-page').then((m) => m.PreferencesPage),
  },
  { path: 'help', title: 'Help · Viaggio', loadComponent: () => import('./views/help/help-page').then((m) => m.HelpPage) },
  { path: '**', title: 'Not found · Viaggio', loadComponent: () => import('./shell/not-found-page').then((m) => m.NotFoundPage) },
];
