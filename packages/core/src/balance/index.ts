export { partsToPlace, rigBalance } from './rig-balance';
export type { RigBalance } from './rig-balance';
