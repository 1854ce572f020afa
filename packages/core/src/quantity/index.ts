export { formatDuration, formatNumber, formatQuantity } from './format-quantity';
export { parseNumber } from './parse-number';
export { parseQuantity } from './parse-quantity';
export type { Parsed } from './parse-quantity';
export { UNITS } from './unit';
export type { Unit } from './unit';
