import { DIRTY_PANEL_SHARE, PANEL_SHARE } from '../gear';
import type { Gear } from '../gear';
import { DEFAULT_RESERVE } from '../rig/drawn';
import type { Rig, Unattended } from '../rig/drawn';
import { said } from '../said';
import { lifeOf, panelCharging } from './battery-days';
import type { PanelCharging } from './battery-days';
import { DayWalk } from './day-walk';
import type { Visit } from './day-walk';
import { framesADay, withFramesEvery } from './frames';
import type { UnattendedSaid } from './says';
import { peakSunHours } from './sun-hours';
import { DateTime } from 'luxon';

/** Days that are followed where their number is not entered. */
const DEFAULT_DAYS = 30;
/** A frame every so many seconds: what is set beside the interval there is. */
const INTERVALS_S = [10, 30, 60, 120, 300, 600, 1800, 3600];

/** A month's sun against a day's use. */
export interface MonthSun {
  /** 1: January. */
  readonly month: number;
  readonly sunHours: number;
  readonly from: 'typed' | 'latitude';
  readonly yieldWh: number;
  /** A day's yield less a day's use. */
  readonly balanceWh: number;
  /** Days until a full battery is at its reserve; undefined where the sun sustains it. */
  readonly lastsDays: number | undefined;
}

/** The charge at the end of a day, as shares of what a full battery gives this rig. */
export interface DayAlone {
  /** 0: the day it is left. */
  readonly day: number;
  readonly charge: number;
  /** With the dull spell where it hurts most; the same as `charge` where none was named. */
  readonly dullCharge: number;
}

/** The same rig with its frames further apart, or nearer. */
export interface Duty {
  readonly everyS: number;
  readonly current: boolean;
  readonly useWh: number;
  readonly autonomyDays: number;
  /** In the days it is left for, or until the battery is at its reserve. */
  readonly frames: number;
  readonly sustained: boolean | undefined;
}

/** An unattended rig: how long on its battery, whether the sun carries it, when somebody must come. */
export interface Autonomy extends PanelCharging {
  /** A day's use at the battery, converters and standby in it. */
  readonly useWh: number;
  /** What a full battery gives this rig before something stops; and that without the reserve. */
  readonly fullWh: number;
  readonly usableWh: number;
  readonly autonomyDays: number;
  /** Share of a full battery that is kept, and how full it is when it is left; full where not entered. */
  readonly reserve: number;
  readonly startCharge: number;
  readonly takenAsFull: boolean;
  readonly share: number;
  readonly months: readonly MonthSun[];
  /** Of the months in which it is left, all twelve when they are not entered. */
  readonly worst: MonthSun | undefined;
  readonly sustained: boolean | undefined;
  /** Months in which it is left and whose sun is not entered: none is counted. */
  readonly withoutSun: readonly number[];
  /** A panel with which the worst month would sustain it. */
  readonly panelForWorstW: number | undefined;
  /** Whether the battery alone bridges the dull spell, and days of sun until it is full again after it. */
  readonly spell:
    { readonly days: number; readonly bridged: boolean; readonly leftCharge: number; readonly backDays: number | undefined } | undefined;
  readonly days: readonly DayAlone[];
  readonly visits: readonly Visit[];
  /** Whether coming as often as said is often enough. */
  readonly everySaid: { readonly everyDays: number; readonly enough: boolean } | undefined;
  readonly framesADay: number | undefined;
  readonly cardDays: number | undefined;
  readonly duties: readonly Duty[];
}

export type AutonomyAnswer = { readonly is: 'known'; readonly alone: Autonomy } | { readonly is: 'unknown'; readonly why: UnattendedSaid };

/**
 * Days of autonomy from the rig's own circuit, the sun's balance by month, the longest dull spell, and when to come.
 *
 * A day's yield is panel × peak-sun hours × 0.65 (0.5 flat or dirty); the days are followed with it one by one. During a
 * dull spell nothing is yielded. Nobody changes batteries in between: spares do not count. Unknown, with the reason, where
 * the rig cannot be worked out or has no battery to live on. Cost: a rig's answer, and one more for each interval of frames.
 *
 * @example autonomyOf(unattendedRig, gear).is // 'known'
 */
