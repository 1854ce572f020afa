import { blockTitle, clockAt, gearTitle, minuteAt, sayUnrecorded } from '@viaggio/core';
import type { Block, CardChange, ChargePoint, Day, DayRun, Gear, PowerGap, Rig, Swap } from '@viaggio/core';

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
  readonly blocks: readonly { readonly block: Block; readonly x: number; readonly width: number; readonly label: string }[];
  readonly gaps: readonly { readonly gap: PowerGap; readonly x: number; readonly width: number; readonly label: string }[];
  readonly swaps: readonly { readonly swap: Swap; readonly x: number; readonly tag: string; readonly label: string }[];
  /** Room left on the cards in each device. */
  readonly cards: readonly { readonly points: string; readonly label: string }[];
  readonly cardChanges: readonly { readonly change: CardChange; readonly x: number; readonly label: string }[];
  /** Where nothing is recorded though there is power. */
  readonly stops: readonly { readonly x: number; readonly width: number; readonly label: string }[];
  /** Charge of each battery while it is in the rig. */
  readonly lines: readonly {
    readonly batteryId: string;
    readonly tag: string;
    readonly points: string;
    readonly x: number;
    readonly y: number;
  }[];
}

export interface ChargerRow {
  readonly chargerId: string;
  readonly name: string;
  readonly lanes: number;
  readonly bars: readonly { readonly batteryId: string; readonly x: number; readonly width: number; readonly lane: number; readonly tag: string; readonly label: string; readonly full: number | undefined }[]; // prettier-ignore
}

export const ROW = { block: 20, line: 26, gap: 8, lane: 15 };
/** Nothing narrower is labelled. */
const LABEL_WIDTH = 34;
const HOUR_STEPS = [1, 2, 3, 6, 12, 24];
const HOUR_WIDTH = 42;

/** The whole plan on so many pixels, from where it begins to where its last block or charge ends. */
export function scaleOf(day: Day, width: number): Scale {
  const starts = [...day.blocks.map(({ fromMin }) => fromMin), ...(day.charges ?? []).map(({ fromMin }) => fromMin)];
  const ends = [...day.blocks.map(({ toMin }) => toMin), ...(day.charges ?? []).map(({ toMin }) => toMin)];
  const fromMin = Math.floor(Math.min(day.startsAt ?? Infinity, ...starts, 24 * 60) / 60) * 60;
  const toMin = Math.max(fromMin + 120, Math.ceil(Math.max(...ends, fromMin + 8 * 60) / 60) * 60);
  const perMinute = width / (toMin - fromMin);
  const x = (minute: number): number => (minute - fromMin) * perMinute;
  const step = HOUR_STEPS.find((hours) => hours * 60 * perMinute >= HOUR_WIDTH) ?? 24;
  const hours: { x: number; label: string; midnight: string | undefined }[] = [];
  for (let index = 0; index <= day.days; index++) {
    for (let hour = 0; hour < 24; hour += step) {
      const minute = minuteAt(day, index, hour * 60);
      if (minute < fromMin || minute > toMin) continue;
      hours.push({ x: x(minute), label: String(hour), midnight: hour === 0 ? clockAt(day, minute).weekday : undefined });
    }
  }
  return { fromMin, toMin, x, minute: (at) => fromMin + at / perMinute, hours };
}

export function rigRows(
  day: Day,
  run: DayRun | undefined,
  { x }: Scale,
  gear: ReadonlyMap<string, Gear>,
  rigs: ReadonlyMap<string, Rig>,
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
        return { block, x: x(block.fromMin), width, label: width < LABEL_WIDTH ? '' : clipped(name, width) };
      }),
    gaps: (run?.gaps ?? [])
      .filter((gap) => gap.rigId === rigId)
      .map((gap) => ({
        gap,
        x: x(gap.fromMin),
        width: Math.max(3, x(gap.toMin) - x(gap.fromMin)),
        label: `${time(day, gap.fromMin)} to ${time(day, gap.toMin)}: ${gap.says}`,
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
    lines: linesOf(rigId, run, x, tag),
  }));
}

