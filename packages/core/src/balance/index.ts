export { partsToPlace, rigBalance, SAFE_MARGIN } from './rig-balance';
export type { RigBalance } from './rig-balance';
