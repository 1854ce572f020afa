import { PLAN_KINDS } from '@viaggio/core/document';
import { LOW_WATER } from '@viaggio/core/demo';
import { randomUUID } from 'node:crypto';
import { pino } from 'pino';
import { QueryTypes } from 'sequelize';
import request from 'supertest';
import { freshDatabase, worldsAt } from '../../testing/database';
import { createApp } from '../app';
import { openDatabase } from '../db/database';

/** Two worlds never meet: what is one's own and what is the demo crew's, by every way in and out. */
let fresh: Awaited<ReturnType<typeof freshDatabase>>;
let both: ReturnType<typeof worldsAt>;
let app: ReturnType<typeof createApp>;
beforeAll(async () => {
  fresh = await freshDatabase();
  both = worldsAt(fresh.url);
  app = createApp(both.worlds, pino({ level: 'silent' }));
});
afterAll(async () => {
  await both.close();
  await fresh.drop();
});

interface Saved {
  readonly id: string;
  readonly revision: number;
  readonly body: { readonly name?: string };
}
const list = async (path: string) => (await request(app).get(path).expect(200)).body as readonly Saved[];
const wheelhouse = LOW_WATER.rigs[0]!;

describe('two worlds', () => {
  it.each(PLAN_KINDS)('%s of the demo crew are in no list of one’s own, and are not found there', async (kind) => {
    const theirs = await list(`/demo/api/${kind}`);
    expect(theirs.length).toBeGreaterThan(0);
    expect(await list(`/api/${kind}`)).toEqual([]);
    const { id, body, revision } = theirs[0]!;
    await request(app).get(`/api/${kind}/${id}`).expect(404);
    await request(app).get(`/api/${kind}/${id}/revisions`).expect(404);
    await request(app).post(`/api/${kind}/${id}/restore`).expect(404);
    await request(app).put(`/api/${kind}/${id}`).set('If-Match', `"${revision}"`).send(body).expect((answer) => expect([404, 422]).toContain(answer.status)); // prettier-ignore
    await request(app).delete(`/api/${kind}/${id}`).set('If-Match', `"${revision}"`).expect(404);
    expect(await list(`/api/${kind}`)).toEqual([]);
    expect(await list(`/demo/api/${kind}`)).toEqual(theirs);
  });

  it('a thing of one’s own may have the identifier that a thing of the demo crew’s has, and each keeps its own state', async () => {
    const { id, body } = LOW_WATER.gear[0]!;
    await request(app).post('/api/changes').send({ gear: [{ id, body: { ...body, name: 'Mine' } }] }).expect(200); // prettier-ignore
    expect((await list('/demo/api/gear')).find((one) => one.id === id)!.body.name).toBe(body.name);
    expect((await list('/api/gear')).map((one) => one.body.name)).toEqual(['Mine']);
    expect((await list(`/api/gear/${id}/revisions`)).map((one) => one.body.name)).toEqual(['Mine']);
    await request(app).delete(`/api/gear/${id}`).set('If-Match', '"1"').expect(204);
    expect((await list('/demo/api/gear')).some((one) => one.id === id)).toBe(true);
  });

  it('nothing names across: a rig of one’s own of the demo crew’s gear is refused', async () => {
    const answer = await request(app).post('/api/changes').send({ rigs: [{ id: randomUUID(), body: wheelhouse.body }] }).expect(422); // prettier-ignore
    expect((answer.body as { issues: { code: string }[] }).issues[0]!.code).toBe('unknown-reference');
  });

  it('the plan and the backup of one hold nothing of the other', async () => {
    const plan = (await request(app).get('/api/plan').expect(200)).body as Record<string, unknown[]>;
    expect(PLAN_KINDS.map((kind) => plan[kind]!.length)).toEqual(PLAN_KINDS.map(() => 0));
    const backup = await request(app).get('/api/backup').buffer(true).parse(whole).expect(200);
    const compared = await request(app).post('/demo/api/backup/compare').type('application/zip').send(backup.body as Buffer).expect(200); // prettier-ignore
    const { kinds } = compared.body as { kinds: Record<string, { new: number; same: number; different: number; onlyHere: number }> };
    // a gear of one's own was deleted above; nothing else is in it
    for (const [kind, counts] of Object.entries(kinds)) expect([kind, counts]).toMatchObject([kind, { new: 0, same: 0, different: kind === 'gear' ? 1 : 0 }]); // prettier-ignore
    expect(kinds['gear']!.onlyHere).toBe(LOW_WATER.gear.length - 1);
  });

  it('samples and photographs are found in their world alone', async () => {
    const [recording] = await list('/demo/api/recordings');
    await request(app).get(`/demo/api/recordings/${recording!.id}/slots`).expect(200);
    await request(app).get(`/api/recordings/${recording!.id}/slots`).expect(404);
    const photo = randomUUID();
    const jpeg = Buffer.from([0xff, 0xd8, 0xff, 0]);
    await request(app).put(`/demo/api/photos/${photo}?gear=${LOW_WATER.gear[1]!.id}`).type('image/jpeg').send(jpeg).expect(204);
    await request(app).get(`/api/photos/${photo}`).expect(404);
    await request(app).put(`/api/photos/${randomUUID()}?gear=${LOW_WATER.gear[1]!.id}`).type('image/jpeg').send(jpeg).expect(404);
  });

  it('the database itself keeps them apart: no statement of a connection sees or changes another world’s row', async () => {
    const { sequelize } = both.worlds.own.database;
    const tables = await sequelize.query<{ name: string }>(
      `SELECT table_name AS name FROM information_schema.columns WHERE table_schema = 'public' AND column_name = 'world' ORDER BY 1`,
      { type: QueryTypes.SELECT },
    );
    const all = await sequelize.query<{ name: string }>(`SELECT tablename AS name FROM pg_tables WHERE schemaname = 'public' ORDER BY 1`, { type: QueryTypes.SELECT }); // prettier-ignore
    expect(all.map(({ name }) => name).filter((name) => name !== 'migrations')).toEqual(tables.map(({ name }) => name));
    for (const { name } of tables) {
      expect(await sequelize.query(`SELECT 1 FROM ${name} WHERE world = 'demo'`, { type: QueryTypes.SELECT })).toEqual([]);
      expect(await sequelize.query(`DELETE FROM ${name} WHERE world = 'demo' RETURNING 1`, { type: QueryTypes.SELECT })).toEqual([]);
    }
    await expect(sequelize.query(`INSERT INTO plan_rests (world, body, imported_at) VALUES ('demo', '{}', now())`)).rejects.toThrow(/row-level security/); // prettier-ignore
  });

  it('a connection of no world sees nothing, and writes nothing', async () => {
    const none = openDatabase(fresh.url);
    try {
      expect(await none.items.gear.count({ paranoid: false })).toBe(0);
      await expect(none.planRests.create({ body: {}, importedAt: new Date() })).rejects.toThrow(/viaggio\.world/);
    } finally {
      await none.sequelize.close();
    }
  });
});

