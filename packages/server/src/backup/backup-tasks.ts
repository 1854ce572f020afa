import type { Issue } from '@viaggio/core/units';
import { AppError } from '../errors';
import { parsedJson } from '../http/json-body';
import type { Task } from '../threads/task';
import { validate } from '../validation/validate';
import { backedUpItems } from './backed-up-items';
import { DOCUMENT_SHAPES } from './backup-format';
import type { BackupDocument } from './backup-format';

/** The items of a backup’s two documents, checked. Neither is short: somebody may have made it to be long. */
export const READ_BACKUP: Task<{ readonly live: Uint8Array; readonly deleted: Uint8Array }, ReturnType<typeof backedUpItems>> = {
  name: 'readBackup',
  isShort: false,
  run: ({ live, deleted }) => backedUpItems(live, deleted),
};

/** One of its other documents, held against its shape. Throws `backup-unreadable`. */
export const READ_DOCUMENT: Task<{ readonly name: BackupDocument; readonly bytes: Uint8Array }, unknown> = {
  name: 'readBackupDocument',
  isShort: false,
  run: ({ name, bytes }) => {
    const refuse = (says: string, issues: readonly Issue[] = []): AppError =>
      new AppError('backup-unreadable', `${name}: ${says}`, issues.length > 0 ? { issues } : {});
    let parsed: unknown;
    try {
      parsed = parsedJson(bytes);
    } catch (error) {
      throw refuse((error as Error).message);
    }
    const checked = validate(DOCUMENT_SHAPES[name], parsed);
    if (checked.ok) return checked.value;
    throw refuse(checked.issues[0]?.message ?? 'not as expected', checked.issues);
  },
};
