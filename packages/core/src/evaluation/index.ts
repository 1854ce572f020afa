export { evaluate, planIssues } from './evaluate';
export type { Evaluation } from './evaluate';
export { evaluateBench, evaluateCheck, tellStep } from './evaluate-bench';
export type { BenchEvaluation, CheckEvaluation, SheetEvaluation, ToldStep } from './evaluate-bench';
