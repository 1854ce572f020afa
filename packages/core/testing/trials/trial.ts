import type { Built } from '../rig-builder';

/** A field, a rig in which it is sound, and the same rig with nothing but that field changed so that it breaks. */
export type Trial = readonly [field: string, sound: Built, breaks: Built];
