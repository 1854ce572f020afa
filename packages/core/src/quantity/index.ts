export { displayAs, displayNow, formatClock, formatDate, isoDate, shownUnit, USUAL_DISPLAY } from './display';
export type { Display } from './display';
export { formatDuration, formatNumber, formatQuantity } from './format-quantity';
export { parseNumber } from './parse-number';
export { parseQuantity } from './parse-quantity';
export type { Parsed } from './parse-quantity';
export { readDate } from './read-date';
export { UNITS } from './unit';
export type { Unit } from './unit';
