export { LOW_WATER, LOW_WATER_DAY, LOW_WATER_LOG, LOW_WATER_RULES, LOW_WATER_SHEETS, LOW_WATER_TRIPS, lowWaterRecording } from '../demo';
export type { PlanPart } from '../demo';
