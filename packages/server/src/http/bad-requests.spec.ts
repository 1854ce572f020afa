import { LOW_WATER } from '@viaggio/core/demo';
import { gearShape, rigShape } from '@viaggio/core/gear';
import { isWithin } from '@viaggio/core/units';
import type { Issue } from '@viaggio/core/units';
import fc from 'fast-check';
import request from 'supertest';
import { appOn, freshDatabase } from '../../testing/database';
import { ERRORS } from '../errors';
import type { Problem } from '../errors';
import { validate } from '../validation/validate';

let app: ReturnType<typeof appOn>;
let drop: () => Promise<void>;

beforeAll(async () => {
  const fresh = await freshDatabase();
  app = appOn(fresh.database);
  drop = fresh.drop;
});
afterAll(() => drop());

const BATTERY = LOW_WATER.gear.find(({ body }) => body.kind === 'battery')!;
const RIG = LOW_WATER.rigs[0]!;
const AT_BATTERY = `/api/gear/${BATTERY.id}`;
const AT_RIG = `/api/rigs/${RIG.id}`;

async function refused(path: string, body: unknown): Promise<{ status: number; problem: Problem; issues: readonly Issue[] }> {
  const response = await request(app).put(path).set('If-Match', '"1"').set('Content-Type', 'application/json').send(JSON.stringify(body));
  expect(response.headers['content-type']).toContain('application/problem+json');
  const problem = response.body as Problem;
  return { status: response.status, problem, issues: problem.issues ?? [] };
}

describe('bad fields', () => {
  it.each<[string, string, object, string, string]>([
    ['negative watt-hours', AT_BATTERY, { ...BATTERY.body, energyWh: -95 }, '/energyWh', 'out-of-range'],
    ['no watt-hours at all', AT_BATTERY, { ...BATTERY.body, energyWh: 0 }, '/energyWh', 'out-of-range'],
    ['10 000 Wh', AT_BATTERY, { ...BATTERY.body, energyWh: 10_000 }, '/energyWh', 'out-of-range'],
    ['a number sent as text', AT_BATTERY, { ...BATTERY.body, nominalV: '14,4V' }, '/nominalV', 'not-a-number'],
    ['an empty name', AT_BATTERY, { ...BATTERY.body, name: '' }, '/name', 'empty'],
    ['a blank name', AT_BATTERY, { ...BATTERY.body, name: '   ' }, '/name', 'empty'],
    ['a name of 5 000 characters', AT_RIG, { ...RIG.body, name: 'x'.repeat(5000) }, '/name', 'too-long'],
    ['a character that cannot be kept', AT_BATTERY, { ...BATTERY.body, name: 'a\u0000b' }, '/name', 'bad-text'],
    ['half a character', AT_BATTERY, { ...BATTERY.body, name: '\ud800' }, '/name', 'bad-text'],
    ['two and a half cells', AT_BATTERY, { ...BATTERY.body, cellsInSeries: 2.5 }, '/cellsInSeries', 'not-whole'],
    ['an unknown chemistry', AT_BATTERY, { ...BATTERY.body, chemistry: 'plutonium' }, '/chemistry', 'not-allowed'],
    ['an unknown kind', AT_BATTERY, { kind: 'zebra' }, '/kind', 'not-allowed'],
    ['a field that there is not', AT_BATTERY, { ...BATTERY.body, colour: 'red' }, '/colour', 'unknown-field'],
    ['a missing list', AT_BATTERY, { ...BATTERY.body, outputs: undefined }, '/outputs', 'required'],
    ['an empty list', AT_BATTERY, { ...BATTERY.body, outputs: [] }, '/outputs', 'wrong-length'],
    [
      'a port without its name',
      AT_BATTERY,
      { ...BATTERY.body, outputs: [{ gives: 'fixed', id: 'a', connector: { type: 'usb-a' } }] },
      '/outputs/0/name',
      'required',
    ],
    [
      'a connector that there is not',
      AT_BATTERY,
      { ...BATTERY.body, outputs: [{ gives: 'pack', id: 'a', name: 'A', connector: { type: 'zap' } }] },
      '/outputs/0/connector/type',
      'not-allowed',
    ],
    ['a list for an object', AT_BATTERY, [1, 2], '', 'wrong-type'],
    ['nothing for an object', AT_RIG, null as unknown as object, '', 'wrong-type'],
    ['an identifier that is none', AT_RIG, { ...RIG.body, devices: [{ gearId: 'camera' }] }, '/devices/0/gearId', 'bad-text'],
    [
      'gear that was never there',
      AT_RIG,
      { ...RIG.body, devices: [{ gearId: '00000000-0000-4000-8000-000000000000' }] },
      '/devices/0/gearId',
      'unknown-reference',
    ],
    ['a reserve of 95 %', AT_RIG, { ...RIG.body, reserve: 0.95 }, '/reserve', 'out-of-range'],
  ])('%s: %s', async (_what, path, body, pointer, code) => {
    const { status, problem, issues } = await refused(path, body);
    expect([status, problem.code]).toEqual([422, 'invalid-fields']);
    const found = issues.find((one) => one.path === pointer);
    expect(found).toMatchObject({ code });
    expect(found!.expected.length).toBeGreaterThan(5);
    expect(found!.message.length).toBeLessThan(300);
  });

  it('lists all that is wrong at once, and saves none of it', async () => {
    const { issues } = await refused(AT_BATTERY, { ...BATTERY.body, energyWh: -1, name: '', cellsInSeries: 99 });
    expect(issues.map(({ path }) => path).sort()).toEqual(['/cellsInSeries', '/energyWh', '/name']);
    expect(((await request(app).get(AT_BATTERY)).body as { revision: number; body: object }).body).toEqual(BATTERY.body);
  });
});

