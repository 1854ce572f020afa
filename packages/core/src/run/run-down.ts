import type { Feed, Network } from '../physics/circuit';
import { isBehindJoint } from '../rig/resolved';
import type { Connection, SourceTree } from '../rig/resolved';
import { discharge } from './discharge';
import type { Discharge, DischargeOptions, TimedPoint } from './discharge';

/**
 * One source run down with all that it carries. Where it carries a share of what several do, currents behind the part that
 * joins them are told as they flow there, the sum of all; its own as its own.
 */
export function runDown(tree: SourceTree, network: Network, options: DischargeOptions = {}): Discharge {
  const run = discharge(network, options);
  const { shared } = tree;
  if (!shared) return run;
  const behind = tree.connections.filter((one) => isBehindJoint(tree, one));
  const ids = new Set(behind.map(({ id }) => id));
  const parts = [shared.joint.to.id, ...behind.map(({ to }) => to.id)];
  // ports, budgets and converters are named after the part that they are of
  const isShared = (id: string): boolean => ids.has(id) || parts.some((part) => [':', '=', '!'].some((sign) => id.startsWith(part + sign)));
  const whole = (point: TimedPoint | undefined): TimedPoint | undefined =>
    point && {
      ...point,
      feeds: point.feeds.map((feed) => (isShared(feed.id) ? { ...feed, currentA: feed.currentA / shared.share } : feed)),
    };
  return {
    ...run,
    start: whole(run.start),
    middle: whole(run.middle),
    end: whole(run.end),
    trace: run.trace.flatMap((point) => whole(point) ?? []),
  };
}

/**
 * The run until so many amps are passed in a connection: when a limit is passed that ends nothing. Ends as the run does where
 * it is not.
 */
export function runUntil(tree: SourceTree, network: Network, connection: Connection, maxA: number): Discharge {
  const share = isBehindJoint(tree, connection) ? (tree.shared?.share ?? 1) : 1;
  const limited = (feed: Feed): Feed => ({
    ...feed,
    ...(feed.id === connection.id && { maxA: maxA * share }),
    ...(feed.feeds && { feeds: feed.feeds.map(limited) }),
  });
  return runDown(tree, { ...network, feeds: network.feeds.map(limited) });
}
