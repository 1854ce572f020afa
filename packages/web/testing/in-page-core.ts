import { Injectable } from '@angular/core';
import { coreCalls } from '../src/app/workers/core-calls';
import { CoreWorkers } from '../src/app/workers/core-workers';
import type { Connection } from '../src/app/workers/core-workers';

/** The same calls on the test's own thread, answered a turn later as a worker would. */
@Injectable()
export class InPageCore extends CoreWorkers {
  readonly calls: string[] = [];

  protected override connect(): Connection {
    const core = Object.fromEntries(
      Object.entries(coreCalls).map(([name, call]) => [
        name,
        async (...args: readonly unknown[]) => {
          this.calls.push(name);
          await Promise.resolve();
          return (call as (...given: readonly unknown[]) => unknown)(...args);
        },
      ]),
    );
    return { core: core as unknown as Connection['core'], end: () => undefined };
  }
}
