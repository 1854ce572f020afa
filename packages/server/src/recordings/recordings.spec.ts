import { inSlots, slotsToBytes } from '@viaggio/core/measure';
import { randomUUID } from 'node:crypto';
import { gzipSync } from 'node:zlib';
import request from 'supertest';
import { appOn, freshDatabase } from '../../testing/database';
import type { Database } from '../db/database';
import { servicesOf } from '../app';

let app: ReturnType<typeof appOn>;
let database: Database;
let drop: () => Promise<void>;
beforeAll(async () => {
  const fresh = await freshDatabase();
  app = appOn(fresh.database);
  ({ database, drop } = fresh);
});
afterAll(() => drop());

const SLOTS = Buffer.from(slotsToBytes(inSlots({ timeS: Float64Array.of(0, 1, 2), powerW: Float64Array.of(5, 6, 7) }, 1)));
const GZIP = gzipSync('time_s,power_W\r\n0,5\r\n');
const putSlots = (id: string, body: Buffer, type = 'application/vnd.viaggio.slots') => request(app).put(`/api/recordings/${id}/slots`).set('Content-Type', type).send(body); // prettier-ignore
const putOriginal = (id: string, body: Buffer) => request(app).put(`/api/recordings/${id}/original`).query({ name: 'meter.csv' }).set('Content-Type', 'application/gzip').send(body); // prettier-ignore

describe('samples and originals of recordings', () => {
  it('are kept as they came, once, and come back as they were', async () => {
    const id = randomUUID();
    await putSlots(id, SLOTS).expect(204);
    await putSlots(id, SLOTS).expect(409);
    await putOriginal(id, GZIP).expect(204);
    await putOriginal(id, GZIP).expect(409);
    const slots = await request(app).get(`/api/recordings/${id}/slots`).buffer().expect(200);
    expect(slots.headers['content-type']).toBe('application/vnd.viaggio.slots');
    expect(Number(slots.headers['content-length'])).toBe(SLOTS.length);
    const original = await request(app).get(`/api/recordings/${id}/original`).expect(200);
    expect(original.headers['content-disposition']).toMatch(/^attachment; filename="?meter\.csv\.gz"?$/);
  });

  it('that are something else are refused, and nothing is kept', async () => {
    const id = randomUUID();
    await putSlots(id, Buffer.from('time,watts\n1,2\n')).expect(400);
    await putSlots(id, SLOTS, 'application/json').expect(400);
    await putSlots(id, SLOTS.subarray(0, 30)).expect(400);
    await putOriginal(id, GZIP).expect(404); // of no recording
    await request(app).get(`/api/recordings/${id}/slots`).expect(404);
    await putSlots(id, SLOTS).expect(204);
    await putOriginal(id, Buffer.from('plain text')).expect(400);
    await request(app).get(`/api/recordings/${id}/original`).expect(404);
  });

  it('that no recording came for are swept away after a day, and no others', async () => {
    const [orphan, young] = [randomUUID(), randomUUID()];
    await putSlots(orphan, SLOTS).expect(204);
    await putSlots(young, SLOTS).expect(204);
    const before = await database.recordingData.count();
    await database.recordingData.update({ savedAt: new Date(Date.now() - 48 * 3600 * 1000) }, { where: {} });
    await database.recordingData.update({ savedAt: new Date() }, { where: { recordingId: young } });
    const swept = await servicesOf(database).recordings.sweep();
    expect(swept).toBeGreaterThanOrEqual(1);
    expect(await database.recordingData.count()).toBe(before - swept);
    await request(app).get(`/api/recordings/${orphan}/slots`).expect(404);
    await request(app).get(`/api/recordings/${young}/slots`).expect(200);
    await request(app).get('/api/recordings/0d0c0000-0000-4000-8000-000000005501/slots').expect(200); // the demo's own
  });

  it('too large are refused before they are read', async () => {
    await putSlots(randomUUID(), Buffer.alloc(9 * 1024 * 1024)).expect(413);
  });
});

describe('observations and recordings', () => {
  const capacity = { kind: 'capacity', at: '2026-01-12', energyWh: 80 };

  it('name gear and rigs that are, or once were, there', async () => {
    const unknown = randomUUID();
    const refused = await request(app)
      .post('/api/changes')
      .send({ log: [{ id: randomUUID(), body: { ...capacity, batteryId: unknown } }] })
      .expect(422);
    expect((refused.body as { issues: { path: string }[] }).issues[0]!.path).toBe('/log/0/body/batteryId');
    const recording = { name: 'R', at: '2026-01-12', meterAt: 'device', rigId: unknown, rows: 1, seconds: 1, remarks: [], segments: [] };
    const other = await request(app).post('/api/changes').send({ recordings: [{ id: randomUUID(), body: recording }] }).expect(422); // prettier-ignore
    expect((other.body as { issues: { path: string }[] }).issues[0]!.path).toBe('/recordings/0/body/rigId');
  });

  it('outlive what they were made with', async () => {
    const gear = (await request(app).get('/api/gear')).body as { id: string; revision: number; body: { kind: string } }[];
    const battery = gear.find(({ body }) => body.kind === 'battery')!;
    const id = randomUUID();
    const body = { ...capacity, batteryId: battery.id };
    await request(app).post('/api/changes').send({ log: [{ id, body }] }).expect(200); // prettier-ignore
    await request(app).delete(`/api/gear/${battery.id}`).set('If-Match', `"${battery.revision}"`).expect(204);
    await request(app).put(`/api/log/${id}`).set('If-Match', '"1"').send({ ...body, energyWh: 81 }).expect(200); // prettier-ignore
    expect((await request(app).get(`/api/log/${id}`)).body).toMatchObject({ revision: 2, body: { energyWh: 81 } });
  });

  it('are checked field by field', async () => {
    const wrong = { kind: 'run-down', at: 'yesterday', deviceId: 'x', batteryId: randomUUID(), minutes: 0 };
    const refused = await request(app).post('/api/changes').send({ log: [{ id: randomUUID(), body: wrong }] }).expect(422); // prettier-ignore
    expect((refused.body as { issues: { path: string }[] }).issues.map(({ path }) => path)).toEqual([
      '/log/0/body/at',
      '/log/0/body/deviceId',
      '/log/0/body/minutes',
    ]);
  });
});
