export { PlanSearch } from './plan-search';
export type { Candidate } from './plan-search';
