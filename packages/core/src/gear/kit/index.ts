export { isFlat, isReady, whyNotAtHand } from './at-hand';
export { batteryHealth, ENERGY_SPREAD, energyFrom, energyNow, energySpread } from './battery-health';
export { canBeSound, harmsOf, isHarmed } from './harm';
export type { HarmKind } from './harm';
export { lithiumGrams, mayFly, strictestFlight } from './may-fly';
export type { Flight } from './may-fly';
export { nextTags, tagFor } from './next-tag';
export { printedEnergy } from './printed';
export type { PrintedEnergy } from './printed';
