import type { Infer, JsonSchema, Shape } from '@viaggio/core';
import type { ErrorCode } from './errors';

export interface Answered {
  readonly status: number;
  readonly body?: unknown;
  /** Sent as ETag: the revision to save over. */
  readonly revision?: number;
}

export interface Incoming<Body> {
  /** The identifier in the path, where there is one; checked already. */
  readonly id: string;
  /** The revision in If-Match, where the operation needs one. */
  readonly revision: number;
  readonly body: Body;
}

/**
 * One thing the API does. The router that serves it and the OpenAPI document that describes it are both made from
 * this, so that neither can say what the other does not do.
 */
export interface Operation {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** With `{id}` where the identifier stands. */
  readonly path: string;
  readonly summary: string;
  readonly tag: string;
  readonly body?: Shape;
  /** Describes the body where the shape it is first checked against says less. */
  readonly bodySchema?: JsonSchema;
  readonly needsRevision?: boolean;
  readonly answers: { readonly status: number; readonly says: string; readonly schema?: JsonSchema };
  readonly fails: readonly ErrorCode[];
  readonly handle: (incoming: Incoming<never>) => Promise<Answered>;
}

type Typed<S extends Shape | undefined> = Omit<Operation, 'body' | 'handle'> & {
  readonly body?: S;
  readonly handle: (incoming: Incoming<S extends Shape ? Infer<S> : undefined>) => Promise<Answered>;
};

/** Ties the type of the handler's body to the shape that it was checked against. */
export function operation<S extends Shape | undefined = undefined>(typed: Typed<S>): Operation {
  return typed as unknown as Operation;
}
