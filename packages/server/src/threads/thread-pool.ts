import os from 'node:os';
import { Piscina } from 'piscina';
import { AppError } from '../errors';
import type { Task } from './task';
import type { Asked, Told } from './told';
import type { Work } from './work';

export interface PoolLimits {
  /** In all, waiting for a thread included. */
  readonly seconds: number;
  /** How many may wait for a thread, beside those that are worked on. */
  readonly waiting: number;
  readonly threads: number;
  readonly megabytes: number;
}

/** One core is left to who answers; what is long is done two at a time even where there are no more. */
const LIMITS: PoolLimits = {
  seconds: 30,
  waiting: 24,
  threads: Math.max(2, Math.min(4, os.availableParallelism() - 1)),
  megabytes: 1024,
};
/** Threads give way to the one that answers. */
const NICE = 5;

/** Threads in two pools: what is short in any case never waits behind what is not. `file`: the built worker. */
export function threadPool(file: string, limits: Partial<PoolLimits> = {}): Work {
  const { seconds, waiting, threads, megabytes } = { ...LIMITS, ...limits };
  const pool = (most: number) =>
    new Piscina({
      filename: file,
      minThreads: 1,
      maxThreads: most,
      idleTimeout: 30_000,
      resourceLimits: { maxOldGenerationSizeMb: megabytes },
      ...(process.platform === 'linux' && { niceIncrement: NICE }),
    });
  const short = pool(1);
  const long = pool(threads);
  let under = 0;
  return {
    run: async <I, O>({ name, isShort }: Task<I, O>, input: I, signal?: AbortSignal) => {
      if (under >= 1 + threads + waiting) throw new AppError('busy', `${waiting} requests are waiting already.`);
      under++;
      const inTime = AbortSignal.timeout(seconds * 1000);
      try {
        const asked: Asked = { name, input };
        const told = (await (isShort ? short : long).run(asked, { signal: signal ? AbortSignal.any([signal, inTime]) : inTime })) as Told;
        if ('refused' in told) throw new AppError(told.refused.code, told.refused.detail, told.refused.extra);
        return told.result as O;
      } catch (error) {
        throw refusal(error, inTime.aborted && !signal?.aborted, { seconds, megabytes });
      } finally {
        under--;
      }
    },
    end: async () => {
      await Promise.all([short.destroy(), long.destroy()]);
    },
  };
}

function refusal(error: unknown, late: boolean, { seconds, megabytes }: Pick<PoolLimits, 'seconds' | 'megabytes'>): unknown {
  if (late) return new AppError('too-heavy', `No answer within ${seconds} s, waiting for others included.`);
  const { code } = error as { readonly code?: unknown };
  if (code === 'ERR_WORKER_OUT_OF_MEMORY') return new AppError('too-heavy', `The answer needs more than ${megabytes} MB of memory.`);
  return error;
}
