import { LOW_WATER, LOW_WATER_LOG, LOW_WATER_SHEETS } from '@viaggio/core/demo';
import { oneFeed } from '@viaggio/core/gear';
import type { Gear, Rig } from '@viaggio/core/gear';
import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { appOn, freshDatabase } from '../../testing/database';
import { demoServiceOf, servicesOf } from '../app';
import type { Database } from '../db/database';
import type { Saved } from './item-service';

let app: ReturnType<typeof appOn>;
let database: Database;
let drop: () => Promise<void>;

beforeAll(async () => {
  const fresh = await freshDatabase();
  ({ database, drop } = fresh);
  app = appOn(database);
});
afterAll(() => drop());
beforeEach(() => request(app).post('/api/demo/reset').expect(200));

const BATTERY = LOW_WATER.gear.find(({ body }) => body.kind === 'battery')!;
const RIG = LOW_WATER.rigs[0]!;

const get = async (path: string) => (await request(app).get(path).expect(200)).body as Saved;
const put = (path: string, revision: number | undefined, body: unknown) => {
  const sent = request(app).put(path);
  if (revision !== undefined) sent.set('If-Match', `"${revision}"`);
  return sent.send(body as object);
};

describe('items', () => {
  it('are listed, and found by their identifier with their revision as ETag', async () => {
    const all = (await request(app).get('/api/gear').expect(200)).body as Saved[];
    expect(all.length).toBeGreaterThanOrEqual(LOW_WATER.gear.length);
    expect(all[0]).toEqual({
      id: expect.any(String),
      revision: expect.any(Number),
      updatedAt: expect.any(String),
      body: expect.any(Object),
    });
    const one = await request(app).get(`/api/gear/${BATTERY.id}`).expect(200);
    expect(one.headers['etag']).toBe(`"${(one.body as Saved).revision}"`);
    expect((one.body as Saved).body).toEqual(BATTERY.body);
  });

  it('save over the revision that was changed, and count it up', async () => {
    const { revision } = await get(`/api/gear/${BATTERY.id}`);
    const body = { ...BATTERY.body, energyWh: 88 };
    const saved = await put(`/api/gear/${BATTERY.id}`, revision, body).expect(200);
    expect(saved.body).toMatchObject({ revision: revision + 1, body });
    expect(await get(`/api/gear/${BATTERY.id}`)).toMatchObject({ revision: revision + 1, body });
  });

  it('refuse an older revision with the newer state, and change nothing', async () => {
    const { revision } = await get(`/api/rigs/${RIG.id}`);
    await put(`/api/rigs/${RIG.id}`, revision, { ...RIG.body, wantedMin: 100 }).expect(200);
    const refused = await put(`/api/rigs/${RIG.id}`, revision, { ...RIG.body, wantedMin: 200 }).expect(412);
    expect(refused.headers['content-type']).toContain('application/problem+json');
    expect(refused.body).toMatchObject({ code: 'revision-stale', current: { revision: revision + 1, body: { wantedMin: 100 } } });
    expect(await get(`/api/rigs/${RIG.id}`)).toMatchObject({ revision: revision + 1, body: { wantedMin: 100 } });
  });

  it('let exactly one of two saves at once through', async () => {
    const { revision } = await get(`/api/rigs/${RIG.id}`);
    const both = await Promise.all([1, 2, 3, 4].map((wantedMin) => put(`/api/rigs/${RIG.id}`, revision, { ...RIG.body, wantedMin })));
    expect(both.map(({ status }) => status).sort()).toEqual([200, 412, 412, 412]);
    expect((await get(`/api/rigs/${RIG.id}`)).revision).toBe(revision + 1);
  });

  it('keep every state they were saved in', async () => {
    const { revision } = await get(`/api/rigs/${RIG.id}`);
    await put(`/api/rigs/${RIG.id}`, revision, { ...RIG.body, wantedMin: 11 }).expect(200);
    await put(`/api/rigs/${RIG.id}`, revision + 1, { ...RIG.body, wantedMin: 22 }).expect(200);
    const kept = (await request(app).get(`/api/rigs/${RIG.id}/revisions`).expect(200)).body as { revision: number; body: Rig }[];
    expect(kept.slice(0, 3).map(({ revision: number, body }) => [number, body.wantedMin])).toEqual([
      [revision + 2, 22],
      [revision + 1, 11],
      [revision, RIG.body.wantedMin],
    ]);
  });

  it('are deleted restorably', async () => {
    const { revision } = await get(`/api/rigs/${RIG.id}`);
    await request(app).delete(`/api/rigs/${RIG.id}`).expect(428);
    await request(app)
      .delete(`/api/rigs/${RIG.id}`)
      .set('If-Match', `"${revision - 1}"`)
      .expect(412);
    await request(app).delete(`/api/rigs/${RIG.id}`).set('If-Match', `"${revision}"`).expect(204);
    await request(app).get(`/api/rigs/${RIG.id}`).expect(404);
    const restored = await request(app).post(`/api/rigs/${RIG.id}/restore`).expect(200);
    expect(restored.body).toMatchObject({ id: RIG.id, revision: revision + 2, body: RIG.body });
    await request(app).post(`/api/rigs/${RIG.id}/restore`).expect(200); // twice does no harm
  });
});

