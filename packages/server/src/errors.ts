import type { Issue } from '@viaggio/core/units';

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
  'backup-unreadable': {
    status: 422,
    title: 'The backup cannot be read',
    remedy: 'Choose the file as it was downloaded, or another backup; nothing was changed.',
  },
  'revision-missing': {
    status: 428,
    title: 'The revision is missing',
    remedy: 'Send If-Match with the revision you changed, such as "3".',
  },
  'too-many-requests': {
    status: 429,
    title: 'Too many requests from one address',
    remedy: 'Wait as many seconds as Retry-After says.',
  },
  internal: { status: 500, title: 'Something broke inside', remedy: 'Nothing was saved. Try again; the log holds the details.' },
  'forecast-away': {
    status: 502,
    title: 'The forecast service does not answer as it should',
    remedy: 'Nothing was changed. Try again later, or type or import temperatures.',
  },
  busy: { status: 503, title: 'Too much is being worked out already', remedy: 'Nothing was saved. Wait some seconds, then try again.' },
  'too-heavy': {
    status: 503,
    title: 'This takes too long to work out',
    remedy: 'Ask for less at once: fewer rigs, days, random runs or searches.',
  },
  'disk-full': {
    status: 507,
    title: 'The disk is full',
    remedy: 'Nothing was saved. Make room on the disk of the data folder; it goes on by itself.',
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
