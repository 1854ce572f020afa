import { asideShape, idShape, list, number, object, optional, text } from '@viaggio/core';
import type { Infer, Shape } from '@viaggio/core';
import { KINDS } from '../items/kinds';

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
  gear: optional(list('Gear', changeOf(KINDS.gear.shape), { max: KINDS.gear.most })),
  rigs: optional(list('Rigs', changeOf(KINDS.rigs.shape), { max: KINDS.rigs.most })),
  days: optional(list('Days', changeOf(KINDS.days.shape), { max: KINDS.days.most })),
  log: optional(list('Log', changeOf(KINDS.log.shape), { max: KINDS.log.most })),
  recordings: optional(list('Recordings', changeOf(KINDS.recordings.shape), { max: KINDS.recordings.most })),
  /** Of an imported document: what stands beside its items. */
  rest: optional(
    object('Beside the items', {
      name: optional(text('Name', 120)),
      aside: asideShape,
    }),
  ),
});
export type Changes = Infer<typeof changesShape>;
