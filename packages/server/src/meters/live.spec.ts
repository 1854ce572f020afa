import { LOW_WATER } from '@viaggio/core/demo';
import { guessColumns, MeterFileReader, readTrace, slotsFromBytes } from '@viaggio/core/measure';
import { LiveSamples } from './live-samples';
import type { Recording } from '@viaggio/core/measure';
import { createServer } from 'node:http';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { gunzipSync } from 'node:zlib';
import { pino } from 'pino';
import request from 'supertest';
import { freshDatabase, oneWorld } from '../../testing/database';
import { createApp, servicesOf } from '../app';
import type { Services } from '../app';
import type { Saved } from '../items/item-service';
import type { LiveEvent, LiveStatus } from './live-recordings';

let fresh: Awaited<ReturnType<typeof freshDatabase>>;
let services: Services;
let app: ReturnType<typeof createApp>;
/** For what comes as a stream. */
let server: Server;
beforeAll(async () => {
  fresh = await freshDatabase();
  services = servicesOf(fresh.database, { meters: [{ name: 'bench', host: '127.0.0.1', port: 1 }] });
  app = createApp(oneWorld(services), pino({ level: 'silent' }));
  server = createServer(app);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
});
afterEach(() => services.live.end());
afterAll(async () => {
  server.closeAllConnections();
  server.close();
  await services.meters.end();
  await fresh.drop();
});

const RIG = LOW_WATER.rigs[0]!;
const about = { name: 'Try', meterAt: 'battery', rigId: RIG.id, deviceId: RIG.body.devices[0]!.gearId };
const play = () => request(app).post('/api/meters/simulated/play').send({ rigId: RIG.id, secondsEach: 2 }).expect(200);
const start = async (meterId = 'simulated') => (await request(app).post('/api/live').send({ meterId, everyMs: 50, about }).expect(201)).body as LiveStatus; // prettier-ignore
const statusOf = async (id: string) =>
  ((await request(app).get('/api/live').expect(200)).body as LiveStatus[]).find((live) => live.id === id);
async function until(id: string, condition: (live: LiveStatus) => boolean): Promise<LiveStatus> {
  for (let turn = 0; turn < 200; turn++) {
    const live = await statusOf(id);
    if (live && condition(live)) return live;
    await new Promise((resolve) => setTimeout(resolve, 25));
  }
  throw new Error('it did not come to that');
}

describe('meters', () => {
  it('are those that the owner named, and the simulated one while it plays', async () => {
    expect((await request(app).get('/api/meters').expect(200)).body).toEqual([
      { id: 'bench', name: 'bench', address: '127.0.0.1:1', simulated: false },
    ]);
    expect((await play()).body).toMatchObject({ id: 'simulated', name: 'Simulated meter on Wheelhouse', simulated: true });
    expect((await request(app).get('/api/meters')).body).toHaveLength(2);
  });

  it('of no other name or address are asked', async () => {
    await request(app).post('/api/live').send({ meterId: '127.0.0.1:22', everyMs: 100, about }).expect(404);
    await request(app).post('/api/live').send({ meterId: 'bench', everyMs: 1, about }).expect(422);
    await request(app).post('/api/live').send({ meterId: 'bench', host: '192.0.2.1', everyMs: 100, about }).expect(422);
  });

  it('are read once, for one joint of a bench; one that is silent says so in time', async () => {
    await play();
    const shown = (await request(app).post('/api/meters/read').send({ meterId: 'simulated' }).expect(200)).body as {
      voltageV: number;
      currentA: number;
    };
    expect(shown.voltageV).toBeGreaterThan(12);
    expect(shown.voltageV).toBeLessThan(17);
    expect(shown.currentA).toBeGreaterThanOrEqual(0);
    expect((await request(app).post('/api/meters/read').send({ meterId: 'bench' }).expect(502)).body).toMatchObject({ code: 'meter-away' });
    await request(app).post('/api/meters/read').send({ meterId: '127.0.0.1:22' }).expect(404);
  });

  it('cannot play a rig that no battery feeds, nor one that is not there', async () => {
    const id = '5f0c7a10-0000-4000-8000-0000000000ab';
    const bare = { name: 'Bare', devices: RIG.body.devices, links: [] };
    await request(app).post('/api/changes').send({ rigs: [{ id, body: bare }] }).expect(200); // prettier-ignore
    const refused = await request(app).post('/api/meters/simulated/play').send({ rigId: id }).expect(409);
    expect(refused.body).toMatchObject({
      code: 'meter-busy',
      detail: '“Bare” cannot be played: no battery feeds it, or a figure is missing.',
    });
    await request(app).post('/api/meters/simulated/play').send({ rigId: about.deviceId }).expect(404);
  });
});

