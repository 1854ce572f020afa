import type { Task } from './task';

/** Does tasks, somewhere. */
export interface Work {
  /**
   * Throws as the task does; `too-heavy` where it takes too long or too much memory, `busy` where too many wait.
   * `signal`: nobody waits for the answer any more.
   */
  readonly run: <I, O>(task: Task<I, O>, input: I, signal?: AbortSignal) => Promise<O>;
  readonly end: () => Promise<void>;
}

/** On the caller's own thread: for tests, and for a tool that does one thing. */
export const HERE: Work = {
  run: async (task, input) => await task.run(input),
  end: () => Promise.resolve(),
};
