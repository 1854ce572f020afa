import { idShape, localId, unknown, watts } from '../../gear';
import { phaseShape } from '../../rig/drawn';
import type { Named } from '../../rig/drawn';
import { choice, flag, list, number, object, optional, text } from '../../shape';
import type { Infer } from '../../shape';

export const MAX_BLOCKS = 2000;
export const MAX_DAYS_LONG = 31;
const LONGEST_MIN = MAX_DAYS_LONG * 24 * 60;
/** Chance with which every block is to last, when the plan does not say. */
export const DEFAULT_CHANCE = 0.95;

/** Minutes that pass from midnight at the start of the first day: they run on through nights and clock changes. */
const minute = (title: string) => number(title, 'min', { max: LONGEST_MIN });
const ofDay = (title: string) => number(title, 'min', { max: 24 * 60 });
const temperature = (title: string) => number(title, 'C', { min: -40, max: 60 });

export const BLOCK_KINDS = {
  record: 'record',
  'stand-by': 'stand by',
  off: 'off',
  travel: 'travel',
  meal: 'meal',
  other: 'other',
} as const;
export type BlockKind = keyof typeof BLOCK_KINDS;
/** Kinds of block in which nothing is drawn unless the block says so. */
export const QUIET_KINDS: readonly BlockKind[] = ['off', 'travel', 'meal'];

const blockShape = object('Block', {
  id: idShape,
  rigId: idShape,
  kind: choice('Kind', BLOCK_KINDS),
  /** One of the day's own kinds, which goes on like `kind`. */
  ownKindId: optional(localId('Own kind')),
  name: optional(text('Name', 60)),
  fromMin: minute('From'),
  toMin: minute('To'),
  placeId: optional(localId('Place')),
  /** Instead of that of its place. */
  temperatureC: optional(temperature('Temperature')),
  /** A ceremony, a keynote, a take: no change of battery in it, and no gap. */
  uninterrupted: optional(flag('Must not be interrupted')),
  /** Modes where they are not the usual ones. Off, travel and meal draw nothing unless it is said here. */
  devices: optional(phaseShape.fields.devices),
  /** Minutes of recording that there is media for, where the cards of its rig are not entered. */
  mediaMin: optional(number('Recording media', 'min', { max: 43_200 })),
});
export type Block = Infer<typeof blockShape>;

/** Temperatures of a place hour by hour, from a forecast or a file, for a plan that begins on `date`. */
const weatherShape = object('Weather', {
  source: text('Who says so', 120),
  date: text('First day', 10),
  hours: list('Hours', object('Hour', { atMin: minute('At'), temperatureC: temperature('Temperature') }), { max: 33 * 24 }),
});
export type Weather = Infer<typeof weatherShape>;

const placeShape = object('Place', {
  id: localId('Place'),
  name: text('Name', 60),
  power: choice('Power there', { mains: 'mains', vehicle: 'a vehicle’s outlet', solar: 'a solar panel', none: 'none' }),
  /** What the outlet gives in all, where it is little: 24 V of 10 A are 240 W. Of a panel: in full sun. */
  outletW: optional(watts('Power of the outlet')),
  sunHours: optional(number('Peak-sun hours a day', 'peak-sun hours', { max: 14 })),
  /** Clock hours of its power, every day; all day when absent. Those of a panel are its hours of sun. */
  powerFrom: optional(ofDay('Power from')),
  powerTo: optional(ofDay('Power until')),
  temperatureC: optional(temperature('Temperature')),
  /** Where it lies: what a forecast is asked for. */
  latitudeDeg: optional(number('Latitude', 'deg', { min: -90, max: 90 })),
  longitudeDeg: optional(number('Longitude', 'deg', { min: -180, max: 180 })),
  weather: optional(weatherShape),
});
export type Place = Infer<typeof placeShape>;

/** A kind of block that somebody named: a rehearsal is like stand by, with the screen dimmed. */
const ownKindShape = object('Own kind', {
  id: localId('Own kind'),
  name: text('Name', 60),
  like: choice('Goes on like', BLOCK_KINDS),
  uninterrupted: optional(flag('Must not be interrupted')),
  devices: optional(phaseShape.fields.devices),
});
export type OwnKind = Infer<typeof ownKindShape>;

