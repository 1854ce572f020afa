import { effect, inject, signal, untracked } from '@angular/core';
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
 * input counts. `undefined` as input means there is nothing to ask. Needs an injection context.
 */
export function computedLater<I, T>(
  lane: Lane,
  input: () => I | undefined,
  call: (core: AsyncCore, input: I) => Promise<T>,
  { restMs = 0 } = {},
): Signal<Later<T>> {
  const workers = inject(CoreWorkers);
  const state = signal<Later<T>>({ is: 'idle' });
  /** What was asked last: an answer to anything older is stale. */
  let latest: I | undefined;
  let wanted: { readonly input: I } | undefined;
  let running = false;
  const run = async (): Promise<void> => {
    running = true;
    while (wanted) {
      const { input: now } = wanted;
      wanted = undefined;
      try {
        const value = await call(workers.core(lane), now);
        if (now === latest) state.set({ is: 'done', value });
      } catch (error) {
        if (now === latest) state.set({ is: 'failed', message: error instanceof Error ? error.message : String(error) });
      }
    }
    running = false;
  };
  effect((onCleanup) => {
    const now = input();
    latest = now;
    if (now === undefined) {
      wanted = undefined;
      state.set({ is: 'idle' });
      return;
    }
    state.set({ is: 'working', value: valueOf(untracked(state)) });
    const timer = setTimeout(() => {
      wanted = { input: now };
      if (!running) void run();
    }, restMs);
    onCleanup(() => clearTimeout(timer));
  });
  return state.asReadonly();
}
