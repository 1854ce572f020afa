import { pino } from 'pino';
import { DatabaseError, UniqueConstraintError, ValidationErrorItem } from 'sequelize';
import { errorLine } from './error-line';

/** As short as a name, and as long as a note. */
const [SHORT, SECRET] = ['Skarn', 'the note of a person '.repeat(20)];

function lineOf(thrown: unknown): string {
  const lines: string[] = [];
  const log = pino({ serializers: { err: errorLine } }, { write: (line: string) => void lines.push(line) });
  log.error({ err: thrown }, 'failed');
  return lines.join('');
}

describe('an error in the log', () => {
  const parent = Object.assign(new Error(`invalid input syntax for type json: "${SECRET}"`), {
    code: '22P02',
    sql: `INSERT INTO gear VALUES ('${SECRET}')`,
    parameters: [SECRET],
  });

  it.each<[string, Error]>([
    ['of the database', new DatabaseError(parent)],
    ['of a unique value', new UniqueConstraintError({ errors: [new ValidationErrorItem(SECRET, 'unique violation', 'id', SECRET, {} as never, 'unique', 'unique', [])], parent, fields: { id: SECRET } })],
    ['that carries a body', Object.assign(new Error('disk full'), { body: { note: SECRET }, current: { note: SECRET } })],
    ['with a cause', new Error('away', { cause: parent })],
    ['that quotes something short', new Error(`invalid input syntax for type uuid: "${SHORT}"`)],
    ['of a reader', new SyntaxError(`Unexpected token '${SHORT}', "${SHORT}" is not valid JSON`)],
    ['of several lines', new Error(`first line\n${SECRET}`)],
  ])('%s holds nothing that somebody typed', (_what, thrown) => {
    const line = lineOf(thrown);
    expect(line).not.toContain('a person the note');
    expect(line).not.toContain(SHORT);
    expect(JSON.parse(line)).toMatchObject({ err: { type: thrown.name } });
  }); // prettier-ignore

  it('says what kind, in short, and where', () => {
    expect(errorLine(Object.assign(new RangeError('column "name" is too long'), { code: 'E1' }))).toEqual({
      type: 'RangeError',
      message: 'column "name" is too long',
      code: 'E1',
      stack: expect.stringMatching(/^at .*error-line\.spec/) as string,
    });
    const disk = Object.assign(new Error("ENOSPC: no space left on device, write '/data/log'"), { syscall: 'write' });
    expect(errorLine(disk).message).toContain('/data/log');
    expect(errorLine('thrown as it is')).toEqual({ type: 'string', message: '' });
  });
});
