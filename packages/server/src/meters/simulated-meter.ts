import type { RigSignal } from '@viaggio/core/measure';
import { createServer } from 'node:net';
import type { AddressInfo, Server, Socket } from 'node:net';
import { BoundedLines } from './bounded-lines';
import { Instrument } from './instrument';

/** What it can be told to do wrong. */
export const TROUBLES = {
  stall: 'no answers',
  nonsense: 'answers that are no numbers',
  disconnect: 'the connection lost',
  banner: 'a greeting that nobody asked for, on connecting and in between',
  doubled: 'answers that come twice',
  echo: 'every question said again before its answer',
} as const;
export type Trouble = keyof typeof TROUBLES;

const NOISE = 0.005;
/** More is no command of anybody. */
const MOST_LINE = 4096;
const BANNER = 'Welcome to the simulated meter';
/** The second of two answers may come a moment later. */
const LATE_MS = 4;

/**
 * A bench meter that is not there: a TCP server that speaks SCPI and shows what a rig would draw, so that recording can be
 * tried without one. It listens on loopback only.
 */
export class SimulatedMeter {
  private readonly sockets = new Set<Socket>();
  private signal: RigSignal | undefined;
  private playsSince = 0;
  private trouble: { readonly kind: Trouble; readonly untilMs: number } | undefined;
  private readonly server: Server = createServer((socket) => this.serve(socket));
  private readonly instrument = new Instrument(() => ({ voltageV: this.now('voltageV'), currentA: this.now('currentA') }));

  /** Plays from now on; a battery that has ended shows no volts. */
  play(signal: RigSignal): void {
    this.signal = signal;
    this.playsSince = performance.now();
  }

  /** Does something wrong for so many seconds. */
  makeTrouble(kind: Trouble, seconds: number): void {
    this.trouble = { kind, untilMs: performance.now() + seconds * 1000 };
    if (kind === 'disconnect') this.drop();
    if (kind === 'banner') for (const socket of this.sockets) socket.write(`${BANNER}\n`);
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
    const trouble = this.inTrouble();
    if (trouble === 'disconnect') return void socket.destroy();
    this.sockets.add(socket);
    socket.setEncoding('latin1').setNoDelay(true);
    socket.on('close', () => this.sockets.delete(socket));
    socket.on('error', () => socket.destroy());
    const lines = new BoundedLines(
      MOST_LINE,
      (line) => this.answer(line, socket),
      () => this.instrument.overrun(),
    );
    socket.on('data', (text: string) => {
      lines.push(text);
      // who does not read the answers is not asked for more questions
      if (socket.writableNeedDrain) {
        socket.pause();
        socket.once('drain', () => socket.resume());
      }
    });
    if (trouble === 'banner') socket.write(`${BANNER}\n`);
  }

  private answer(line: string, socket: Socket): void {
    const trouble = this.inTrouble();
    if (trouble === 'stall') return;
    const answer = this.instrument.obey(line);
    if (trouble === 'echo') socket.write(`${line}\n`);
    if (answer === undefined) return;
    socket.write(`${trouble === 'nonsense' ? '#%&/?!' : answer}\n`);
    if (trouble === 'doubled') setTimeout(() => socket.destroyed || socket.write(`${answer}\n`), Math.random() * LATE_MS);
    if (trouble === 'banner' && Math.random() < 0.2) socket.write(`${BANNER}\n`);
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
