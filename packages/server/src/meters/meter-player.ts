import type { RigSignal } from '@viaggio/core/measure';
import { fork } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import type { MeterOrder } from './meter-process';
import { SimulatedMeter } from './simulated-meter';
import type { Trouble } from './simulated-meter';

/** Plays a rig as a meter would show it, somewhere. */
export interface MeterPlayer {
  /** Plays from now on; the port it listens on. */
  readonly play: (signal: RigSignal) => Promise<number>;
  readonly makeTrouble: (kind: Trouble, seconds: number) => void;
  readonly end: () => Promise<void>;
}

const STARTS_MS = 10_000;

/** In this process: for tests, and for a tool that does one thing. */
export function playerHere(): MeterPlayer {
  const meter = new SimulatedMeter();
  let listening: Promise<number> | undefined;
  return {
    play: (signal) => {
      meter.play(signal);
      return (listening ??= meter.listen());
    },
    makeTrouble: (kind, seconds) => meter.makeTrouble(kind, seconds),
    end: async () => {
      if (listening) await meter.close();
    },
  };
}

/** In a process of its own, begun when first something is played, and anew if it ended. `file`: the built `meter-process`. */
export function playerApart(file: string): MeterPlayer {
  let child: ChildProcess | undefined;
  const order = (told: MeterOrder): void => void child?.send(told);
  return {
    play: (signal) => {
      child ??= fork(file, { serialization: 'advanced', stdio: 'ignore', execArgv: [] });
      const started = child;
      started.once('exit', () => {
        if (child === started) child = undefined;
      });
      return new Promise((resolve, reject) => {
        const timer = setTimeout(() => settle(() => reject(new Error('The simulated meter did not start.'))), STARTS_MS);
        const ended = (): void => settle(() => reject(new Error('The simulated meter ended.')));
        const listening = ({ port }: { readonly port: number }): void => settle(() => resolve(port));
        const settle = (how: () => void): void => {
          clearTimeout(timer);
          started.off('exit', ended).off('message', listening);
          how();
        };
        started.once('exit', ended).once('message', listening);
        order({ play: signal });
      });
    },
    makeTrouble: (kind, seconds) => order({ trouble: kind, seconds }),
    end: () =>
      new Promise((resolve) => {
        if (!child) {
          resolve();
          return;
        }
        child.once('exit', () => resolve());
        child.kill();
      }),
  };
}
