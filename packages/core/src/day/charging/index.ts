export { canChargeInPlace, chargerOf, fits, wattsOf } from './charger';
export type { Charger, OnCharger, Outlets } from './charger';
export { ChargerQueues, pairingOf } from './charger-queue';
export type { Filled, Pairing } from './charger-queue';
export type { ChargingSaid, ChargingSays } from './says';
