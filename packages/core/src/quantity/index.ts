export { formatDuration, formatNumber, formatQuantity } from './format-quantity';
export { parseQuantity } from './parse-quantity';
export type { Parsed } from './parse-quantity';
export { readBatteryLabel, readPortLabel, readProfiles } from './read-label';
export type { BatteryLabel, PortLabel } from './read-label';
export { UNITS } from './unit';
export type { Unit } from './unit';
