export { ChargerQueues, pairingOf } from './charger-queue';
export type { Filled, Pairing } from './charger-queue';
export { chargerOf, fits, wattsOf } from './charger';
export type { Charger, OnCharger, Outlets } from './charger';
