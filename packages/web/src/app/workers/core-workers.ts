import { Injectable } from '@angular/core';
import { wrap } from 'comlink';
import { USUAL_DISPLAY } from '@viaggio/core/units';
import type { Display } from '@viaggio/core/units';
import type { CoreCalls } from './core-calls';
import { createCoreWorker } from './core-worker-factory';
import { TellsMaps } from './kept-maps';

/** The core's calls as they are from here: each answers later. */
export type AsyncCore = {
  readonly [K in keyof CoreCalls]: (...args: Parameters<CoreCalls[K]>) => Promise<Awaited<ReturnType<CoreCalls[K]>>>;
};

export interface Connection {
  readonly core: AsyncCore;
  readonly end: () => void;
}

/** One kind of question: it has a worker of its own, so that a long one of another kind does not hold it up. */
export type Lane =
  'rigs' | 'outlook' | 'hanging' | 'remedies' | 'feeds' | 'compare' | 'table' | 'log' | 'recording' | 'day' | 'day-plan' | 'bench' | 'pack';

/** Workers that run the core, one a lane, started when first asked. */
@Injectable({ providedIn: 'root' })
export class CoreWorkers {
  private readonly connections = new Map<Lane, Connection>();

  /** How figures are said from now on, in workers that are there and in those to come. */
  private display: Display = USUAL_DISPLAY;

  core(lane: Lane): AsyncCore {
    const known = this.connections.get(lane);
    if (known) return known.core;
    const started = this.connect();
    this.connections.set(lane, started);
    // it comes before whatever is asked: messages keep their order
    if (this.display !== USUAL_DISPLAY) void started.core.displayAs(this.display);
    return started.core;
  }

  /** What was said before stays as it was said: pages ask again when they are opened. */
  displayAs(display: Display): void {
    this.display = display;
    for (const { core } of this.connections.values()) void core.displayAs(display);
  }

  /** Ends what a lane is at; what it was to answer never comes. The next call starts a new worker. */
  cancel(lane: Lane): void {
    this.connections.get(lane)?.end();
    this.connections.delete(lane);
  }

  protected connect(): Connection {
    const worker = createCoreWorker();
    return { core: telling(wrap<CoreCalls>(worker)), end: () => worker.terminate() };
  }
}

type AnyCall = (...args: readonly unknown[]) => Promise<unknown>;

/** The worker's calls, with maps told as what changed in them. */
function telling(core: AsyncCore): AsyncCore {
  const maps = new TellsMaps();
  const call =
    (name: string): AnyCall =>
    async (...args) => {
      try {
        return await (core[name as keyof AsyncCore] as unknown as AnyCall)(...maps.args(name, args));
      } catch (error) {
        maps.forget();
        throw error;
      }
    };
  return new Proxy(core, { get: (_core, name) => call(String(name)) });
}
