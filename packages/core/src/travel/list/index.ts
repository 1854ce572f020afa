export { packingList } from './packing-list';
export type { PackingList, PackThing, TripWorld, Why } from './packing-list';
export { sayLack, sayWhy } from './words';