export function autonomyOf(rig: Rig, gear: ReadonlyMap<string, Gear>): AutonomyAnswer {
  const asked = rig.unattended ?? {};
  if (asked.from !== undefined && !DateTime.fromISO(asked.from).isValid)
    return { is: 'unknown', why: said('no-such-date', { from: asked.from }) };
  const life = lifeOf(rig, gear);
  if ('code' in life) return { is: 'unknown', why: life };
  const { useWh, fullWh, batteries } = life;
  const reserve = rig.reserve ?? DEFAULT_RESERVE;
  const usableWh = fullWh * (1 - reserve);
  const { chargeW, limitedBy } = panelCharging(asked.panelW ?? 0, batteries, rig.temperatureC);
  const share = asked.dirty ? DIRTY_PANEL_SHARE : PANEL_SHARE;
  const months = monthsOf(asked, chargeW * share, useWh, usableWh);
  const dates = datesOf(asked);
  const sunOf = (date: DateTime | undefined) => (date ? months.find(({ month }) => month === date.month) : worstOf(months));
  const yields = dates.map((date) => sunOf(date)?.yieldWh ?? 0);
  const worst = worstOf(months.filter(({ month }) => dates.some((date) => date === undefined || date.month === month)));
  const start = startShare(rig);
  const walk = new DayWalk(
    useWh / fullWh,
    yields.map((wh) => wh / fullWh),
    start ?? 1,
    reserve,
  );
  const dullDays = asked.dullDays ?? 0;
  const clear = walk.charges();
  const dull = dullDays > 0 ? walk.worstSpell(dullDays) : clear;
  const perDay = framesADay(rig, gear);
  const cardDays = asked.cardFrames !== undefined && perDay ? asked.cardFrames / perDay : undefined;
  const sustained = worst && worst.balanceWh >= 0;
  return {
    is: 'known',
    alone: {
      useWh,
      fullWh,
      usableWh,
      autonomyDays: usableWh / useWh,
      reserve,
      startCharge: start ?? 1,
      takenAsFull: start === undefined,
      chargeW,
      limitedBy,
      share,
      months,
      worst,
      sustained,
      withoutSun: months.length === 0 ? [] : [...new Set(dates.flatMap((date) => (sunOf(date) ? [] : [date!.month])))],
      panelForWorstW: worst && worst.sunHours > 0 ? useWh / (worst.sunHours * share) : undefined,
      spell: spellOf(dullDays, { useWh, fullWh, usableWh, yieldWh: worst?.yieldWh ?? 0 }),
      days: clear.map((charge, day) => ({ day, charge, dullCharge: dull[day]! })),
      visits: walk.visits(dullDays, cardDays),
      everySaid: everySaid(asked.visitEveryDays, (days) => walk.lastsBetween(days, dullDays) && days <= (cardDays ?? Infinity)),
      framesADay: perDay,
      cardDays,
      duties: perDay === undefined ? [] : dutiesOf(rig, gear, { sunWh: worst?.yieldWh, reserve, days: dates.length }),
    },
  };
}

/** So many dull days in the worst month: whether they are bridged, what is left, and when it is full again. */
function spellOf(
  days: number,
  {
    useWh,
    fullWh,
    usableWh,
    yieldWh,
  }: { readonly useWh: number; readonly fullWh: number; readonly usableWh: number; readonly yieldWh: number },
): Autonomy['spell'] {
  if (days <= 0) return undefined;
  return {
    days,
    bridged: days * useWh <= usableWh,
    leftCharge: Math.max(0, 1 - (days * useWh) / fullWh),
    backDays: yieldWh > useWh ? Math.ceil(Math.min(fullWh, days * useWh) / (yieldWh - useWh)) : undefined,
  };
}

function everySaid(everyDays: number | undefined, lasts: (days: number) => boolean): Autonomy['everySaid'] {
  return everyDays === undefined ? undefined : { everyDays, enough: lasts(everyDays) };
}

/** All twelve, where hours were typed or a latitude is known; none where there is neither, or no panel. */
function monthsOf(said: Unattended, givesW: number, useWh: number, usableWh: number): readonly MonthSun[] {
  if (said.panelW === undefined) return [];
  return Array.from({ length: 12 }, (_, index) => index + 1).flatMap((month): readonly MonthSun[] => {
    const typed = said.monthHours?.find((one) => one.month === month)?.hours ?? said.sunHours;
    if (typed === undefined && said.latitudeDeg === undefined) return [];
    const sunHours = typed ?? peakSunHours(said.latitudeDeg!, month);
    const yieldWh = givesW * sunHours;
    const balanceWh = yieldWh - useWh;
    const lastsDays = balanceWh < 0 ? usableWh / -balanceWh : undefined;
    return [{ month, sunHours, from: typed === undefined ? 'latitude' : 'typed', yieldWh, balanceWh, lastsDays }];
  });
}

function worstOf(months: readonly MonthSun[]): MonthSun | undefined {
  return months.reduce<MonthSun | undefined>((worst, one) => (worst && worst.sunHours <= one.sunHours ? worst : one), undefined);
}

/** The days it is left for; without a date where that is not entered. */
function datesOf({ from, days = DEFAULT_DAYS }: Unattended): readonly (DateTime | undefined)[] {
  const first = from === undefined ? undefined : DateTime.fromISO(from, { zone: 'UTC' });
  return Array.from({ length: days }, (_, day) => first?.plus({ days: day }));
}

function startShare(rig: Rig): number | undefined {
  return rig.batteries?.find(({ startCharge }) => startCharge !== undefined)?.startCharge ?? rig.startCharge;
}

/** The same for frames nearer and further apart: what a change of the interval costs. */
function dutiesOf(
  rig: Rig,
  gear: ReadonlyMap<string, Gear>,
  { sunWh, reserve, days }: { readonly sunWh: number | undefined; readonly reserve: number; readonly days: number },
): readonly Duty[] {
  return INTERVALS_S.flatMap((everyS): readonly Duty[] => {
    const other = withFramesEvery(rig, gear, everyS);
    if (!other) return [];
    const life = lifeOf(rig, other);
    if ('code' in life) return [];
    const autonomyDays = (life.fullWh * (1 - reserve)) / life.useWh;
    const sustained = sunWh === undefined ? undefined : sunWh >= life.useWh;
    const lastsDays = sustained ? days : Math.min(days, (life.fullWh * (1 - reserve)) / (life.useWh - (sunWh ?? 0)));
    const perDay = framesADay(rig, other) ?? 0;
    return [{ everyS, current: other === gear, useWh: life.useWh, autonomyDays, frames: Math.floor(perDay * lastsDays), sustained }];
  });
}
