import { time } from './say-moment';
import { percent } from './say-moment';
import type { Window } from './timeline-window';
import { HOUR } from './timeline-window';
import { wholePlan } from './timeline-window';
import { blockTitle, clockAt, minuteAt } from '@viaggio/core/day';
import type { Band, Block, CardChange, ChargePoint, Day, DayChances, DayRun, PowerGap, Swap } from '@viaggio/core/day';
import { DEFAULT_RESERVE, gearTitle } from '@viaggio/core/gear';
import type { Gear, Rig } from '@viaggio/core/gear';
import { formatClock } from '@viaggio/core/units';
import { sayGap, sayUnrecorded } from '@viaggio/core/words';

/** Where a minute lies in the picture. */
export interface Scale {
  readonly fromMin: number;
  readonly toMin: number;
  readonly x: (minute: number) => number;
  readonly minute: (x: number) => number;
  readonly hours: readonly { readonly x: number; readonly label: string; readonly midnight: string | undefined }[];
}

export interface RigRow {
  readonly rigId: string;
  readonly name: string;
  readonly blocks: readonly {
    readonly block: Block;
    readonly x: number;
    readonly labelX: number;
    readonly width: number;
    readonly label: string;
    readonly says: string;
    readonly risky: boolean;
  }[];
  readonly gaps: readonly { readonly gap: PowerGap; readonly x: number; readonly width: number; readonly label: string }[];
  readonly swaps: readonly { readonly swap: Swap; readonly x: number; readonly tag: string; readonly label: string }[];
  /** Cards in their devices, filled as they fill; those in at the same time in lanes of their own. */
  readonly cards: readonly {
    readonly x: number;
    readonly width: number;
    readonly lane: number;
    readonly tag: string;
    readonly label: string;
    readonly area: string;
  }[];
  readonly cardLanes: number;
  readonly cardChanges: readonly { readonly change: CardChange; readonly x: number; readonly label: string }[];
  /** Where nothing is recorded though there is power. */
  readonly stops: readonly { readonly x: number; readonly width: number; readonly label: string }[];
  /** Where the reserve lies in the rows of charge. */
  readonly reserveY: number;
  /** Charge of each battery while it is in the rig. */
  readonly lines: readonly {
    readonly batteryId: string;
    readonly tag: string;
    readonly tagWidth: number;
    readonly points: string;
    /** Under the line, down to nothing. */
    readonly area: string;
    /** Between which charges eight of ten days lie; empty until that is worked out. */
    readonly band: string;
    readonly x: number;
    readonly y: number;
  }[];
}

export interface ChargerRow {
  readonly chargerId: string;
  readonly name: string;
  readonly lanes: number;
  readonly bars: readonly {
    readonly batteryId: string;
    readonly x: number;
    readonly labelX: number;
    readonly width: number;
    readonly lane: number;
    readonly tag: string;
    readonly label: string;
    readonly full: number | undefined;
    readonly area: string;
  }[];
}

export const ROW = { block: 20, line: 42, gap: 8, lane: 18, card: 14 };

/** Nothing narrower is labelled. */
const LABEL_WIDTH = 34;
const HOUR_STEPS = [1, 2, 3, 6, 12, 24];
/** Nearer than an hour is marked by its quarters. */
const QUARTERS_FROM = 4;
const HOUR_WIDTH = 42;

/** A window on so many pixels. */
export function scaleOf(day: Day, width: number, { fromMin, toMin }: Window = wholePlan(day)): Scale {
  const perMinute = width / (toMin - fromMin);
  const x = (minute: number): number => (minute - fromMin) * perMinute;
  const step = HOUR_STEPS.find((hours) => hours * 60 * perMinute >= HOUR_WIDTH) ?? 24;
  const hours: { x: number; label: string; midnight: string | undefined }[] = [];
  for (let index = 0; index <= day.days; index++) {
    for (let hour = 0; hour < 24; hour += step) {
      const minute = minuteAt(day, index, hour * 60);
      if (minute < fromMin || minute > toMin) continue;
      hours.push({ x: x(minute), label: hourLabel(hour), midnight: hour === 0 ? clockAt(day, minute).weekday : undefined });
      for (let part = 1; step === 1 && HOUR * perMinute >= HOUR_WIDTH * QUARTERS_FROM && part < 4; part++)
        hours.push({ x: x(minute + part * 15), label: `:${part * 15}`, midnight: undefined });
    }
  }
  return { fromMin, toMin, x, minute: (at) => fromMin + at / perMinute, hours };
}

/** `9`, or `9 am` on a clock of twelve hours. */
function hourLabel(hour: number): string {
  return formatClock(`${String(hour).padStart(2, '0')}:00`).replace(/^0?(\d+):00/, '$1');
}

