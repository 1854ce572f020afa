export { ChargerBook } from './charger-book';
export type { Booking } from './charger-book';
export { ChargerQueues, pairingOf } from './charger-queue';
export type { Filled, Pairing } from './charger-queue';
export { chargerOf } from './charger';
export type { OnCharger, Outlets } from './charger';
