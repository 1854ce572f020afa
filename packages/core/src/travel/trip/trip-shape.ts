import { idShape, localId, moment, onDate, unknown } from '../../gear';
import type { Named } from '../../rig/drawn';
import { choice, flag, list, number, object, optional, text } from '../../shape';
import type { Infer } from '../../shape';
import { flightRulesShape } from '../rules';

export const LEG_KINDS = { air: 'by air', road: 'by road', rail: 'by rail', boat: 'by boat' } as const;
export const BAG_KINDS = { cabin: 'in the cabin', hold: 'in the hold', freight: 'sent by road' } as const;
export type BagKind = keyof typeof BAG_KINDS;

const mass = (title: string) => number(title, 'g', { above: 0, max: 200_000 });

const personShape = object('Person', {
  id: localId('Person'),
  name: text('Name', 60),
  /** A number, a room, a channel: who to ask stands on the power sheet. */
  contact: optional(text('Reached by', 120)),
  /** Comes by another way: carries nothing on board. */
  flies: optional(flag('Flies along')),
});
export type Person = Infer<typeof personShape>;

const legShape = object('Leg', {
  id: localId('Leg'),
  name: text('From and to', 120),
  by: choice('How', LEG_KINDS),
  on: optional(onDate('On')),
  /** Those of a carrier; the usual ones when absent. */
  rulesId: optional(idShape),
});
export type Leg = Infer<typeof legShape>;

const bagShape = object('Bag', {
  id: localId('Bag'),
  name: text('Name', 60),
  goes: choice('Goes', BAG_KINDS),
  personId: optional(localId('Person')),
  ownG: optional(mass('Empty')),
  mostG: optional(mass('At most')),
});
export type Bag = Infer<typeof bagShape>;

/** Tape, a sandbag, fuses: what no rig names. */
const ownItemShape = object('Own item', {
  id: localId('Item'),
  name: text('Name', 120),
  count: number('How many', 'count', { min: 1, max: 999, integer: true }),
  /** Of one. */
  massG: optional(mass('Mass of one')),
  why: optional(text('What for', 120)),
});
export type OwnItem = Infer<typeof ownItemShape>;

/** What was said of one thing of the list: gear by its identifier, an own item by its own. */
const thingShape = object('Of a thing', {
  id: text('Thing', 40),
  bagId: optional(localId('Bag')),
  /** In the device while travelling, instead of off the rig. */
  installed: optional(flag('Travels installed')),
  /** Left at home on purpose. */
  left: optional(flag('Stays at home')),
  /** When it was ticked off on the way out, and on the way home. */
  out: optional(moment('Packed')),
  home: optional(moment('Packed for home')),
});
export type ThingState = Infer<typeof thingShape>;

/** A journey with gear: for which days and rigs, who travels, how, and what lies in which bag. */
export const tripShape = object('Trip', {
  name: text('Name', 120),
  unknown,
  note: optional(text('Note', 2000)),
  dayIds: optional(list('Days', idShape, { max: 40 })),
  /** Beside those of the days. */
  rigIds: optional(list('Rigs', idShape, { max: 100 })),
  /** Along beside what days and rigs need. */
  gearIds: optional(list('Also along', idShape, { max: 1000 })),
  people: optional(list('People', personShape, { max: 50 })),
  legs: optional(list('Legs', legShape, { max: 20 })),
  bags: optional(list('Bags', bagShape, { max: 60 })),
  own: optional(list('Own items', ownItemShape, { max: 300 })),
  things: optional(list('Packed', thingShape, { max: 1300 })),
});
export type Trip = Infer<typeof tripShape>;
export const tripItemShape = object('Trip item', { id: idShape, body: tripShape });
export const flightRulesItemShape = object('Flight rules item', { id: idShape, body: flightRulesShape });

/** Every place in a trip that names another item. */
export function namedByTrip({ dayIds = [], rigIds = [], gearIds = [], legs = [] }: Trip): readonly Named[] {
  return [
    ...dayIds.map((id, at): Named => ({ path: `/dayIds/${at}`, kind: 'days', id })),
    ...rigIds.map((id, at): Named => ({ path: `/rigIds/${at}`, kind: 'rigs', id })),
    ...gearIds.map((id, at): Named => ({ path: `/gearIds/${at}`, kind: 'gear', id })),
    ...legs.flatMap(({ rulesId }, at): Named[] =>
      rulesId === undefined ? [] : [{ path: `/legs/${at}/rulesId`, kind: 'rules', id: rulesId }],
    ),
  ];
}

/**
 * Who flies along: all but those of whom it is said that they do not.
 *
 * @example flyersOf({ people: [{ id: 'p', name: 'Ine' }, { id: 'q', name: 'Moa', flies: false }] }).map(({ name }) => name) // ['Ine']
 */
export function flyersOf({ people = [] }: Pick<Trip, 'people'>): readonly Person[] {
  return people.filter(({ flies }) => flies !== false);
}

/**
 * What was said of a thing; nothing where nobody did.
 *
 * @example stateOf({ things: [{ id: 'v1', bagId: 'cabin' }] }, 'v1').bagId // 'cabin'
 */
export function stateOf({ things = [] }: Pick<Trip, 'things'>, id: string): ThingState {
  return things.find((one) => one.id === id) ?? { id };
}

/**
 * A trip with something said of a thing; a field given as undefined is taken out, and a thing of which nothing is said any
 * more is left out.
 *
 * @example withThing({ name: 'Out' }, 'V1', { bagId: 'cabin' }).things // [{ id: 'V1', bagId: 'cabin' }]
 */
export function withThing(
  trip: Trip,
  id: string,
  changes: { readonly [K in keyof Omit<ThingState, 'id'>]?: ThingState[K] | undefined },
): Trip {
  const { things = [] } = trip;
  const entries = Object.entries({ ...stateOf(trip, id), ...changes }).filter(([, value]) => value !== undefined && value !== false);
  const next = Object.fromEntries(entries) as unknown as ThingState;
  const isSilent = entries.length === 1;
  const isKnown = things.some((one) => one.id === id);
  const others = isKnown
    ? things.flatMap((one) => (one.id !== id ? [one] : isSilent ? [] : [next]))
    : isSilent
      ? things
      : [...things, next];
  return { ...trip, things: others };
}
