export { ampacity, areaOfAwg, COPPER_OHM_MM2_PER_M, FUSE_SIZES_A, fuseFor, leadOhm } from './wire';
