import { clockAt } from '@viaggio/core/day';
import type { Day } from '@viaggio/core/day';
import { formatClock } from '@viaggio/core/units';

/** `09:30`, as the person reads clocks, with the day where the plan has several. */
export function time(day: Day, minute: number): string {
  const { time: at, weekday } = clockAt(day, minute);
  const clock = formatClock(at);
  return day.days > 1 ? `${weekday.split(' ')[0]} ${clock}` : clock;
}

export function percent(share: number): string {
  return `${Math.round(share * 100)}\u00a0%`;
}
