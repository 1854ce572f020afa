import { idShape, issue } from '@viaggio/core';
import { Router } from 'express';
import type { Request } from 'express';
import { AppError } from './errors';
import type { Operation } from './operation';
import { validate } from './validation/validate';

/** Serves operations: checks identifier, revision and body before the handler sees them. */
export function routerOf(operations: readonly Operation[]): Router {
  const router = Router();
  for (const operation of operations) {
    router[operation.method](expressPath(operation.path), async (request, response) => {
      const { status, body, revision } = await operation.handle({
        id: idOf(request),
        revision: operation.needsRevision ? revisionOf(request) : 0,
        body: bodyOf(operation, request) as never,
      });
      if (revision !== undefined) response.set('ETag', `"${revision}"`);
      response.status(status);
      if (body === undefined) response.end();
      else response.json(body);
    });
  }
  for (const path of new Set(operations.map((operation) => operation.path))) {
    const allowed = operations.filter((operation) => operation.path === path).map(({ method }) => method.toUpperCase());
    router.all(expressPath(path), (request, response) => {
      response.set('Allow', allowed.join(', '));
      throw new AppError('method-not-allowed', `${request.method} is not among ${allowed.join(', ')}.`);
    });
  }
  return router;
}

function expressPath(path: string): string {
  return path.replaceAll(/\{(\w+)\}/g, ':$1');
}

function idOf(request: Request): string {
  const id = request.params['id'];
  if (id === undefined) return '';
  if (typeof id === 'string' && validate(idShape, id).ok) return id;
  throw new AppError('not-found', `“${String(id).slice(0, 60)}” is no identifier.`);
}

/** If-Match carries the revision as an entity tag: `"3"`. */
function revisionOf(request: Request): number {
  const header = request.get('If-Match');
  if (header === undefined) throw new AppError('revision-missing', 'If-Match is missing.');
  const [, digits] = /^(?:W\/)?"(\d{1,9})"$/.exec(header.trim()) ?? [];
  if (digits === undefined)
    throw new AppError('revision-missing', `If-Match: expected a revision such as "3"; got ${header.slice(0, 40)}.`);
  return Number(digits);
}

function bodyOf(operation: Operation, request: Request): unknown {
  if (!operation.body) return undefined;
  if (request.body === undefined) {
    throw new AppError('malformed-request', 'The body is missing, or is not sent as application/json.', {
      issues: [issue('', 'required', 'a JSON body', undefined)],
    });
  }
  const checked = validate(operation.body, request.body);
  if (checked.ok) return checked.value;
  throw new AppError('invalid-fields', checked.issues[0]?.message ?? 'Some fields are not as expected.', { issues: checked.issues });
}
