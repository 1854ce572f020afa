import { closeSync, fchmodSync, fstatSync, openSync, renameSync, rmSync, writeSync } from 'node:fs';

const MOST_BYTES = 5 * 1024 * 1024;
const OLDER = 3;
const OWNER_ONLY = 0o600;

/**
 * Where log lines go: a file that is put aside when it is full, the oldest one thrown away, readable by its owner only. A
 * line that finds no room is dropped and counted, and the count is told when there is room again: a log is never a reason
 * to stop. (What the usual transports do on a full disk is to end the logger, or the process.)
 */
export class LogFile {
  private file: number | undefined;
  private bytes = 0;
  private dropped = 0;

  constructor(
    private readonly path: string,
    private readonly mostBytes = MOST_BYTES,
  ) {}

  /** One line, as pino writes it. */
  write(line: string): void {
    try {
      if (this.dropped > 0) this.put(`${JSON.stringify({ level: 40, time: Date.now(), msg: `${this.dropped} lines found no room` })}\n`);
      this.dropped = 0;
      this.put(line);
    } catch {
      this.dropped++;
      this.close();
    }
  }

  private put(line: string): void {
    if (this.bytes >= this.mostBytes) this.putAside();
    this.file ??= this.open();
    const buffer = Buffer.from(line);
    for (let at = 0; at < buffer.length;) at += writeSync(this.file, buffer, at);
    this.bytes += buffer.length;
  }

  private open(): number {
    const file = openSync(this.path, 'a', OWNER_ONLY);
    // one of an older version could be read by others
    fchmodSync(file, OWNER_ONLY);
    this.bytes = fstatSync(file).size;
    return file;
  }

  private putAside(): void {
    this.close();
    rmSync(`${this.path}.${OLDER}`, { force: true });
    for (let age = OLDER - 1; age >= 0; age--) {
      const from = age === 0 ? this.path : `${this.path}.${age}`;
      try {
        renameSync(from, `${this.path}.${age + 1}`);
      } catch {
        // there are not so many yet
      }
    }
  }

  private close(): void {
    try {
      if (this.file !== undefined) closeSync(this.file);
    } catch {
      // it is opened anew in any case
    }
    this.file = undefined;
    this.bytes = 0;
  }
}
