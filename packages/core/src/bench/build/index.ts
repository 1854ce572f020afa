export { leadSheet, packSheet } from './build-sheet';
export type { BuildSheet } from './build-sheet';
export { gearOfSize } from './gear-of-size';
export type { Built } from './gear-of-size';
export { packOptions, wantedPackShape } from './pack-options';
export type { PackOption, WantedPack } from './pack-options';
export { parallelOf, sizesOfRig } from './sizes-of-rig';
export type { RigSize } from './sizes-of-rig';
