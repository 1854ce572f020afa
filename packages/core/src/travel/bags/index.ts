export { bagLoads, bagTroubles, mostOf, sayBagTrouble } from './bag-load';
export type { BagLoad, BagTrouble } from './bag-load';
export { lostBags } from './lost-bag';
export type { LostBag, LostRig } from './lost-bag';
export { sayLeft, sayPlaced, suggestPacking } from './suggest';
export type { LeftBecause, PackingSuggestion, Placed } from './suggest';
export { packed, packedTrip, whyPlaced } from './packed-trip';
export type { PackedTrip, PackingWorld } from './packed-trip';
