import { namedBySheet, SHEET_KINDS, sheetShape } from '../bench/sheet';
import type { Sheet } from '../bench/sheet';
import { dayShape, namedByDay } from '../day/shape';
import type { Day } from '../day/shape';
import { gearShape, gearTitle } from '../gear';
import type { Gear } from '../gear';
import { namedByObservation, namedByRecording, OBSERVATION_KINDS, observationShape, recordingShape } from '../measure/log';
import type { Observation, Recording } from '../measure/log';
import { namedByRig, rigShape } from '../rig/drawn';
import type { Named, Rig } from '../rig/drawn';
import type { Shape } from '../shape';
import { flightRulesShape, flightRulesTitle } from '../travel/rules';
import type { FlightRules } from '../travel/rules';
import { mergeTrips, namedByTrip, tripShape } from '../travel/trip';
import type { Trip } from '../travel/trip';

/** What is kept, by kind. */
export interface ItemBodies {
  readonly gear: Gear;
  readonly rigs: Rig;
  readonly days: Day;
  readonly log: Observation;
  readonly recordings: Recording;
  readonly sheets: Sheet;
  readonly rules: FlightRules;
  readonly trips: Trip;
}
export type PlanKind = keyof ItemBodies;

/** All that sets one kind of item apart from another. */
export interface ItemKind<Body> {
  readonly shape: Shape;
  /** What one is called in a sentence. */
  readonly one: string;
  /** How many a document or a request may hold. */
  readonly most: number;
  /** What an item is called where several kinds stand together. */
  readonly title: (body: Body) => string;
  /** Every item that one names, with the path that leads to its identifier. */
  readonly names: (body: Body) => readonly Named[];
  /** What two people made of one, put together; undefined where a person has to decide. Absent where always a person does. */
  readonly merge?: (base: Body, mine: Body, theirs: Body) => Body | undefined;
}

/**
 * Every kind of item that a plan is made of, in the order in which they may name each other: a rig names gear, a day and
 * an observation name both. The server's tables, checks and references, the page's lists and the plan document loop
 * over this: a kind more is an entry more here, a table, and its views.
 */
export const ITEM_KINDS: { readonly [K in PlanKind]: ItemKind<ItemBodies[K]> } = {
  gear: { shape: gearShape, one: 'piece of gear', most: 1000, title: gearTitle, names: () => [] },
  rigs: { shape: rigShape, one: 'rig', most: 100, title: ({ name }) => name, names: namedByRig },
  days: { shape: dayShape, one: 'day', most: 200, title: ({ name }) => name, names: namedByDay },
  log: {
    shape: observationShape,
    one: 'observation',
    most: 10_000,
    title: ({ kind, at }) => `${OBSERVATION_KINDS[kind]}, ${at.slice(0, 10)}`,
    names: namedByObservation,
  },
  recordings: { shape: recordingShape, one: 'recording', most: 1000, title: ({ name }) => name, names: namedByRecording },
  sheets: {
    shape: sheetShape,
    one: 'bench sheet',
    most: 2000,
    title: ({ kind, at }) => `${SHEET_KINDS[kind]}, ${at.slice(0, 10)}`,
    names: namedBySheet,
  },
  rules: { shape: flightRulesShape, one: 'set of flight rules', most: 100, title: flightRulesTitle, names: () => [] },
  trips: { shape: tripShape, one: 'trip', most: 200, title: ({ name }) => name, names: namedByTrip, merge: mergeTrips },
};

/** The kinds by name, in their order. */
export const PLAN_KINDS = Object.keys(ITEM_KINDS) as readonly PlanKind[];

/** The kinds that others name: what is named must be there, or have been. */
export const NAMED_KINDS = ['gear', 'rigs', 'days', 'rules'] as const satisfies readonly PlanKind[];
export type NamedKind = (typeof NAMED_KINDS)[number];

/**
 * Something for each kind.
 *
 * @example byKind((kind) => kind.toUpperCase()).gear // 'GEAR'
 */
export function byKind<T>(make: (kind: PlanKind) => T): Readonly<Record<PlanKind, T>> {
  return Object.fromEntries(PLAN_KINDS.map((kind) => [kind, make(kind)])) as Readonly<Record<PlanKind, T>>;
}

/**
 * What an item is called where several kinds stand together.
 *
 * @example itemTitle('rigs', rig) // 'Wheelhouse'
 */
export function itemTitle<K extends PlanKind>(kind: K, body: ItemBodies[K]): string {
  return ITEM_KINDS[kind].title(body);
}

/**
 * What two people made of one item, put together; undefined where a person has to decide.
 *
 * @example mergedBody('trips', { name: 'Out' }, { name: 'Out', note: 'mine' }, { name: 'Home' }) // { name: 'Home',note: 'mine' }
 */
export function mergedBody<K extends PlanKind>(
  kind: K,
  base: ItemBodies[K],
  mine: ItemBodies[K],
  theirs: ItemBodies[K],
): ItemBodies[K] | undefined {
  return ITEM_KINDS[kind].merge?.(base, mine, theirs);
}

/**
 * Every item that an item names.
 *
 * @example namedBy('rigs', rig).length // 5
 */
export function namedBy<K extends PlanKind>(kind: K, body: ItemBodies[K]): readonly Named[] {
  return ITEM_KINDS[kind].names(body);
}
