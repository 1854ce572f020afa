export { chargeNight, kitNightDay } from './charge-night';
export type { ChargeNight, KitNight, NotFull } from './charge-night';
export { plugIn, takeOff } from './plugged';
