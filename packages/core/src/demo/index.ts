export { LOW_WATER } from './low-water';
export type { PlanPart } from './low-water';
export { LOW_WATER_DAY } from './low-water-day';
export { LOW_WATER_LOG, lowWaterRecording } from './low-water-log';
export { LOW_WATER_SHEETS } from './low-water-sheets';
export { LOW_WATER_RULES, LOW_WATER_TRIPS } from './low-water-trip';
