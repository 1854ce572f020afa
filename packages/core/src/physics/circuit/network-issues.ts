import { issue } from '../../issue';
import type { Issue } from '../../issue';
import type { Feed, Network } from './network';

/** Deeper than any rig on a shoot; keeps a malformed file from exhausting the stack. */
const MAX_DEPTH = 20;

/**
 * What a shape cannot say about a network: every feed ends in one load or in further feeds, names are used once, the
 * cell's table runs from 0 to 1 and rises, phases name loads that are there, and something draws power.
 *
 * Returns all issues found, with paths into the network; an empty list means that `discharge` will answer.
 *
 * @example networkIssues({ ...network, feeds: [] })[0]?.message // 'feeds: expected at least one load or converter that draws power; got 0.'
 */
export function networkIssues(network: Network): readonly Issue[] {
  const issues: Issue[] = [...tableIssues(network)];
  const feedIds = new Set<string>();
  const loads = new Map<string, number>();
  network.feeds.forEach((feed, index) => feedIssues(feed, `/feeds/${index}`, 1, { issues, feedIds, loads }));
  network.profile?.forEach((phase, index) => {
    for (const loadId of Object.keys(phase.scale)) {
      if (!loads.has(loadId))
        issues.push(issue(`/profile/${index}/scale/${loadId}`, 'unknown-load', `one of ${[...loads.keys()].join(', ')}`, loadId));
    }
  });
  if (issues.length === 0 && !somethingDraws(network, loads))
    issues.push(issue('/feeds', 'nothing-draws', 'at least one load or converter that draws power', 0));
  return issues;
}

interface Seen {
  readonly issues: Issue[];
  readonly feedIds: Set<string>;
  readonly loads: Map<string, number>;
}

function feedIssues(feed: Feed, path: string, depth: number, seen: Seen): void {
  if (depth > MAX_DEPTH) {
    seen.issues.push(issue(path, 'too-deep', `at most ${MAX_DEPTH} feeds behind one another`, `${depth}`));
    return;
  }
  if (seen.feedIds.has(feed.id)) seen.issues.push(issue(`${path}/id`, 'id-twice', 'a name used by one feed only', feed.id));
  seen.feedIds.add(feed.id);
  if ((feed.load === undefined) === (feed.feeds === undefined)) {
    seen.issues.push(issue(path, 'load-or-feeds', 'either a load or feeds', feed.load ? 'both' : 'neither'));
  }
  if (feed.load) {
    if (seen.loads.has(feed.load.id)) seen.issues.push(issue(`${path}/load/id`, 'id-twice', 'a name used by one load only', feed.load.id));
    seen.loads.set(feed.load.id, feed.load.powerW);
  }
  feed.feeds?.forEach((inner, index) => feedIssues(inner, `${path}/feeds/${index}`, depth + 1, seen));
}

function tableIssues({ pack }: Network): Issue[] {
  const table = pack.ocvPerCell;
  const path = '/pack/ocvPerCell';
  const issues: Issue[] = [];
  if (table[0]?.[0] !== 0) issues.push(issue(`${path}/0/0`, 'table-range', 'the first point at charge 0', table[0]?.[0]));
  const last = table.length - 1;
  if (table[last]?.[0] !== 1) issues.push(issue(`${path}/${last}/0`, 'table-range', 'the last point at charge 1', table[last]?.[0]));
  for (let index = 1; index < table.length; index++) {
    const [soc, volts] = table[index]!;
    const [socBefore, voltsBefore] = table[index - 1]!;
    if (soc <= socBefore) issues.push(issue(`${path}/${index}/0`, 'table-order', `more than ${socBefore}`, soc));
    if (volts < voltsBefore) issues.push(issue(`${path}/${index}/1`, 'table-order', `at least ${voltsBefore}`, volts));
  }
  return issues;
}

function somethingDraws(network: Network, loads: ReadonlyMap<string, number>): boolean {
  const standby = (feed: Feed): boolean => (feed.converter?.standbyW ?? 0) > 0 || (feed.feeds?.some(standby) ?? false);
  if (network.feeds.some(standby)) return true;
  const phases = network.profile ?? [{ minutes: 1, scale: {} }];
  return phases.some((phase) => [...loads].some(([id, powerW]) => powerW * (phase.scale[id] ?? 1) > 0));
}
