export type { BagLoad, BagTrouble } from './bag-load';
export type { LostBag } from './lost-bag';
export { packed, packedTrip, whyPlaced } from './packed-trip';
export type { PackedTrip, PackingWorld } from './packed-trip';
export type { LeftBecause, PackingSuggestion, Placed } from './suggest';
