import type { BackupComparison } from '@viaggio/core/document';
import { createReadStream, createWriteStream, statSync } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { BackupReader } from '../backup/backup-reader';
import { BACKUP_TYPE } from '../backup/backup-format';
import type { Problem } from '../errors';
import { HERE } from '../threads/work';
import type { Output } from './solve';

/** The application of this machine: the one that runs, or one that is started meanwhile. */
export type WithServer = <T>(work: (url: string) => Promise<T>) => Promise<T>;

const NEVER = new AbortController().signal;
const MEGABYTE = 1024 * 1024;

/** `viaggio backup FILE`: everything that is kept here, in one file that was read back and found whole. Returns the exit code. */
export async function backupTo(file: string, withServer: WithServer, { out, err }: Output): Promise<number> {
  const aside = `${file}.part`;
  try {
    return await withServer(async (url) => {
      const response = await fetch(new URL('/api/backup', url));
      if (!response.ok || !response.body) return refused(response, err);
      await pipeline(Readable.fromWeb(response.body as never), createWriteStream(aside, { mode: 0o600 }));
      const written = await BackupReader.open(aside, HERE, NEVER);
      const { files } = written.contents;
      written.close();
      await rename(aside, file);
      out(JSON.stringify({ written: file, bytes: statSync(file).size, files: files.length }));
      return 0;
    });
  } catch (error) {
    // one that broke off is none: what was there before stays
    await rm(aside, { force: true });
    err(`${file} was not written: ${(error as Error).message}`);
    return 1;
  }
}

/**
 * `viaggio restore FILE`: what a backup holds beside what is here, and with `--different keep` or `take`, brought here.
 * Returns the exit code.
 */
export async function restoreFrom(
  file: string,
  different: string | undefined,
  withServer: WithServer,
  { out, err }: Output,
): Promise<number> {
  if (different !== undefined && different !== 'keep' && different !== 'take') {
    err(`--different: expected keep or take; got “${different.slice(0, 60)}”.`);
    return 1;
  }
  const bytes = statSync(file).size;
  return withServer(async (url) => {
    const path = different === undefined ? '/api/backup/compare' : `/api/backup/restore?different=${different}`;
    const response = await fetch(new URL(path, url), {
      method: 'POST',
      headers: { 'Content-Type': BACKUP_TYPE, 'Content-Length': String(bytes) },
      body: Readable.toWeb(createReadStream(file)) as never,
      duplex: 'half',
    });
    if (!response.ok) return refused(response, err);
    const compared = (await response.json()) as BackupComparison;
    out(JSON.stringify({ restored: different !== undefined, megabytes: Math.round((bytes / MEGABYTE) * 10) / 10, ...compared }));
    if (different === undefined) err('Nothing was changed. --different keep brings what is new; --different take also what is different.');
    return 0;
  });
}

async function refused(response: Response, err: Output['err']): Promise<number> {
  const { title, detail, remedy } = (await response.json()) as Problem;
  err(`${title}: ${detail} ${remedy}`);
  return 1;
}
