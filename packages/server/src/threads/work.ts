import { TASKS } from './tasks';
import type { TaskInput, TaskName, TaskResult } from './tasks';

/** Does tasks, somewhere. */
export interface Work {
  /**
   * Throws as the task does; `too-heavy` where it takes too long or too much memory, `busy` where too many wait.
   * `signal`: nobody waits for the answer any more.
   */
  readonly run: <N extends TaskName>(name: N, input: TaskInput<N>, signal?: AbortSignal) => Promise<TaskResult<N>>;
  readonly end: () => Promise<void>;
}

/** On the caller's own thread: for tests, and for a tool that does one thing. */
export const HERE: Work = {
  run: async <N extends TaskName>(name: N, input: TaskInput<N>) => (await TASKS[name](input as never)) as TaskResult<N>,
  end: () => Promise.resolve(),
};
