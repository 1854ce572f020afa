import { pino } from 'pino';
import request from 'supertest';
import os from 'node:os';
import { freshDatabase, oneWorld } from '../../testing/database';
import { createApp, servicesOf } from '../app';
import { exposureOf, LOOPBACK_ONLY } from './exposure';
import type { Exposure } from './exposure';

let fresh: Awaited<ReturnType<typeof freshDatabase>>;
beforeAll(async () => void (fresh = await freshDatabase()));
afterAll(() => fresh.drop());

const appFor = (exposure: Exposure) => createApp(oneWorld(servicesOf(fresh.database)), pino({ level: 'silent' }), { exposure });
const of = (host: string, names: string[] = [], tls = false) => exposureOf({ host, names, tls });

describe('who may ask', () => {
  it('is this machine alone, unless its owner says otherwise', () => {
    expect(of('127.0.0.1')).toEqual(LOOPBACK_ONLY);
    const { names, limited } = of('0.0.0.0', ['set.lan']);
    expect(names).toEqual(expect.arrayContaining(['set.lan', os.hostname().toLowerCase()]));
    expect(limited).toBe(true);
  });

  it('is known by the name that they ask for, wherever the server listens', async () => {
    const app = appFor(of('0.0.0.0', ['set.lan']));
    const status = async (host: string, origin?: string) => {
      const asked = request(app).get('/api/rigs').set('Host', host);
      return (await (origin === undefined ? asked : asked.set('Origin', origin))).status;
    };
    expect(await status('set.lan')).toBe(200);
    expect(await status('SET.LAN:4300')).toBe(200);
    expect(await status('127.0.0.1:4300')).toBe(200);
    expect(await status('rebound.example')).toBe(403);
    expect(await status('rebound.example/set.lan')).toBe(403);
    expect(await status('set.lan:4300', 'http://set.lan:4300')).toBe(200);
    expect(await status('set.lan:4300', 'http://elsewhere.example')).toBe(403);
    expect(await status('set.lan', 'null')).toBe(403);
  });

  it('is told to come by TLS only where TLS is in front', async () => {
    const hsts = async (exposure: Exposure) => (await request(appFor(exposure)).get('/api/health')).headers['strict-transport-security'];
    expect(await hsts(LOOPBACK_ONLY)).toBeUndefined();
    expect(await hsts(of('127.0.0.1', ['set.example'], true))).toMatch(/^max-age=\d{8}$/);
  });

  it('may ask so often from one address when others may ask too, and is told when to come back', async () => {
    const app = appFor({ names: [], limited: true, tls: false });
    const asked = await Promise.all(Array.from({ length: 1210 }, () => request(app).get('/api/nothing').then(({ status }) => status))); // prettier-ignore
    expect([...new Set(asked)].sort()).toEqual([404, 429]);
    expect(asked.filter((status) => status === 429)).toHaveLength(10);
    const { headers, body } = await request(app).get('/api/rigs').expect(429);
    expect(Number(headers['retry-after'])).toBeGreaterThan(0);
    expect(body).toMatchObject({ code: 'too-many-requests' });
    await request(appFor(LOOPBACK_ONLY)).get('/api/rigs').expect(200);
  });
});
