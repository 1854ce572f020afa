export { compile } from './circuit';
export type { Circuit, EndCause, Limit, Node } from './circuit';
export { networkIssues } from './network-issues';
export { networkCaseShape } from './network';
export type { Converter, Feed, Load, Network, NetworkCase, Phase } from './network';
export {
  brokenLimit,
  collapsePlace,
  operatingPoint,
  readPoint,
  refusesToStart,
  roughCurrent,
  settle,
  settleDraws,
  solve,
} from './operating-point';
export type { OperatingPoint } from './operating-point';
