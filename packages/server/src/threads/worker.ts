import { AppError } from '../errors';
import type { Told } from './thread-pool';
import { TASKS } from './tasks';
import type { TaskName } from './tasks';

/** What a thread of the pool runs. An error of ours crosses as what it says: its class would be lost on the way. */
export default async function work({ name, input }: { readonly name: TaskName; readonly input: never }): Promise<Told> {
  try {
    return { result: await TASKS[name](input) };
  } catch (error) {
    if (!(error instanceof AppError)) throw error;
    return { refused: { code: error.code, detail: error.message, extra: error.extra } };
  }
}
