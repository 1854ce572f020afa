/** What a log keeps of an error. */
export interface ErrorLine {
  readonly type: string;
  readonly message: string;
  readonly code?: string | number;
  readonly stack?: string;
}

const MOST_MESSAGE = 300;
/** In quotes: the name of a part of the database where its kind stands before it, else what somebody typed. */
const QUOTED = /(\b(?:column|constraint|database|function|index|relation|role|table|type) )?("[^"]*"|“[^”]*”|'[^']*')/g;

/**
 * An error as a log keeps it: what kind, what it says in short, and where. Nothing of a body: a database’s errors carry the
 * statement with its values, and whole items in them.
 *
 * @example errorLine(new RangeError('too much')).type // 'RangeError'
 */
export function errorLine(thrown: unknown): ErrorLine {
  if (!(thrown instanceof Error)) return { type: typeof thrown, message: '' };
  const { code } = thrown as { readonly code?: unknown };
  return {
    type: thrown.name,
    // the system names files, and nothing else
    message: short(thrown.message, 'syscall' in thrown),
    ...((typeof code === 'string' || typeof code === 'number') && { code }),
    ...(thrown.stack !== undefined && { stack: placesOf(thrown.stack) }),
  };
}

/** The first line, without values. */
function short(message: string, namesFiles: boolean): string {
  const [first = ''] = message.split('\n');
  const plain = namesFiles ? first : first.replace(QUOTED, (all, kind: string | undefined) => (kind === undefined ? '"…"' : all));
  return plain.slice(0, MOST_MESSAGE);
}

/** Lines that name a place: the message stands before them. */
function placesOf(stack: string): string {
  return stack
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .map((line) => line.trim())
    .join('\n');
}
