import { PLAN_KINDS } from '@viaggio/core/document';
import { createWriteStream } from 'node:fs';
import { mkdtemp, readdir, rm, stat } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Database } from '../db/database';
import { AppError } from '../errors';
import { operation, streamedOperation } from '../http/operation';
import type { Operation } from '../http/operation';
import type { PieceService } from '../pieces/piece-service';
import type { Work } from '../threads/work';
import { BACKUP_TYPE } from './backup-format';
import { BackupReader } from './backup-reader';
import { BackupWriter } from './backup-writer';
import { RestoreService } from './restore-service';

const MOST_BACKUP_BYTES = 16 * 1024 ** 3;
const MOST_SETTINGS = 4000;
const FOLDER = 'viaggio-backup-';
/** Of this server: another machine may have its temporary folder here too, and numbers of its own for processes. */
const OWN_FOLDER = `${FOLDER}${os.hostname().replace(/[^\w-]/g, '_')}-`;
const DAY_MS = 24 * 3600 * 1000;

const COUNTS = {
  type: 'object',
  required: ['new', 'same', 'different', 'onlyHere'],
  properties: Object.fromEntries(['new', 'same', 'different', 'onlyHere'].map((name) => [name, { type: 'integer', minimum: 0 }])),
} as const;
const COMPARISON = {
  title: 'A backup beside what is here',
  type: 'object',
  required: ['madeAt', 'kinds', 'different'],
  properties: {
    madeAt: { type: 'string', format: 'date-time' },
    kinds: { type: 'object', properties: Object.fromEntries([...PLAN_KINDS, 'samples', 'photos'].map((kind) => [kind, COUNTS])) },
    different: { type: 'array', items: { type: 'object', required: ['kind', 'id', 'title', 'says'] } },
    settings: { type: 'object', description: 'Of the device that it was made on, where it sent some' },
  },
} as const;

/** Everything out as one file, and in again. */
export function backupOperations(database: Database, pieces: PieceService, work: Work): readonly Operation[] {
  const writer = new BackupWriter(database, pieces, work);
  const restorer = new RestoreService(database, pieces, work);
  const rawBody = { mediaType: BACKUP_TYPE, maxBytes: MOST_BACKUP_BYTES, streamed: true } as const;
  const fails = ['malformed-request', 'too-large', 'backup-unreadable', 'invalid-fields', 'busy', 'too-heavy', 'database-away'] as const;
  return [
    operation({
      id: 'getBackup',
      method: 'get',
      path: '/api/backup',
      tag: 'backup',
      summary: 'Everything that is kept here, as one archive',
      query: { settings: 'Settings of the device that asks, as JSON, to be kept with it' },
      answers: { status: 200, says: 'A ZIP archive, as docs/backup.md says', mediaType: BACKUP_TYPE },
      fails: ['malformed-request', 'busy', 'too-heavy', 'database-away'],
      handle: async ({ query, signal }) => {
        const madeAt = new Date();
        const bytes = await writer.archive(madeAt, settingsOf(query['settings']), signal);
        const stamp = madeAt.toISOString().slice(0, 16).replace('T', ' ').replace(':', '');
        return { status: 200, file: { bytes, mediaType: BACKUP_TYPE, name: `Viaggio ${stamp}.zip` } };
      },
    }),
    streamedOperation({
      id: 'compareBackup',
      method: 'post',
      path: '/api/backup/compare',
      tag: 'backup',
      summary: 'What a backup holds beside what is here; nothing is changed',
      rawBody,
      answers: { status: 200, says: 'What is new, the same, different, and only here', schema: COMPARISON },
      fails,
      handle: async ({ body, signal }) => ({
        status: 200,
        body: await withBackup(body, work, signal, (backup) => restorer.compare(backup, signal)),
      }),
    }),
    streamedOperation({
      id: 'restoreBackup',
      method: 'post',
      path: '/api/backup/restore',
      tag: 'backup',
      summary: 'Bring here what a backup holds: all of it, or nothing; what is here alone stays',
      rawBody,
      query: { different: '“keep” what is here where both have it in another state, or “take” the backup’s' },
      answers: { status: 200, says: 'What there was to do, as compared before', schema: COMPARISON },
      fails: [...fails, 'id-taken'],
      handle: async ({ body, query, signal }) => {
        const { different } = query;
        if (different !== 'keep' && different !== 'take')
          throw new AppError('malformed-request', `different: expected “keep” or “take”; got “${(different ?? '').slice(0, 40)}”.`);
        return { status: 200, body: await withBackup(body, work, signal, (backup) => restorer.restore(backup, different, signal)) };
      },
    }),
  ];
}

/** Throws away what a server that was killed left of archives: at once where its process is gone, else after a day. */
export async function removeOldArchives(): Promise<void> {
  for (const name of (await readdir(os.tmpdir())).filter((one) => one.startsWith(FOLDER))) {
    const folder = path.join(os.tmpdir(), name);
    const { mtimeMs } = await stat(folder);
    if (isGone(name) || Date.now() - mtimeMs > DAY_MS) await rm(folder, { recursive: true, force: true });
  }
}

/** Whether the server that made a folder ended without taking it away. */
function isGone(folder: string): boolean {
  const pid = folder.startsWith(OWN_FOLDER) ? Number(folder.slice(OWN_FOLDER.length).split('-')[0]) : Number.NaN;
  if (!Number.isInteger(pid)) return false;
  try {
    process.kill(pid, 0);
    return false;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'ESRCH';
  }
}

/** The archive as a file while it is worked on: its list of contents stands at its end. */
async function withBackup<T>(body: Readable, work: Work, signal: AbortSignal, use: (backup: BackupReader) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(path.join(os.tmpdir(), `${OWN_FOLDER}${process.pid}-`));
  try {
    const file = path.join(folder, 'backup.zip');
    await pipeline(body, createWriteStream(file, { mode: 0o600 }));
    const backup = await BackupReader.open(file, work, signal);
    try {
      return await use(backup);
    } finally {
      backup.close();
    }
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

function settingsOf(text: string | undefined): object | undefined {
  if (text === undefined) return undefined;
  try {
    const settings: unknown = text.length > MOST_SETTINGS ? undefined : JSON.parse(text);
    if (typeof settings === 'object' && settings !== null && !Array.isArray(settings)) return settings;
  } catch {
    // told below
  }
  throw new AppError(
    'malformed-request',
    `settings: expected a JSON object of at most ${MOST_SETTINGS} characters; got “${text.slice(0, 40)}”.`,
  );
}
