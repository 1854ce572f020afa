import { issue } from '../issue';
import type { Issue } from '../issue';
import { PLAN_FORMAT, PLAN_VERSION } from './plan';
import { rigFromV0 } from './rig-v0';

export type Migrated = { readonly ok: true; readonly document: unknown } | { readonly ok: false; readonly issue: Issue };

type Document = Readonly<Record<string, unknown>>;

/** What turns a document of one version into the next; whatever a step does not know it leaves alone. */
const STEPS: Readonly<Record<number, (document: Document) => Document>> = {
  // version 0 had neither format nor version, and rigs of one device on one battery
  0: (document) => ({
    ...document,
    format: PLAN_FORMAT,
    version: 1,
    rigs: Array.isArray(document['rigs']) ? document['rigs'].map(itemFromV0) : document['rigs'],
  }),
};

/**
 * Brings a plan document to the present version, step by step. Not checked further: validate what comes out.
 *
 * Errors: `wrong-format`, `newer-version`.
 *
 * @example migratePlan({ gear: [], rigs: [] }) // ok true, document.version 1
 */
export function migratePlan(received: unknown): Migrated {
  if (typeof received !== 'object' || received === null || Array.isArray(received)) return { ok: true, document: received };
  let document = received as Document;
  const { format, version = format === undefined ? 0 : PLAN_VERSION } = document;
  if (format !== undefined && format !== PLAN_FORMAT)
    return { ok: false, issue: issue('/format', 'wrong-format', `“${PLAN_FORMAT}”`, format) };
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 0) return { ok: true, document };
  if (version > PLAN_VERSION) {
    return {
      ok: false,
      issue: issue('/version', 'newer-version', `version ${PLAN_VERSION} or older; this program is older than the document`, version),
    };
  }
  for (let at = version; at < PLAN_VERSION; at++) document = STEPS[at]!(document);
  return { ok: true, document };
}

function itemFromV0(item: unknown): unknown {
  return typeof item === 'object' && item !== null && 'body' in item ? { ...item, body: rigFromV0(item.body) } : item;
}
