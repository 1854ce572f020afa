import type { RunRange } from '../../../answer';
import { ENERGY_SPREAD } from '../../../gear/kit';
import { DRAW_SPREAD, EFFICIENCY_SPREAD } from '../../../tables';
import { say } from '../say';

/** A range beside what was varied for it. */
export interface ToldRange extends RunRange {
  readonly rule: string;
}

/** As tables are read: ± is two standard deviations. */
const within = (deviation: number): string => `±${say(2 * deviation, 'fraction')}`;

/**
 * What each run of a range draws anew, for whoever asks where the range is from.
 *
 * @example sayRangeRule().split(' (')[1] // '±15 % for a maker’s figure, ±25 % for a guess, its own spread or ±5 % when measured), every battery’s capacity'
 */
export function sayRangeRule(): string {
  const { printed, guess, measured } = DRAW_SPREAD;
  return `Each run draws every device’s watts (${within(printed)} for a maker’s figure, ${within(guess)} for a guess, its own spread or ${within(measured)} when measured), every battery’s capacity (its own spread or ${within(ENERGY_SPREAD.measured)} when measured, ${within(ENERGY_SPREAD.other)} otherwise), efficiencies (±${Math.round(200 * EFFICIENCY_SPREAD)} points) and the temperature afresh; ± is read as two standard deviations.`;
}

export function tellRange(range: RunRange): ToldRange {
  return { ...range, rule: sayRangeRule() };
}
