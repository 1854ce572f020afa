export { compile } from './circuit';
export type { Circuit, EndCause, Limit, Node } from './circuit';
export { networkCaseShape } from './network';
export type { Converter, Feed, Load, Network, NetworkCase, Phase } from './network';
export { networkIssues } from './network-issues';
export { brokenLimit, collapsePlace, operatingPoint, readPoint, refusesToStart, settle, settleDraws, solve } from './operating-point';
export type { OperatingPoint } from './operating-point';
export { roughCurrent } from './rough-current';
