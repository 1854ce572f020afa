export { ampacity, areaOfAwg, fuseFor, leadOhm } from './wire';
