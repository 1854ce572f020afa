export { negotiate, plainFiveVolts, profilesByRating, usbCable } from './power-delivery';
export type { Contract, Profile } from './power-delivery';
