import type { Task } from '../threads/task';
import { backedUpItems } from './backed-up-items';

/** The items of a backup’s two documents, checked. */
export const READ_BACKUP: Task<{ readonly live: Uint8Array; readonly deleted: Uint8Array }, ReturnType<typeof backedUpItems>> = {
  name: 'readBackup',
  isShort: true,
  run: ({ live, deleted }) => backedUpItems(live, deleted),
};
