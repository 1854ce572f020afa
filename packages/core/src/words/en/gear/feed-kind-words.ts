import type { FeedKind } from '../../../gear';

/** The ways to feed one device, as the three questions offer them. */
export const FEED_KIND_WORDS: Readonly<Record<FeedKind, { readonly title: string; readonly about: string }>> = {
  'in-camera': { title: 'Its own battery', about: 'In the camera’s bay, spares in the pocket.' },
  'v-mount': { title: 'V-mount battery', about: 'By D-tap through a battery-shaped adapter.' },
  'pd-bank': { title: 'USB-C Power Delivery bank', about: 'By a USB-C cable straight into the camera.' },
  '5v-bank': { title: '5 V USB bank', about: 'Through a battery-shaped adapter that steps 5 V up.' },
};