const swapShape = object('Swap', {
  rigId: idShape,
  /** The battery that the rig names there; it is in until the first swap. */
  seatId: idShape,
  batteryId: idShape,
  atMin: minute('At'),
  locked: optional(flag('Stays as it is')),
});
export type Swap = Infer<typeof swapShape>;

/** Whether two are one and the same move. */
export function isSameSwap(a: Swap, b: Swap): boolean {
  return a.rigId === b.rigId && a.seatId === b.seatId && a.batteryId === b.batteryId && a.atMin === b.atMin;
}

const chargeShape = object('Charge', {
  batteryId: idShape,
  chargerId: idShape,
  fromMin: minute('From'),
  toMin: minute('To'),
  /** In the seat that it sits in, while its rig draws nothing and stands where the charger is. */
  inPlace: optional(flag('Where it sits')),
  locked: optional(flag('Stays as it is')),
});
export type Charge = Infer<typeof chargeShape>;

/** Cards of one recording device, all alike: called “Card 1” and so on. */
const cardsShape = object('Recording media', {
  id: localId('Cards'),
  rigId: idShape,
  /** Whose mode counts. */
  deviceId: idShape,
  count: number('Cards', 'count', { min: 1, max: 99, integer: true }),
  /** In its usual mode. */
  minutes: number('One card holds', 'min', { above: 0, max: 43_200 }),
  modes: optional(
    list(
      'In other modes',
      object('In another mode', { mode: localId('Mode'), minutes: number('One card holds', 'min', { above: 0, max: 43_200 }) }),
      {
        max: 20,
      },
    ),
  ),
  /** It goes on to the next by itself when one is full. */
  slots: optional(number('In the device at once', 'count', { min: 1, max: 4, integer: true })),
  changeMin: optional(number('A change takes', 'min', { max: 60 })),
  /** Of the cards, so many are full at the start and not yet copied. */
  full: optional(number('Full at the start', 'count', { max: 99, integer: true })),
  /** Without it none is emptied before the end of the plan. */
  copyMin: optional(number('Copying a full card takes', 'min', { above: 0, max: 1440 })),
  /** Where they are copied; wherever the rig is, when absent. */
  copyPlaceId: optional(localId('Place')),
});
export type Cards = Infer<typeof cardsShape>;

const cardChangeShape = object('Change of card', {
  cardsId: localId('Cards'),
  atMin: minute('At'),
  locked: optional(flag('Stays as it is')),
});
export type CardChange = Infer<typeof cardChangeShape>;

/** One shooting day or several, with the nights between: who records when, what sits where, what charges when. */
export const dayShape = object('Day', {
  name: text('Name', 120),
  unknown,
  note: optional(text('Note', 2000)),
  /** The first of them. */
  date: text('First day', 10, { regex: /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, says: 'a date such as 2026-01-12' }),
  days: number('Days', 'count', { min: 1, max: MAX_DAYS_LONG, integer: true }),
  /** Clock time of the first day from which on the plan may move things: the evening before, say. */
  startsAt: optional(ofDay('Begins at')),
  /** Of the clocks there. */
  zone: optional(text('Time zone', 60)),
  temperatureC: optional(temperature('Temperature')),
  reserve: optional(number('Reserve', 'fraction', { max: 0.9 })),
  chance: optional(number('Chance of lasting', 'fraction', { min: 0.5, max: 0.999 })),
  rigIds: list('Rigs', idShape, { max: 20 }),
  blocks: list('Blocks', blockShape, { max: MAX_BLOCKS }),
  kinds: optional(list('Own kinds of block', ownKindShape, { max: 40 })),
  /** The plan before it, whose batteries it begins with. */
  follows: optional(idShape),
  places: optional(list('Places', placeShape, { max: 40 })),
  /** Clock hours in which somebody is there to move batteries, every day; always when there are none. */
  hands: optional(
    list('Crew hours', object('Crew hours', { placeId: optional(localId('Place')), from: ofDay('From'), to: ofDay('Until') }), {
      max: 40,
    }),
  ),
  chargers: optional(list('Chargers', object('Charger in its place', { gearId: idShape, placeId: localId('Place') }), { max: 40 })),
  /** Those there to be used beside the ones in the rigs. */
  batteries: optional(
    list(
      'Batteries',
      object('Battery of the day', {
        gearId: idShape,
        startCharge: optional(number('Charge at the start', 'fraction', { max: 1 })),
        /** A charged spare that is not planned with. */
        apart: optional(flag('Kept apart as a spare')),
      }),
      { max: 300 },
    ),
  ),
  /** Gear that is broken or gone from a moment on. */
  lost: optional(list('Broken or gone', object('Broken or gone', { gearId: idShape, atMin: minute('From') }), { max: 40 })),
  swaps: optional(list('Swaps', swapShape, { max: 2000 })),
  charges: optional(list('Charges', chargeShape, { max: 2000 })),
  cards: optional(list('Recording media', cardsShape, { max: 40 })),
  cardChanges: optional(list('Changes of card', cardChangeShape, { max: 2000 })),
});
export type Day = Infer<typeof dayShape>;
export const dayItemShape = object('Day item', { id: idShape, body: dayShape });
export interface DayEntry {
  readonly id: string;
  readonly body: Day;
}