/** What is known of how sure a day is: beside its run, since it takes longer. */
export type Sureness = Pick<DayChances, 'blocks' | 'bands'> | undefined;

export function rigRows(
  day: Day,
  run: DayRun | undefined,
  { x }: Scale,
  gear: ReadonlyMap<string, Gear>,
  rigs: ReadonlyMap<string, Rig>,
  chances?: Sureness,
): readonly RigRow[] {
  const tag = (id: string): string => gear.get(id)?.tag ?? gear.get(id)?.name ?? '?';
  return day.rigIds.map((rigId) => ({
    rigId,
    name: rigs.get(rigId)?.name ?? 'A rig that is gone',
    blocks: day.blocks
      .filter((block) => block.rigId === rigId)
      .sort((a, b) => a.fromMin - b.fromMin)
      .map((block) => {
        const width = Math.max(2, x(block.toMin) - x(block.fromMin));
        const name = blockTitle(block, day);
        const chance = chances?.blocks.get(block.id);
        const sure = chance === undefined ? '' : `, lasts in ${percent(chance)} of runs`;
        const says = `${name}, ${time(day, block.fromMin)} to ${time(day, block.toMin)}${block.uninterrupted ? ', must not be interrupted' : ''}${sure}`;
        const risky = chance !== undefined && chance < (day.chance ?? 0.95);
        return {
          block,
          x: x(block.fromMin),
          labelX: Math.max(0, x(block.fromMin)) + 4,
          width,
          label: width < LABEL_WIDTH ? '' : clipped(name, width),
          says,
          risky,
        };
      }),
    gaps: (run?.gaps ?? [])
      .filter((gap) => gap.rigId === rigId)
      .map((gap) => ({
        gap,
        x: x(gap.fromMin),
        width: Math.max(3, x(gap.toMin) - x(gap.fromMin)),
        label: `${time(day, gap.fromMin)} to ${time(day, gap.toMin)}: ${sayGap(gap.says)}`,
      })),
    swaps: (day.swaps ?? [])
      .filter((swap) => swap.rigId === rigId)
      .map((swap) => ({
        swap,
        x: x(swap.atMin),
        tag: tag(swap.batteryId),
        label: `${time(day, swap.atMin)}: ${gear.has(swap.batteryId) ? gearTitle(gear.get(swap.batteryId)!) : 'a battery'} goes in`,
      })),
    ...cardsOf(day, rigId, run, x, gear),
    reserveY: ROW.line * (1 - (rigs.get(rigId)?.reserve ?? DEFAULT_RESERVE)),
    lines: linesOf(rigId, run, x, tag, chances),
  }));
}

function cardsOf(
  day: Day,
  rigId: string,
  run: DayRun | undefined,
  x: Scale['x'],
  gear: ReadonlyMap<string, Gear>,
): Pick<RigRow, 'cards' | 'cardLanes' | 'cardChanges' | 'stops'> {
  const own = new Set((day.cards ?? []).filter((cards) => cards.rigId === rigId).map(({ id }) => id));
  const ends: number[] = [];
  const cards = (run?.cards.stays ?? [])
    .filter((stay) => stay.rigId === rigId && stay.toMin > stay.fromMin)
    .sort((a, b) => a.fromMin - b.fromMin)
    .map(({ cardsId, card, fromMin, toMin, toFull, filling }) => {
      const lane = freeLane(ends, fromMin, toMin);
      const device = gear.get(day.cards?.find(({ id }) => id === cardsId)?.deviceId ?? '')?.name ?? 'a device that is gone';
      return {
        x: x(fromMin),
        width: Math.max(3, x(toMin) - x(fromMin)),
        lane,
        tag: `card ${card}`,
        label: `Card ${card} in ${device}, ${time(day, fromMin)} to ${time(day, toMin)}, then ${percent(toFull)} full`,
        area: areaOf(
          filling.map(({ minute, full }) => ({ minute, charge: full })),
          x,
          ROW.card - 3,
        ),
      };
    });
  return {
    cards,
    cardLanes: ends.length,
    cardChanges: (day.cardChanges ?? [])
      .filter(({ cardsId }) => own.has(cardsId))
      .map((change) => ({ change, x: x(change.atMin), label: `${time(day, change.atMin)}: a card is changed` })),
    stops: (run?.cards.stops ?? [])
      .filter((stop) => stop.rigId === rigId)
      .map(({ deviceId, why, fromMin, toMin }) => ({
        x: x(fromMin),
        width: Math.max(3, x(toMin) - x(fromMin)),
        label: `${time(day, fromMin)} to ${time(day, toMin)}: ${sayUnrecorded(gear.get(deviceId)?.name ?? 'A device', why)}`,
      })),
  };
}

