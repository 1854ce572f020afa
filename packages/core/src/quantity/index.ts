export { displayAs, displayNow, formatClock, formatDate, isoDate, shownUnit, USUAL_DISPLAY } from './display';
export type { Display, ShownUnit } from './display';
export { formatDuration, formatNumber, formatQuantity } from './format-quantity';
export { parseNumber } from './parse-number';
export { readDate } from './read-date';
export { parseQuantity } from './parse-quantity';
export type { Parsed } from './parse-quantity';
export { UNITS } from './unit';
export type { Unit } from './unit';
