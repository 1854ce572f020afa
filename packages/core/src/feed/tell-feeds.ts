import { tellAnswer } from '../answer';
import type { ToldAnswer } from '../answer';
import { tell } from '../words';
import type { Told } from '../words';
import type { Alternative } from './approaches';
import type { Assignment, Assignments } from './assign-feeds';
import type { FoundFeed, FoundFeeds } from './find-feeds';
import type { Purchase, Purchases } from './purchases';

/** Feeds, assignments, alternatives and purchases with their findings and answers in words, as documents hold them. */
export interface ToldFeed extends Omit<FoundFeed, 'findings'> {
  readonly findings: readonly Told[];
}
export interface ToldFeeds extends Omit<FoundFeeds, 'feeds'> {
  readonly feeds: readonly ToldFeed[];
}
export interface ToldAssignment extends Omit<Assignment, 'answer'> {
  readonly answer: ToldAnswer;
}
export interface ToldAssignments extends Omit<Assignments, 'best'> {
  readonly best: readonly ToldAssignment[];
}
export interface ToldAlternative extends Omit<Alternative, 'assignment'> {
  readonly assignment: ToldAssignment | undefined;
}
export interface ToldPurchases extends Omit<Purchases, 'owned' | 'purchases'> {
  readonly owned: ToldFeed | undefined;
  readonly purchases: readonly (Omit<Purchase, 'feed'> & { readonly feed: ToldFeed })[];
}

export function tellFeeds({ feeds, ...rest }: FoundFeeds): ToldFeeds {
  return { ...rest, feeds: feeds.map(tellFeed) };
}

export function tellAssignments({ best, ...rest }: Assignments): ToldAssignments {
  return { ...rest, best: best.map(tellAssignment) };
}

export function tellAlternative({ assignment, ...rest }: Alternative): ToldAlternative {
  return { ...rest, assignment: assignment && tellAssignment(assignment) };
}

export function tellPurchases({ owned, purchases, ...rest }: Purchases): ToldPurchases {
  return { ...rest, owned: owned && tellFeed(owned), purchases: purchases.map((one) => ({ ...one, feed: tellFeed(one.feed) })) };
}

function tellFeed(feed: FoundFeed): ToldFeed {
  return { ...feed, findings: feed.findings.map(tell) };
}

function tellAssignment(assignment: Assignment): ToldAssignment {
  return { ...assignment, answer: tellAnswer(assignment.answer) };
}
