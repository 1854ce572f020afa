export { ASSUMED, BANK_LEAST_A, leant, PACK_LIMIT_C, POE_V, timesFigure, TRANSFORMER_IDLE, USB_5V_WINDOW, VEHICLE_V } from './assumed';
export type { Assumption } from './assumed';
export { CHEMISTRIES } from './chemistries';
export type { Chemistry, ChemistryId } from './chemistries';