describe('adding', () => {
  const part = () => {
    const ids = { device: randomUUID(), battery: randomUUID(), rig: randomUUID() };
    const device = LOW_WATER.gear.find(({ body }) => body.kind === 'device')!.body;
    const rig: Rig = { name: 'Mine', ...oneFeed({ deviceId: ids.device, inputId: 'bay', batteryId: ids.battery, outputId: 'out' }) };
    return {
      ids,
      body: {
        gear: [
          { id: ids.device, body: device },
          { id: ids.battery, body: BATTERY.body },
        ] as { id: string; body: Gear }[],
        rigs: [{ id: ids.rig, body: rig }],
      },
    };
  };

  it('takes gear and the rigs that name it together', async () => {
    const { ids, body } = part();
    const added = await request(app).post('/api/plan').send(body).expect(201);
    expect(added.body).toMatchObject({
      gear: [{ id: ids.device, revision: 1 }, { id: ids.battery }],
      rigs: [{ id: ids.rig }],
    });
    expect((await get(`/api/rigs/${ids.rig}`)).body).toMatchObject({ name: 'Mine' });
  });

  it('takes a rig of gear that is there already', async () => {
    const id = randomUUID();
    await request(app)
      .post('/api/plan')
      .send({ gear: [], rigs: [{ id, body: RIG.body }] })
      .expect(201);
    expect((await get(`/api/rigs/${id}`)).revision).toBe(1);
  });

  it('is all or nothing: an unknown reference leaves no gear behind', async () => {
    const { ids, body } = part();
    const broken = {
      ...body,
      rigs: [{ ...body.rigs[0]!, body: { ...body.rigs[0]!.body, links: [{ ...body.rigs[0]!.body.links[0]!, cableId: randomUUID() }] } }],
    };
    const refused = await request(app).post('/api/plan').send(broken).expect(422);
    expect((refused.body as { issues: { path: string; code: string }[] }).issues).toMatchObject([
      { path: '/rigs/0/body/links/0/cableId', code: 'unknown-reference' },
    ]);
    await request(app).get(`/api/gear/${ids.device}`).expect(404);
    await request(app).get(`/api/gear/${ids.battery}`).expect(404);
  });

  it('refuses an identifier in use, or given twice, and adds nothing', async () => {
    const { ids, body } = part();
    await request(app)
      .post('/api/plan')
      .send({ ...body, gear: [...body.gear, { id: BATTERY.id, body: BATTERY.body }] })
      .expect(409);
    await request(app)
      .post('/api/plan')
      .send({ ...body, rigs: [...body.rigs, ...body.rigs] })
      .expect(422);
    await request(app).get(`/api/gear/${ids.device}`).expect(404);
    await request(app).get(`/api/rigs/${ids.rig}`).expect(404);
  });
});

describe('the demo', () => {
  it('comes back as it shipped, deleted parts and all; what was added goes, and can be had back', async () => {
    const own = randomUUID();
    await request(app)
      .post('/api/plan')
      .send({ gear: [], rigs: [{ id: own, body: { ...RIG.body, name: 'Own' } }] })
      .expect(201);
    const { revision } = await get(`/api/gear/${BATTERY.id}`);
    await put(`/api/gear/${BATTERY.id}`, revision, { ...BATTERY.body, energyWh: 1 }).expect(200);
    const rig = await get(`/api/rigs/${RIG.id}`);
    await request(app).delete(`/api/rigs/${RIG.id}`).set('If-Match', `"${rig.revision}"`).expect(204);

    const reset = await request(app).post('/api/demo/reset').expect(200);
    expect(reset.body).toEqual({
      gear: LOW_WATER.gear.length,
      rigs: LOW_WATER.rigs.length,
      days: 1,
      log: LOW_WATER_LOG.length,
      recordings: 1,
      sheets: LOW_WATER_SHEETS.length,
      rules: 1,
      trips: 1,
    });
    expect((await get(`/api/gear/${BATTERY.id}`)).body).toEqual(BATTERY.body);
    expect((await get(`/api/rigs/${RIG.id}`)).body).toEqual(RIG.body);
    await request(app).get(`/api/rigs/${own}`).expect(404);
    expect((await request(app).post(`/api/rigs/${own}/restore`).expect(200)).body).toMatchObject({ body: { name: 'Own' } });
    // a window that still knows the state before finds out
    await put(`/api/gear/${BATTERY.id}`, revision + 1, BATTERY.body).expect(412);
  });

  it('leaves alone what is as it shipped: no revision is made for nothing', async () => {
    const before = (await request(app).get('/api/gear').expect(200)).body as Saved[];
    await request(app).post('/api/demo/reset').expect(200);
    const after = (await request(app).get('/api/gear').expect(200)).body as Saved[];
    expect(after.map(({ id, revision }) => [id, revision])).toEqual(before.map(({ id, revision }) => [id, revision]));
  });

  it('of a kind that an older version did not have is loaded, and of the others nothing comes back', async () => {
    await database.revisions.destroy({ where: { kind: 'log' } });
    await database.items.log.destroy({ where: {}, force: true });
    const rig = await get(`/api/rigs/${RIG.id}`);
    await request(app).delete(`/api/rigs/${RIG.id}`).set('If-Match', `"${rig.revision}"`).expect(204);
    expect(await demoServiceOf({ demo: servicesOf(database) }).loadIfNew()).toBe(true);
    expect((await request(app).get('/api/log').expect(200)).body).toHaveLength(LOW_WATER_LOG.length);
    await request(app).get(`/api/rigs/${RIG.id}`).expect(404);
    expect(await demoServiceOf({ demo: servicesOf(database) }).loadIfNew()).toBe(false);
  });
});
