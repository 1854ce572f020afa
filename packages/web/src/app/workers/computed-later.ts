import { computed, effect, inject, signal, untracked } from '@angular/core';
import type { Signal } from '@angular/core';
import { CoreWorkers } from './core-workers';
import type { AsyncCore, Lane } from './core-workers';

/** What a worker makes of some input: the last answer stays until the next one is there. */
export type Later<T> =
  | { readonly is: 'idle' }
  | { readonly is: 'working'; readonly value: T | undefined }
  | { readonly is: 'done'; readonly value: T }
  | { readonly is: 'failed'; readonly message: string };

export function valueOf<T>(later: Later<T>): T | undefined {
  return later.is === 'done' || later.is === 'working' ? later.value : undefined;
}

/**
 * Works out something in a lane's worker whenever its input changes: one call at a time, in between only the newest
 * input counts. `undefined` as input means there is nothing to ask. What it says is of the input as it is: an answer to
 * an earlier one is never `done`, not even in the moment before the next is asked. Needs an injection context.
 */
export function computedLater<I, T>(
  lane: Lane,
  input: () => I | undefined,
  call: (core: AsyncCore, input: I) => Promise<T>,
  { restMs = 0 } = {},
): Signal<Later<T>> {
  const workers = inject(CoreWorkers);
  const asked = computed(input);
  const answered = signal<Answered<I, T> | undefined>(undefined);
  const answer = (of: I, is: Answered<I, T>['is']): void => {
    if (of === untracked(asked)) answered.set({ of, is });
  };
  let wanted: { readonly input: I } | undefined;
  let running = false;
  const run = async (): Promise<void> => {
    running = true;
    while (wanted) {
      const { input: now } = wanted;
      wanted = undefined;
      try {
        answer(now, { is: 'done', value: await call(workers.core(lane), now) });
      } catch (error) {
        answer(now, { is: 'failed', message: error instanceof Error ? error.message : String(error) });
      }
    }
    running = false;
  };
  effect((onCleanup) => {
    const now = asked();
    if (now === undefined) {
      wanted = undefined;
      answered.set(undefined);
      return;
    }
    const timer = setTimeout(() => {
      wanted = { input: now };
      if (!running) void run();
    }, restMs);
    onCleanup(() => clearTimeout(timer));
  });
  return computed(() => {
    const [now, last] = [asked(), answered()];
    if (now === undefined) return { is: 'idle' };
    if (last?.of === now) return last.is;
    return { is: 'working', value: last && valueOf(last.is) };
  });
}

/** What came of the question that was answered last. */
interface Answered<I, T> {
  readonly of: I;
  readonly is: Extract<Later<T>, { readonly is: 'done' | 'failed' }>;
}
