import { AppError } from '../errors';
import type { ErrorCode } from '../errors';
import type { Task } from './task';

/** What comes back from a thread. An error of ours crosses as what it says: its class would be lost on the way. */
export type Told =
  | { readonly result: unknown }
  | { readonly refused: { readonly code: ErrorCode; readonly detail: string; readonly extra: AppError['extra'] } };

/** What a thread is asked: a task by its name, since functions do not cross. */
export interface Asked {
  readonly name: string;
  readonly input: unknown;
}

/** The work of a thread that knows these tasks. Throws what is no error of ours. */
export function workerOf(tasks: readonly Task<never, unknown>[]): (asked: Asked) => Promise<Told> {
  const byName = new Map(tasks.map((task) => [task.name, task]));
  return async ({ name, input }) => {
    const task = byName.get(name);
    if (!task) throw new RangeError(`No task is called ${name}; worker.ts names them.`);
    try {
      return { result: await task.run(input as never) };
    } catch (error) {
      if (!(error instanceof AppError)) throw error;
      return { refused: { code: error.code, detail: error.message, extra: error.extra } };
    }
  };
}
