import type { RigSignal } from '@viaggio/core';
import { createServer } from 'node:net';
import type { AddressInfo, Server, Socket } from 'node:net';
import { headerPattern } from './scpi';

/** What it can be told to do wrong. */
export const TROUBLES = {
  stall: 'no answers',
  nonsense: 'answers that are no numbers',
  disconnect: 'the connection lost',
} as const;
export type Trouble = keyof typeof TROUBLES;

const NOISE = 0.005;
const MOST_ERRORS = 20;

/**
 * A bench meter that is not there: a TCP server that speaks SCPI and shows what a rig would draw, so that recording can be
 * tried without one. It listens on loopback only.
 */
export class SimulatedMeter {
  private readonly sockets = new Set<Socket>();
  private readonly errors: string[] = [];
  private signal: RigSignal | undefined;
  private playsSince = 0;
  private trouble: { readonly kind: Trouble; readonly untilMs: number } | undefined;
  private readonly server: Server = createServer((socket) => this.serve(socket));

  private readonly commands: readonly (readonly [RegExp, () => string | undefined])[] = [
    [headerPattern('*IDN?'), () => 'Viaggio,Simulated meter,0,1.0'],
    [headerPattern('*OPC?'), () => '1'],
    [headerPattern('*CLS'), () => this.clear()],
    [headerPattern('*RST'), () => this.clear()],
    [headerPattern('MEASure:VOLTage[:DC]?'), () => scientific(this.now('voltageV'))],
    [headerPattern('MEASure:CURRent[:DC]?'), () => scientific(this.now('currentA'))],
    [headerPattern('SYSTem:ERRor[:NEXT]?'), () => this.errors.shift() ?? '0,"No error"'],
  ];

  /** Plays from now on; a battery that has ended shows no volts. */
  play(signal: RigSignal): void {
    this.signal = signal;
    this.playsSince = performance.now();
  }

  /** Does something wrong for so many seconds. */
  makeTrouble(kind: Trouble, seconds: number): void {
    this.trouble = { kind, untilMs: performance.now() + seconds * 1000 };
    if (kind === 'disconnect') this.drop();
  }

  /** Listens; returns the port. */
  listen(port = 0): Promise<number> {
    return new Promise((resolve, reject) => {
      this.server.once('error', reject);
      this.server.listen(port, '127.0.0.1', () => resolve((this.server.address() as AddressInfo).port));
    });
  }

  close(): Promise<void> {
    this.drop();
    return new Promise((resolve) => this.server.close(() => resolve()));
  }

  private serve(socket: Socket): void {
    if (this.inTrouble() === 'disconnect') return void socket.destroy();
    this.sockets.add(socket);
    let rest = '';
    socket.setEncoding('latin1').setNoDelay(true);
    socket.on('close', () => this.sockets.delete(socket));
    socket.on('error', () => socket.destroy());
    socket.on('data', (text: string) => {
      rest += text;
      for (let at = rest.indexOf('\n'); at >= 0; at = rest.indexOf('\n')) {
        this.answer(rest.slice(0, at), socket);
        rest = rest.slice(at + 1);
      }
    });
  }

  private answer(line: string, socket: Socket): void {
    const trouble = this.inTrouble();
    if (trouble === 'stall') return;
    const answers = line.split(';').map((command) => this.obey(command.trim())).filter((answer) => answer !== undefined); // prettier-ignore
    if (answers.length > 0) socket.write(`${trouble === 'nonsense' ? '#%&/?!' : answers.join(';')}\n`);
  }

  private obey(command: string): string | undefined {
    if (command === '') return undefined;
    const known = this.commands.find(([pattern]) => pattern.test(command));
    if (known) return known[1]();
    if (this.errors.length < MOST_ERRORS) this.errors.push('-113,"Undefined header"');
    return undefined;
  }

  private clear(): undefined {
    this.errors.length = 0;
  }

  private now(of: 'voltageV' | 'currentA'): number {
    if (!this.signal) return 0;
    const at = Math.floor((performance.now() - this.playsSince) / 1000 / this.signal.stepS);
    return (this.signal[of][at] ?? 0) * (1 + NOISE * (Math.random() + Math.random() - 1));
  }

  private inTrouble(): Trouble | undefined {
    return this.trouble && performance.now() < this.trouble.untilMs ? this.trouble.kind : undefined;
  }

  private drop(): void {
    for (const socket of this.sockets) socket.destroy();
    this.sockets.clear();
  }
}

/** NR3, as meters answer. */
function scientific(value: number): string {
  return value.toExponential(6).toUpperCase();
}
