export { packingList, rigIdsOfTrip } from './packing-list';
export type { Lack as PackLack, PackingList, PackThing, TripWorld, Why as PackWhy } from './packing-list';
export { standsIn } from './stands-in';
export { sayLack, sayWhy } from './words';
