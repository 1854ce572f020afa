/** Sure enough to act on. */
export const FAULT_SURE = 0.85;

/** A test that tells less than so many bits is not worth its minutes. */
export const TEST_LEAST_BITS = 0.02;

/** Minutes that any try costs before it begins: to stop, to put down, to look. */
export const TEST_BEGINNING_MIN = 2;
