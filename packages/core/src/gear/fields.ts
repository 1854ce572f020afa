import { choice, flag, list, number, object, optional, text } from '../shape';
import type { ChoiceShape, Infer, OptionalShape } from '../shape';

/** Where a figure is from. What nobody gave is filled from typical values and shown as `assumed`, never stored. */
export const provenanceShape = choice('Where from', { printed: 'printed', measured: 'measured', guess: 'a guess' });
export type Provenance = Infer<typeof provenanceShape>;

/** The field `from` of a thing: for each named figure, where it is from. */
export function from<const K extends string>(...figures: K[]) {
  const fields = Object.fromEntries(figures.map((figure) => [figure, optional(provenanceShape)]));
  return optional(object('Where figures are from', fields as Record<K, OptionalShape<ChoiceShape<Provenance>>>));
}

export const volts = (title: string) => number(title, 'V', { above: 0, max: 100 });
/** Up to what a wall socket gives: an inverter's outlet is an output like another, and a charger's inlet an input. */
export const outletVolts = (title: string) => number(title, 'V', { above: 0, max: 260 });
export const amps = (title: string) => number(title, 'A', { above: 0, max: 100 });
export const watts = (title: string) => number(title, 'W', { above: 0, max: 2000 });
export const ohms = (title: string) => number(title, 'ohm', { max: 10 });
export const efficiency = number('Efficiency', 'fraction', { above: 0, max: 1 });
export const standby = number('Own draw', 'W', { max: 20 });
export const name = text('Name', 120);
/** Version 4 identifiers (RFC 9562), made by whoever creates the thing. */
export const idShape = text('Identifier', 36, {
  regex: /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/,
  says: 'an identifier such as 0d7ecb1e-5a0f-4a4b-9d57-2f1f5c1f7a10',
});
export const onDate = (title: string) =>
  text(title, 10, { regex: /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, says: 'a date such as 2026-01-07' });
/** A moment as programs write it, in UTC. */
export const moment = (title: string) =>
  text(title, 30, { regex: /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/, says: 'a time such as 2026-01-12T08:00:00Z' });
export const localId = (title: string) => text(title, 40);

/** So many fields of one item are set aside, each so far down. */
export const MOST_ASIDE = 500;
export const MOST_ASIDE_PATH = 500;
/** Fields of a newer or foreign document that this version does not know, by JSON Pointer: kept, never read. See `setAside`. */
export const asideShape = list(
  'Not known here',
  object('Field not known here', {
    path: text('Where it stood', MOST_ASIDE_PATH, { regex: /^(\/([^~/]|~0|~1)*)+$/, says: 'a JSON Pointer such as /colour' }),
    value: { kind: 'any', title: 'Value' },
  }),
  { max: MOST_ASIDE },
);
export const unknown = optional(asideShape);

/** What somebody has changed on their own gear, at their own risk: told wherever it is used, and never as good. */
const changedByHand = optional(
  list(
    'Changed by hand',
    object('A change by hand', {
      at: onDate('When'),
      what: text('What was changed', 200),
      before: optional(text('Readings before', 300)),
      after: optional(text('Readings after', 300)),
      unseen: optional(
        object('What the camera can no longer see', {
          charge: optional(flag('What is left')),
          temperature: optional(flag('The temperature')),
          make: optional(flag('Which battery it is')),
        }),
      ),
    }),
    { max: 20 },
  ),
);

/** What has happened to a thing, so that it is not used before somebody who knows has looked at it. */
const harmed = optional(
  list(
    'What has happened to it',
    object('What has happened', {
      what: choice('What', {
        swollen: 'swollen',
        leaks: 'leaks',
        wet: 'got wet',
        dropped: 'fell or was hit',
        hot: 'got too hot',
        damaged: 'damaged otherwise',
        recalled: 'recalled by its maker',
      }),
      on: optional(onDate('On')),
      note: optional(text('Note', 200)),
      /** By whoever is licensed or knows it; a swollen or leaking battery is never sound again. */
      sound: optional(flag('Looked at since, and sound')),
    }),
    { max: 20 },
  ),
);

/** In which state a thing changed hands. */
const handedOver = (title: string) =>
  optional(
    object(title, {
      on: onDate('On'),
      state: optional(text('State', 300)),
      damaged: optional(flag('Damaged')),
      by: optional(text('Seen by', 60)),
    }),
  );

/** Gear that belongs to somebody else, and is to go back. */
export const borrowedShape = object('Borrowed or rented', {
  how: choice('It is', { borrowed: 'borrowed', rented: 'rented' }),
  from: text('From', 120),
  until: optional(onDate('Back by')),
  /** As it was when it was taken over, and when it was given back. */
  out: handedOver('Taken over'),
  back: handedOver('Given back'),
});
export type Borrowed = Infer<typeof borrowedShape>;

/** What every piece of gear may say of itself. */
export const common = {
  name,
  unknown,
  tag: optional(text('Label tag', 20)),
  note: optional(text('Note', 500)),
  /** A door, a strap, a plug that digs in: told wherever the thing is used. */
  fitNote: optional(text('Fit or door note', 300)),
  massG: optional(number('Mass', 'g', { above: 0, max: 100_000 })),
  price: optional(number('Price', 'price', { max: 1_000_000 })),
  /** A shelf, a bag, a person. */
  where: optional(text('Where it is', 60)),
  /** Not to be had just now: no feed is looked for with it, and no battery of a day is taken from there. */
  away: optional(choice('Not at hand', { lent: 'lent', lost: 'lost', packed: 'packed', broken: 'broken' })),
  changedByHand,
  harmed,
  borrowed: optional(borrowedShape),
  /** Out of use but not lost: no feed is looked for with it. */
  archived: optional(flag('Archived')),
};