describe('malformed requests', () => {
  it.each<[string, () => request.Test, number, keyof typeof ERRORS]>([
    [
      'half a JSON',
      () => request(app).put(AT_BATTERY).set('If-Match', '"1"').set('Content-Type', 'application/json').send('{"kind":'),
      400,
      'malformed-request',
    ],
    ['no body', () => request(app).put(AT_BATTERY).set('If-Match', '"1"'), 400, 'malformed-request'],
    [
      'another media type',
      () => request(app).put(AT_BATTERY).set('If-Match', '"1"').set('Content-Type', 'text/plain').send('x'),
      400,
      'malformed-request',
    ],
    ['a bad percent sign', () => request(app).get('/api/gear/%E0%A4%A'), 400, 'malformed-request'],
    [
      'an unknown charset',
      () => request(app).put(AT_BATTERY).set('If-Match', '"1"').set('Content-Type', 'application/json; charset=x').send('{}'),
      400,
      'malformed-request',
    ],
    ['an unknown identifier', () => request(app).get('/api/rigs/00000000-0000-4000-8000-000000000000'), 404, 'not-found'],
    ['an identifier that is none', () => request(app).get('/api/rigs/1%20OR%201=1'), 404, 'not-found'],
    ['an unknown address', () => request(app).get('/api/nothing'), 404, 'not-found'],
    ['a method that is not served', () => request(app).patch('/api/rigs'), 405, 'method-not-allowed'],
    ['a missing revision', () => request(app).put(AT_BATTERY).send(BATTERY.body), 428, 'revision-missing'],
    ['a revision that is none', () => request(app).put(AT_BATTERY).set('If-Match', 'new').send(BATTERY.body), 428, 'revision-missing'],
    [
      'a body over 1 MB',
      () =>
        request(app)
          .post('/api/plan')
          .send({ gear: [], rigs: [], padding: 'x'.repeat(1_100_000) }),
      413,
      'too-large',
    ],
  ])('%s', async (_what, send, status, code) => {
    const response = await send();
    expect(response.status).toBe(status);
    expect(response.headers['content-type']).toContain('application/problem+json');
    const { title, remedy } = ERRORS[code];
    expect(response.body).toMatchObject({ code, status, title, remedy });
  });

  it('says which methods there are', async () => {
    expect((await request(app).patch('/api/rigs')).headers['allow']).toBe('GET');
  });
});

