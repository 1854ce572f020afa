import { firstCall, workingBlocks } from '@viaggio/core/day';
import type { Day } from '@viaggio/core/day';

/** Hours of a plan that are looked at. */
export interface Window {
  readonly fromMin: number;
  readonly toMin: number;
}

export const HOUR = 60;

/** Kept free before the first and after the last block. */
const MARGIN_MIN = 30;

/** The whole plan: from where it begins to where its last block or charge ends. */
export function wholePlan(day: Day): Window {
  const starts = [...day.blocks, ...(day.charges ?? [])].map(({ fromMin }) => fromMin);
  const ends = [...day.blocks, ...(day.charges ?? [])].map(({ toMin }) => toMin);
  const fromMin = Math.floor(Math.min(day.startsAt ?? Infinity, ...starts, 24 * HOUR) / HOUR) * HOUR;
  return { fromMin, toMin: Math.max(fromMin + 2 * HOUR, Math.ceil(Math.max(...ends, fromMin + 8 * HOUR) / HOUR) * HOUR) };
}

/** The hours that matter: those of the blocks, without what runs day and night; the whole plan where that is all there is. */
export function workingHours(day: Day): Window {
  const blocks = workingBlocks(day);
  if (blocks.length === 0) return wholePlan(day);
  const fromMin = Math.floor((firstCall(day) - MARGIN_MIN) / HOUR) * HOUR;
  const toMin = Math.ceil((Math.max(...blocks.map((one) => one.toMin)) + MARGIN_MIN) / HOUR) * HOUR;
  return { fromMin: Math.max(0, fromMin), toMin };
}

/** From where the plan begins to the first call; undefined where nothing lies before it. */
export function nightBefore(day: Day): Window | undefined {
  const [whole, work] = [wholePlan(day), workingHours(day)];
  return work.fromMin - whole.fromMin < 2 * HOUR ? undefined : { fromMin: whole.fromMin, toMin: work.fromMin + HOUR };
}

/** Nearer than this nobody looks. */
const LEAST_SPAN_MIN = HOUR;

/** Nearer or wider around a moment, never beyond the plan. */
export function zoomed(window: Window, by: number, aroundMin: number, day: Day): Window {
  const whole = wholePlan(day);
  const span = Math.min(whole.toMin - whole.fromMin, Math.max(LEAST_SPAN_MIN, (window.toMin - window.fromMin) * by));
  const share = (aroundMin - window.fromMin) / (window.toMin - window.fromMin);
  return moved({ fromMin: aroundMin - share * span, toMin: aroundMin + (1 - share) * span }, 0, day);
}

/** Earlier or later, never beyond the plan. */
export function moved({ fromMin, toMin }: Window, byMin: number, day: Day): Window {
  const whole = wholePlan(day);
  const span = toMin - fromMin;
  const from = Math.max(whole.fromMin, Math.min(fromMin + byMin, whole.toMin - span));
  return { fromMin: from, toMin: from + span };
}
