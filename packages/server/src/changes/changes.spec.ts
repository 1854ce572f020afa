import { LOW_WATER } from '@viaggio/core/demo';
import type { Gear, Rig } from '@viaggio/core/gear';
import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { appOn, freshDatabase } from '../../testing/database';
import type { Saved } from '../items/item-service';

let app: ReturnType<typeof appOn>;
let drop: () => Promise<void>;

beforeAll(async () => {
  const fresh = await freshDatabase();
  app = appOn(fresh.database);
  drop = fresh.drop;
});
afterAll(() => drop());
beforeEach(() => request(app).post('/api/demo/reset').expect(200));

interface Change {
  readonly id: string;
  readonly revision?: number;
  readonly body?: Gear | Rig;
}
const change = (gear: readonly Change[], rigs: readonly Change[] = []) => request(app).post('/api/changes').send({ gear, rigs });
const stateOf = async (path: string) => (await request(app).get(path).expect(200)).body as Saved;
const [FIRST, SECOND] = [LOW_WATER.gear[3]!, LOW_WATER.gear[4]!];
const RIG = LOW_WATER.rigs[0]!;

describe('several changes at once', () => {
  it('put, change and delete together, and count revisions', async () => {
    const id = randomUUID();
    const [first, second] = await Promise.all([stateOf(`/api/gear/${FIRST.id}`), stateOf(`/api/gear/${SECOND.id}`)]);
    const answered = await change([
      { id, body: { ...FIRST.body, name: 'New one' } },
      { id: FIRST.id, revision: first.revision, body: { ...FIRST.body, name: 'Changed' } },
      { id: SECOND.id, revision: second.revision },
    ]).expect(200);
    expect(answered.body).toMatchObject({
      gear: [
        { id, revision: 1, body: { name: 'New one' } },
        { id: FIRST.id, revision: first.revision + 1, body: { name: 'Changed' } },
      ],
      rigs: [],
    });
    await request(app).get(`/api/gear/${SECOND.id}`).expect(404);
  });

  it('put back what was deleted, in the state that is sent: the undo of a deletion', async () => {
    const { revision } = await stateOf(`/api/gear/${FIRST.id}`);
    await change([{ id: FIRST.id, revision }]).expect(200);
    const back = await change([{ id: FIRST.id, body: FIRST.body }]).expect(200);
    expect(back.body).toMatchObject({ gear: [{ id: FIRST.id, revision: revision + 2, body: FIRST.body }] });
  });

  it('take a rig with the gear that it is the first to name', async () => {
    const [gearId, id] = [randomUUID(), randomUUID()];
    const links = RIG.body.links.map((link, index) => (index === 0 ? { ...link, from: { ...link.from, gearId } } : link));
    await change([{ id: gearId, body: FIRST.body }], [{ id, body: { ...RIG.body, links } }]).expect(200);
    expect((await stateOf(`/api/rigs/${id}`)).body).toMatchObject({ links });
  });

  it('are all or nothing: a stale revision, an identifier in use or an unknown reference leaves no trace', async () => {
    const id = randomUUID();
    const { revision } = await stateOf(`/api/gear/${FIRST.id}`);
    const added = { id, body: FIRST.body };
    const stale = await change([added, { id: FIRST.id, revision: revision - 1, body: FIRST.body }]).expect(412);
    expect(stale.body).toMatchObject({ code: 'revision-stale', current: { id: FIRST.id, revision } });
    await change([added, { id: SECOND.id, body: SECOND.body }]).expect(409);
    const devices = [{ gearId: randomUUID() }];
    const refused = await change([added], [{ id: randomUUID(), body: { ...RIG.body, devices } }]).expect(422);
    expect(refused.body).toMatchObject({ issues: [{ path: '/rigs/0/body/devices/0/gearId', code: 'unknown-reference' }] });
    await request(app).get(`/api/gear/${id}`).expect(404);
    expect((await stateOf(`/api/gear/${FIRST.id}`)).revision).toBe(revision);
  });

  it('name the faulty field, and refuse what was never there', async () => {
    const refused = await change([{ id: randomUUID(), body: { ...FIRST.body, energyWh: -1 } as Gear }]).expect(422);
    expect(refused.body).toMatchObject({ issues: [{ path: '/gear/0/body/energyWh', code: 'out-of-range' }] });
    await change([{ id: randomUUID(), revision: 1 }]).expect(404);
  });
});

describe('reading a document', () => {
  const document = {
    format: 'viaggio-plan',
    version: 1,
    name: 'From elsewhere',
    gear: [{ id: randomUUID(), body: { ...FIRST.body, colour: 'red' } }],
    rigs: [],
    log: [{ id: randomUUID(), body: { kind: 'capacity', at: '2026-01-12', batteryId: SECOND.id, energyWh: 88 } }],
    days: [{ id: randomUUID(), body: { name: 'Elsewhere', date: '2027-01-12', days: 1, rigIds: [], blocks: [] } }],
  };

  it('gives its items as they would be kept, and keeps nothing', async () => {
    const read = await request(app).post('/api/plan/read').send(document).expect(200);
    expect(read.body).toMatchObject({
      gear: [{ id: document.gear[0]!.id, body: { name: FIRST.body.name, unknown: [{ path: '/body/colour', value: 'red' }] } }],
      rigs: [],
      log: document.log,
      days: document.days,
      rest: { name: 'From elsewhere' },
    });
    await request(app).get(`/api/gear/${document.gear[0]!.id}`).expect(404);
  });

  it('and sending it as changes loses nothing', async () => {
    const read = (await request(app).post('/api/plan/read').send(document).expect(200)).body as object;
    await request(app).post('/api/changes').send(read).expect(200);
    const exported = (await request(app).get('/api/plan').expect(200)).body as {
      name: string;
      log: { id: string; body: unknown }[];
      days: { id: string; body: unknown }[];
      gear: { id: string; body: unknown }[];
    };
    expect(exported).toMatchObject({ name: 'From elsewhere' });
    expect(exported.days.find(({ id }) => id === document.days[0]!.id)).toEqual(document.days[0]);
    expect(exported.log.find(({ id }) => id === document.log[0]!.id)).toEqual(document.log[0]);
    expect(exported.gear.find(({ id }) => id === document.gear[0]!.id)?.body).toEqual(document.gear[0]!.body);
  });

  it('names what is wrong in it', async () => {
    const refused = await request(app)
      .post('/api/plan/read')
      .send({ ...document, version: 99 })
      .expect(422);
    expect((refused.body as { issues: unknown[] }).issues.length).toBeGreaterThan(0);
  });
});
