export { COPPER_OHM_MM2_PER_M, FUSE_SIZES_A, ampacity, areaOfAwg, fuseFor, leadOhm } from './wire';
