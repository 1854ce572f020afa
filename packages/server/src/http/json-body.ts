import { issue, unkeepable } from '@viaggio/core/units';
import type { Shape } from '@viaggio/core/units';
import { AppError } from '../errors';
import { validate } from '../validation/validate';

export const JSON_TYPE = 'application/json';
export const MOST_JSON_BYTES = 1024 * 1024;

/** JSON (RFC 8259) of a bounded depth, without what a database cannot keep. Throws `malformed-request`. */
export function parsedJson(bytes: Uint8Array): unknown {
  let body: unknown;
  try {
    body = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch (error) {
    throw new AppError('malformed-request', `Not JSON: ${(error as Error).message}.`);
  }
  if (typeof body !== 'object' || body === null) return body;
  // texts are told by their fields
  const found = unkeepable(body);
  if (found && !found.expected.startsWith('text'))
    throw new AppError('malformed-request', `${found.path === '' ? 'The body' : found.path}: expected ${found.expected}.`);
  return body;
}

/** A body held against its shape. Throws `malformed-request`, `invalid-fields`. */
export function checkedBody(shape: Shape, bytes: Uint8Array): unknown {
  const body = parsedJson(bytes);
  const checked = validate(shape, body);
  if (checked.ok) return checked.value;
  throw new AppError('invalid-fields', checked.issues[0]?.message ?? 'Some fields are not as expected.', { issues: checked.issues });
}

/** What is said where a body is missing or of another media type. */
export function missingBody(): AppError {
  return new AppError('malformed-request', 'The body is missing, or is not sent as application/json.', {
    issues: [issue('', 'required', 'a JSON body', undefined)],
  });
}
