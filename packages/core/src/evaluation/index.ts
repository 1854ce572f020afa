export { evaluate, planIssues } from './evaluate';
export type { Evaluation } from './evaluate';
