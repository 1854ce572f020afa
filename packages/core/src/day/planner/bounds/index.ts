export { bestMoments, longestStay, planBounds } from './plan-bounds';
export type { PlanBounds } from './plan-bounds';
