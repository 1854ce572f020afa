import type { Issue } from '@viaggio/core';
import { BaseError, ConnectionError } from 'sequelize';

/** Every way a request can fail: status, title and what to do about it. docs/errors.md lists the same, held equal by a test. */
export const ERRORS = {
  'malformed-request': {
    status: 400,
    title: 'The request could not be read',
    remedy: 'Send JSON (RFC 8259) with the media type application/json.',
  },
  'foreign-origin': {
    status: 403,
    title: 'Another site may not do this',
    remedy: 'Open Viaggio at the address it printed, and act there.',
  },
  'not-found': { status: 404, title: 'There is nothing here', remedy: 'Check the address; the thing may have been deleted.' },
  'method-not-allowed': { status: 405, title: 'This cannot be done here', remedy: 'See /api/docs for what can.' },
  'meter-busy': {
    status: 409,
    title: 'The meter cannot be recorded now',
    remedy: 'Look at the list of meters: which there are, and what is being recorded.',
  },
  'meter-away': {
    status: 502,
    title: 'The meter does not answer',
    remedy: 'Look whether it is on and reachable, or type what it shows.',
  },
  'forecast-off': {
    status: 409,
    title: 'No forecast service is on',
    remedy: 'Turn the simulated one on, name your own in FORECAST_URL, or type or import temperatures.',
  },
  'id-taken': { status: 409, title: 'The identifier is in use', remedy: 'Make a new identifier, or change the thing that has it.' },
  'revision-stale': {
    status: 412,
    title: 'Somebody saved a newer state',
    remedy: 'Compare with the state in “current”, then save over its revision.',
  },
  'too-large': {
    status: 413,
    title: 'The request is too large',
    remedy: 'Send less: at most 1 MB of JSON; /api/docs says how much of anything else.',
  },
  'invalid-fields': {
    status: 422,
    title: 'Some fields are not as expected',
    remedy: 'Mend the fields listed in “issues”; nothing was saved.',
  },
  'revision-missing': {
    status: 428,
    title: 'The revision is missing',
    remedy: 'Send If-Match with the revision you changed, such as "3".',
  },
  internal: { status: 500, title: 'Something broke inside', remedy: 'Nothing was saved. Try again; the log holds the details.' },
  'forecast-away': {
    status: 502,
    title: 'The forecast service does not answer as it should',
    remedy: 'Nothing was changed. Try again later, or type or import temperatures.',
  },
  'database-away': {
    status: 503,
    title: 'The database is not answering',
    remedy: 'Nothing was saved. It is tried again by itself; wait a moment.',
  },
} as const;
export type ErrorCode = keyof typeof ERRORS;

/** Thrown by domain code, which never sees a response; `sendProblem` turns it into one. */
export class AppError extends Error {
  constructor(
    readonly code: ErrorCode,
    detail: string,
    readonly extra: { readonly issues?: readonly Issue[]; readonly current?: unknown } = {},
  ) {
    super(detail);
    this.name = 'AppError';
  }
}

/** Problem details (RFC 9457). */
export interface Problem {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly code: ErrorCode;
  readonly remedy: string;
  readonly issues?: readonly Issue[];
  readonly current?: unknown;
}

export function problemOf(error: AppError): Problem {
  const { status, title, remedy } = ERRORS[error.code];
  return { type: `/api/docs#${error.code}`, title, status, detail: error.message, code: error.code, remedy, ...error.extra };
}

/** Whatever was thrown as one of ours: the body parser's errors, a database that went away, the unforeseen. */
export function toAppError(thrown: unknown): AppError {
  if (thrown instanceof AppError) return thrown;
  if (isDatabaseAway(thrown)) return new AppError('database-away', 'No answer from the database.');
  const status = (thrown as { status?: unknown } | null)?.status;
  const type = (thrown as { type?: unknown } | null)?.type;
  if (status === 413) return new AppError('too-large', 'The body is larger than this operation takes.');
  if (type === 'entity.parse.failed') return new AppError('malformed-request', `Not JSON: ${(thrown as Error).message}.`);
  if (typeof status === 'number' && status >= 400 && status < 500) return new AppError('malformed-request', (thrown as Error).message);
  return new AppError('internal', 'An unforeseen error; it is in the log.');
}

/** SQLSTATE classes 08 (connection) and 57P (shutdown), and what the driver says when the socket closes. */
function isDatabaseAway(thrown: unknown): boolean {
  if (thrown instanceof ConnectionError) return true;
  if (!(thrown instanceof Error)) return false;
  const source = thrown instanceof BaseError && 'original' in thrown ? (thrown.original as Error) : thrown;
  const code = (source as { code?: unknown }).code;
  if (typeof code === 'string' && /^(08...|57P0.|ECONNREFUSED|ECONNRESET|EPIPE)$/.test(code)) return true;
  return /Connection terminated|ConnectionManager\.getConnection was called after|connection.*closed/i.test(source.message);
}
