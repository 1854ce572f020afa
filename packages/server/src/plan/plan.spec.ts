import { LOW_WATER } from '@viaggio/core/demo';
import { PLAN_FORMAT, PLAN_KINDS, PLAN_VERSION, planJsonSchema } from '@viaggio/core/document';
import type { Evaluation, Plan } from '@viaggio/core/document';
import type { Issue } from '@viaggio/core/units';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import request from 'supertest';
import { appOn, freshDatabase } from '../../testing/database';
import type { Problem } from '../errors';

let app: ReturnType<typeof appOn>;
let drop: () => Promise<void>;

beforeAll(async () => {
  const fresh = await freshDatabase();
  app = appOn(fresh.database);
  drop = fresh.drop;
});
afterAll(() => drop());

const PLAN: Plan = { format: PLAN_FORMAT, version: PLAN_VERSION, gear: LOW_WATER.gear, rigs: LOW_WATER.rigs };
const DOCS = path.join(__dirname, '../../../../docs');
/** Every JSON block of the page on plan documents. */
const EXAMPLES = [...readFileSync(path.join(DOCS, 'plan-document.md'), 'utf8').matchAll(/```json\n([\s\S]*?)```/g)].map(
  ([, json]) => JSON.parse(json!) as Plan,
);

const evaluate = (document: unknown) =>
  request(app).post('/api/evaluate').set('Content-Type', 'application/json').send(JSON.stringify(document));
const issuesOf = async (document: unknown): Promise<readonly Issue[]> => ((await evaluate(document).expect(422)).body as Problem).issues!;

describe('POST /api/evaluate', () => {
  it('answers a plan with everything computed, and keeps nothing', async () => {
    const before = (await request(app).get('/api/rigs')).body as unknown[];
    const { rigs } = (await evaluate(PLAN).expect(200)).body as Evaluation;
    expect(rigs.map(({ name, answer }) => [name, answer.verdict])).toContainEqual(['Cinema camera day', 'stop']);
    expect(rigs[0]!.range!.p50Min).toBeGreaterThan(200);
    expect((await request(app).get('/api/rigs')).body).toHaveLength(before.length);
  });

  it('takes a document of an older version', async () => {
    const [rig] = LOW_WATER.rigs;
    const { devices, links, ...rest } = rig!.body;
    const old = {
      ...rest,
      deviceId: devices[0]!.gearId,
      inputId: 'bay',
      batteryId: links[0]!.from.gearId,
      outputId: 'd-tap',
      adapterId: links[0]!.to.gearId,
    };
    const { rigs } = (await evaluate({ gear: LOW_WATER.gear, rigs: [{ id: rig!.id, body: old }] }).expect(200)).body as Evaluation;
    expect(rigs[0]!.answer.verdict).toBe('good');
  });

  it.each<[string, unknown, string, string]>([
    ['a list', [], '', 'wrong-type'],
    ['another format', { ...PLAN, format: 'zebra' }, '/format', 'wrong-format'],
    ['a newer version', { ...PLAN, version: 7 }, '/version', 'newer-version'],
    ['10 000 items', { ...PLAN, gear: Array.from({ length: 10_000 }, () => ({ id: 'x', body: {} })) }, '/gear', 'wrong-length'],
    [
      'negative watt-hours, deep inside',
      { ...PLAN, gear: [{ id: LOW_WATER.gear[3]!.id, body: { ...LOW_WATER.gear[3]!.body, energyWh: -1 } }] },
      '/gear/0/body/energyWh',
      'out-of-range',
    ],
    [
      'a circle',
      { ...PLAN, rigs: [{ ...PLAN.rigs[0]!, body: { ...PLAN.rigs[0]!.body, links: circle() } }] },
      '/rigs/0/body/links',
      'cyclic',
    ],
    ['more runs than one evaluation makes', { ...PLAN, ask: { runs: 20_000 } }, '/ask/runs', 'too-much-asked'],
    ['more searches', { ...PLAN, ask: { purchases: true } }, '/ask', 'too-much-asked'],
  ])('refuses %s with a path', async (_what, document, at, code) => {
    const issues = await issuesOf(document);
    expect(issues.find((one) => one.path === at)).toMatchObject({ code });
  });

  it('refuses a document of 5 MB before reading it', async () => {
    const response = await evaluate({ ...PLAN, padding: 'x'.repeat(5_000_000) }).expect(413);
    expect(response.body).toMatchObject({ code: 'too-large' });
  });

  it('law: whatever is changed in a document, never a 500, never a hang, always a path', async () => {
    const small: Plan = { ...PLAN, rigs: LOW_WATER.rigs.slice(6, 8), ask: { runs: 5 } };
    const places = pathsIn(small);
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.tuple(
            fc.nat(places.length - 1),
            fc.oneof(
              fc.jsonValue(),
              fc.constantFrom(0, -1, 1e308, '', null, [], {}),
              fc.constantFrom(...LOW_WATER.gear.map(({ id }) => id)),
            ),
          ),
          { minLength: 1, maxLength: 4 },
        ),
        async (changes) => {
          const document = changes.reduce<unknown>((whole, [place, value]) => withValue(whole, places[place]!, value), small);
          const response = await evaluate(document);
          expect([200, 422]).toContain(response.status);
          if (response.status !== 422) return;
          for (const { path: at, expected } of (response.body as Problem).issues!) {
            expect(at === '' || at.startsWith('/')).toBe(true);
            expect(expected).not.toBe('');
          }
        },
      ),
      { numRuns: 120, seed: 20260108 },
    );
  }, 120_000);
});

