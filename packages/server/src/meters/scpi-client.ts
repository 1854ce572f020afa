import { connect } from 'node:net';
import type { Socket } from 'node:net';

/** More than this in one line is no answer of a meter. */
const MOST_LINE = 4096;

/** One connection to an instrument that speaks SCPI over TCP: a line out, a line back, one at a time. */
export class ScpiClient {
  private rest = '';
  private waiting: { readonly resolve: (line: string) => void; readonly reject: (error: Error) => void } | undefined;
  private ended: Error | undefined;

  private constructor(
    private readonly socket: Socket,
    private readonly timeoutMs: number,
  ) {
    socket.setEncoding('latin1').setNoDelay(true);
    socket.on('data', (text: string) => this.take(text));
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
    this.socket.write(`${command}\n`);
  }

  /**
   * The answer to a query. One that does not come in time ends the connection: whatever came later could not be told from
   * the answer to the next.
   */
  query(command: string): Promise<string> {
    return new Promise((resolve, reject) => {
      if (this.ended) {
        reject(this.ended);
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
      this.socket.write(`${command}\n`);
    });
  }

  close(): void {
    this.end(new Error('closed'));
  }

  private take(text: string): void {
    this.rest += text;
    for (let at = this.rest.indexOf('\n'); at >= 0; at = this.rest.indexOf('\n')) {
      const line = this.rest.slice(0, at).trim();
      this.rest = this.rest.slice(at + 1);
      this.waiting?.resolve(line);
    }
    if (this.rest.length > MOST_LINE) this.end(new Error('it sends without an end'));
  }

  private end(error: Error): void {
    this.ended ??= error;
    this.socket.destroy();
    this.waiting?.reject(this.ended);
  }
}
