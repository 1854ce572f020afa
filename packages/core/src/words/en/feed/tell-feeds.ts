import type { Alternative, Assignment, Assignments, Criteria, FoundFeed, FoundFeeds, Purchase, Purchases } from '../../../feed';
import { tellAnswer } from '../answer/tell-answer';
import type { ToldAnswer } from '../answer/tell-answer';
import { sayFinding, tell } from '../findings/tell';
import type { Told } from '../findings/tell';
import { sayFeed } from './feed-words';
import { sayPurchase } from './purchase-words';

/** Criteria as documents show them. */
export interface ToldCriteria extends Omit<Criteria, 'lost'> {
  /** Modes and features lost, a sentence each. */
  readonly lost: readonly string[];
}

/** Feeds, assignments, alternatives and purchases with their findings and answers in words, as documents hold them. */
export interface ToldFeed extends Omit<FoundFeed, 'findings' | 'criteria'> {
  readonly findings: readonly Told[];
  readonly criteria: ToldCriteria;
}
export interface ToldFeeds extends Omit<FoundFeeds, 'feeds' | 'refused'> {
  readonly feeds: readonly ToldFeed[];
  readonly refused: readonly { readonly title: string; readonly reason: string }[];
}
export interface ToldAssignment extends Omit<Assignment, 'answer' | 'criteria'> {
  readonly answer: ToldAnswer;
  readonly criteria: ToldCriteria;
}
export interface ToldAssignments extends Omit<Assignments, 'best'> {
  readonly best: readonly ToldAssignment[];
}
export interface ToldAlternative extends Omit<Alternative, 'assignment' | 'lack'> {
  readonly assignment: ToldAssignment | undefined;
  readonly lack: string | undefined;
}
export interface ToldPurchases extends Omit<Purchases, 'owned' | 'purchases' | 'lack'> {
  readonly lack: string | undefined;
  readonly owned: ToldFeed | undefined;
  readonly purchases: readonly (Omit<Purchase, 'feed' | 'why'> & { readonly feed: ToldFeed; readonly why: string })[];
}

export function tellCriteria(criteria: Criteria): ToldCriteria {
  return { ...criteria, lost: criteria.lost.map(sayFinding) };
}

/**
 * What feeds were found, in words.
 *
 * @example tellFeeds(findFeeds(rig, cameraId, gear)).feeds[0].title // 'B5 Grynna 27 PD → USB-C lead, 1 m'
 */
export function tellFeeds({ feeds, refused, ...rest }: FoundFeeds): ToldFeeds {
  return { ...rest, feeds: feeds.map(tellFeed), refused: refused.map(({ title, reason }) => ({ title, reason: sayFeed(reason) })) };
}

/**
 * Which feeds go to which devices, in words.
 *
 * @example tellAssignments(assignFeeds(rig, gear)).best !== undefined // true
 */
export function tellAssignments({ best, ...rest }: Assignments): ToldAssignments {
  return { ...rest, best: best.map(tellAssignment) };
}

export function tellAlternative({ assignment, lack, ...rest }: Alternative): ToldAlternative {
  return { ...rest, assignment: assignment && tellAssignment(assignment), lack: lack && sayFeed(lack) };
}

export function tellPurchases({ owned, purchases, lack, ...rest }: Purchases): ToldPurchases {
  return {
    ...rest,
    owned: owned && tellFeed(owned),
    lack: lack && sayFeed(lack),
    purchases: purchases.map((one) => ({ ...one, feed: tellFeed(one.feed), why: sayPurchase(one.why) })),
  };
}

function tellFeed(feed: FoundFeed): ToldFeed {
  return { ...feed, findings: feed.findings.map(tell), criteria: tellCriteria(feed.criteria) };
}

function tellAssignment(assignment: Assignment): ToldAssignment {
  return { ...assignment, answer: tellAnswer(assignment.answer), criteria: tellCriteria(assignment.criteria) };
}