describe('import and export', () => {
  it('give back every field, known or not, gear, rigs, days, log and recordings', async () => {
    const id = (place: number) => `aaaaaaaa-0000-4000-8000-${String(place).padStart(12, '0')}`;
    const device = LOW_WATER.gear[0]!.body;
    const battery = LOW_WATER.gear.find(({ body }) => body.name === 'Grynna 10')!.body;
    const document = {
      format: PLAN_FORMAT,
      version: PLAN_VERSION,
      name: 'From elsewhere',
      mood: { of: ['the crew'] },
      gear: [
        {
          id: id(1),
          body: {
            ...device,
            colour: 'red',
            inputs: (device as unknown as { inputs: object[] }).inputs.map((input) => ({ ...input, worn: 3 })),
          },
        },
        { id: id(2), body: battery, seenBy: 'us' },
      ],
      rigs: [{ id: id(3), body: { name: 'Mine', devices: [{ gearId: id(1), since: 2025 }], links: [], weather: 'sleet' } }],
      days: [{ id: id(6), body: { name: 'Out', date: '2027-01-12', days: 1, rigIds: [id(3)], blocks: [], weather: 'sleet' } }],
      log: [{ id: id(4), body: { kind: 'capacity', at: '2027-01-12', batteryId: id(2), energyWh: 88, weather: 'sleet' } }],
      recordings: [
        { id: id(5), body: { name: 'Bench', at: '2027-01-12', meterAt: 'device', rows: 2, seconds: 1, remarks: [], segments: [] } },
      ],
    };
    await request(app).post('/api/plan').send(document).expect(201);
    const out = (await request(app).get('/api/plan').expect(200)).body as typeof document;
    expect(out.gear.filter(({ id: one }) => one.startsWith('aaaaaaaa'))).toEqual(document.gear);
    expect(out.rigs.filter(({ id: one }) => one.startsWith('aaaaaaaa'))).toEqual(document.rigs);
    expect(out.days.filter(({ id: one }) => one.startsWith('aaaaaaaa'))).toEqual(document.days);
    expect(out.log.filter(({ id: one }) => one.startsWith('aaaaaaaa'))).toEqual(document.log);
    expect(out.recordings.filter(({ id: one }) => one.startsWith('aaaaaaaa'))).toEqual(document.recordings);
    expect(out).toMatchObject({
      format: PLAN_FORMAT,
      version: PLAN_VERSION,
      name: 'From elsewhere',
      mood: document.mood,
    });
    expect(out.gear).toHaveLength(LOW_WATER.gear.length + 2);
    await evaluate(out).expect(200);
  });

  it('an item with fields from elsewhere can still be edited here', async () => {
    const [item] = (
      (await request(app).get('/api/gear')).body as { id: string; revision: number; body: { name: string; unknown?: unknown } }[]
    ).filter(({ body }) => body.unknown);
    await request(app)
      .put(`/api/gear/${item!.id}`)
      .set('If-Match', `"${item!.revision}"`)
      .send({ ...item!.body, name: 'Renamed' })
      .expect(200);
    const out = (await request(app).get('/api/plan')).body as { gear: { id: string; body: object }[] };
    expect(out.gear.find(({ id }) => id === item!.id)!.body).toMatchObject({ name: 'Renamed', colour: 'red' });
  });

  it('the schema is served', async () => {
    const served = (await request(app).get('/api/plan/schema').expect(200)).body as unknown;
    expect(served).toEqual(JSON.parse(JSON.stringify(planJsonSchema())));
  });
});

