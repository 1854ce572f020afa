import { CRITERIA } from '../../../feed';
import type { FeedTime, PurchaseWhy } from '../../../feed';
import { say } from '../say';

/** What a purchase betters, in a sentence. */
export function sayPurchase(why: PurchaseWhy): string {
  if (why.is === 'first') return `Runs ${sayTime(why.runs)} where nothing sound was there before.`;
  const gains = [
    ...(why.verdict ? [`${why.verdict.now} instead of ${why.verdict.before}`] : []),
    ...(why.runs ? [`runs ${sayTime(why.runs.now)} instead of ${sayTime(why.runs.before)}`] : []),
    ...(why.less.length > 0 ? [`fewer or less: ${why.less.map((name) => CRITERIA[name]).join(', ')}`] : []),
  ];
  return `${gains.join('; ')}.`.replace(/^./, (first) => first.toUpperCase());
}

function sayTime(time: FeedTime): string {
  if (time === 'unlimited') return 'as long as its supply stands';
  return time === 'unknown' ? 'for a time not known' : say(time, 'min');
}