/** From which minute on a piece of gear is broken or gone; never where it is not. */
export function lostFrom({ lost = [] }: Pick<Day, 'lost'>, gearId: string): number {
  return Math.min(Infinity, ...lost.filter((one) => one.gearId === gearId).map(({ atMin }) => atMin));
}

/**
 * Every place in a day that names a piece of gear or a rig.
 *
 * @example namedByDay(day)[0].kind // 'rigs'
 */
export function namedByDay(day: Day): readonly Named[] {
  const gear = (path: string, id: string) => ({ path, kind: 'gear', id }) as const;
  const rig = (path: string, id: string) => ({ path, kind: 'rigs', id }) as const;
  return [
    ...day.rigIds.map((id, index) => rig(`/rigIds/${index}`, id)),
    ...day.blocks.flatMap(({ rigId, devices = [] }, index) => [
      rig(`/blocks/${index}/rigId`, rigId),
      ...devices.map(({ gearId }, place) => gear(`/blocks/${index}/devices/${place}/gearId`, gearId)),
    ]),
    ...(day.kinds ?? []).flatMap(({ devices = [] }, index) =>
      devices.map(({ gearId }, place) => gear(`/kinds/${index}/devices/${place}/gearId`, gearId)),
    ),
    ...(day.chargers ?? []).map(({ gearId }, index) => gear(`/chargers/${index}/gearId`, gearId)),
    ...(day.batteries ?? []).map(({ gearId }, index) => gear(`/batteries/${index}/gearId`, gearId)),
    ...(day.lost ?? []).map(({ gearId }, index) => gear(`/lost/${index}/gearId`, gearId)),
    ...(day.swaps ?? []).flatMap(({ rigId, seatId, batteryId }, index) => [
      rig(`/swaps/${index}/rigId`, rigId),
      gear(`/swaps/${index}/seatId`, seatId),
      gear(`/swaps/${index}/batteryId`, batteryId),
    ]),
    ...(day.charges ?? []).flatMap(({ batteryId, chargerId }, index) => [
      gear(`/charges/${index}/batteryId`, batteryId),
      gear(`/charges/${index}/chargerId`, chargerId),
    ]),
    ...(day.cards ?? []).flatMap(({ rigId, deviceId }, index) => [
      rig(`/cards/${index}/rigId`, rigId),
      gear(`/cards/${index}/deviceId`, deviceId),
    ]),
  ];
}

/**
 * What a block is called: its own name, its own kind's, or its kind's.
 *
 * @example blockTitle({ kind: 'meal' }, {}) // 'meal'
 */
export function blockTitle(
  { name, kind, ownKindId }: Pick<Block, 'name' | 'kind' | 'ownKindId'>,
  { kinds = [] }: Pick<Day, 'kinds'>,
): string {
  return name ?? kinds.find(({ id }) => id === ownKindId)?.name ?? BLOCK_KINDS[kind];
}

/** The mode that a device is in through a block; undefined where it does not record: the block is not one of recording, or it is off. */
export function recordingMode({ kind, devices = [] }: Block, deviceId: string, usual: string | undefined): string | undefined {
  if (kind !== 'record') return undefined;
  const mode = devices.find(({ gearId }) => gearId === deviceId)?.mode ?? usual ?? 'usual';
  return mode === 'off' ? undefined : mode;
}

/** Whether a block wants power at all. */
export function isDrawing({ kind, devices = [] }: Block): boolean {
  return !QUIET_KINDS.includes(kind) || devices.some(({ mode }) => mode !== 'off');
}
