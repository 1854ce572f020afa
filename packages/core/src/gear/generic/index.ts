export {
  baysOf,
  blankBattery,
  blankDevice,
  forBay,
  GENERIC_ADAPTERS,
  GENERIC_BATTERIES,
  GENERIC_CABLES,
  GENERIC_DEVICES,
  genericKit,
} from './generic';
export { GENERIC_TRUNK } from './generic-kit';