describe('pages of other sites', () => {
  it('can neither act nor read here, own pages and programs can', async () => {
    const reset = () => request(app).post('/api/demo/reset');
    for (const origin of ['https://elsewhere.example', 'null', 'http://127.0.0.1:1']) {
      expect((await reset().set('Origin', origin)).body).toMatchObject({ code: 'foreign-origin', status: 403 });
    }
    // a browser says so where a page of another site asks without an Origin: pictures, forms, scripts
    const foreign = (path: string) => request(app).get(path).set('Sec-Fetch-Site', 'cross-site');
    for (const asked of [
      foreign('/api/rigs'),
      foreign('/api/rigs').set('Sec-Fetch-Mode', 'navigate'),
      foreign('/'),
      foreign('/demo/api/backup').set('Sec-Fetch-Mode', 'navigate'),
    ])
      expect((await asked).body).toMatchObject({ code: 'foreign-origin', status: 403 });
    // a link to a page may be followed
    expect((await foreign('/rigs').set('Sec-Fetch-Mode', 'navigate')).status).not.toBe(403);
    for (const site of ['same-origin', 'same-site', 'none']) await request(app).get('/api/rigs').set('Sec-Fetch-Site', site).expect(200);
    expect((await request(app).get('/api/rigs').set('Host', 'rebound.example:4300')).status).toBe(403);
    await reset().set('Host', '127.0.0.1:4300').set('Origin', 'http://127.0.0.1:4300').expect(200);
    await reset().expect(200);
  });
});

describe('whatever is sent', () => {
  it('is never answered with a 500, and always with paths that lead into it', async () => {
    const noise = fc.oneof(
      fc.jsonValue(),
      fc.record({ kind: fc.constantFrom('battery', 'device', 'adapter', 'cable') }, { requiredKeys: [] }),
    );
    const mutated = fc
      .tuple(fc.constantFrom(...LOW_WATER.gear), fc.nat(), fc.string(), fc.jsonValue())
      .map(([{ body }, which, other, value]) => {
        const keys = [...Object.keys(body), other];
        return { ...body, [keys[which % keys.length]!]: value };
      });
    await fc.assert(
      fc.asyncProperty(fc.oneof(noise, mutated), async (body) => {
        const response = await request(app)
          .put(AT_BATTERY)
          .set('If-Match', '"999999"')
          .set('Content-Type', 'application/json')
          .send(JSON.stringify(body));
        expect([400, 412, 422]).toContain(response.status);
        if (response.status !== 422) return;
        const issues = (response.body as Problem).issues!;
        expect(issues.length).toBeGreaterThan(0);
        for (const { path, expected } of issues) {
          expect(path === '' || path.startsWith('/')).toBe(true);
          expect(expected).not.toBe('');
        }
      }),
      { numRuns: 150, seed: 42 },
    );
  });

  it('is held to the same ranges as on the screen', () => {
    const shape = gearShape.variants.battery.energyWh.of;
    fc.assert(
      fc.property(
        fc.oneof(fc.double({ noNaN: true, noDefaultInfinity: true, min: -10, max: 6000 }), fc.constantFrom(0, 5000, 5000.1, 1e-300)),
        (value) => {
          expect(validate(shape, value).ok).toBe(isWithin(shape, value));
        },
      ),
      { seed: 1 },
    );
    for (const reserve of [0, 0.9, 0.91, -0.01])
      expect(validate(rigShape.fields.reserve.of, reserve).ok).toBe(isWithin(rigShape.fields.reserve.of, reserve));
  });
});

describe('the demo as shipped', () => {
  it('is sound by its own shapes', () => {
    for (const { body } of LOW_WATER.gear) expect(validate(gearShape, body)).toEqual({ ok: true, value: body });
    for (const { body } of LOW_WATER.rigs) expect(validate(rigShape, body)).toEqual({ ok: true, value: body });
  });
});
