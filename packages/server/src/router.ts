import { idShape, issue } from '@viaggio/core';
import express, { Router } from 'express';
import type { Request, RequestHandler, Response } from 'express';
import { AppError } from './errors';
import type { Answered, AnsweredFile, Operation } from './operation';
import { validate } from './validation/validate';

/** Looks at every answer before it is sent; tests hold it against what the operation says that it answers. */
export type Inspect = (operation: Operation, answered: Answered) => void;

/** Serves operations: checks identifier, revision and body before the handler sees them. */
export function routerOf(operations: readonly Operation[], inspect: Inspect = () => undefined): Router {
  const router = Router();
  for (const operation of operations) {
    router[operation.method](expressPath(operation.path), ...rawReader(operation), async (request, response) => {
      const answered = await operation.handle({
        id: idOf(request),
        revision: operation.needsRevision ? revisionOf(request) : 0,
        body: bodyOf(operation, request) as never,
        query: queryOf(operation, request),
      });
      inspect(operation, answered);
      await send(answered, request, response);
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

function rawReader({ rawBody }: Operation): readonly RequestHandler[] {
  // not unpacked here: what comes compressed is kept so
  return rawBody ? [express.raw({ type: rawBody.mediaType, limit: rawBody.maxBytes, inflate: false })] : [];
}

function queryOf({ query = {} }: Operation, request: Request): Readonly<Record<string, string>> {
  return Object.fromEntries(
    Object.keys(query).flatMap((key) => {
      const value = request.query[key];
      return typeof value === 'string' ? [[key, value]] : [];
    }),
  );
}

async function send({ status, body, file, events, revision }: Answered, request: Request, response: Response): Promise<void> {
  if (revision !== undefined) response.set('ETag', `"${revision}"`);
  response.status(status);
  if (file) sendFile(file, response);
  else if (events) await sendEvents(events, request, response);
  else if (body === undefined) response.end();
  else response.json(body);
}

function sendFile({ bytes, mediaType, name }: AnsweredFile, response: Response): void {
  response.type(mediaType);
  if (name !== undefined) response.attachment(name).type(mediaType);
  response.send(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength));
}

/** Server-sent events (HTML Living Standard, section 9.2): one JSON document each. */
async function sendEvents(events: AsyncIterable<object>, request: Request, response: Response): Promise<void> {
  // no-transform keeps the compressor from holding them back
  response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform' });
  response.flushHeaders();
  const iterator = events[Symbol.asyncIterator]();
  request.on('close', () => void iterator.return?.());
  for (let next = await iterator.next(); next.done !== true; next = await iterator.next())
    response.write(`data: ${JSON.stringify(next.value)}\n\n`);
  response.end();
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
  if (operation.rawBody) {
    if (Buffer.isBuffer(request.body) && request.body.length > 0) return request.body;
    throw new AppError('malformed-request', `The body is missing, or is not sent as ${operation.rawBody.mediaType}.`);
  }
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
