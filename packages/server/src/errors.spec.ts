import { ConnectionRefusedError, DatabaseError, UniqueConstraintError } from 'sequelize';
import { AppError, ERRORS, problemOf } from './errors';
import { toAppError } from './http/to-app-error';

const driverError = (code: string, message = 'gone') => Object.assign(new Error(message), { code, sql: '' });

describe('toAppError', () => {
  it.each<[string, unknown, keyof typeof ERRORS]>([
    ['one of ours', new AppError('not-found', 'x'), 'not-found'],
    ['a refused connection', new ConnectionRefusedError(new Error('refused')), 'database-away'],
    ['a server that shuts down', new DatabaseError(driverError('57P01')), 'database-away'],
    ['a lost connection', new DatabaseError(driverError('08006')), 'database-away'],
    ['a socket that closed', driverError('ECONNRESET'), 'database-away'],
    ['a driver that noticed late', new Error('Connection terminated unexpectedly'), 'database-away'],
    ['a statement that took too long', new DatabaseError(driverError('57014')), 'database-away'],
    ['a database that says nothing', new DatabaseError(Object.assign(new Error('Query read timeout'), { sql: '' })), 'database-away'],
    ['too many connections', new DatabaseError(driverError('53300')), 'database-away'],
    ['a full disk of the database', new DatabaseError(driverError('53100')), 'disk-full'],
    ['a full disk of the server', driverError('ENOSPC'), 'disk-full'],
    ['a statement that is wrong', new DatabaseError(driverError('42601', 'syntax error')), 'internal'],
    ['a broken constraint', new UniqueConstraintError({ message: 'twice' }), 'internal'],
    ['JSON that ends early', Object.assign(new Error('Unexpected end'), { status: 400, type: 'entity.parse.failed' }), 'malformed-request'],
    ['a body too large', Object.assign(new Error('big'), { status: 413 }), 'too-large'],
    ['a bug', new TypeError('undefined is not a function'), 'internal'],
    ['something that is no error', 'oops', 'internal'],
    ['nothing', undefined, 'internal'],
  ])('takes %s for what it is', (_what, thrown, code) => expect(toAppError(thrown).code).toBe(code));

  it('tells nothing of the inside', () => {
    expect(toAppError(new DatabaseError(driverError('42601', 'syntax error at SELECT secret'))).message).not.toContain('secret');
  });
});

describe('a problem', () => {
  it('has all that RFC 9457 asks for, and what the error brought', () => {
    expect(problemOf(new AppError('revision-stale', 'newer', { current: { revision: 3 } }))).toEqual({
      type: '/api/docs#revision-stale',
      title: ERRORS['revision-stale'].title,
      status: 412,
      detail: 'newer',
      code: 'revision-stale',
      remedy: ERRORS['revision-stale'].remedy,
      current: { revision: 3 },
    });
  });
});
