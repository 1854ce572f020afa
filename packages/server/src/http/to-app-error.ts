import { BaseError, ConnectionError } from 'sequelize';
import { AppError } from '../errors';

/** Whatever was thrown as one of ours: the body parser's errors, a database that went away, the unforeseen. */
export function toAppError(thrown: unknown): AppError {
  if (thrown instanceof AppError) return thrown;
  if (isDiskFull(thrown)) return new AppError('disk-full', 'There is no room left where the data is kept.');
  if (isDatabaseAway(thrown)) return new AppError('database-away', 'No answer from the database.');
  const status = (thrown as { status?: unknown } | null)?.status;
  const type = (thrown as { type?: unknown } | null)?.type;
  if (status === 413) return new AppError('too-large', 'The body is larger than this operation takes.');
  if (type === 'entity.parse.failed') return new AppError('malformed-request', `Not JSON: ${(thrown as Error).message}.`);
  if (typeof status === 'number' && status >= 400 && status < 500) return new AppError('malformed-request', (thrown as Error).message);
  return new AppError('internal', 'An unforeseen error; it is in the log.');
}

/** SQLSTATE 53100, and what the file system says. */
function isDiskFull(thrown: unknown): boolean {
  return /^(53100|ENOSPC|EDQUOT)$/.test(codeOf(thrown));
}

/**
 * SQLSTATE classes 08 (connection) and 57P (shutdown), too many connections, a statement that was not answered in time, and
 * what the driver says when the socket closes.
 */
function isDatabaseAway(thrown: unknown): boolean {
  if (thrown instanceof ConnectionError) return true;
  if (!(thrown instanceof Error)) return false;
  if (/^(08...|57P0.|57014|53300|53200|ECONNREFUSED|ECONNRESET|EPIPE)$/.test(codeOf(thrown))) return true;
  return /Connection terminated|ConnectionManager\.getConnection was called after|connection.*closed|Query read timeout|not queryable/i.test(
    sourceOf(thrown).message,
  );
}

function codeOf(thrown: unknown): string {
  const { code } = (thrown instanceof Error ? sourceOf(thrown) : {}) as { readonly code?: unknown };
  return typeof code === 'string' ? code : '';
}

/** What the driver said, within what Sequelize made of it. */
function sourceOf(thrown: Error): Error {
  return thrown instanceof BaseError && 'original' in thrown ? (thrown.original as Error) : thrown;
}