describe('docs/plan-document.md', () => {
  it('has examples that are evaluated as it says', async () => {
    expect(EXAMPLES.length).toBeGreaterThanOrEqual(1);
    for (const example of EXAMPLES) {
      const { rigs } = (await evaluate(example).expect(200)).body as Evaluation;
      expect(rigs[0]!.answer.verdict).toBe('good');
      expect(rigs[0]!.answer.findings[0]).toMatchObject({ code: 'gauge-blind', verdict: 'note' });
    }
  });
});

function circle(): object[] {
  const hub = LOW_WATER.gear.find(({ body }) => body.name.startsWith('Splitter'))!.id;
  return [{ from: { gearId: hub, portId: 'p1' }, to: { gearId: hub, portId: 'in' } }];
}

/** Every place in a document, as keys. */
function pathsIn(value: unknown, at: readonly string[] = []): readonly (readonly string[])[] {
  if (typeof value !== 'object' || value === null) return [at];
  return [at, ...Object.entries(value).flatMap(([key, inner]) => pathsIn(inner, [...at, key]))];
}

function withValue(whole: unknown, [key, ...rest]: readonly string[], value: unknown): unknown {
  if (key === undefined) return value;
  if (typeof whole !== 'object' || whole === null) return whole;
  if (Array.isArray(whole)) return whole.map((item: unknown, place) => (String(place) === key ? withValue(item, rest, value) : item));
  return { ...whole, [key]: withValue((whole as Record<string, unknown>)[key], rest, value) };
}

describe('what was deleted, and is still named', () => {
  it('goes along in a document, so that its own export is taken elsewhere, and shows nowhere', async () => {
    const from = await freshDatabase();
    const to = await freshDatabase();
    try {
      const app = appOn(from.database);
      const gear = (await request(app).get('/api/gear')).body as { id: string; revision: number; body: { kind: string } }[];
      const rigs = (await request(app).get('/api/rigs')).body as { body: { links: { from: { gearId: string } }[] } }[];
      const used = new Set(rigs.flatMap(({ body }) => body.links.map(({ from: { gearId } }) => gearId)));
      for (const { id, revision } of gear.filter(({ id, body }) => used.has(id) && body.kind === 'battery'))
        await request(app).delete(`/api/gear/${id}`).set('If-Match', `"${revision}"`).expect(204);
      const document = (await request(app).get('/api/plan').expect(200)).body as { gear: object[]; deleted: { gear: { id: string }[] } };
      expect(document.deleted.gear.length).toBeGreaterThan(3);

      const tables = [...PLAN_KINDS, 'revisions', 'plan_rests'];
      await to.database.sequelize.query(`TRUNCATE ${tables.join(', ')}`);
      const elsewhere = appOn(to.database);
      await request(elsewhere).post('/api/plan').send(document).expect(201);
      expect((await request(elsewhere).get('/api/gear')).body).toHaveLength(document.gear.length);
      expect((await request(elsewhere).get('/api/plan')).body).toEqual(document);
      // and by the way of the pages
      await to.database.sequelize.query(`TRUNCATE ${tables.join(', ')}`);
      const { rest, deleted, ...items } = (await request(elsewhere).post('/api/plan/read').send(document).expect(200)).body as { rest?: object; deleted: object }; // prettier-ignore
      await request(elsewhere).post('/api/changes').send({ ...items, rest, deleted }).expect(200); // prettier-ignore
      expect((await request(elsewhere).get('/api/plan')).body).toEqual(document);
    } finally {
      await from.drop();
      await to.drop();
    }
  });

  it('keeps the order of a document, however many times it goes out and in', async () => {
    const to = await freshDatabase();
    try {
      const app = appOn(to.database);
      await to.database.sequelize.query(`TRUNCATE ${[...PLAN_KINDS, 'revisions', 'plan_rests'].join(', ')}`);
      const cable = (n: number) => ({
        id: randomUUID(),
        body: { ...LOW_WATER.gear.find(({ body }) => body.kind === 'cable')!.body, name: `Lead ${n}` },
      });
      const gear = Array.from({ length: 40 }, (_, n) => cable((n * 17) % 40));
      await request(app).post('/api/plan').send({ gear, rigs: [] }).expect(201);
      expect(((await request(app).get('/api/plan')).body as { gear: object[] }).gear).toEqual(gear);
      expect(((await request(app).get('/api/gear')).body as { id: string }[]).map(({ id }) => id)).toEqual(gear.map(({ id }) => id));
    } finally {
      await to.drop();
    }
  });
});
