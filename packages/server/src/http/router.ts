import { idShape } from '@viaggio/core/gear';
import type { Shape } from '@viaggio/core/units';
import express, { Router } from 'express';
import type { Request, RequestHandler, Response } from 'express';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { AppError } from '../errors';
import type { Answered, AnsweredFile, Operation } from './operation';
import { limited } from './limited';
import { validate } from '../validation/validate';
import { checkedBody, JSON_TYPE, missingBody, MOST_JSON_BYTES } from './json-body';

/** Looks at every answer before it is sent; tests hold it against what the operation says that it answers. */
export type Inspect = (operation: Operation, answered: Answered) => void;

/** Checks a large body elsewhere; undefined where it is to be checked at once. */
export type LargeBodies = (shape: Shape, bytes: Uint8Array, signal: AbortSignal) => Promise<unknown> | undefined;

/** Up to here a body is checked in less time than it takes to hand it to another thread. */
const CHECKED_HERE_BYTES = 16 * 1024;

/** Serves operations: checks identifier, revision and body before the handler sees them. */
export function routerOf(operations: readonly Operation[], large: LargeBodies, inspect: Inspect = () => undefined): Router {
  const router = Router();
  for (const operation of operations) {
    router[operation.method](expressPath(operation.path), ...bodyReader(operation), async (request, response) => {
      const gone = new AbortController();
      response.on('close', () => gone.abort());
      const id = idOf(request);
      const revision = operation.needsRevision ? revisionOf(request) : 0;
      const body = await bodyOf(operation, request, large, gone.signal);
      const answered = await operation.handle({
        id,
        revision,
        body: body as never,
        query: queryOf(operation, request),
        signal: gone.signal,
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

/** Bytes, whatever they are: JSON too is read where it is checked. */
function bodyReader({ body, rawBody }: Operation): readonly RequestHandler[] {
  if (rawBody?.streamed) return [];
  // not unpacked here: what comes compressed is kept so
  if (rawBody && rawBody.mediaType !== JSON_TYPE)
    return [express.raw({ type: rawBody.mediaType, limit: rawBody.maxBytes, inflate: false })];
  return body || rawBody ? [utf8Only, express.raw({ type: JSON_TYPE, limit: MOST_JSON_BYTES })] : [];
}

/** JSON between systems is UTF-8 (RFC 8259, section 8.1). */
const utf8Only: RequestHandler = (request, _response, next) => {
  const [, charset] = /charset="?([\w-]+)/i.exec(request.get('Content-Type') ?? '') ?? [];
  if (charset !== undefined && !/^utf-?8$/i.test(charset))
    throw new AppError('malformed-request', `charset: expected utf-8; got ${charset.slice(0, 40)}.`);
  next();
};

function queryOf({ query = {} }: Operation, request: Request): Readonly<Record<string, string>> {
  return Object.fromEntries(
    Object.keys(query).flatMap((key) => {
      const value = request.query[key];
      return typeof value === 'string' ? [[key, value]] : [];
    }),
  );
}

async function send({ status, body, json, file, events, revision }: Answered, request: Request, response: Response): Promise<void> {
  if (revision !== undefined) response.set('ETag', `"${revision}"`);
  response.status(status);
  if (file) await sendFile(file, response);
  else if (events) await sendEvents(events, request, response);
  else if (json) response.type(JSON_TYPE).send(asBuffer(json));
  else if (body === undefined) response.end();
  else response.json(body);
}

async function sendFile({ bytes, length, mediaType, name }: AnsweredFile, response: Response): Promise<void> {
  response.type(mediaType);
  if (name !== undefined) response.attachment(name).type(mediaType);
  if (bytes instanceof Uint8Array) {
    response.send(asBuffer(bytes));
    return;
  }
  // what breaks off breaks the connection: the receiver must not take half for the whole
  if (length !== undefined) response.set('Content-Length', String(length));
  await pipeline(Readable.from(bytes), response).catch((error: unknown) => {
    if (!response.closed) response.destroy(error as Error);
  });
}

function asBuffer(bytes: Uint8Array): Buffer {
  return Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
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

async function bodyOf({ body, rawBody }: Operation, request: Request, large: LargeBodies, signal: AbortSignal): Promise<unknown> {
  if (!body && !rawBody) return undefined;
  if (rawBody?.streamed && request.is(rawBody.mediaType) !== false) return limited(request, rawBody.maxBytes);
  const bytes: unknown = request.body;
  const there = Buffer.isBuffer(bytes) && bytes.length > 0;
  if (rawBody && rawBody.mediaType !== JSON_TYPE && !there)
    throw new AppError('malformed-request', `The body is missing, or is not sent as ${rawBody.mediaType}.`);
  if (!there) throw missingBody();
  if (!body) return bytes;
  const elsewhere = bytes.length > CHECKED_HERE_BYTES ? large(body, bytes, signal) : undefined;
  return elsewhere === undefined ? checkedBody(body, bytes) : await elsewhere;
}