describe('a thing of the demo crew’s, copied', () => {
  it('comes with all that it names, once, and stays when the demo crew’s is put back', async () => {
    const copied = await request(app).post('/api/demo/copy').send({ kind: 'rigs', id: wheelhouse.id }).expect(200);
    expect((copied.body as { rigs: Saved[] }).rigs.map(({ id }) => id)).toEqual([wheelhouse.id]);
    expect((await list('/api/rigs')).map(({ body }) => body)).toEqual([wheelhouse.body]);
    const again = await request(app).post('/api/demo/copy').send({ kind: 'rigs', id: wheelhouse.id }).expect(200);
    expect(Object.values(again.body as Record<string, Saved[]>).flat()).toEqual([]);
    await request(app).put(`/api/rigs/${wheelhouse.id}`).set('If-Match', '"1"').send({ ...wheelhouse.body, name: 'Mine now' }).expect(200); // prettier-ignore
    await request(app).post('/demo/api/demo/reset').expect(200);
    expect((await list('/api/rigs')).map(({ body }) => body.name)).toEqual(['Mine now']);
    expect((await list('/demo/api/rigs')).map(({ body }) => body.name)).not.toContain('Mine now');
  });

  it('brings a recording with its samples, and says where there is nothing of the kind', async () => {
    const [recording] = await list('/demo/api/recordings');
    await request(app).post('/api/demo/copy').send({ kind: 'recordings', id: recording!.id }).expect(200);
    const [mine, theirs] = await Promise.all(
      ['/api', '/demo/api'].map(async (at) => (await request(app).get(`${at}/recordings/${recording!.id}/slots`).buffer(true).parse(whole).expect(200)).body as Buffer), // prettier-ignore
    );
    expect(mine!.equals(theirs!)).toBe(true);
    // one of which nobody kept the original
    const [bare, { body }] = [randomUUID(), recording!];
    const slots = theirs!;
    await request(app).put(`/demo/api/recordings/${bare}/slots`).type('application/vnd.viaggio.slots').send(slots).expect(204);
    await request(app).post('/demo/api/changes').send({ recordings: [{ id: bare, body }] }).expect(200); // prettier-ignore
    await request(app).post('/api/demo/copy').send({ kind: 'recordings', id: bare }).expect(200);
    await request(app).get(`/api/recordings/${bare}/slots`).expect(200);
    await request(app).get(`/api/recordings/${bare}/original`).expect(404);
    await request(app).post('/api/demo/copy').send({ kind: 'rigs', id: randomUUID() }).expect(404);
  });
});

function whole(response: request.Response, done: (error: Error | null, body: Buffer) => void): void {
  const pieces: Buffer[] = [];
  const stream = response as unknown as NodeJS.ReadableStream;
  stream.on('data', (piece: Buffer) => pieces.push(piece)).on('end', () => done(null, Buffer.concat(pieces)));
}
