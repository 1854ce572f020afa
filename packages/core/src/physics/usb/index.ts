export { LEGACY_A, negotiate, PLAIN_V, plainFiveVolts, profilesByRating, TYPE_C_A, usbCable } from './power-delivery';
export type { Contract, Profile } from './power-delivery';
