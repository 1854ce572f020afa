import type { Infer, JsonSchema, Shape } from '@viaggio/core/units';
import type { Readable } from 'node:stream';
import type { ErrorCode } from '../errors';

/** A file as an answer. */
export interface AnsweredFile {
  /** Whole, or piece by piece as it is read. */
  readonly bytes: Uint8Array | AsyncIterable<Uint8Array>;
  /** Of what comes piece by piece, where it is known before. */
  readonly length?: number;
  readonly mediaType: string;
  /** Then it is offered for saving under this name. */
  readonly name?: string;
}

export interface Answered {
  readonly status: number;
  readonly body?: unknown;
  /** A body that is JSON already. */
  readonly json?: Uint8Array;
  readonly file?: AnsweredFile;
  /** Sent one by one as they come (server-sent events), until they end or nobody listens any more. */
  readonly events?: AsyncIterable<object>;
  /** Sent as ETag: the revision to save over. */
  readonly revision?: number;
}

export interface Incoming<Body> {
  /** The identifier in the path, where there is one; checked already. */
  readonly id: string;
  /** The revision in If-Match, where the operation needs one. */
  readonly revision: number;
  readonly body: Body;
  readonly query: Readonly<Record<string, string>>;
  /** Aborted when nobody waits for the answer any more. */
  readonly signal: AbortSignal;
}

/** A body that is taken as it comes. */
export interface RawBody {
  readonly mediaType: string;
  readonly maxBytes: number;
  /** Handed on piece by piece: it may be larger than memory. */
  readonly streamed?: boolean;
  /** A JSON document, which is read where it is worked on. */
  readonly schema?: JsonSchema;
}

/**
 * One thing the API does. The router that serves it and the OpenAPI document that describes it are both made from
 * this, so that neither can say what the other does not do.
 */
export interface Operation {
  /** What a client made from the document calls it. */
  readonly id: string;
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** With `{id}` where the identifier stands. */
  readonly path: string;
  readonly summary: string;
  readonly tag: string;
  readonly body?: Shape;
  /** One that is sound, for whoever tries it. */
  readonly example?: unknown;
  readonly rawBody?: RawBody;
  readonly needsRevision?: boolean;
  /** Names of what may stand behind the question mark, with what each says. */
  readonly query?: Readonly<Record<string, string>>;
  readonly answers: {
    readonly status: number;
    readonly says: string;
    readonly schema?: JsonSchema;
    /** Where it is not JSON. */
    readonly mediaType?: string;
  };
  readonly fails: readonly ErrorCode[];
  readonly handle: (incoming: Incoming<never>) => Promise<Answered>;
}

type Typed<S extends Shape | undefined> = Omit<Operation, 'body' | 'rawBody' | 'handle'> & {
  readonly body?: S;
  readonly handle: (incoming: Incoming<S extends Shape ? Infer<S> : undefined>) => Promise<Answered>;
};

/** Ties the type of the handler's body to the shape that it was checked against. */
export function operation<S extends Shape | undefined = undefined>(typed: Typed<S>): Operation {
  return typed;
}

type Raw<R extends RawBody, Body> = Omit<Operation, 'body' | 'rawBody' | 'handle'> & {
  readonly rawBody: R;
  readonly handle: (incoming: Incoming<Body>) => Promise<Answered>;
};

/** One whose body is bytes. */
export function rawOperation(typed: Raw<RawBody & { readonly streamed?: never }, Buffer>): Operation {
  return typed;
}

/** One whose body is read piece by piece; reading throws `too-large` where more comes than it takes. */
export function streamedOperation(typed: Raw<RawBody & { readonly streamed: true }, Readable>): Operation {
  return typed;
}
