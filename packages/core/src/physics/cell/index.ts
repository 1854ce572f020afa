export { accepted, chargeAfter, chargeMinutes, CHARGER_EFFICIENCY, TAPER_SOC, tooCold } from './charge-curve';
export type { Filling } from './charge-curve';
export { deliveredWh } from './delivered';
export { ageFactor, coldDerating, LOWEST_KNOWN_C } from './derating';
export { cellVoltage, ocvArea, socAtVoltage } from './ocv';
export type { OcvTable } from './ocv';
export { cellsFromNominal, fullVoltage, labelAh, packFrom } from './pack';
export type { Pack, PackSpec } from './pack';
