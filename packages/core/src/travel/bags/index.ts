export { sayBagTrouble } from './bag-load';
export type { BagLoad } from './bag-load';
export type { LostBag } from './lost-bag';
export { packed, packedTrip, whyPlaced } from './packed-trip';
export type { PackedTrip, PackingWorld } from './packed-trip';
export { sayLeft, sayPlaced } from './suggest';
export type { PackingSuggestion, Placed } from './suggest';
