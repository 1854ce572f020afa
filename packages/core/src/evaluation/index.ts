export { evaluate, planIssues } from './evaluate';
export type { Evaluation } from './evaluate';
export { tellStep } from './evaluate-bench';
export type { ToldStep } from './evaluate-bench';
