import type { Infer, JsonSchema, Shape } from '@viaggio/core';
import type { ErrorCode } from './errors';

/** A file as an answer. */
export interface AnsweredFile {
  readonly bytes: Uint8Array;
  readonly mediaType: string;
  /** Then it is offered for saving under this name. */
  readonly name?: string;
}

export interface Answered {
  readonly status: number;
  readonly body?: unknown;
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
}

/** A body that is no JSON: kept as it comes. */
export interface RawBody {
  readonly mediaType: string;
  readonly maxBytes: number;
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
  /** Describes the body where the shape it is first checked against says less. */
  readonly bodySchema?: JsonSchema;
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

/** One whose body is bytes. */
export function rawOperation(
  typed: Omit<Operation, 'body' | 'handle'> & {
    readonly rawBody: RawBody;
    readonly handle: (incoming: Incoming<Buffer>) => Promise<Answered>;
  },
): Operation {
  return typed;
}
