import type { DayApproach, Help, TopUp } from '../../../day/planner';
import type { ChargingList, ChargingRow, DayIndicator, PowerGap } from '../../../day/run';
import { sayGauge } from '../answer/gauge-words';
import { sayWhere } from '../answer/tell-model';
import { sayFeed } from '../feed/feed-words';
import { sayCharging } from './charging-words';
import { sayHelp } from './day-words';
import { sayGap } from './gap-words';
import { sayPlan } from './plan-words';

/** A gap without power as documents show it. */
export interface ToldGap extends Omit<PowerGap, 'says'> {
  readonly says: string;
}

export function tellGap(gap: PowerGap): ToldGap {
  return { ...gap, says: sayGap(gap.says) };
}

export interface ToldTopUp extends Omit<TopUp, 'says'> {
  readonly says: string;
}

export function tellTopUp(topUp: TopUp): ToldTopUp {
  return { ...topUp, says: sayPlan(topUp.says) };
}

export interface ToldDayIndicator extends Omit<DayIndicator, 'part' | 'why'> {
  readonly where: string;
  readonly why: string;
}

export function tellDayIndicator({ part, why, ...rest }: DayIndicator): ToldDayIndicator {
  return { ...rest, where: sayWhere(part), why: sayGauge(why) };
}

export interface ToldChargingRow extends Omit<ChargingRow, 'trouble'> {
  readonly trouble: string | undefined;
}

/** What goes on which charger, in words beside the same numbers. */
export interface ToldCharging extends Omit<ChargingList, 'rows' | 'notReady' | 'cautions'> {
  readonly rows: readonly ToldChargingRow[];
  readonly notReady: readonly (Omit<ChargingList['notReady'][number], 'remedy'> & { readonly remedy: string })[];
  readonly cautions: readonly string[];
}

/**
 * What is charged tonight, in words.
 *
 * @example tellCharging(chargingList(simulation, simulation.run(simulation.prepare(day)))).rows // []
 */
export function tellCharging({ rows, notReady, cautions, ...rest }: ChargingList): ToldCharging {
  return {
    ...rest,
    rows: rows.map((row) => ({ ...row, trouble: row.trouble && sayCharging(row.trouble) })),
    notReady: notReady.map((one) => ({ ...one, remedy: sayCharging(one.remedy) })),
    cautions: cautions.map(sayCharging),
  };
}

/** One thing that would make a day work, said. */
export interface ToldHelp extends Omit<Help, 'act'> {
  readonly says: string;
}

export function tellHelp({ act, ...rest }: Help): ToldHelp {
  return { says: sayHelp(act), ...rest };
}

export interface ToldDayApproach extends Omit<DayApproach, 'kept'> {
  readonly kept: readonly { readonly rigId: string; readonly why: string }[];
}

export function tellDayApproach({ kept, ...rest }: DayApproach): ToldDayApproach {
  return { ...rest, kept: kept.map(({ rigId, why }) => ({ rigId, why: why ? sayFeed(why) : 'it has no way of this approach' })) };
}
