import { deletedShape, ITEM_KINDS } from '@viaggio/core/document';
import { asideShape, idShape } from '@viaggio/core/gear';
import { list, number, object, optional, text } from '@viaggio/core/units';
import type { Infer, Shape } from '@viaggio/core/units';

/** An item put, changed or deleted: with the revision that is known of it unless it is new, without a body to delete it. */
function changeOf<S extends Shape>(body: S) {
  return object('Change', {
    id: idShape,
    revision: optional(number('Known revision', 'count', { min: 1, max: 1e9, integer: true })),
    body: optional(body),
  });
}

/** Several changes that are made together or not at all. */
export const changesShape = object('Changes', {
  gear: optional(list('Gear', changeOf(ITEM_KINDS.gear.shape), { max: ITEM_KINDS.gear.most })),
  rigs: optional(list('Rigs', changeOf(ITEM_KINDS.rigs.shape), { max: ITEM_KINDS.rigs.most })),
  days: optional(list('Days', changeOf(ITEM_KINDS.days.shape), { max: ITEM_KINDS.days.most })),
  log: optional(list('Log', changeOf(ITEM_KINDS.log.shape), { max: ITEM_KINDS.log.most })),
  recordings: optional(list('Recordings', changeOf(ITEM_KINDS.recordings.shape), { max: ITEM_KINDS.recordings.most })),
  sheets: optional(list('Bench sheets', changeOf(ITEM_KINDS.sheets.shape), { max: ITEM_KINDS.sheets.most })),
  rules: optional(list('Flight rules', changeOf(ITEM_KINDS.rules.shape), { max: ITEM_KINDS.rules.most })),
  trips: optional(list('Trips', changeOf(ITEM_KINDS.trips.shape), { max: ITEM_KINDS.trips.most })),
  /** Of an imported document: what was deleted where it is from, and is still named. */
  deleted: optional(deletedShape),
  /** Of an imported document: what stands beside its items. */
  rest: optional(
    object('Beside the items', {
      name: optional(text('Name', 120)),
      aside: asideShape,
    }),
  ),
});
export type Changes = Infer<typeof changesShape>;