function cardsOf(
  day: Day,
  rigId: string,
  run: DayRun | undefined,
  x: Scale['x'],
  gear: ReadonlyMap<string, Gear>,
): Pick<RigRow, 'cards' | 'cardChanges' | 'stops'> {
  const own = new Set((day.cards ?? []).filter((cards) => cards.rigId === rigId).map(({ id }) => id));
  return {
    cards: (run?.cards.lots ?? [])
      .filter((lot) => lot.rigId === rigId)
      .map(({ room }) => ({
        label: 'Room left on the cards in it',
        points: pointsOf(
          room.map(({ minute, share }) => ({ minute, charge: share })),
          x,
        ),
      })),
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

/** Tags of batteries that go in together stand side by side. */
const TAG_WIDTH = 18;

function linesOf(rigId: string, run: DayRun | undefined, x: Scale['x'], tag: (id: string) => string): RigRow['lines'] {
  const stays = (run?.stays ?? []).filter((stay) => stay.rigId === rigId);
  return stays.map(({ batteryId, fromMin, toMin, fromCharge }, index) => {
    const beside = stays.slice(0, index).filter((one) => Math.abs(one.fromMin - fromMin) < 1).length;
    const within = (run!.charge.get(batteryId) ?? []).filter(({ minute }) => minute >= fromMin - 1e-6 && minute <= toMin + 1e-6);
    return {
      batteryId,
      tag: tag(batteryId),
      points: pointsOf(within, x),
      x: x(fromMin) + beside * TAG_WIDTH,
      y: ROW.line * (1 - fromCharge),
    };
  });
}

function pointsOf(points: readonly ChargePoint[], x: Scale['x']): string {
  return points.map(({ minute, charge }) => `${x(minute).toFixed(1)},${(ROW.line * (1 - charge)).toFixed(1)}`).join(' ');
}

/** Each charger of the day with what is on it; batteries that lie there at the same time are in lanes of their own. */
export function chargerRows(day: Day, run: DayRun | undefined, { x }: Scale, gear: ReadonlyMap<string, Gear>): readonly ChargerRow[] {
  return (day.chargers ?? []).map(({ gearId, placeId }) => {
    const ends: number[] = [];
    const bars = (run?.filled ?? [])
      .filter(({ charge }) => charge.chargerId === gearId)
      .sort((a, b) => a.charge.fromMin - b.charge.fromMin)
      .map(({ charge, fullMin, fromCharge, toCharge }) => {
        let lane = ends.findIndex((end) => end <= charge.fromMin);
        if (lane === -1) lane = ends.length;
        ends[lane] = charge.toMin;
        const battery = gear.get(charge.batteryId);
        const label = `${battery ? gearTitle(battery) : 'A battery'}, ${time(day, charge.fromMin)} to ${time(day, charge.toMin)}, ${percent(fromCharge)} to ${percent(toCharge)}`;
        return {
          batteryId: charge.batteryId,
          x: x(charge.fromMin),
          width: Math.max(3, x(charge.toMin) - x(charge.fromMin)),
          lane,
          tag: battery?.tag ?? '',
          label,
          full: fullMin === undefined ? undefined : x(fullMin),
        };
      });
    const place = day.places?.find(({ id }) => id === placeId)?.name;
    const name = gear.get(gearId)?.name ?? 'A charger that is gone';
    return { chargerId: gearId, name: place === undefined ? name : `${place}: ${name}`, lanes: Math.max(1, ends.length), bars };
  });
}

/** `09:30`, with the day where the plan has several. */
export function time(day: Day, minute: number): string {
  const { time: clock, weekday } = clockAt(day, minute);
  return day.days > 1 ? `${weekday.split(' ')[0]} ${clock}` : clock;
}

export function percent(share: number): string {
  return `${Math.round(share * 100)}\u00a0%`;
}

function clipped(text: string, width: number): string {
  const most = Math.floor((width - 6) / 6.2);
  return text.length <= most ? text : most < 4 ? '' : `${text.slice(0, most - 1)}…`;
}
