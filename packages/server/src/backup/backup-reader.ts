import { issue } from '@viaggio/core/units';
import type { Infer, Shape } from '@viaggio/core/units';
import { createHash } from 'node:crypto';
import type { Readable } from 'node:stream';
import { openPromise } from 'yauzl';
import type { Entry, ZipFile } from 'yauzl';
import { AppError } from '../errors';
import { validate } from '../validation/validate';
import { BACKUP_FORMAT, BACKUP_VERSION, CONTENTS_FILE, contentsShape } from './backup-format';
import type { Contents } from './backup-format';

/** What is read whole: lists, and documents of items. */
const MOST_JSON_BYTES = 256 * 1024 * 1024;

/** An archive on the disk, of which each file is what its contents say. */
export class BackupReader {
  private constructor(
    private readonly zip: ZipFile,
    private readonly entries: ReadonlyMap<string, Entry>,
    readonly contents: Contents,
  ) {}

  /** Opens and checks all of it: sizes and SHA-256 of every file. Throws `backup-unreadable`, saying which file. */
  static async open(path: string, signal: AbortSignal): Promise<BackupReader> {
    let zip: ZipFile;
    try {
      zip = await openPromise(path, { lazyEntries: true, autoClose: false, validateEntrySizes: true });
    } catch (error) {
      throw unreadable('', 'a ZIP archive', (error as Error).message);
    }
    try {
      const entries = await entriesOf(zip);
      const bare = new BackupReader(zip, entries, { format: BACKUP_FORMAT, version: 1, madeAt: '', files: [] });
      if (!entries.has(CONTENTS_FILE))
        throw unreadable(CONTENTS_FILE, 'a list of what is in it: the archive broke off, or is no backup', undefined);
      const contents = await bare.json(CONTENTS_FILE, contentsShape);
      if (contents.version > BACKUP_VERSION)
        throw unreadable(CONTENTS_FILE, `version ${BACKUP_VERSION} or older: a newer Viaggio made it`, contents.version);
      const reader = new BackupReader(zip, entries, contents);
      await reader.check(signal);
      return reader;
    } catch (error) {
      zip.close();
      throw error;
    }
  }

  close(): void {
    this.zip.close();
  }

  has(name: string): boolean {
    return this.entries.has(name);
  }

  /** Bytes of a file as they are read. Throws `backup-unreadable`. */
  async *read(name: string): AsyncGenerator<Buffer, void> {
    const entry = this.entries.get(name);
    if (!entry) throw unreadable(name, 'a file of this name', undefined);
    try {
      for await (const piece of await this.stream(entry)) yield piece as Buffer;
    } catch (error) {
      throw error instanceof AppError ? error : unreadable(name, 'a file that can be unpacked', (error as Error).message);
    }
  }

  async bytes(name: string): Promise<Buffer> {
    const pieces: Buffer[] = [];
    let length = 0;
    for await (const piece of this.read(name)) {
      length += piece.length;
      if (length > MOST_JSON_BYTES) throw unreadable(name, `at most ${MOST_JSON_BYTES} bytes`, undefined);
      pieces.push(piece);
    }
    return Buffer.concat(pieces);
  }

  /** JSON of a shape. Throws `backup-unreadable` with the path within the file. */
  async json<S extends Shape>(name: string, shape: S): Promise<Infer<S>> {
    let parsed: unknown;
    try {
      parsed = JSON.parse((await this.bytes(name)).toString('utf8'));
    } catch (error) {
      throw error instanceof AppError ? error : unreadable(name, 'JSON', (error as Error).message);
    }
    const checked = validate(shape, parsed);
    if (checked.ok) return checked.value;
    throw new AppError('backup-unreadable', `${name}: ${checked.issues[0]?.message ?? 'not as expected'}`, { issues: checked.issues });
  }

  private async check(signal: AbortSignal): Promise<void> {
    for (const { name, bytes, sha256 } of this.contents.files) {
      const hash = createHash('sha256');
      let length = 0;
      for await (const piece of this.read(name)) {
        signal.throwIfAborted();
        hash.update(piece);
        length += piece.length;
      }
      if (length !== bytes) throw unreadable(name, `${bytes} bytes`, `${length} bytes`);
      if (hash.digest('hex') !== sha256) throw unreadable(name, 'the bytes that were written: the sum does not fit', undefined);
    }
  }

  private async stream(entry: Entry): Promise<Readable> {
    return new Promise((resolve, reject) => this.zip.openReadStream(entry, (error, stream) => (error ? reject(error) : resolve(stream))));
  }
}

async function entriesOf(zip: ZipFile): Promise<ReadonlyMap<string, Entry>> {
  return new Promise((resolve, reject) => {
    const entries = new Map<string, Entry>();
    zip.on('entry', (entry: Entry) => {
      entries.set(entry.fileName, entry);
      zip.readEntry();
    });
    zip.once('end', () => resolve(entries));
    zip.once('error', (error: Error) => reject(unreadable('', 'a sound ZIP archive', error.message)));
    zip.readEntry();
  });
}

function unreadable(name: string, expected: string, received: unknown): AppError {
  const what = issue(name === '' ? '' : `/${name}`, 'bad-file', expected, received);
  return new AppError('backup-unreadable', `${name === '' ? 'The file' : name}: expected ${expected}.`, { issues: [what] });
}
