import type { Forecast } from '@viaggio/core/day';
import { createServer } from 'node:http';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import request from 'supertest';
import { freshDatabase, oneWorld } from '../../testing/database';
import { createApp, servicesOf } from '../app';
import type { Services } from '../app';

let fresh: Awaited<ReturnType<typeof freshDatabase>>;
let services: Services;
let app: ReturnType<typeof createApp>;
beforeAll(async () => {
  fresh = await freshDatabase();
  services = servicesOf(fresh.database);
  app = createApp(oneWorld(services), pino({ level: 'silent' }));
});
afterAll(async () => {
  await services.forecasts.end();
  await fresh.drop();
});

const ASK = { latitudeDeg: 57, longitudeDeg: 8, from: '2026-01-12', days: 2 };

/** A service of the owner's own that answers what it is told to. */
async function appWith(answer: (server: Server) => Parameters<typeof createServer>[1]): Promise<{ app: typeof app; end: () => void }> {
  const own: Server = createServer((incoming, outgoing) => answer(own)?.(incoming, outgoing as never));
  await new Promise<void>((resolve) => own.listen(0, '127.0.0.1', resolve));
  const url = `http://127.0.0.1:${(own.address() as AddressInfo).port}/weather`;
  const theirs = createApp(oneWorld(servicesOf(fresh.database, { forecastUrl: url })), pino({ level: 'silent' }));
  return { app: theirs, end: () => (own.closeAllConnections(), own.close()) };
}

describe('the forecast service', () => {
  it('is off until somebody turns it on, and then answers over HTTP', async () => {
    expect((await request(app).get('/api/forecast/service').expect(200)).body).toMatchObject({ state: 'off' });
    expect((await request(app).post('/api/forecast').send(ASK).expect(409)).body).toMatchObject({ code: 'forecast-off' });
    const on = await request(app).post('/api/forecast/service').send({ on: true }).expect(200);
    expect(on.body).toMatchObject({ state: 'on', simulated: true, address: expect.stringMatching(/^http:\/\/127\.0\.0\.1:\d+\/hourly$/) });
    const { hours, source } = (await request(app).post('/api/forecast').send(ASK).expect(200)).body as Forecast;
    expect(source).toBe('Simulated forecast');
    expect(hours).toHaveLength(48);
    expect(hours[0]!.at).toBe('2026-01-12T00:00Z');
    expect((await request(app).post('/api/forecast').send(ASK)).body).toMatchObject({ hours });
  });

  it('has winters and summers, and colder nights than days', async () => {
    await services.forecasts.turn(true);
    const mean = async (from: string, latitudeDeg = 57) => {
      const { hours } = await services.forecasts.ask({ ...ASK, from, latitudeDeg, days: 20 });
      return hours.reduce((sum, { temperatureC }) => sum + temperatureC, 0) / hours.length;
    };
    const [winter, summer] = [await mean('2026-01-10'), await mean('2026-07-10')];
    expect(winter).toBeGreaterThan(-10);
    expect(winter).toBeLessThan(summer - 8);
    expect(await mean('2026-01-10', -40)).toBeGreaterThan(await mean('2026-07-10', -40));
    const { hours } = await services.forecasts.ask({ ...ASK, days: 20 });
    const at = (hour: number) =>
      hours.filter((_, index) => index % 24 === hour).reduce((sum, { temperatureC }) => sum + temperatureC, 0) / 20;
    expect(at(13)).toBeGreaterThan(at(2));
  });

  it('is off again when it is turned off, and what it listened at is free', async () => {
    const { address } = await services.forecasts.turn(true);
    expect(await services.forecasts.turn(false)).toMatchObject({ state: 'off', address: undefined });
    await expect(fetch(address!)).rejects.toThrow();
  });

  it('minds a question that is no question', async () => {
    const refused = await request(app).post('/api/forecast').send({ ...ASK, latitudeDeg: 120, days: 0 }).expect(422); // prettier-ignore
    expect((refused.body as { issues: { path: string }[] }).issues.map(({ path }) => path)).toEqual(['/latitudeDeg', '/days']);
    await services.forecasts.turn(true);
    const { address } = services.forecasts.state();
    expect((await fetch(`${address}?latitude=x`)).status).toBe(400);
  });
});

describe('a service of one’s own', () => {
  it('is asked with the place and the days', async () => {
    let asked = '';
    const own = await appWith(() => (incoming, outgoing) => {
      asked = incoming.url ?? '';
      outgoing.end(JSON.stringify({ source: 'Harbour office', hours: [{ at: '2026-01-12T06:00Z', temperatureC: -4 }] }));
    });
    const answered = await request(own.app).post('/api/forecast').send(ASK).expect(200);
    expect(answered.body).toEqual({ source: 'Harbour office', hours: [{ at: '2026-01-12T06:00Z', temperatureC: -4 }] });
    expect(asked).toBe('/weather?latitude=57&longitude=8&from=2026-01-12&days=2');
    own.end();
  });

  it.each<[string, string, number, RegExp]>([
    ['nonsense', JSON.stringify({ source: 'x', hours: [{ at: 'noon', temperatureC: 'cold' }] }), 200, /nonsense.*hours/],
    ['no JSON', '<html>', 200, /not JSON/],
    ['an error', '{}', 500, /status 500/],
    ['too much', ' '.repeat(1_100_000), 200, /1 MB/],
  ])('that sends %s is told', async (_what, body, status, says) => {
    const own = await appWith(() => (_incoming, outgoing) => {
      outgoing.statusCode = status;
      outgoing.end(body);
    });
    const refused = await request(own.app).post('/api/forecast').send(ASK).expect(502);
    expect(refused.body).toMatchObject({ code: 'forecast-away', detail: expect.stringMatching(says) });
    own.end();
  });

  it('that is not there is told', async () => {
    const own = await appWith(() => undefined);
    own.end();
    const refused = await request(own.app).post('/api/forecast').send(ASK).expect(502);
    expect((refused.body as { detail: string }).detail).toMatch(/no connection/);
  });

  it('is not followed where it sends elsewhere, and not read beyond 1 MB', async () => {
    let asked = 0;
    const sends = await appWith(() => (_request, answer) => void (asked++, answer.writeHead(302, { Location: '/secret' }).end()));
    expect((await request(sends.app).post('/api/forecast').send(ASK)).body).toMatchObject({ code: 'forecast-away', detail: expect.stringMatching(/elsewhere/) as string });
    expect(asked).toBe(1);
    sends.end();
    let sent = 0;
    const endless = await appWith(() => (_request, answer) => {
      const more = (): void => {
        sent += 65_536;
        if (!answer.destroyed && sent < 64_000_000) answer.write(' '.repeat(65_536), () => setImmediate(more));
      };
      more();
    });
    expect((await request(endless.app).post('/api/forecast').send(ASK)).body).toMatchObject({ code: 'forecast-away', detail: expect.stringMatching(/1 MB/) as string });
    expect(sent).toBeLessThan(16_000_000);
    endless.end();
  }); // prettier-ignore
});
