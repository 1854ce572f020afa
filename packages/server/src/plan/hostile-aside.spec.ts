import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { appOn, freshDatabase } from '../../testing/database';

let app: ReturnType<typeof appOn>;
let drop: () => Promise<void>;
beforeAll(async () => {
  const fresh = await freshDatabase();
  app = appOn(fresh.database);
  ({ drop } = fresh);
});
afterAll(() => drop());

const LEAD = { kind: 'cable', name: 'Lead', ends: { source: { type: 'd-tap' }, load: { type: 'd-tap' } } };
const nested = (levels: number): unknown => JSON.parse(`${'{"a":'.repeat(levels)}1${'}'.repeat(levels)}`);

/** Nothing that a request holds makes the export fail, or takes a thing out of it. */
async function exported(ids: readonly string[]): Promise<readonly { readonly id: string; readonly body: { readonly name?: string } }[]> {
  const { body } = await request(app).get('/api/plan').expect(200);
  const gear = (body as { gear: { id: string; body: { name?: string } }[] }).gear.filter(({ id }) => ids.includes(id));
  expect(gear.map(({ body: one }) => one.name)).toEqual(ids.map(() => 'Lead'));
  return gear;
}

describe('fields that are not known here', () => {
  it.each<[string, unknown]>([
    ['a path without a slash', { path: 'colour', value: 'red' }],
    ['an empty path', { path: '', value: 'red' }],
    ['a tilde that stands for nothing', { path: '/a~2', value: 'red' }],
    ['NUL in a path', { path: '/a\0', value: 1 }],
    ['NUL in a value', { path: '/a', value: 'x\0' }],
    ['half a pair in a value', { path: '/a', value: '\ud800' }],
    ['NUL in a name within a value', { path: '/a', value: { 'b\0': 1 } }],
    ['a value that is nested very deep', { path: '/a', value: nested(200) }],
  ])('%s is refused, and everything is still given out', async (_what, one) => {
    const id = randomUUID();
    const answer = await request(app).post('/api/changes').send({ gear: [{ id, body: { ...LEAD, unknown: [one] } }] }); // prettier-ignore
    expect([400, 422]).toContain(answer.status);
    await exported([]);
  });

  it.each(['/toString', '/__proto__', '/constructor/name', '/name/x', '/ends/source/type/deep'])(
    '%s comes back, or is dropped, and harms nothing',
    async (path) => {
      const id = randomUUID();
      await request(app).post('/api/changes').send({ gear: [{ id, body: { ...LEAD, unknown: [{ path, value: 'x' }] } }] }).expect(200); // prettier-ignore
      await exported([id]);
      const { body } = await request(app).get('/api/plan').expect(200);
      expect(() => JSON.stringify(body)).not.toThrow();
    },
  );

  it('of a document: too many, too long or too deep are told by where they stand', async () => {
    const document = (extra: object) => ({
      format: 'viaggio-plan',
      version: 2,
      gear: [{ id: randomUUID(), body: { ...LEAD, ...extra } }],
      rigs: [],
    });
    const many = Object.fromEntries(Array.from({ length: 501 }, (_, at) => [`f${at}`, at]));
    const say = async (extra: object): Promise<string> => {
      const { status, body } = await request(app).post('/api/plan').send(document(extra));
      expect([400, 422]).toContain(status);
      return (body as { detail: string }).detail;
    };
    expect(await say(many)).toMatch(/gear\.0: expected at most 500 fields/);
    expect(await say({ ['x'.repeat(600)]: 1 })).toMatch(/expected a path of at most 500/);
    expect(await say({ deep: nested(100) })).toMatch(/expected at most 64 levels/);
    expect(await say({ 'a\0b': 1 })).toMatch(/expected a name without control characters/);
  });

  it('the same new identifier at once: one is kept, the others are told', async () => {
    const id = randomUUID();
    const answers = await Promise.all(Array.from({ length: 8 }, () => request(app).post('/api/changes').send({ gear: [{ id, body: LEAD }] }))); // prettier-ignore
    expect(answers.map(({ status }) => status).sort()).toEqual([200, ...Array.from({ length: 7 }, () => 409)]);
  });
});
