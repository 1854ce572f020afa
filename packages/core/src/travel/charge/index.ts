export { chargeNight, kitNightDay } from './charge-night';
export type { ChargeNight } from './charge-night';
export { plugIn, takeOff } from './plugged';
export type { NightSaid, NightSays } from './says';
