import type { IconName } from './icon';

/** A place in the order of the work, with the digit that goes there. */
export interface View {
  readonly path: string;
  readonly title: string;
  readonly icon: IconName;
}

/** Every view, in the order of the work; the first is the start. */
export const VIEWS: readonly View[] = [
  { path: '/today', title: 'Today', icon: 'today' },
  { path: '/kit', title: 'Kit', icon: 'kit' },
  { path: '/rigs', title: 'Rigs', icon: 'rigs' },
  { path: '/days', title: 'Days', icon: 'days' },
  { path: '/bench', title: 'Bench', icon: 'bench' },
  { path: '/pack', title: 'Pack', icon: 'pack' },
  { path: '/log', title: 'Log', icon: 'log' },
];
