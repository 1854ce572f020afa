export { rigInMode, rigOnBattery, runOn, through, treeOfBattery } from './feed-loss';
export type { FeedLoss } from './feed-loss';
export { FeedLosses } from './log';
export type { Log } from './log';
