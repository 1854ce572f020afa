import { choice, list, number, object, optional } from '../shape';
import type { Infer } from '../shape';
import { localId } from './fields';

/** Where a part sits, seen from the camera. */
export const MOUNT_PLACES = {
  under: 'under it',
  behind: 'behind it',
  top: 'on top',
  handle: 'on the handle',
  rods: 'on rods',
  arm: 'on the stabiliser’s arm or foot',
  leg: 'on a tripod leg',
  belt: 'on the belt',
  pocket: 'in a pocket',
} as const;
export type MountPlace = keyof typeof MOUNT_PLACES;
/** Places that weigh on somebody or something else than the camera. */
export const AWAY_FROM_CAMERA: ReadonlySet<MountPlace> = new Set(['leg', 'belt', 'pocket']);

export const mountPlaceShape = choice('Place', MOUNT_PLACES);

/** What a part in some place of a device covers. */
export const coveredShape = list(
  'What a part there covers',
  object('Covered', {
    place: mountPlaceShape,
    what: choice('What', {
      thread: 'the tripod thread',
      screen: 'the screen',
      viewfinder: 'the viewfinder',
      light: 'a warning light',
      port: 'a port',
    }),
    /** Which port: the inlet for mains, a socket for sound. */
    portId: optional(localId('Port')),
  }),
  { max: 20 },
);
export type Covered = Infer<typeof coveredShape>[number];

/** What a device's mounts carry: a shoe little, a cage much. */
export const carriesShape = list(
  'What its mounts carry',
  object('Mount', { place: mountPlaceShape, maxG: number('At most', 'g', { above: 0, max: 100_000 }) }),
  { max: 10 },
);
