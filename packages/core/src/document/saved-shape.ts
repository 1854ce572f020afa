import { idShape, moment } from '../gear';
import { number, object } from '../shape';
import type { Infer, Shape } from '../shape';

const revision = number('Revision', 'count', { min: 1, max: 1e9, integer: true });

/**
 * An item as the API shows it: what it is, and which state of it this is.
 *
 * @example savedShape(flag('Marked')).title // 'Saved Marked'
 */
export function savedShape<S extends Shape>(body: S) {
  return object(`Saved ${body.title}`, { id: idShape, revision, updatedAt: moment('Saved at'), body });
}

/**
 * One state that an item was saved in.
 *
 * @example revisionShape(flag('Marked')).title // 'Revision of Marked'
 */
export function revisionShape<S extends Shape>(body: S) {
  return object(`Revision of ${body.title}`, { revision, savedAt: moment('Saved at'), body });
}

/** What the API answers of an item of one kind. */
export interface Saved<Body> extends Omit<Infer<ReturnType<typeof savedShape>>, 'body'> {
  readonly body: Body;
}
export interface SavedRevision<Body> extends Omit<Infer<ReturnType<typeof revisionShape>>, 'body'> {
  readonly body: Body;
}
