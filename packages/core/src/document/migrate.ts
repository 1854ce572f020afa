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
    rigs: inBodies(document['rigs'], rigFromV0),
  }),
  // version 1 called a steady part of a meter's recording a stretch
  1: (document) => ({
    ...document,
    version: 2,
    ...('log' in document && { log: inBodies(document['log'], observationFromV1) }),
    ...('recordings' in document && { recordings: inBodies(document['recordings'], recordingFromV1) }),
  }),
};

/**
 * Brings a plan document to the present version, step by step. Not checked further: validate what comes out.
 *
 * Errors: `wrong-format`, `newer-version`.
 *
 * @example migratePlan({ gear: [], rigs: [] }) // { ok: true, document: { version: 2, … } }
 */
export function migratePlan(received: unknown): Migrated {
  if (!isObject(received)) return { ok: true, document: received };
  let document = received;
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

/** Items with their bodies brought to the next version; what is no item is left as it came. */
function inBodies(items: unknown, next: (body: unknown) => unknown): unknown {
  if (!Array.isArray(items)) return items;
  return items.map((item: unknown) => (isObject(item) && 'body' in item ? { ...item, body: next(item['body']) } : item));
}

function isObject(value: unknown): value is Document {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** An observation of version 1; anything else is handed back as it came. */
export function observationFromV1(body: unknown): unknown {
  return isObject(body) && body['kind'] === 'stretch' ? { ...body, kind: 'segment' } : body;
}

/** A recording of version 1; anything else is handed back as it came. */
export function recordingFromV1(body: unknown): unknown {
  if (!isObject(body) || !('stretches' in body)) return body;
  const { stretches, ...rest } = body;
  return { ...rest, segments: stretches };
}
