export { accepted, chargeAfter, chargeMinutes, tooCold } from './charge-curve';
export type { Filling } from './charge-curve';
export { deliveredWh } from './delivered';
export { ageFactor, coldDerating } from './derating';
export { cellVoltage, ocvArea, socAtVoltage } from './ocv';
export type { OcvTable } from './ocv';
export { cellsFromNominal, fullVoltage, labelAh, packFrom } from './pack';
export type { Pack, PackSpec } from './pack';