describe('a live recording', () => {
  it('is kept with its samples, its segments and its original when it is stopped', async () => {
    await play();
    const { id } = await start();
    await until(id, ({ rows }) => rows >= 20);
    await request(app).post('/api/live').send({ meterId: 'simulated', everyMs: 50, about }).expect(409);
    const saved = (await request(app).post(`/api/live/${id}/stop`).expect(200)).body as Saved & { body: Recording };
    expect(saved).toMatchObject({ id, revision: 1, body: { ...about, source: 'Viaggio,Simulated meter,0,1.0', remarks: [] } });
    expect(saved.body.rows).toBeGreaterThanOrEqual(20);
    expect(saved.body.segments.length).toBeGreaterThanOrEqual(1);
    const slots = await request(app).get(`/api/recordings/${id}/slots`).buffer().parse(bytes).expect(200);
    expect(slotsFromBytes(slots.body as Buffer)!.samples.reduce((sum, count) => sum + count, 0)).toBe(saved.body.rows);
    const original = await request(app).get(`/api/recordings/${id}/original`).buffer().parse(bytes).expect(200);
    expect(
      gunzipSync(original.body as Buffer)
        .toString()
        .split('\r\n'),
    ).toHaveLength(saved.body.rows + 2);
    expect(await statusOf(id)).toBeUndefined();
    expect(await fresh.database.liveChunks.count()).toBe(0);
  });

  it('goes on through a meter that is lost, and says so', async () => {
    await play();
    const { id } = await start();
    await until(id, ({ rows }) => rows >= 5);
    await request(app).post('/api/meters/simulated/trouble').send({ kind: 'disconnect', seconds: 0.3 }).expect(204);
    const away = await until(id, ({ state }) => state === 'away');
    const back = await until(id, ({ state, rows }) => state === 'connected' && rows > away.rows);
    expect(back.lost).toBe(1);
    const saved = (await request(app).post(`/api/live/${id}/stop`).expect(200)).body as { body: Recording };
    expect(saved.body.remarks).toEqual([{ code: 'lost-meter', line: 0, count: 1 }]);
  });

  it('waits for a meter that is not there, and can be thrown away', async () => {
    const { id } = await start('bench');
    await until(id, ({ state }) => state === 'away');
    await request(app).delete(`/api/live/${id}`).expect(204);
    expect(await statusOf(id)).toBeUndefined();
    await request(app).get(`/api/recordings/${id}`).expect(404);
  });

  it('is followed event by event, all of its samples once, to its end', async () => {
    await play();
    const { id } = await start();
    const response = await fetch(`http://127.0.0.1:${(server.address() as AddressInfo).port}/api/live/${id}/events`);
    expect(response.headers.get('content-type')).toMatch(/^text\/event-stream/);
    const reading = response.text();
    await until(id, ({ rows }) => rows >= 10);
    const saved = (await request(app).post(`/api/live/${id}/stop`).expect(200)).body as { body: Recording };
    const events = (await reading).trim().split('\n\n').map((event) => JSON.parse(event.replace(/^data: /, '')) as LiveEvent); // prettier-ignore
    expect(events.at(-1)!.ended).toBe(true);
    const points = events.flatMap((event) => event.points);
    expect(points.length).toBeGreaterThanOrEqual(saved.body.rows);
    points.slice(1).forEach(([timeS], index) => expect(timeS).toBeGreaterThan(points[index]![0]));
  });

  it('of a server that died is kept as far as it was written down', async () => {
    await play();
    const { id } = await start();
    await until(id, ({ rows }) => rows >= 10);
    const internals = services.live as unknown as { live: Map<string, object>; flush: (live: object) => Promise<void> };
    await internals.flush(internals.live.get(id)!);
    const next = servicesOf(fresh.database);
    // while its owner renews its word, nobody else takes it
    expect(await next.live.recover()).toEqual({ kept: 0, unreadable: 0 });
    expect(await statusOf(id)).toBeDefined();
    await fresh.database.sequelize.query(`UPDATE live_leases SET until = now() - interval '1 second'`);
    expect(await next.live.recover()).toEqual({ kept: 1, unreadable: 0 });
    const saved = (await request(app).get(`/api/recordings/${id}`).expect(200)).body as { body: Recording };
    expect(saved.body.note).toContain('The server ended');
    expect(saved.body.rows).toBeGreaterThanOrEqual(10);
    // its own end finds it kept already, and a chunk that came late is no second recording
    await services.live.discard(id);
    await fresh.database.liveChunks.create({ liveId: id, place: 9, about: {}, samples: Buffer.alloc(24) });
    expect(await next.live.recover()).toEqual({ kept: 0, unreadable: 0 });
    expect(await fresh.database.liveChunks.count()).toBe(0);
  });

  it('of a server that was taken for dead goes on, and is kept beside what was saved of it', async () => {
    await play();
    const { id } = await start();
    await until(id, ({ rows }) => rows >= 10);
    const internals = services.live as unknown as { live: Map<string, object>; flush: (live: object) => Promise<void> };
    await internals.flush(internals.live.get(id)!);
    await fresh.database.sequelize.query(`UPDATE live_leases SET until = now() - interval '1 second'`);
    expect(await servicesOf(fresh.database).live.recover()).toEqual({ kept: 1, unreadable: 0 });
    const { rows } = await until(id, (live) => live.rows >= 20);
    const saved = (await request(app).post(`/api/live/${id}/stop`).expect(200)).body as Saved & { body: Recording };
    expect(saved.id).not.toBe(id);
    expect(saved.body.rows).toBeGreaterThanOrEqual(rows);
    await request(app).get(`/api/recordings/${id}`).expect(200);
  });

  it('of a process of this machine that is gone is taken over at once', async () => {
    const liveId = '5f0c7a10-0000-4000-8000-0000000000ab';
    const { hostname } = await import('node:os');
    await fresh.database.liveChunks.create({ liveId, place: 0, about: {}, samples: Buffer.alloc(24) });
    const held = (owner: string) => fresh.database.sequelize.query(`INSERT INTO live_leases VALUES ('${liveId}', '${owner}', now() + interval '1 hour') ON CONFLICT (live_id) DO UPDATE SET owner = excluded.owner`); // prettier-ignore
    await held('elsewhere/7/x');
    expect(await servicesOf(fresh.database).live.recover()).toEqual({ kept: 0, unreadable: 0 });
    await held(`${hostname()}/4194304/x`);
    expect(await servicesOf(fresh.database).live.recover()).toEqual({ kept: 0, unreadable: 1 });
    await fresh.database.liveChunks.destroy({ where: { liveId } });
    await fresh.database.sequelize.query('DELETE FROM live_leases');
  });

  it('tells answers in doubt, marks their segment, and has no watts that nobody drew', async () => {
    await play();
    const { id } = await start();
    await until(id, ({ rows }) => rows >= 5);
    await request(app).post('/api/meters/simulated/trouble').send({ kind: 'doubled', seconds: 0.6 }).expect(204);
    const doubted = await until(id, ({ doubts }) => doubts > 0);
    await until(id, ({ rows, state }) => state === 'connected' && rows >= doubted.rows + 5);
    const saved = (await request(app).post(`/api/live/${id}/stop`).expect(200)).body as { body: Recording };
    expect(saved.body.remarks).toEqual([{ code: 'in-doubt', line: 0, count: expect.any(Number) as number }]);
    expect(saved.body.segments.some(({ inDoubt }) => inDoubt)).toBe(true);
    // volts taken for amps would be some hundred watts
    expect(Math.max(...saved.body.segments.map(({ peakW }) => peakW))).toBeLessThan(60);
  });

  it('leaves out what no meter can show, as a file is read', () => {
    const samples = new LiveSamples();
    expect([samples.add(0, 14.4, 1), samples.add(1, 14.4, 9.9e37), samples.add(2, 14.4, 9999), samples.add(3, 14.4, 1)]).toEqual([true, false, false, true]);
    expect(samples.length).toBe(2);
    // nor comes it back from what an older server kept
    const kept = new LiveSamples();
    kept.addBytes(Buffer.from(Float64Array.of(0, 14.4, 1, 1, 14.4, 9.9e37).buffer));
    expect([...kept.trace().powerW]).toEqual([14.4]);
  }); // prettier-ignore

  it('gives the segments that its own file gives', async () => {
    await play();
    const { id } = await start();
    await until(id, ({ rows }) => rows >= 40);
    const saved = (await request(app).post(`/api/live/${id}/stop`).expect(200)).body as { body: Recording };
    const original = await request(app).get(`/api/recordings/${id}/original`).buffer().parse(bytes).expect(200);
    const text = gunzipSync(original.body as Buffer).toString();
    const guessed = guessColumns(text);
    if (!guessed.ok) throw new Error(guessed.issue.message);
    const reader = new MeterFileReader(guessed.columns);
    reader.push(text);
    const again = readTrace(reader.finish()).segments;
    const plain = (segments: Recording['segments']) => segments.map(({ fromS, toS, meanW }) => [fromS, toS, Number(meanW.toFixed(6))]);
    expect(plain(again)).toEqual(plain(saved.body.segments));
  });

  it('that cannot be read keeps nothing from starting, and is not thrown away', async () => {
    const liveId = '5f0c7a10-0000-4000-8000-0000000000aa';
    await fresh.database.liveChunks.create({ liveId, place: 0, about: {}, samples: Buffer.alloc(24) });
    expect(await servicesOf(fresh.database).live.recover()).toEqual({ kept: 0, unreadable: 1 });
    expect(await fresh.database.liveChunks.destroy({ where: { liveId } })).toBe(1);
  });
});

/** A body as it is. */
function bytes(response: request.Response, done: (error: Error | null, body: Buffer) => void): void {
  const pieces: Buffer[] = [];
  (response as unknown as NodeJS.ReadableStream).on('data', (piece: Buffer) => pieces.push(piece)).on('end', () => done(null, Buffer.concat(pieces))); // prettier-ignore
}
