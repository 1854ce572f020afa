import type { Recording } from '../log';

/** What was odd about a file, told once with the line it was first seen on. */
export type FileRemark = Recording['remarks'][number];
export type RemarkCode = FileRemark['code'];
