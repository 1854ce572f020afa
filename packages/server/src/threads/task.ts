/**
 * One piece of work that may take more than some milliseconds, and is therefore never done on the thread that answers
 * everybody. What goes in and comes out can be cloned from thread to thread; it throws as operations do. Whoever brings a
 * task names it in `worker.ts`.
 */
export interface Task<I, O> {
  readonly name: string;
  /** Short whatever it is given: it never waits behind those that are not. */
  readonly isShort: boolean;
  readonly run: (input: I) => O | Promise<O>;
}

/** JSON as the bytes that are sent: what comes out of a task so needs not be made anew by who answers. */
export function asJson(value: unknown): Uint8Array {
  return new TextEncoder().encode(JSON.stringify(value));
}
