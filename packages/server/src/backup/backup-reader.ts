import { issue } from '@viaggio/core/units';
import { createHash } from 'node:crypto';
import type { Readable } from 'node:stream';
import { openPromise } from 'yauzl';
import type { Entry, ZipFile } from 'yauzl';
import { AppError } from '../errors';
import type { Work } from '../threads/work';
import { ARCHIVE_BOUNDS, BACKUP_FORMAT, BACKUP_VERSION, CONTENTS_FILE, DOCUMENTS } from './backup-format';
import type { BackupDocument, Contents, Documents } from './backup-format';
import { READ_DOCUMENT } from './backup-tasks';

/** An archive on the disk, of which each file is what its contents say. */
export class BackupReader {
  private constructor(
    private readonly zip: ZipFile,
    private readonly entries: ReadonlyMap<string, Entry>,
    readonly contents: Contents,
    private readonly work: Work,
    private readonly signal: AbortSignal,
  ) {}

  /**
   * Opens and checks all of it: how large it would be, names, sizes and SHA-256 of every file. Documents are read in a thread.
   * Throws `backup-unreadable`, saying which file.
   */
  static async open(path: string, work: Work, signal: AbortSignal): Promise<BackupReader> {
    let zip: ZipFile;
    try {
      zip = await openPromise(path, { lazyEntries: true, autoClose: false, validateEntrySizes: true });
    } catch (error) {
      throw unreadable('', 'a ZIP archive', (error as Error).message);
    }
    try {
      const entries = await entriesOf(zip);
      requireBounded(entries);
      const bare = new BackupReader(zip, entries, { format: BACKUP_FORMAT, version: 1, madeAt: '', files: [] }, work, signal);
      if (!entries.has(CONTENTS_FILE))
        throw unreadable(CONTENTS_FILE, 'a list of what is in it: the archive broke off, or is no backup', undefined);
      const contents = await bare.document(CONTENTS_FILE);
      if (contents.version > BACKUP_VERSION)
        throw unreadable(CONTENTS_FILE, `version ${BACKUP_VERSION} or older: a newer Viaggio made it`, contents.version);
      const reader = new BackupReader(zip, entries, contents, work, signal);
      await reader.check();
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
      if (length > ARCHIVE_BOUNDS.documentBytes) throw unreadable(name, `at most ${ARCHIVE_BOUNDS.documentBytes} bytes`, undefined);
      pieces.push(piece);
    }
    return Buffer.concat(pieces);
  }

  /** One of its documents, held against its shape. Throws `backup-unreadable` with the path within the file. */
  async document<N extends BackupDocument>(name: N): Promise<Documents[N]> {
    return (await this.work.run(READ_DOCUMENT, { name, bytes: await this.bytes(name) }, this.signal)) as Documents[N];
  }

  /** Each file once, as large as its directory says, and with the sum that was written. */
  private async check(): Promise<void> {
    const listed = new Set<string>([CONTENTS_FILE]);
    for (const { name, bytes, sha256 } of this.contents.files) {
      if (listed.has(name)) throw unreadable(CONTENTS_FILE, 'each file once', name);
      listed.add(name);
      const said = this.entries.get(name)?.uncompressedSize;
      if (said !== undefined && said !== bytes) throw unreadable(name, `${bytes} bytes`, `${said} bytes`);
      const hash = createHash('sha256');
      let length = 0;
      for await (const piece of this.read(name)) {
        this.signal.throwIfAborted();
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
      const refused = entries.has(entry.fileName)
        ? unreadable(entry.fileName, 'each file once', undefined)
        : entries.size >= ARCHIVE_BOUNDS.entries
          ? unreadable('', `at most ${ARCHIVE_BOUNDS.entries} files`, undefined)
          : undefined;
      if (refused) {
        reject(refused);
        return;
      }
      entries.set(entry.fileName, entry);
      zip.readEntry();
    });
    zip.once('end', () => resolve(entries));
    zip.once('error', (error: Error) => reject(unreadable('', 'a sound ZIP archive', error.message)));
    zip.readEntry();
  });
}

/** Before a byte is unpacked: what it would come to, by its own directory. */
function requireBounded(entries: ReadonlyMap<string, Entry>): void {
  const { unpackedBytes, documentBytes, packedTimes, packedFromBytes } = ARCHIVE_BOUNDS;
  let all = 0;
  for (const [name, { uncompressedSize, compressedSize }] of entries) {
    all += uncompressedSize;
    if (all > unpackedBytes) throw unreadable('', `at most ${unpackedBytes} bytes when unpacked`, all);
    if (!DOCUMENTS.has(name)) continue;
    if (uncompressedSize > documentBytes) throw unreadable(name, `at most ${documentBytes} bytes when unpacked`, uncompressedSize);
    if (uncompressedSize > packedFromBytes && uncompressedSize > packedTimes * compressedSize)
      throw unreadable(name, `at most ${packedTimes} times what it is packed`, `${Math.round(uncompressedSize / compressedSize)} times`);
  }
}

function unreadable(name: string, expected: string, received: unknown): AppError {
  const what = issue(name === '' ? '' : `/${name}`, 'bad-file', expected, received);
  return new AppError('backup-unreadable', `${name === '' ? 'The file' : name}: expected ${expected}.`, { issues: [what] });
}
