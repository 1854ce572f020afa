import { pino } from 'pino';
import { DatabaseError, UniqueConstraintError, ValidationErrorItem } from 'sequelize';
import { errorLine } from './error-line';

const SECRET = 'the note of a person '.repeat(20);

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
    ['of several lines', new Error(`first line\n${SECRET}`)],
  ])('%s holds nothing that somebody typed', (_what, thrown) => {
    const line = lineOf(thrown);
    expect(line).not.toContain('a person the note');
    expect(JSON.parse(line)).toMatchObject({ err: { type: thrown.name } });
  }); // prettier-ignore

  it('says what kind, in short, and where', () => {
    expect(errorLine(Object.assign(new RangeError('column "name" is too long'), { code: 'E1' }))).toEqual({
      type: 'RangeError',
      message: 'column "name" is too long',
      code: 'E1',
      stack: expect.stringMatching(/^at .*error-line\.spec/) as string,
    });
    expect(errorLine('thrown as it is')).toEqual({ type: 'string', message: '' });
  });
});
