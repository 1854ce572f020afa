export { Drain } from './drain';
export type { Drained } from './drain';
export { FlatDay } from './flat-day';
export type { FlatRig } from './flat-day';
export { compareCost, costOf, PLAN_ORDERS } from './plan-cost';
export type { PlanCost, PlanOrder } from './plan-cost';
export type { FlatSwap, KeptCharge } from './quick-moves';
export { QuickRun } from './quick-run';
export type { Outcome, Then, Trouble } from './quick-run';
