import { NAMED_KINDS, namedBy, PLAN_KINDS } from '@viaggio/core/document';
import type { PlanKind } from '@viaggio/core/document';
import { slotsFromBytes } from '@viaggio/core/measure';
import { issue, pointer } from '@viaggio/core/units';
import type { Issue } from '@viaggio/core/units';
import type { Database } from '../db/database';
import { AppError } from '../errors';
import { isJpeg } from '../photos/photo-service';
import { isGzip } from '../recordings/recording-data-service';
import { originalFile, photoFile, slotsFile, STATES_FILE } from './backup-format';
import type { BackedUp, States } from './backup-format';
import type { BackupReader } from './backup-reader';

type Items = Readonly<Record<PlanKind, readonly BackedUp[]>>;

const MOST_TOLD = 50;

/**
 * Holds a backup against what every other way in is held against: each identifier once, nothing named that is neither in it
 * nor here, samples that are samples, originals and photographs of their format. Throws `invalid-fields`, saying where.
 */
export async function requireSound(
  backup: BackupReader,
  states: States,
  items: Items,
  database: Database,
  signal: AbortSignal,
): Promise<void> {
  const issues = [...doubled(states), ...(await unknownNames(states, items, database)), ...(await otherBytes(backup, states, signal))];
  if (issues.length > 0) throw new AppError('invalid-fields', `The backup: ${issues[0]!.message}`, { issues: issues.slice(0, MOST_TOLD) });
}

function doubled(states: States): readonly Issue[] {
  return [...PLAN_KINDS, 'recordingData' as const, 'photos' as const].flatMap((list) => {
    const seen = new Set<string>();
    return states[list].flatMap(({ id }, index) => {
      const isTwice = seen.has(id);
      seen.add(id);
      return isTwice ? [issue(pointer([STATES_FILE, list, index, 'id']), 'duplicate', 'each identifier once', id)] : [];
    });
  });
}

/** What is named was there once: deleted counts, as everywhere. */
async function unknownNames(states: States, items: Items, database: Database): Promise<readonly Issue[]> {
  const known = new Map<string, ReadonlySet<string>>();
  for (const kind of NAMED_KINDS) {
    const here = await database.items[kind].findAll({ attributes: ['id'], paranoid: false, raw: true });
    known.set(kind, new Set([...items[kind], ...here].map(({ id }) => id)));
  }
  const named = PLAN_KINDS.flatMap((kind) =>
    items[kind].flatMap(({ id, body }) =>
      namedBy(kind, body as never).map((one) => ({ ...one, path: `${pointer([kind, id])}${one.path}` })),
    ),
  );
  const gear = states.photos.map(({ gearId }, index) => ({
    kind: 'gear' as const,
    id: gearId,
    path: pointer([STATES_FILE, 'photos', index, 'gearId']),
  }));
  return [...named, ...gear]
    .filter(({ kind, id }) => known.get(kind)?.has(id) === false)
    .map(({ path, id }) => issue(path, 'unknown-reference', 'the identifier of something that is in the backup or here', id));
}

async function otherBytes(backup: BackupReader, states: States, signal: AbortSignal): Promise<readonly Issue[]> {
  const issues: Issue[] = [];
  const require = (is: boolean, file: string, expected: string): void => {
    if (!is) issues.push(issue(pointer([file]), 'bad-file', expected, 'other bytes'));
  };
  for (const { id, hasOriginal } of states.recordingData) {
    signal.throwIfAborted();
    require(slotsFromBytes(await backup.bytes(slotsFile(id))) !== undefined, slotsFile(id), 'samples as docs/log.md says');
    if (hasOriginal) require(isGzip(await firstBytes(backup, originalFile(id))), originalFile(id), 'gzip (RFC 1952)');
  }
  for (const { id } of states.photos) require(isJpeg(await firstBytes(backup, photoFile(id))), photoFile(id), 'a JPEG (ISO/IEC 10918-1)');
  return issues;
}

async function firstBytes(backup: BackupReader, file: string): Promise<Uint8Array> {
  for await (const piece of backup.read(file)) if (piece.length > 0) return piece;
  return new Uint8Array();
}
