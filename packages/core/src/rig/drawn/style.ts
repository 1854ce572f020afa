import { choice } from '../../shape';
import type { Infer } from '../../shape';

/** How it is shot: decides what a feed's mass, bulk and swaps are worth. */
export const styleShape = choice('Shooting style', {
  handheld: 'handheld',
  shoulder: 'on the shoulder',
  tripod: 'on a tripod',
  stabiliser: 'on a stabiliser',
  'locked-off': 'locked off',
  travel: 'travelling light',
  unattended: 'unattended',
});
export type Style = Infer<typeof styleShape>;
