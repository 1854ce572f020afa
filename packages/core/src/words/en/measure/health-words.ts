import { RETIRE_SHARE } from '../../../measure/learning';
import type { HealthHistory } from '../../../measure/learning';
import { dayOf } from '../../../measure/log';
import { say } from '../say';

/** A test older than this is said to be. */
const OLD_MONTHS = 6;
const MONTH_DAYS = 365.25 / 12;

/**
 * What a battery holds, and what that rests on.
 *
 * @example sayHealth(healthHistory('v1', battery, { ...log, observations: [] }, '2026-01-12')) // 'Nothing was measured yet: a capacity test, or a run-down at a known draw, tells what it holds.'
 */
export function sayHealth({ asOf, now, points, share, trend, cold, chance, retire }: HealthHistory): string {
  if (!now) return 'Nothing was measured yet: a capacity test, or a run-down at a known draw, tells what it holds.';
  const counted = points.filter(({ setAside }) => !setAside);
  const from = counted.length === 1 ? 'one observation' : `${counted.length} observations`;
  const holds = `Holds ${say(now.energyWh, 'Wh')} ± ${say(now.highWh - now.energyWh, 'Wh')} from ${from}`;
  const months = Math.round((dayOf(asOf) - dayOf(counted.at(-1)?.at ?? asOf)) / MONTH_DAYS);
  const old = months < OLD_MONTHS ? '' : `, the newest ${months} months old`;
  const ofLabel = share === undefined ? '' : `, ${say(share, 'fraction')} of its label`;
  const slope = trend ? `; ${trend.perYearWh < 0 ? 'loses' : 'gains'} ${say(Math.abs(trend.perYearWh), 'Wh')} a year` : '';
  return `${holds}${old}${ofLabel}${slope}.${sayCold(cold)}${sayRetire(retire, chance)}`;
}

function sayCold(cold: HealthHistory['cold']): string {
  if (!cold) return '';
  const range = ` (${say(cold.low, 'fraction')} to ${say(cold.high, 'fraction')})`;
  return ` The cold takes ${say(cold.factor, 'fraction')} of what it takes of such cells usually${range}.`;
}

function sayRetire(retire: HealthHistory['retire'], chance: HealthHistory['chance']): string {
  if (!retire || !chance) return '';
  const below = ` Below ${say(RETIRE_SHARE, 'fraction')} of its label`;
  return retire === 'now'
    ? `${below}: ${sayChance(chance.now)}. Keep it for what may stop.`
    : `${below} within a year: ${sayChance(chance.withinYear)}.`;
}

function sayChance(part: number): string {
  return part > 0.99 ? 'almost surely' : `a chance of ${say(part, 'fraction')}`;
}
