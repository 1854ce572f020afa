/** The ways that people feed rigs, each with those who swear by it. */
export const APPROACHES = {
  'pocket-spares': 'its own batteries, spares in the pocket',
  grip: 'a grip that holds two',
  'pd-bank': 'USB-C Power Delivery banks',
  '5v-bank': '5 V banks through battery-shaped adapters',
  'passed-on': 'a monitor that passes its bigger battery on',
  'one-v-mount': 'one V-mount for everything',
  'each-its-own': 'each device its own battery',
  mains: 'mains',
} as const;
export type Approach = keyof typeof APPROACHES;
