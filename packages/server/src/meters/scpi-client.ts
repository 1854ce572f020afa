import { connect } from 'node:net';
import type { Socket } from 'node:net';
import { setTimeout as sleep } from 'node:timers/promises';
import { BoundedLines } from './bounded-lines';

/** More than this in one line is no answer of a meter. */
const MOST_LINE = 4096;
/** So long nothing may come before a line is taken to be quiet, and so often that is tried. */
const QUIET_MS = 40;
const TRIES = 8;

/** What came was not what was asked for: it says nothing, and what comes next cannot be told from it. */
export class InDoubt extends Error {
  override readonly name = 'InDoubt';
}

/** One connection to an instrument that speaks SCPI over TCP: a line out, a line back, one at a time. */
export class ScpiClient {
  private waiting: { readonly resolve: (line: string) => void; readonly reject: (error: Error) => void } | undefined;
  private ended: Error | undefined;
  private asked = '';
  /** A line that nobody asked for. */
  private stray: string | undefined;
  private lastCame = 0;
  private readonly lines: BoundedLines;

  private constructor(
    private readonly socket: Socket,
    private readonly timeoutMs: number,
  ) {
    this.lines = new BoundedLines(
      MOST_LINE,
      (line) => this.take(line.trim()),
      () => this.end(new Error('it sends without an end')),
    );
    socket.setEncoding('latin1').setNoDelay(true);
    socket.on('data', (text: string) => {
      this.lastCame = performance.now();
      this.lines.push(text);
    });
    socket.on('error', (error) => this.end(error));
    socket.on('close', () => this.end(new Error('it closed the connection')));
  }

  /** Throws when nothing answers there in time. */
  static open(host: string, port: number, timeoutMs: number): Promise<ScpiClient> {
    return new Promise((resolve, reject) => {
      const socket = connect({ host, port, timeout: timeoutMs });
      const failed = (error: Error): void => {
        socket.destroy();
        reject(error);
      };
      socket.once('error', failed);
      socket.once('timeout', () => failed(new Error(`no connection within ${timeoutMs} ms`)));
      socket.once('connect', () => {
        socket.off('error', failed).setTimeout(0);
        resolve(new ScpiClient(socket, timeoutMs));
      });
    });
  }

  send(command: string): void {
    if (this.ended) throw this.ended;
    this.asked = command;
    this.socket.write(`${command}\n`);
  }

  /**
   * The answer to a query. One that does not come in time ends the connection: whatever came later could not be told from
   * the answer to the next. Throws `InDoubt` where something came that was not asked for.
   */
  query(command: string): Promise<string> {
    return new Promise((resolve, reject) => {
      if (this.ended) {
        reject(this.ended);
        return;
      }
      if (this.stray !== undefined) {
        reject(new InDoubt(`“${this.stray.slice(0, 40)}” was not asked for`));
        return;
      }
      const timer = setTimeout(() => this.end(new Error(`no answer to ${command} within ${this.timeoutMs} ms`)), this.timeoutMs);
      const settled = (): void => {
        clearTimeout(timer);
        this.waiting = undefined;
      };
      this.waiting = {
        resolve: (line) => {
          settled();
          resolve(line);
        },
        reject: (error) => {
          settled();
          reject(error);
        },
      };
      this.send(command);
    });
  }

  /** Whether anything came since the last answer that was not asked for. */
  get isInDoubt(): boolean {
    return this.stray !== undefined;
  }

  /**
   * Brings questions and answers together again: waits until nothing comes any more, then asks who it is twice, and whether
   * it is done; only the same identity both times and a plain 1 will do. Returns who it is. Throws where it does not come
   * to that.
   */
  async synchronise(): Promise<string> {
    for (let turn = 0; turn < TRIES; turn++) {
      await this.quiet();
      this.stray = undefined;
      try {
        const [one, other, done] = [await this.query('*IDN?'), await this.query('*IDN?'), await this.query('*OPC?')];
        await this.quiet();
        if (one === other && done === '1' && !this.isInDoubt) return one;
      } catch (error) {
        if (!(error instanceof InDoubt)) throw error;
      }
    }
    throw new Error('its answers do not belong to what it was asked');
  }

  close(): void {
    this.end(new Error('closed'));
  }

  private async quiet(): Promise<void> {
    const from = performance.now();
    do {
      if (this.ended) throw this.ended;
      await sleep(QUIET_MS / 4);
    } while (performance.now() - Math.max(from, this.lastCame) < QUIET_MS && performance.now() - from < this.timeoutMs);
  }

  private take(line: string): void {
    // some say again what they were asked
    if (line === '' || line === this.asked) return;
    if (this.waiting) this.waiting.resolve(line);
    else this.stray ??= line;
  }

  private end(error: Error): void {
    this.ended ??= error;
    this.socket.destroy();
    this.waiting?.reject(this.ended);
  }
}
