export { leadSheet, packSheet } from './build-sheet';
export type { BuildSheet } from './build-sheet';
export { gearOfSize } from './gear-of-size';
export { packAt } from './pack-at';
export { packOptions, wantedPackShape } from './pack-options';
export type { WantedPack } from './pack-options';
export type { BuildSays } from './says';
export { parallelOf, sizesOfRig } from './sizes-of-rig';
export type { RigSize } from './sizes-of-rig';
