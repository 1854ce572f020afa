import { nearestDay } from '@viaggio/core/answer';
import type { Day } from '@viaggio/core/day';
import { thisWorld } from '../api/world';

/** The day that is prepared: the nearest while it is not over. The demo crew's shows how it looks, whenever it was. */
export function dayPrepared(days: readonly { readonly id: string; readonly body: Day }[], today: string): ReturnType<typeof nearestDay> {
  const near = nearestDay(days, today);
  return near && (near.inDays >= 0 || thisWorld() === 'demo') ? near : undefined;
}