/** Of a letter of a tag, and around it. */
const TAG = { letter: 7, around: 8, beside: 3 };

function linesOf(rigId: string, run: DayRun | undefined, x: Scale['x'], tag: (id: string) => string, chances: Sureness): RigRow['lines'] {
  const stays = (run?.stays ?? []).filter((stay) => stay.rigId === rigId);
  return stays.map(({ batteryId, fromMin, toMin, fromCharge }, index) => {
    const widthOf = (id: string): number => tag(id).length * TAG.letter + TAG.around;
    const before = stays.slice(0, index).filter((one) => Math.abs(one.fromMin - fromMin) < 1);
    const inStay = ({ minute }: { readonly minute: number }): boolean => minute >= fromMin - 1e-6 && minute <= toMin + 1e-6;
    const within = (run!.charge.get(batteryId) ?? []).filter(inStay);
    return {
      batteryId,
      tag: tag(batteryId),
      tagWidth: widthOf(batteryId),
      points: pointsOf(within, x),
      area: areaOf(within, x, ROW.line),
      band: bandOf((chances?.bands.get(batteryId) ?? []).filter(inStay), x),
      x: x(fromMin) + before.reduce((sum, one) => sum + widthOf(one.batteryId) + TAG.beside, 0),
      y: ROW.line * (1 - fromCharge),
    };
  });
}

function pointsOf(points: readonly ChargePoint[], x: Scale['x'], height = ROW.line): string {
  return points.map(({ minute, charge }) => `${x(minute).toFixed(1)},${(height * (1 - charge)).toFixed(1)}`).join(' ');
}

function areaOf(points: readonly ChargePoint[], x: Scale['x'], height: number): string {
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last) return '';
  return `${x(first.minute).toFixed(1)},${height} ${pointsOf(points, x, height)} ${x(last.minute).toFixed(1)},${height}`;
}

function bandOf(bands: readonly Band[], x: Scale['x']): string {
  if (bands.length < 2) return '';
  const high = pointsOf(
    bands.map(({ minute, p90 }) => ({ minute, charge: p90 })),
    x,
  );
  const low = pointsOf(
    [...bands].reverse().map(({ minute, p10 }) => ({ minute, charge: p10 })),
    x,
  );
  return `${high} ${low}`;
}

/** Each charger of the day with what is on it; batteries that lie there at the same time are in lanes of their own. */
export function chargerRows(day: Day, run: DayRun | undefined, { x }: Scale, gear: ReadonlyMap<string, Gear>): readonly ChargerRow[] {
  return (day.chargers ?? []).map(({ gearId, placeId }) => {
    const ends: number[] = [];
    const bars = (run?.filled ?? [])
      .filter(({ charge }) => charge.chargerId === gearId)
      .sort((a, b) => a.charge.fromMin - b.charge.fromMin)
      .map(({ charge, fullMin, fromCharge, toCharge }) => {
        const lane = freeLane(ends, charge.fromMin, charge.toMin);
        const battery = gear.get(charge.batteryId);
        const label = `${battery ? gearTitle(battery) : 'A battery'}, ${time(day, charge.fromMin)} to ${time(day, charge.toMin)}, ${percent(fromCharge)} to ${percent(toCharge)}`;
        return {
          batteryId: charge.batteryId,
          x: x(charge.fromMin),
          labelX: Math.max(0, x(charge.fromMin)) + 3,
          width: Math.max(3, x(charge.toMin) - x(charge.fromMin)),
          lane,
          tag: battery?.tag ?? '',
          label,
          full: fullMin === undefined ? undefined : x(fullMin),
          area: areaOf(
            (run!.charge.get(charge.batteryId) ?? []).filter(
              ({ minute }) => minute >= charge.fromMin - 1e-6 && minute <= charge.toMin + 1e-6,
            ),
            x,
            ROW.lane - 2,
          ),
        };
      });
    const place = day.places?.find(({ id }) => id === placeId)?.name;
    const name = gear.get(gearId)?.name ?? 'A charger that is gone';
    return { chargerId: gearId, name: place === undefined ? name : `${place}: ${name}`, lanes: Math.max(1, ends.length), bars };
  });
}

/** The first lane that is free from a minute on, taken until another; `ends` says until when each is. */
function freeLane(ends: number[], fromMin: number, toMin: number): number {
  const free = ends.findIndex((end) => end <= fromMin);
  const lane = free === -1 ? ends.length : free;
  ends[lane] = toMin;
  return lane;
}

function clipped(text: string, width: number): string {
  const most = Math.floor((width - 6) / 6.2);
  return text.length <= most ? text : most < 4 ? '' : `${text.slice(0, most - 1)}…`;
}
