export { packingList } from './packing-list';
export type { Lack, PackingList, PackThing, TripWorld, Why } from './packing-list';
